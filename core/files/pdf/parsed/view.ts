import { joined } from '../../../packed/joined';
import type { JpxPixels } from '../../../packed/jpx';
import { type Operation, operationsOf } from './file';
import { contentsOf } from './filters';
import type { PdfFile } from './pdf-file';
import { type Dict, Name, Ref, Stream, SyntaxFault, Text, type Value } from './syntax';

/** A content and the resources its names are looked up in: a page's, a form's, a tile's. */
export interface Content {
  of: string;
  operations: readonly Operation[];
  resources: Dict;
}

/** A file as its rules look at it. */
export interface PdfView {
  file: PdfFile;
  catalog: Dict;
  info: Dict;
  pages: readonly Dict[];
  contents: readonly Content[];
  /** Every dictionary of the file, those of streams and those inside others too. */
  dicts: readonly Dict[];
  streams: readonly Stream[];
  /** Pictures that are unpacked before their page is drawn, since that cannot be done while it is. */
  jpx: Map<Stream, JpxPixels>;
}

export const dictOf = ({ get }: Pick<PdfFile, 'get'>, value: Value | undefined): Dict | undefined => {
  const found = get(value);
  return found instanceof Map ? found : found instanceof Stream ? found.dict : undefined;
};
export const nameOf = ({ get }: Pick<PdfFile, 'get'>, value: Value | undefined): string | undefined => {
  const found = get(value);
  return found instanceof Name ? found.name : undefined;
};
/** A text string, by its byte order mark or as PDFDocEncoding's Latin part (ISO 32000-1, 7.9.2). */
export const textOf = ({ get }: Pick<PdfFile, 'get'>, value: Value | undefined): string | undefined => {
  const found = get(value);
  if (!(found instanceof Text)) return undefined;
  if (!found.text.startsWith('\xFE\xFF')) return found.text;
  return found.text
    .slice(2)
    .replace(/([\s\S])([\s\S])/g, (_, high: string, low: string) =>
      String.fromCharCode(high.charCodeAt(0) * 256 + low.charCodeAt(0)),
    );
};
export const arrayOf = ({ get }: Pick<PdfFile, 'get'>, value: Value | undefined): readonly Value[] => {
  const found = get(value);
  return Array.isArray(found) ? found : [];
};

/** The numbers of an array; NaN for what is none. */
export const numbersOf = ({ file }: Pick<PdfView, 'file'>, value: Value | undefined): number[] =>
  arrayOf(file, value).map((each) => Number(file.get(each)));

/** What pages inherit (table 30). */
const INHERITED = ['Resources', 'MediaBox', 'CropBox', 'Rotate'];
const MOST_DEEP = 60;

/** More pages than this are not looked at. */
const MOST_PAGES = 20_000;

/** The pages below a node of the tree; one that is reached a second time leads nowhere. */
function pagesBelow(file: PdfFile, node: Dict, above: Dict, seen = new Set<Dict>()): Dict[] {
  if (seen.has(node) || seen.size > MOST_PAGES) return [];
  seen.add(node);
  const own: Dict = new Map([...[...above].filter(([key]) => INHERITED.includes(key)), ...node]);
  if (nameOf(file, node.get('Type')) === 'Page' || !node.has('Kids')) return [own];
  return arrayOf(file, node.get('Kids')).flatMap((kid) => {
    const below = dictOf(file, kid);
    return below ? pagesBelow(file, below, own, seen) : [];
  });
}

function dictsIn(value: Value): Dict[] {
  if (value instanceof Stream) return dictsIn(value.dict);
  if (Array.isArray(value)) return value.flatMap(dictsIn);
  return value instanceof Map ? [value, ...[...value.values()].flatMap(dictsIn)] : [];
}

/** Does something, or gives what is known without it where a content cannot be read and that is no reason to stop. */
type Trying = <T>(read: () => T, without: T, of: string) => T;

/** All that a page draws, its parts one after another, each unpacked by `read`. */
export function pageBytes({ get }: Pick<PdfFile, 'get'>, page: Dict, read: (part: Stream) => Uint8Array): Uint8Array {
  const given = get(page.get('Contents'));
  const parts = (Array.isArray(given) ? given : [given]).map(get).filter((each) => each instanceof Stream);
  return joined(parts.flatMap((part) => [read(part), Uint8Array.of(10)]));
}

