import { PDFArray, PDFDict, PDFDocument, PDFName, PDFNumber, PDFRawStream, type PDFRef } from '@cantoo/pdf-lib';
import { unzlibSync, zlibSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import type { Row } from '../../core/files/hand-off/comparison';
import { asAsked, prove } from '../../core/files/hand-off/prove';
import type { JobBundle } from '../../core/files/job-parts';
import type { PdfAsked } from '../../core/files/pdf/asked';
import type { Standard } from '../../core/files/pdf/standards';
import { writePdf } from '../../core/files/pdf/write';
import { pressConditionOf } from '../../core/job/press-of';
import type { Piece } from '../../core/job/schema';
import { shopIn } from '../../core/job/shops-of';
import { someOf } from '../deep';
import { kit, openDemo } from '../kit';
import { torture } from './torture';

/** What was written is read again, whole, by a reader that shares nothing with the writer. */

const STANDARDS: readonly Standard[] = ['PDF/X-4', 'PDF/X-1a:2001', 'PDF/X-1a:2003'];

interface Case {
  bundle: JobBundle;
  piece: Piece;
  asked: PdfAsked;
}

const kitOf = ({ bundle: { job, assets }, asked }: Case) => ({
  ...kit,
  press: kit.press(pressConditionOf(job, asked.shop)),
  assets,
});
const caseOf = (bundle: JobBundle, piece: Piece, more: Partial<PdfAsked> = {}): Case => ({
  bundle,
  piece,
  asked: { pieceId: piece.id, shop: shopIn(bundle.job, piece.shop), marks: true, ...more },
});
const written = (of: Case): Promise<Uint8Array> => writePdf(of.bundle.job, of.asked, kitOf(of));
const separated = new Map();
const wrongIn = (of: Case, bytes: Uint8Array): Row[] =>
  prove(
    of.bundle.job,
    of.asked,
    bytes,
    kitOf(of),
    of.asked.shop.condition === 'general-coated' ? separated : new Map(),
  ).rows.filter(({ right }) => !right);

describe('a file that was written', () => {
  const demo = openDemo();
  const usual = someOf(demo.job.pieces, ({ id }) => id === 'card');
  it.each(usual.map((piece) => [piece.id, piece] as const))(
    'is what was asked: %s, by every standard, with every mark, as text and as outlines',
    async (_, piece) => {
      const also = ['registration', 'colour bar', 'slug'] as const;
      const asked = someOf<Partial<PdfAsked>>(
        [
          ...STANDARDS.map((standard) => ({ standard })),
          { standard: 'PDF/X-4', also, words: 'outlines' },
          { standard: 'PDF/X-1a:2003', also, pictures: { quality: 85, fewer: { above: 200, to: 150 } } },
        ],
        (each) => each.also !== undefined,
      );
      for (const each of asked) {
        const of = caseOf(demo, piece, each);
        expect(wrongIn(of, await written(of)), JSON.stringify(each)).toEqual([]);
      }
    },
  );
  it('is what was asked when it goes to an office printer, without marks, or a face at a time', async () => {
    const card = demo.job.pieces[0]!;
    for (const more of [{ office: 'A4' as const }, { marks: false }, { faces: [1] }]) {
      const of = caseOf(demo, card, more);
      expect(wrongIn(of, await written(of)), JSON.stringify(more)).toEqual([]);
    }
  });
  // The two kinds of PDF/X-1a differ by what they say, not by what they draw.
  it.each(someOf(STANDARDS, (each) => each !== 'PDF/X-1a:2001'))(
    'is what was asked where everything is difficult: %s',
    async (standard) => {
      const bundle = torture();
      const of = caseOf(bundle, bundle.job.pieces[0]!, { standard });
      expect(wrongIn(of, await written(of))).toEqual([]);
    },
  );
});

/** A written file, taken apart so that one thing in it can be changed. */
interface Parts {
  document: PDFDocument;
  page: PDFDict;
  /** Every stream that is a content, with what it says. */
  contents: { text: string; write(text: string): void }[];
  pictures: { dict: PDFDict; stream: PDFRawStream; ref: PDFRef }[];
}

const nameOf = (dict: PDFDict, key: string): string => String(dict.get(PDFName.of(key)) ?? '');

async function changed(bytes: Uint8Array, change: (parts: Parts) => void): Promise<Uint8Array> {
  const document = await PDFDocument.load(bytes, { updateMetadata: false });
  const { context } = document;
  const page = document.getPages()[0]!.node;
  const contents: Parts['contents'] = [];
  const pictures: Parts['pictures'] = [];
  const drawn = page.get(PDFName.of('Contents'));
  for (const [ref, value] of context.enumerateIndirectObjects()) {
    if (!(value instanceof PDFRawStream)) continue;
    if (nameOf(value.dict, 'Subtype') === '/Image') pictures.push({ dict: value.dict, stream: value, ref });
    if (ref !== drawn && nameOf(value.dict, 'Subtype') !== '/Form') continue;
    const text = new TextDecoder('latin1').decode(unzlibSync(value.getContents()));
    contents.push({
      text,
      write(to) {
        const packed = zlibSync(Uint8Array.from(to, (c) => c.charCodeAt(0)));
        const dict = value.dict.clone(context);
        dict.set(PDFName.of('Length'), PDFNumber.of(packed.length));
        context.assign(ref, PDFRawStream.of(dict, packed));
      },
    });
  }
  change({ document, page, contents, pictures });
  return document.save({ useObjectStreams: false, addDefaultPage: false, updateFieldAppearances: false });
}

const TEXT_PLACE = /(-?[\d.]+) (-?[\d.]+) (Td|Tm)/g;
const moved =
  (n: number, by: { x: number; y: number }) =>
  ({ contents }: Parts): void => {
    const places = contents.flatMap((content) =>
      [...content.text.matchAll(TEXT_PLACE)].map((match) => ({ content, match })),
    );
    const { content, match } = places[n % places.length]!;
    const [whole, x, y, word] = match;
    const to = `${Number(x) + by.x} ${Number(y) + by.y} ${word}`;
    content.write(content.text.slice(0, match.index) + to + content.text.slice(match.index + whole.length));
  };

const box =
  (name: string, side: number, by: number) =>
  ({ page, document }: Parts): void => {
    const array = page.lookup(PDFName.of(name), PDFArray);
    const values = array.asArray().map((each) => Number(String(each)));
    values[side]! += by;
    page.set(PDFName.of(name), document.context.obj(values));
  };

/** Another picture of the same size in the place of one: its rows from the last to the first. */
const swapped =
  (n: number) =>
  ({ pictures, document }: Parts): void => {
    const own = pictures.filter(
      ({ dict }) => dict.get(PDFName.of('Width'))?.toString() !== '1' && nameOf(dict, 'ColorSpace') === '/DeviceCMYK',
    );
    const { stream, dict, ref } = own[n % own.length]!;
    const row = Number(String(dict.get(PDFName.of('Width')))) * 4 + 1;
    const raw = unzlibSync(stream.getContents());
    const turned = new Uint8Array(raw.length);
    const rows = raw.length / row;
    for (let y = 0; y < rows; y++) turned.set(raw.subarray((rows - 1 - y) * row, (rows - y) * row), y * row);
    const packed = zlibSync(turned);
    const copy = dict.clone(document.context);
    copy.set(PDFName.of('Length'), PDFNumber.of(packed.length));
    document.context.assign(ref, PDFRawStream.of(copy, packed));
  };

const renamed = ({ document }: Parts): void => {
  for (const [, value] of document.context.enumerateIndirectObjects())
    if (value instanceof PDFArray && String(value.get(0)) === '/Separation' && String(value.get(1)) === '/Copper')
      value.set(1, PDFName.of('Kupfer'));
};

const fontLost =
  (n: number) =>
  ({ document }: Parts): void => {
    const descriptors = document.context
      .enumerateIndirectObjects()
      .flatMap(([, value]) => (value instanceof PDFDict && nameOf(value, 'Type') === '/FontDescriptor' ? [value] : []));
    const dict = descriptors[n % descriptors.length]!;
    for (const key of ['FontFile2', 'FontFile3']) dict.delete(PDFName.of(key));
  };

const otherProfile =
  (which: 'of another press' | 'with a byte changed') =>
  ({ document }: Parts): void => {
    const intent = document.catalog.lookup(PDFName.of('OutputIntents'), PDFArray).lookup(0, PDFDict);
    const own = intent.lookup(PDFName.of('DestOutputProfile')) as PDFRawStream;
    const profile =
      which === 'of another press' ? kit.press('estimated-uncoated').profile : unzlibSync(own.getContents());
    if (which === 'with a byte changed') profile[profile.length - 100]! ^= 1;
    const packed = zlibSync(profile);
    const dict = document.context.obj({ N: 4, Filter: 'FlateDecode', Length: packed.length });
    const stream = PDFRawStream.of(dict as unknown as PDFDict, packed);
    intent.set(PDFName.of('DestOutputProfile'), document.context.register(stream));
  };

/** What a content says, changed in one place. */
const edited =
  (find: RegExp, to: string) =>
  ({ contents }: Parts): void => {
    const content = contents.find(({ text }) => find.test(text));
    if (!content) throw new Error(`Nothing to change: ${find}`);
    content.write(content.text.replace(find, to));
  };

const misread = ({ document }: Parts): void => {
  for (const [ref, value] of document.context.enumerateIndirectObjects()) {
    if (!(value instanceof PDFDict) || nameOf(value, 'Subtype') !== '/Type0') continue;
    const cmap = value.lookup(PDFName.of('ToUnicode')) as PDFRawStream;
    const text = new TextDecoder().decode(unzlibSync(cmap.getContents()));
    const packed = zlibSync(
      new TextEncoder().encode(text.replace(/> <0061>/, '> <0062>').replace(/> <0065>/, '> <0062>')),
    );
    value.set(
      PDFName.of('ToUnicode'),
      document.context.register(
        PDFRawStream.of(
          document.context.obj({ Filter: 'FlateDecode', Length: packed.length }) as unknown as PDFDict,
          packed,
        ),
      ),
    );
    void ref;
    return;
  }
};

const WAYS = [
  { x: 0.6, y: 0 },
  { x: -0.4, y: 0 },
  { x: 0, y: 0.35 },
  { x: 0, y: -3 },
];

/** A hundred files that each have one thing wrong. */
const DAMAGES: readonly (readonly [says: string, piece: string, change: (parts: Parts) => void])[] = [
  ...Array.from(
    { length: 32 },
    (_, n) =>
      [`word ${n + 1} moved`, ['card', 'open-day', 'letterhead', 'year'][n % 4]!, moved(3 * n, WAYS[n % 4]!)] as const,
  ),
  ...['TrimBox', 'BleedBox', 'MediaBox'].flatMap((name) =>
    [0, 1, 2, 3].map(
      (side) => [`${name} off by 0.2 mm at side ${side}`, 'card', box(name, side, side < 2 ? -0.567 : 0.567)] as const,
    ),
  ),
  ...['TrimBox', 'BleedBox'].map(
    (name) =>
      [
        `${name} moved as a whole`,
        'postcard',
        (parts: Parts) => {
          for (const side of [0, 2]) box(name, side, 0.567)(parts);
        },
      ] as const,
  ),
  ...['card', 'open-day', 'postcard', 'postcard-us', 'year'].flatMap((piece) =>
    [0, 1].map((n) => [`picture ${n} swapped`, piece, swapped(n)] as const),
  ),
  ...['card', 'open-day', 'letterhead', 'envelope-dl', 'envelope-10', 'postcard', 'postcard-us', 'year'].flatMap(
    (piece) => [
      ['plate renamed', piece, renamed] as const,
      ['a font not embedded', piece, fontLost(0)] as const,
      ...(['of another press', 'with a byte changed'] as const).map(
        (which) => [`a profile ${which}`, piece, otherProfile(which)] as const,
      ),
      ['the page turned', piece, ({ page }: Parts) => page.set(PDFName.of('Rotate'), PDFNumber.of(90))] as const,
    ],
  ),
  ...[1, 2].map((n) => [`font ${n} not embedded`, 'open-day', fontLost(n)] as const),
  ['a crop mark left out', 'card', edited(/[\d.]+ [\d.]+ m\n[\d.]+ [\d.]+ l\nS/, 'n')],
  ['letters that stand for others', 'card', misread],
];

describe('a file that was changed after it was written', () => {
  const demo = openDemo();
  const files = new Map<string, Promise<Uint8Array>>();
  const of = (id: string): Case => caseOf(demo, demo.job.pieces.find((piece) => piece.id === id)!);
  it('is one of a hundred', () => expect(DAMAGES).toHaveLength(100));
  // One of each kind, on the quickest piece that has it.
  const kinds = new Set<string>();
  const isFirst = ([says, id]: (typeof DAMAGES)[number]): boolean => {
    const kind = says.replace(/[\d.]+/g, '');
    if (kinds.has(kind) || (id !== 'card' && !says.includes('whole'))) return false;
    return Boolean(kinds.add(kind));
  };
  it.each(someOf(DAMAGES, isFirst))('is told of: %s (%s)', async (_, id, change) => {
    const asked = of(id);
    const bytes = files.get(id) ?? written(asked);
    files.set(id, bytes);
    const spoilt = await changed(await bytes, change);
    expect(wrongIn(asked, spoilt).length).toBeGreaterThan(0);
  });
  it('is told of by what differs, and not handed over', async () => {
    const asked = of('card');
    const spoilt = await changed(await written(asked), moved(0, { x: 0, y: -3 }));
    expect(() => asAsked('card.pdf', prove(demo.job, asked.asked, spoilt, kitOf(asked)))).toThrow(
      /^card\.pdf was written, but differs .+letters/,
    );
  });
  it('is nothing when nothing was changed', async () => {
    const asked = of('card');
    expect(wrongIn(asked, await changed(await written(asked), () => undefined)).map(({ what }) => what)).toEqual([]);
  });
});
