import { PDFDocument, PDFName, PDFOperator, type PDFOperatorNames, rgb, StandardFonts } from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { OrderAsked } from '../../core/files/counter/order';
import { type FileSaid, type Manner, verdictOn } from '../../core/files/counter/verdict';
import { inspectPdf } from '../../core/files/pdf/inspect';
import { SyntaxFault } from '../../core/files/pdf/parsed/syntax';
import { writePdf } from '../../core/files/pdf/write';
import type { Job, Piece } from '../../core/job/schema';
import { beginPiece, LOOKS, starterOf } from '../../core/starters';
import { usualFaces } from '../../core/starters/usual';
import { KINDS } from '../../core/trade/schema';
import { shopOf } from '../../core/trade/shops';
import { measuresOf, sizesOf } from '../../core/trade/sizes';
import { fromPoints } from '../../core/units/length';
import { CLIENTS } from '../core/starters/firms';
import { isDeep, someOf } from '../deep';
import { kit } from '../kit';

/** What a counter says of files that are right, of the same files with one fault each, and of damaged ones. */

const shop = shopOf('metric-offset');
const press = kit.press(shop.condition);
const MANNERS: readonly Manner[] = ['strict', 'lenient'];

interface Good {
  says: string;
  job: Job;
  piece: Piece;
}
/** Pieces of every look and kind, each for another client, at another of its sizes. */
function goodOnes(count: number): Good[] {
  return Array.from({ length: count }, (_, i) => {
    const [kind, look] = [KINDS[i % KINDS.length]!, LOOKS[Math.floor(i / KINDS.length) % LOOKS.length]!];
    const client = CLIENTS[(i * 7) % CLIENTS.length]!;
    const sizes = sizesOf(kind);
    const row = sizes[Math.floor(i / (KINDS.length * LOOKS.length)) % sizes.length]!;
    let ids = 0;
    const asked = { id: 'p', name: 'Piece', kind, ...measuresOf(row), shop: shop.id, faces: usualFaces(kind) };
    const job = beginPiece({ ...client.job, pieces: [] }, asked, starterOf(look, kind), () => `s${++ids}`, kit.fonts);
    return { says: `${kind}, ${look.id}, ${client.name}`, job, piece: job.pieces[0]! };
  });
}

const fileOf = ({ job, piece }: Good): Promise<Uint8Array> =>
  writePdf(job, { pieceId: piece.id, shop, marks: true, standard: 'PDF/X-4' }, { ...kit, press, assets: {} });
const orderOf = ({ piece }: Good): OrderAsked => ({
  key: 'key-000001',
  shop: shop.id,
  client: 'Client',
  piece: piece.name,
  width: fromPoints(piece.width, 'mm'),
  height: fromPoints(piece.height, 'mm'),
  sides: piece.faces.length,
  quantity: 250,
  stock: '',
  finishing: [],
  delivery: '',
  file: { name: 'a.pdf', size: 1, sha256: 'a'.repeat(64) },
});
async function saidOf(bytes: Uint8Array): Promise<FileSaid> {
  try {
    return await inspectPdf(bytes, shop, { screenInks: press.separateAll });
  } catch (error) {
    if (error instanceof SyntaxFault) return { problem: error.message };
    throw error;
  }
}
const answer = async (bytes: Uint8Array, good: Good, manner: Manner = 'strict') =>
  verdictOn(await saidOf(bytes), orderOf(good), shop, manner);

/** The file with something done to its first page, by another writer. */
async function changed(bytes: Uint8Array, change: (file: PDFDocument) => void | Promise<void>): Promise<Uint8Array> {
  const file = await PDFDocument.load(bytes, { updateMetadata: false });
  await change(file);
  return file.save({ useObjectStreams: false, updateFieldAppearances: false });
}
const trimOf = (file: PDFDocument) => file.getPage(0).getTrimBox();
const draw = (file: PDFDocument, ...lines: readonly (readonly [string, ...number[]])[]): void =>
  file
    .getPage(0)
    .pushOperators(
      ...lines.map(([word, ...numbers]) =>
        PDFOperator.of(word as PDFOperatorNames, numbers.map((n) => `${n}`) as never),
      ),
    );
async function picture(file: PDFDocument, pixels: number): Promise<void> {
  const noise = Buffer.from(Uint8Array.from({ length: pixels * pixels }, (_, i) => (i * 37) & 255));
  const png = await sharp(noise, { raw: { width: pixels, height: pixels, channels: 1 } })
    .toColourspace('b-w')
    .png()
    .toBuffer();
  const { x, y, width, height } = trimOf(file);
  file.getPage(0).drawImage(await file.embedPng(png), { x: x + width / 2, y: y + height / 2, width: 40, height: 40 });
}