function contentsOfPage(file: PdfFile, page: Dict, number: number, trying: Trying): Content[] {
  const read = (part: Stream): Uint8Array => trying(() => contentsOf(part, file), new Uint8Array(), `page ${number}`);
  const resources = dictOf(file, page.get('Resources')) ?? new Map();
  return [
    {
      of: `page ${number}`,
      operations: trying(() => operationsOf(pageBytes(file, page, read)), [], `page ${number}`),
      resources,
    },
  ];
}

/** The letters of a font that are contents themselves. */
function proceduresOf(file: PdfFile, font: Dict): Stream[] {
  const procs = nameOf(file, font.get('Subtype')) === 'Type3' ? dictOf(file, font.get('CharProcs')) : undefined;
  return [...(procs?.values() ?? [])].flatMap((each) => {
    const found = file.get(each);
    return found instanceof Stream ? [found] : [];
  });
}

/**
 * Reads all that is drawn or named in a file. Throws SyntaxFault where a content cannot be read; where `unread` is given it is
 * told of that instead, and the rest is read.
 */
export function viewFile(file: PdfFile, unread?: (of: string) => void): PdfView {
  const trying: Trying = (read, without, of) => {
    try {
      return read();
    } catch (error) {
      if (!unread || !(error instanceof SyntaxFault)) throw error;
      unread(`${of}: ${error.message}`);
      return without;
    }
  };
  const catalog = dictOf(file, file.trailer.get('Root')) ?? new Map<string, Value>();
  const pages = pagesBelow(file, dictOf(file, catalog.get('Pages')) ?? new Map(), new Map()).filter(
    (page) => page.size > 0,
  );
  const all = [...file.objects];
  const dicts = [file.trailer, ...all.flatMap(([, value]) => dictsIn(value))];
  const contentOf = (stream: Stream, resources: Value | undefined, of: string): Content => ({
    of,
    operations: trying(() => operationsOf(contentsOf(stream, file)), [], of),
    resources: dictOf(file, resources) ?? new Map(),
  });
  const drawn = all.flatMap(([number, value]): Content[] => {
    if (!(value instanceof Stream)) return [];
    const isForm = nameOf(file, value.dict.get('Subtype')) === 'Form';
    const isTile = file.get(value.dict.get('PatternType')) === 1;
    return isForm || isTile ? [contentOf(value, value.dict.get('Resources'), `object ${number}`)] : [];
  });
  const letters = dicts.flatMap((dict) =>
    proceduresOf(file, dict).map((stream) => contentOf(stream, dict.get('Resources'), 'a letter that is drawn')),
  );
  return {
    file,
    catalog,
    info: dictOf(file, file.trailer.get('Info')) ?? new Map(),
    pages,
    contents: [...pages.flatMap((page, i) => contentsOfPage(file, page, i + 1, trying)), ...drawn, ...letters],
    dicts,
    streams: all.flatMap(([, value]) => (value instanceof Stream ? [value] : [])),
    jpx: new Map(),
  };
}

/** Whether two values are written alike, references followed. */
export function alike(file: PdfFile, a: Value | undefined, b: Value | undefined, deep = 0): boolean {
  if (a instanceof Ref && b instanceof Ref && a.number === b.number) return true;
  const [one, other] = [file.get(a), file.get(b)];
  if (deep > MOST_DEEP) return true;
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((each, i) => alike(file, each, other[i], deep + 1));
  if (one instanceof Map && other instanceof Map)
    return one.size === other.size && [...one].every(([key, each]) => alike(file, each, other.get(key), deep + 1));
  if (one instanceof Stream && other instanceof Stream)
    return one.raw.length === other.raw.length && one.raw.every((byte, i) => byte === other.raw[i]);
  if (one instanceof Name && other instanceof Name) return one.name === other.name;
  if (one instanceof Text && other instanceof Text) return one.text === other.text;
  return one === other;
}
