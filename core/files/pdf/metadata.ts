/** What a file says of itself, once for Info and XMP so that the two agree. */
export interface FileFacts {
  title: string;
  /** ISO 8601 in UTC. */
  date: string;
  /** 32 hexadecimal digits. */
  id: string;
  /** Whether inks that meet are spread in it. */
  trapped?: boolean;
  /** Whether it is made of document parts, PDF/VT-1. */
  variable?: boolean;
  /** Whether it is for looking at: such a file does not say that it is PDF/X. */
  proof?: boolean;
}

export const PRODUCER = 'Tidy Edge';

const escapeXml = (text: string): string =>
  text.replace(/[&<>"']/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' })[c]!);

const uuid = (id: string): string => `uuid:${id.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5')}`;

/** As PDF and XMP say it, with a capital. */
export const trappedSays = (trapped: boolean): 'True' | 'False' => (trapped ? 'True' : 'False');

/** The XMP packet of a PDF/X-4 file (ISO 15930-7, 6.16; ISO 16684-1). */
export function xmpPacket({ title, date, id, trapped = false, variable, proof }: FileFacts): string {
  const when = date.replace(/\.\d+Z$/, 'Z');
  return `<?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/">
 <rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
  <rdf:Description rdf:about=""
    xmlns:dc="http://purl.org/dc/elements/1.1/"
    xmlns:xmp="http://ns.adobe.com/xap/1.0/"
    xmlns:xmpMM="http://ns.adobe.com/xap/1.0/mm/"
    xmlns:pdf="http://ns.adobe.com/pdf/1.3/"
    xmlns:pdfxid="http://www.npes.org/pdfx/ns/id/"${variable ? '\n    xmlns:pdfvtid="http://www.npes.org/pdfvt/ns/id/"' : ''}>
   <dc:format>application/pdf</dc:format>
   <dc:title><rdf:Alt><rdf:li xml:lang="x-default">${escapeXml(title)}</rdf:li></rdf:Alt></dc:title>
   <xmp:CreatorTool>${PRODUCER}</xmp:CreatorTool>
   <xmp:CreateDate>${when}</xmp:CreateDate>
   <xmp:ModifyDate>${when}</xmp:ModifyDate>
   <xmp:MetadataDate>${when}</xmp:MetadataDate>
   <xmpMM:DocumentID>${uuid(id)}</xmpMM:DocumentID>
   <xmpMM:InstanceID>${uuid(id)}</xmpMM:InstanceID>
   <xmpMM:RenditionClass>default</xmpMM:RenditionClass>
   <xmpMM:VersionID>1</xmpMM:VersionID>
   <pdf:Producer>${PRODUCER}</pdf:Producer>
   <pdf:Trapped>${trappedSays(trapped)}</pdf:Trapped>${proof ? '' : '\n   <pdfxid:GTS_PDFXVersion>PDF/X-4</pdfxid:GTS_PDFXVersion>'}${
     variable
       ? `
   <pdfvtid:GTS_PDFVTVersion>PDF/VT-1</pdfvtid:GTS_PDFVTVersion>
   <pdfvtid:GTS_PDFVTModDate>${when}</pdfvtid:GTS_PDFVTModDate>`
       : ''
   }
  </rdf:Description>
 </rdf:RDF>
</x:xmpmeta>
<?xpacket end="w"?>`;
}

/** A date as PDF writes it (ISO 32000-1, 7.9.4). */
export const pdfDate = (iso: string): string =>
  `D:${iso
    .replace(/\.\d+Z$/, 'Z')
    .replace(/[-:T]/g, '')
    .replace('Z', '')}Z`;
