import { type Operation, operationsOf, type PdfFile } from './file';
import { contentsOf } from './filters';
import { type Dict, Name, Ref, Stream, Text, type Value } from './syntax';

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

/** What pages inherit (table 30). */
const INHERITED = ['Resources', 'MediaBox', 'CropBox', 'Rotate'];
const MOST_DEEP = 60;

function pagesBelow(file: PdfFile, node: Dict, above: Dict, deep = 0): Dict[] {
  const own: Dict = new Map([...[...above].filter(([key]) => INHERITED.includes(key)), ...node]);
  if (nameOf(file, node.get('Type')) === 'Page' || deep > MOST_DEEP) return [own];
  return arrayOf(file, node.get('Kids')).flatMap((kid) => {
    const below = dictOf(file, kid);
    return below ? pagesBelow(file, below, own, deep + 1) : [];
  });
}

function dictsIn(value: Value): Dict[] {
  if (value instanceof Stream) return dictsIn(value.dict);
  if (Array.isArray(value)) return value.flatMap(dictsIn);
  return value instanceof Map ? [value, ...[...value.values()].flatMap(dictsIn)] : [];
}

function contentsOfPage(file: PdfFile, page: Dict, number: number): Content[] {
  const joined = (value: Value | undefined): Uint8Array => {
    const given = file.get(value);
    const streams = (Array.isArray(given) ? given : [given]).map(file.get).filter((each) => each instanceof Stream);
    const parts = streams.map((stream) => contentsOf(stream, file));
    const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length + 1, 0)).fill(10);
    let at = 0;
    for (const part of parts) {
      whole.set(part, at);
      at += part.length + 1;
    }
    return whole;
  };
  const resources = dictOf(file, page.get('Resources')) ?? new Map();
  return [{ of: `page ${number}`, operations: operationsOf(joined(page.get('Contents'))), resources }];
}

/** Reads all that is drawn or named in a file. Throws SyntaxFault where a content cannot be read. */
export function viewFile(file: PdfFile): PdfView {
  const catalog = dictOf(file, file.trailer.get('Root')) ?? new Map<string, Value>();
  const pages = pagesBelow(file, dictOf(file, catalog.get('Pages')) ?? new Map(), new Map());
  const all = [...file.objects];
  const drawn = all.flatMap(([number, value]): Content[] => {
    if (!(value instanceof Stream)) return [];
    const isForm = nameOf(file, value.dict.get('Subtype')) === 'Form';
    const isTile = file.get(value.dict.get('PatternType')) === 1;
    if (!isForm && !isTile) return [];
    const resources = dictOf(file, value.dict.get('Resources')) ?? new Map();
    return [{ of: `object ${number}`, operations: operationsOf(contentsOf(value, file)), resources }];
  });
  return {
    file,
    catalog,
    info: dictOf(file, file.trailer.get('Info')) ?? new Map(),
    pages,
    contents: [...pages.flatMap((page, i) => contentsOfPage(file, page, i + 1)), ...drawn],
    dicts: [file.trailer, ...all.flatMap(([, value]) => dictsIn(value))],
    streams: all.flatMap(([, value]) => (value instanceof Stream ? [value] : [])),
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
