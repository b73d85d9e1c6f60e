import { filtersOf } from '../parsed/filters';
import { Name, Stream, Text } from '../parsed/syntax';
import { arrayOf, dictOf, nameOf, type PdfView } from '../parsed/view';
import { ALL, type Rule, unless, X1A } from './rule';

/** What contents draw with: operators, fonts, pictures, and how deep they nest. */

/** Every operator of a content (ISO 32000-1, annex A); those that say where type 3 glyphs end among them. */
const OPERATORS = new Set(
  (
    'b B b* B* BDC BI BMC BT BX c cm CS cs d d0 d1 Do DP EI EMC ET EX f F f* G g gs h i ID j J K k l m M MP n q Q re RG rg ri s S ' +
    'SC sc SCN scn sh T* Tc Td TD Tf Tj TJ TL Tm Tr Ts Tw Tz v w W W* y \' "'
  ).split(' '),
);

/** Which resources an operator's last name is one of. */
const LOOKS_IN: Record<string, string> = { Do: 'XObject', Tf: 'Font', gs: 'ExtGState', sh: 'Shading' };
const FAMILY_NAMES = ['DeviceCMYK', 'DeviceGray', 'DeviceRGB', 'Pattern'];

/** Saved states that readers of PDF 1.3 to 1.7 hold (annex C). */
const MOST_SAVED = 28;
const LONGEST_NAME = 127;

const fontsOf = (view: PdfView) =>
  new Set(
    view.contents.flatMap(({ resources }) =>
      [...(dictOf(view.file, resources.get('Font'))?.values() ?? [])].flatMap((each) => dictOf(view.file, each) ?? []),
    ),
  );
const imagesOf = ({ file, streams }: PdfView): Stream[] =>
  streams.filter(({ dict }) => nameOf(file, dict.get('Subtype')) === 'Image');

export const DRAWING_RULES: readonly Rule[] = [
  {
    id: 'fonts-inside',
    says: 'Every font is in the file.',
    standards: ALL,
    faults: (view) =>
      [...fontsOf(view)].flatMap((font) => {
        if (nameOf(view.file, font.get('Subtype')) === 'Type3') return [];
        const own = dictOf(view.file, arrayOf(view.file, font.get('DescendantFonts'))[0]) ?? font;
        const descriptor = dictOf(view.file, own.get('FontDescriptor'));
        const inside = ['FontFile', 'FontFile2', 'FontFile3'].some(
          (key) => view.file.get(descriptor?.get(key)) instanceof Stream,
        );
        return unless(inside, `${nameOf(view.file, font.get('BaseFont')) ?? 'a font'} is not`);
      }),
  },
  {
    id: 'font-programs',
    says: 'Fonts are in a form that PDF 1.3 has: not whole OpenType files.',
    standards: X1A,
    faults: ({ file, streams }) =>
      unless(!streams.some(({ dict }) => nameOf(file, dict.get('Subtype')) === 'OpenType'), 'an OpenType file'),
  },
  {
    id: 'operators-known',
    says: 'Contents are made of the operators of PDF alone.',
    standards: ALL,
    faults: ({ contents }) =>
      contents.flatMap(({ of, operations }) =>
        [...new Set(operations.map(({ word }) => word))].flatMap((word) =>
          unless(OPERATORS.has(word), `${of}: ${word}`),
        ),
      ),
  },
  {
    id: 'names-found',
    says: 'What a content names is among its resources.',
    standards: ALL,
    faults: ({ file, contents }) =>
      contents.flatMap(({ of, operations, resources }) =>
        operations.flatMap(({ word, given }) => {
          const name = word === 'Tf' ? given[0] : given.at(-1);
          const list =
            word === 'cs' || word === 'CS'
              ? 'ColorSpace'
              : word === 'scn' || word === 'SCN'
                ? 'Pattern'
                : LOOKS_IN[word];
          if (!list || !(name instanceof Name) || (list === 'ColorSpace' && FAMILY_NAMES.includes(name.name)))
            return [];
          return unless(dictOf(file, resources.get(list))?.has(name.name) ?? false, `${of}: ${list} ${name.name}`);
        }),
      ),
  },
  {
    id: 'saved-restored',
    says: 'States that are saved are restored, and nest no deeper than readers hold.',
    standards: ALL,
    faults: ({ contents }) =>
      contents.flatMap(({ of, operations }) => {
        let depth = 0;
        let most = 0;
        let least = 0;
        for (const { word } of operations) {
          if (word === 'q') depth++;
          if (word === 'Q') depth--;
          most = Math.max(most, depth);
          least = Math.min(least, depth);
        }
        return [
          ...unless(depth === 0 && least === 0, `${of}: they do not match`),
          ...unless(most <= MOST_SAVED, `${of}: ${most} deep`),
        ];
      }),
  },
  {
    id: 'names-short',
    says: 'Names are no longer than readers hold.',
    standards: ALL,
    faults: ({ dicts }) =>
      dicts.flatMap((dict) =>
        [...dict].flatMap(([key, value]) =>
          unless(
            key.length <= LONGEST_NAME && !(value instanceof Name && value.name.length > LONGEST_NAME),
            key.slice(0, 40),
          ),
        ),
      ),
  },
  {
    id: 'packed-plainly',
    says: 'Streams are packed in ways that every reader of the version knows: not LZW, JPEG 2000 or JBIG2.',
    standards: X1A,
    faults: ({ file, streams }) =>
      streams.flatMap((stream) =>
        filtersOf(stream, file).flatMap((name) =>
          unless(
            [
              'FlateDecode',
              'DCTDecode',
              'CCITTFaxDecode',
              'RunLengthDecode',
              'ASCII85Decode',
              'ASCIIHexDecode',
            ].includes(name),
            name,
          ),
        ),
      ),
  },
  {
    id: 'one-picture-each',
    says: 'A picture has no others that may be printed in its place.',
    standards: ALL,
    faults: (view) => imagesOf(view).flatMap(({ dict }) => unless(!dict.has('Alternates'), 'one has')),
  },
  {
    id: 'picture-bits',
    says: 'Pictures have up to 8 bits a channel.',
    standards: X1A,
    faults: (view) =>
      imagesOf(view).flatMap(({ dict }) => {
        const bits = view.file.get(dict.get('BitsPerComponent'));
        return unless(bits === undefined || Number(bits) <= 8, `${String(bits)} bits`);
      }),
  },
  {
    id: 'strings-short',
    says: 'Strings in contents are no longer than readers hold.',
    standards: ALL,
    faults: ({ contents }) =>
      contents.flatMap(({ of, operations }) =>
        unless(
          operations.every(({ given }) => given.every((each) => !(each instanceof Text) || each.text.length <= 32767)),
          of,
        ),
      ),
  },
];
