import type { Element } from '@xmldom/xmldom';
import { readXml } from '../../xml';
import { contentsOf } from './filters';
import { Stream } from './syntax';
import type { PdfView } from './view';

/** The names that a packet gives its facts under (ISO 16684-1; ISO 15930-7). */
const SPACES = {
  dc: 'http://purl.org/dc/elements/1.1/',
  xmp: 'http://ns.adobe.com/xap/1.0/',
  xmpMM: 'http://ns.adobe.com/xap/1.0/mm/',
  pdf: 'http://ns.adobe.com/pdf/1.3/',
  pdfx: 'http://ns.adobe.com/pdfx/1.3/',
  pdfxid: 'http://www.npes.org/pdfx/ns/id/',
  pdfvtid: 'http://www.npes.org/pdfvt/ns/id/',
} as const;
const RDF = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#';

export type XmpName = `${keyof typeof SPACES}:${string}`;

/** What a file says of itself in its XMP packet. */
export interface Xmp {
  /** Whether there is a packet that can be read as XML. */
  isSound: boolean;
  /** A fact as it is written, as an element or an attribute; of several languages the one that is for all. */
  value(name: XmpName): string | undefined;
}

function written(element: Element): string {
  const items = [...element.getElementsByTagNameNS(RDF, 'li')];
  const item = items.find((each) => each.getAttribute('xml:lang') === 'x-default') ?? items[0];
  return ((item ?? element).textContent ?? '').trim();
}

function readPacket(text: string): Xmp {
  // A packet has no use for a document type, and entities could grow without end.
  const document = /<!(DOCTYPE|ENTITY)/i.test(text) ? undefined : readXml(text);
  const about = document ? [...document.getElementsByTagNameNS(RDF, 'Description')] : [];
  return {
    isSound: about.length > 0,
    value(name) {
      const [prefix, local] = name.split(':') as [keyof typeof SPACES, string];
      for (const each of about) {
        const attribute = each.getAttributeNS(SPACES[prefix], local);
        if (attribute) return attribute;
        const element = each.getElementsByTagNameNS(SPACES[prefix], local)[0];
        if (element) return written(element);
      }
      return undefined;
    },
  };
}

const NONE: Xmp = { isSound: false, value: () => undefined };
const read = new WeakMap<PdfView, Xmp>();

/** The packet of a file's catalog; it is read once. */
export function xmpOf(view: PdfView): Xmp {
  const known = read.get(view);
  if (known) return known;
  const stream = view.file.get(view.catalog.get('Metadata'));
  // The packet says where it begins; what stands before that is no XML.
  const xmp =
    stream instanceof Stream
      ? readPacket(new TextDecoder().decode(contentsOf(stream, view.file)).replace(/^[^<]*/, ''))
      : NONE;
  read.set(view, xmp);
  return xmp;
}
