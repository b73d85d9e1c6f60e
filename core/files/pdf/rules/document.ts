import { contentsOf } from '../parsed/filters';
import { Name, Stream, Text } from '../parsed/syntax';
import { arrayOf, dictOf, nameOf, type PdfView, textOf } from '../parsed/view';
import { type XmpName, xmpOf } from '../parsed/xmp';
import { ALL, type Rule, type Standard, unless, X1A, X4 } from './rule';

/** What a file says of itself: version, facts, intent, boxes, and what it must not carry. */

/** The versions of PDF that each standard is built on. */
const VERSIONS: Record<Standard, readonly string[]> = {
  'PDF/X-1a:2001': ['1.3'],
  'PDF/X-1a:2003': ['1.3', '1.4'],
  'PDF/X-4': ['1.6'],
};
const X1A_VERSION: Partial<Record<Standard, string>> = {
  'PDF/X-1a:2001': 'PDF/X-1:2001',
  'PDF/X-1a:2003': 'PDF/X-1a:2003',
};

const DATE = /^D:\d{4}(0[1-9]|1[0-2])(0[1-9]|[12]\d|3[01])([01]\d|2[0-3])[0-5]\d[0-5]\d(Z|[+-]\d\d'\d\d'?)/;

const intents = ({ file, catalog }: PdfView) =>
  arrayOf(file, catalog.get('OutputIntents')).flatMap((each) => {
    const dict = dictOf(file, each);
    return dict && nameOf(file, dict.get('S')) === 'GTS_PDFX' ? [dict] : [];
  });

type Corners = [number, number, number, number];
function boxOf({ file }: PdfView, page: ReadonlyMap<string, unknown>, name: string): Corners | undefined {
  const values = arrayOf(file, page.get(name) as never).map((each) => file.get(each));
  return values.length === 4 && values.every((n) => typeof n === 'number') ? (values as Corners) : undefined;
}
const within = (inner: Corners, outer: Corners): boolean =>
  inner[0] >= outer[0] - 0.001 &&
  inner[1] >= outer[1] - 0.001 &&
  inner[2] <= outer[2] + 0.001 &&
  inner[3] <= outer[3] + 0.001;

/** What a packet of PDF/X-4 has (ISO 15930-7; from memory). */
const IDENTITY: readonly XmpName[] = [
  'xmpMM:DocumentID',
  'xmpMM:VersionID',
  'xmpMM:RenditionClass',
  'dc:title',
  'xmp:CreateDate',
  'xmp:ModifyDate',
  'xmp:MetadataDate',
];

/** A date as a moment; PDF's digits are put as XMP's first. What is no date stays as it is. */
function moment(date: string): string | number {
  const iso = date
    .replace(/^D:(\d{4})(\d\d)(\d\d)(\d\d)(\d\d)(\d\d)/, '$1-$2-$3T$4:$5:$6')
    .replace(/([+-]\d\d)'(\d\d)'?$/, '$1:$2');
  const seconds = Math.floor(Date.parse(iso) / 1000);
  return Number.isNaN(seconds) ? date : seconds;
}
const asWritten = (text: string): string => text;
/** Facts that stand in Info and in XMP (ISO 15930-7; from memory). */
const TOLD_TWICE: readonly { info: string; xmp: XmpName; as(text: string): string | number }[] = [
  { info: 'Title', xmp: 'dc:title', as: asWritten },
  { info: 'Creator', xmp: 'xmp:CreatorTool', as: asWritten },
  { info: 'Producer', xmp: 'pdf:Producer', as: asWritten },
  { info: 'CreationDate', xmp: 'xmp:CreateDate', as: moment },
  { info: 'ModDate', xmp: 'xmp:ModifyDate', as: moment },
  { info: 'Trapped', xmp: 'pdf:Trapped', as: asWritten },
];

/** Where a page ends when it is cut; an ArtBox says it as well (ISO 15930-7). */
const cutBox = (view: PdfView, page: PdfView['pages'][number]): Corners | undefined =>
  boxOf(view, page, 'TrimBox') ?? boxOf(view, page, 'ArtBox');

