import {
  PDFArray,
  PDFBool,
  type PDFContext,
  PDFDict,
  PDFHexString,
  PDFName,
  PDFNull,
  PDFNumber,
  type PDFObject,
  PDFRawStream,
  type PDFRef,
} from '@cantoo/pdf-lib';
import { multiply } from '../../geometry/matrix';
import { joined } from '../../packed/joined';
import type { WholePage } from '../pdf-in/whole';
import { contentsOf } from './parsed/filters';
import { PLACED } from './parsed/placed';
import { type Dict, Name, Ref, Stream, Text, type Value } from './parsed/syntax';
import { dictOf, nameOf, type PdfView, pageBytes } from './parsed/view';
import { flate } from './streams';

/** A page of another file as a form of this one: its objects as they are, their streams packed as they were. */

/** A name's characters as its bytes, however they are written. */
const nameOfPdf = (name: string): PDFName => PDFName.of(name.replaceAll('#', '#23'));

/** The colour space that this file has for an ink already, by the ink's name. */
export type OwnSpace = (ink: string) => PDFRef | undefined;

/**
 * Copies objects, each once, and what they refer to. A spot ink that both files name keeps the look that it has here: an ink
 * may have only one (ISO 15930-7, 6.2.4).
 */
export function copier(
  { file }: PdfView,
  context: PDFContext,
  own: OwnSpace = () => undefined,
): (value: Value | undefined) => PDFObject {
  const known = new Map<number, PDFRef>();
  const dictOfPdf = (dict: Dict, without: readonly string[] = []): PDFDict => {
    const made = PDFDict.withContext(context);
    for (const [key, value] of dict) if (!without.includes(key)) made.set(nameOfPdf(key), copy(value));
    return made;
  };
  const ownSpace = (value: Value | undefined): PDFRef | undefined => {
    const ink = Array.isArray(value) && nameOf(file, value[0]) === 'Separation' ? nameOf(file, value[1]) : undefined;
    return ink === undefined ? undefined : own(ink);
  };
  function copy(value: Value | undefined): PDFObject {
    if (value instanceof Ref) {
      const before = known.get(value.number);
      if (before) return before;
      const found = file.get(value);
      // What is nothing, or a page, leads back into its file.
      if (found === undefined || found === null) return PDFNull;
      const here = ownSpace(found);
      if (here) return here;
      const ref = context.nextRef();
      known.set(value.number, ref);
      context.assign(ref, copy(found));
      return ref;
    }
    if (value instanceof Stream) {
      const dict = dictOfPdf(value.dict, ['Length']);
      dict.set(PDFName.of('Length'), PDFNumber.of(value.raw.length));
      return PDFRawStream.of(dict, value.raw);
    }
    if (value instanceof Name) return nameOfPdf(value.name);
    if (value instanceof Text)
      return PDFHexString.of(
        Array.from(value.text, (c) => (c.charCodeAt(0) & 255).toString(16).padStart(2, '0')).join(''),
      );
    const here = ownSpace(value);
    if (here) return here;
    if (Array.isArray(value)) {
      const made = PDFArray.withContext(context);
      for (const each of value) made.push(copy(each));
      return made;
    }
    if (value instanceof Map && nameOf(file, value.get('Type')) === 'Page') return PDFNull;
    if (value instanceof Map) return dictOfPdf(value, ['StructParents', 'StructParent']);
    if (typeof value === 'number') return PDFNumber.of(value);
    if (typeof value === 'boolean') return value ? PDFBool.True : PDFBool.False;
    return PDFNull;
  }
  return copy;
}

/** All that a page draws, its parts one after the other. */
export function contentOf(view: PdfView, n: number): Uint8Array {
  const content = pageBytes(view.file, view.pages[n]!, (part) => contentsOf(part, view.file));
  // States that are saved and never taken up again would go on beyond the page.
  const words = view.contents[n]?.operations.map(({ word }) => word) ?? [];
  const open = words.filter((word) => word === 'q').length - words.filter((word) => word === 'Q').length;
  return open > 0 ? joined([content, new TextEncoder().encode(' Q'.repeat(open))]) : content;
}

/**
 * What a page begins with (ISO 32000-1, tables 52, 53 and 104): a form begins with whatever holds where it is drawn, the
 * colour of the words before it too.
 */
const INITIAL = new TextEncoder().encode(
  '0 g 0 G 1 w 0 J 0 j 10 M [] 0 d 0 Tc 0 Tw 100 Tz 0 TL 0 Tr 0 Ts /RelativeColorimetric ri\n',
);

/**
 * Embeds a file's first page as a form that draws it into the unit square, as pictures are drawn; it is a group by itself, so
 * that it mixes with nothing below it.
 */
export function embedPage(
  context: PDFContext,
  { view, frame, upright, width, height }: WholePage,
  own: OwnSpace,
): PDFRef {
  const page = view.pages[0]!;
  const copy = copier(view, context, own);
  const resources = copy(dictOf(view.file, page.get('Resources')) ?? new Map());
  const [x0, , , y1] = frame;
  const matrix = [[1 / width, 0, 0, -1 / height, 0, 1] as const, upright, [1, 0, 0, -1, -x0, y1] as const].reduce(
    (outer, inner) => multiply(outer, inner),
  );
  return context.register(
    flate(context, joined([INITIAL, contentOf(view, 0)]), {
      Type: 'XObject',
      Subtype: 'Form',
      FormType: 1,
      BBox: frame,
      Matrix: matrix,
      Resources: resources,
      Group: { Type: 'Group', S: 'Transparency', CS: 'DeviceCMYK', I: true },
      [PLACED]: true,
    }),
  );
}