/** What is done to a right file, what the clerk is to name, and how it is answered at a strict counter. */
const FAULTS: readonly [string, string, (file: PDFDocument) => void | Promise<void>][] = [
  [
    'a colour of a screen',
    'screen-colours',
    (file) => file.getPage(0).drawRectangle({ ...middle(file), color: rgb(0.9, 0.1, 0.1) }),
  ],
  [
    'more ink than paper takes',
    'total-ink',
    (file) => draw(file, ['q'], ['k', 1, 1, 1, 1], rectangle(file), ['f'], ['Q']),
  ],
  [
    'a hairline',
    'thin-lines',
    (file) => draw(file, ['q'], ['w', 0.05], ['K', 0, 0, 0, 1], rectangle(file), ['S'], ['Q']),
  ],
  [
    'a word in a typeface that is not there',
    'not-embedded',
    async (file) => {
      const { x, y } = middle(file);
      file.getPage(0).drawText('Tea', { x, y, size: 9, font: await file.embedFont(StandardFonts.Helvetica) });
    },
  ],
  ['a coarse picture', 'low-ppi', (file) => picture(file, 30)],
  [
    'colour that stops at the trim',
    'short-of-bleed',
    (file) => {
      const { x, y, width } = trimOf(file);
      // Paper over the bleed at the foot, and colour up to the trim.
      draw(
        file,
        ['q'],
        ['k', 0, 0, 0, 0],
        ['re', x - 20, y - 20, width + 40, 20],
        ['f'],
        ['k', 0.6, 0, 0, 0],
        ['re', x, y, width, 12],
        ['f'],
        ['Q'],
      );
    },
  ],
  [
    'a page that is cut smaller',
    'size',
    (file) => {
      const { x, y, width, height } = trimOf(file);
      file.getPage(0).setTrimBox(x, y, width - 6, height);
    },
  ],
  [
    'a blank page instead of its own',
    'size',
    (file) => {
      while (file.getPageCount() > 0) file.removePage(0);
      // A page without contents, as some writers make it.
      file.addPage([100, 100]).node.delete(PDFName.of('Contents'));
    },
  ],
  ['no press that it is printed for', 'standard', (file) => file.catalog.delete(PDFName.of('OutputIntents'))],
  [
    'a note on the page',
    'standard',
    (file) => {
      const { x, y } = middle(file);
      const note = file.context.obj({ Type: 'Annot', Subtype: 'Text', Rect: [x, y, x + 20, y + 20], Contents: 'Tea' });
      file.getPage(0).node.set(PDFName.of('Annots'), file.context.obj([file.context.register(note)]));
    },
  ],
];

function middle(file: PDFDocument) {
  const { x, y, width, height } = trimOf(file);
  return { x: x + width / 2 - 10, y: y + height / 2 - 10, width: 20, height: 20 };
}
function rectangle(file: PDFDocument): ['re', number, number, number, number] {
  const { x, y, width, height } = middle(file);
  return ['re', x, y, width, height];
}

const GOOD = goodOnes(isDeep ? 200 : 5);

describe('a file that is right', () => {
  it.each(GOOD.map((good, i) => [i, good.says, good] as const))('is accepted (%i: %s)', async (_, _says, good) => {
    const bytes = await fileOf(good);
    for (const manner of MANNERS) {
      const { verdict, lines } = await answer(bytes, good, manner);
      expect([verdict, ...lines.filter(({ kind }) => kind !== 'note').map(({ says }) => says)]).toEqual(['accepted']);
    }
    // Written anew by another writer it is right still.
    expect((await answer(await changed(bytes, () => undefined), good)).verdict).toBe('accepted');
  });
});

describe('the same file with a fault', () => {
  // Each fault in another piece; in a deep run in twenty.
  const all = FAULTS.flatMap((fault, f) =>
    Array.from({ length: isDeep ? 20 : 1 }, (_, i) => [fault, GOOD[(f + i * 9) % GOOD.length]!] as const),
  );
  it.each(all.map(([[says, check, change], good]) => [says, good.says, check, change, good] as const))(
    'is sent back: %s (%s)',
    async (_, _of, check, change, good) => {
      const { verdict, lines } = await answer(await changed(await fileOf(good), change), good);
      expect(lines.map((line) => line.check)).toContain(check);
      expect(verdict).toBe('back');
    },
  );

  it.each(someOf([0.02, 0.3, 0.6, 0.9, 0.99], (part) => part === 0.6))(
    'is sent back where only %f of it has come',
    async (part) => {
      const [good] = GOOD;
      const bytes = await fileOf(good!);
      expect((await answer(bytes.slice(0, bytes.length * part), good!)).verdict).toBe('back');
    },
  );
});