/** Whether two boxes have nothing in common but an edge. */
const apart = (a: Corners, b: Corners): boolean =>
  a[2] <= b[0] + 0.001 || a[0] >= b[2] - 0.001 || a[3] <= b[1] + 0.001 || a[1] >= b[3] - 0.001;

const eachPage = (view: PdfView, faults: (page: PdfView['pages'][number], says: string) => string[]): string[] =>
  view.pages.flatMap((page, i) => faults(page, `page ${i + 1}`));

/** The class, space and version in the head of an ICC profile (ICC.1:2010, 7.2). */
function profileHead(bytes: Uint8Array) {
  const word = (at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));
  return { kind: word(12), space: word(16), major: bytes[8] ?? 0, signed: word(36) === 'acsp' };
}

export const DOCUMENT_RULES: readonly Rule[] = [
  {
    id: 'version',
    says: 'The version of PDF is one that the standard is built on.',
    standards: ALL,
    faults: ({ file }, standard) => unless(VERSIONS[standard].includes(file.version), `PDF ${file.version}`),
  },
  {
    id: 'plain-objects',
    says: 'Objects lie plainly in the file, not in object streams, and are found by a plain table.',
    standards: X1A,
    faults: ({ file }) => unless(!file.packsObjects, 'an object stream or a cross-reference stream'),
  },
  {
    id: 'id',
    says: 'The trailer has an ID of two strings.',
    standards: ALL,
    faults: ({ file }) => {
      const id = arrayOf(file, file.trailer.get('ID'));
      return unless(id.length === 2 && id.every((each) => file.get(each) instanceof Text), 'no ID');
    },
  },
  {
    id: 'not-encrypted',
    says: 'The file is not encrypted.',
    standards: ALL,
    faults: ({ file }) => unless(!file.trailer.has('Encrypt'), 'it is'),
  },
  {
    id: 'info',
    says: 'Title, Creator and Producer are given.',
    standards: X1A,
    faults: ({ file, info }) =>
      ['Title', 'Creator', 'Producer'].flatMap((key) => unless(Boolean(textOf(file, info.get(key))), `no ${key}`)),
  },
  {
    id: 'dates',
    says: 'When the file was made and changed is given in full.',
    standards: ALL,
    faults: ({ file, info }, standard) =>
      ['CreationDate', 'ModDate'].flatMap((key) => {
        const date = textOf(file, info.get(key));
        // A PDF/X-4 file may say it in its packet alone.
        if (date === undefined && standard === 'PDF/X-4') return [];
        return unless(DATE.test(date ?? ''), `${key} is ${date ?? 'left out'}`);
      }),
  },
  {
    id: 'trapped',
    says: 'Whether the file is trapped is said, yes or no.',
    standards: ALL,
    faults: (view, standard) => {
      const value =
        nameOf(view.file, view.info.get('Trapped')) ??
        (standard === 'PDF/X-4' ? xmpOf(view).value('pdf:Trapped') : undefined);
      return unless(value === 'True' || value === 'False', `it is ${value ?? 'left out'}`);
    },
  },
  {
    id: 'info-version',
    says: 'GTS_PDFXVersion in Info names the standard.',
    standards: X1A,
    faults: ({ file, info }, standard) => {
      const said = textOf(file, info.get('GTS_PDFXVersion'));
      return unless(said === X1A_VERSION[standard], `it is ${said ?? 'left out'}`);
    },
  },
  {
    id: 'info-conformance',
    says: 'GTS_PDFXConformance in Info names the standard.',
    standards: ['PDF/X-1a:2001'],
    faults: ({ file, info }, standard) => {
      const said = textOf(file, info.get('GTS_PDFXConformance'));
      return unless(said === standard, `it is ${said ?? 'left out'}`);
    },
  },
  {
    id: 'xmp-sound',
    says: 'The XMP packet is well formed.',
    standards: X4,
    faults: (view) => unless(xmpOf(view).isSound, 'it is not, or there is none'),
  },
  {
    id: 'xmp-version',
    says: 'pdfxid:GTS_PDFXVersion in the XMP packet names the standard.',
    standards: X4,
    faults: (view, standard) => {
      const said = xmpOf(view).value('pdfxid:GTS_PDFXVersion');
      return unless(said === standard, `it is ${said ?? 'left out'}`);
    },
  },
  {
    id: 'xmp-identity',
    says: 'The XMP packet has the document’s ID, version and rendition class, its title and its dates.',
    standards: X4,
    faults: (view) => IDENTITY.flatMap((name) => unless(Boolean(xmpOf(view).value(name)), `no ${name}`)),
  },
  {
    id: 'xmp-agrees',
    says: 'What Info and the XMP packet both say is the same: title, programs, dates, whether it is trapped.',
    standards: X4,
    faults: (view) =>
      TOLD_TWICE.flatMap(({ info, xmp, as }) => {
        const one = textOf(view.file, view.info.get(info)) ?? nameOf(view.file, view.info.get(info));
        const other = xmpOf(view).value(xmp);
        if (one === undefined || other === undefined) return [];
        return unless(as(one) === as(other), `${info} is “${one}”, ${xmp} “${other}”`);
      }),
  },
  {
    id: 'one-intent',
    says: 'There is one output intent of PDF/X.',
    standards: ALL,
    faults: (view) => unless(intents(view).length === 1, `there are ${intents(view).length}`),
  },
  {
    id: 'condition',
    says: 'The output intent names the printing condition.',
    standards: ALL,
    faults: (view) =>
      intents(view).flatMap((intent) =>
        unless(Boolean(textOf(view.file, intent.get('OutputConditionIdentifier'))), 'no OutputConditionIdentifier'),
      ),
  },
  {
    id: 'condition-told',
    says: 'A condition outside a registry is told of, and its profile is in the file; for PDF/X-4 it always is.',
    standards: ALL,
    faults: (view, standard) =>
      intents(view).flatMap((intent) => {
        const isRegistered = intent.has('RegistryName');
        const hasProfile = view.file.get(intent.get('DestOutputProfile')) instanceof Stream;
        return [
          ...unless(isRegistered || Boolean(textOf(view.file, intent.get('Info'))), 'no Info'),
          ...unless(hasProfile || (isRegistered && standard !== 'PDF/X-4'), 'no profile'),
        ];
      }),
  },
  {
    id: 'profile',
    says: 'The intent’s profile is that of a CMYK press; for PDF/X-1a of version 2.',
    standards: ALL,
    faults: (view, standard) =>
      intents(view).flatMap((intent) => {
        const stream = view.file.get(intent.get('DestOutputProfile'));
        if (!(stream instanceof Stream)) return [];
        const { kind, space, major, signed } = profileHead(contentsOf(stream, view.file));
        return [
          ...unless(signed, 'it is no ICC profile'),
          ...unless(kind === 'prtr', `its class is ${kind}`),
          ...unless(space === 'CMYK', `its space is ${space}`),
          ...unless(view.file.get(stream.dict.get('N')) === 4, 'N is not 4'),
          ...unless(major <= (standard === 'PDF/X-4' ? 4 : 2), `its version is ${major}`),
        ];
      }),
  },
  {
    id: 'boxes',
    says: 'Every page has a MediaBox, and either a TrimBox or an ArtBox.',
    standards: ALL,
    faults: (view) => [
      ...unless(view.pages.length > 0, 'there is no page'),
      ...eachPage(view, (page, says) => [
        ...unless(boxOf(view, page, 'MediaBox') !== undefined, `${says}: no MediaBox`),
        ...unless(cutBox(view, page) !== undefined, `${says}: no TrimBox`),
        ...unless(!(page.has('ArtBox') && page.has('TrimBox')), `${says}: an ArtBox beside the TrimBox`),
      ]),
    ],
  },
  {
    id: 'boxes-nest',
    says: 'The TrimBox lies in the BleedBox, and that in the MediaBox.',
    standards: ALL,
    faults: (view) =>
      eachPage(view, (page, says) => {
        const chain = ['TrimBox', 'ArtBox', 'BleedBox', 'CropBox', 'MediaBox'].flatMap((name) => {
          const box = boxOf(view, page, name);
          return box ? [{ name, box }] : [];
        });
        return chain.slice(1).flatMap(({ name, box }, i) => {
          // A crop box may cut into the bleed; it is about what is shown.
          if (name === 'CropBox') return [];
          const inner = chain[i]!.name === 'CropBox' ? chain[i - 1] : chain[i];
          return inner ? unless(within(inner.box, box), `${says}: the ${inner.name} leaves the ${name}`) : [];
        });
      }),
  },
  {
    id: 'annotations-outside',
    says: 'Annotations, printer’s marks among them, lie outside the bleed; only a trap network may lie within it.',
    standards: ALL,
    faults: (view) =>
      eachPage(view, (page, says) => {
        const area = boxOf(view, page, 'BleedBox') ?? cutBox(view, page);
        return arrayOf(view.file, page.get('Annots')).flatMap((each) => {
          const note = dictOf(view.file, each) ?? new Map();
          const kind = nameOf(view.file, note.get('Subtype')) ?? 'one of no kind';
          if (kind === 'TrapNet') return [];
          const place = boxOf(view, note, 'Rect');
          return unless(place !== undefined && area !== undefined && apart(place, area), `${says}: ${kind}`);
        });
      }),
  },
  {
    id: 'no-actions',
    says: 'Nothing happens by itself: no actions, scripts or forms.',
    standards: ALL,
    faults: ({ dicts }) =>
      ['AA', 'OpenAction', 'AcroForm', 'JavaScript', 'JS'].flatMap((key) =>
        unless(!dicts.some((dict) => dict.has(key)), `a ${key}`),
      ),
  },
  {
    id: 'no-layers',
    says: 'No layers that can be turned off.',
    standards: X1A,
    faults: ({ catalog }) => unless(!catalog.has('OCProperties'), 'it has layers'),
  },
  {
    id: 'no-layer-surprises',
    says: 'Layers do not change when the file is printed, and every choice of them has a name of its own.',
    standards: X4,
    faults: ({ file, catalog }) => {
      const layers = dictOf(file, catalog.get('OCProperties'));
      if (!layers) return [];
      const [usual, others] = [dictOf(file, layers.get('D')), arrayOf(file, layers.get('Configs'))];
      const choices = [usual, ...others.map((each) => dictOf(file, each))].filter((each) => each !== undefined);
      const names = choices.map((choice) => textOf(file, choice.get('Name')));
      return [
        ...unless(usual !== undefined, 'no usual choice of layers'),
        ...unless(!choices.some((choice) => choice.has('AS')), 'they change by themselves'),
        ...unless(names.every(Boolean), 'a choice of layers without a name'),
        ...unless(new Set(names).size === names.length, 'two choices of one name'),
      ];
    },
  },
  {
    id: 'all-inside',
    says: 'All that is drawn is in the file: no streams in other files, no pages of other files, no OPI.',
    standards: ALL,
    faults: ({ streams, dicts }) => [
      ...unless(!streams.some(({ dict }) => dict.has('F')), 'a stream in another file'),
      ...unless(!streams.some(({ dict }) => dict.has('Ref')), 'a page of another file'),
      ...unless(!dicts.some((dict) => dict.has('OPI')), 'OPI'),
    ],
  },
  {
    id: 'no-postscript',
    says: 'No PostScript that is passed on.',
    standards: ALL,
    faults: ({ file, streams }) =>
      unless(
        !streams.some(
          ({ dict }) =>
            nameOf(file, dict.get('Subtype')) === 'PS' || dict.has('PS') || dict.get('Subtype2') instanceof Name,
        ),
        'a PostScript XObject',
      ),
  },
  {
    id: 'no-user-unit',
    says: 'A unit of a page is a point.',
    standards: ALL,
    faults: (view) => eachPage(view, (page, says) => unless(!page.has('UserUnit'), `${says} has a UserUnit`)),
  },
];
