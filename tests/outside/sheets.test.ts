import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { proveSheets } from '../../core/files/hand-off/prove';
import { verify } from '../../core/files/pdf/rules';
import { writeSheets } from '../../core/files/pdf/sheet';
import type { Standard } from '../../core/files/pdf/standards';
import { writePdf } from '../../core/files/pdf/write';
import { contains, outset, overlaps } from '../../core/geometry/box';
import { makeShape } from '../../core/job/make';
import type { Job, Piece } from '../../core/job/schema';
import { type SheetBlock, type SheetByHand, type SheetMade, USUAL_SHEET } from '../../core/job/sheet';
import { unmarkedCuts } from '../../core/sheet/cut-lines';
import { sheetMarks } from '../../core/sheet/marks';
import { itemsOf, SheetError, sheetPlans, turnedOver } from '../../core/sheet/plan';
import { usable } from '../../core/sheet/printable';
import { shopOf } from '../../core/trade/shops';
import { isDeep, someOf } from '../deep';
import { cardWith, kit, mm, openDemo } from '../kit';
import type { PlacedBox } from './marks-seen';
import { squaresIn } from './marks-seen';
import { folder, pageOf, run, tidyUp } from './tools';

const SIDE = 3;
const AT = { x: 9, y: 38 };
const shop = shopOf('metric-offset');

/** A card with a black square on its front, and one on its back just behind it. */
function marked(turns?: Piece['turns']): Job {
  const job = cardWith([], { faces: 2 } as never);
  const piece = job.pieces[0]!;
  const square = (id: string, x: number, y: number) =>
    makeShape({ id, x: mm(x), y: mm(y), width: mm(SIDE), height: mm(SIDE), paint: { ink: 'black', tint: 1 } });
  // Over its upright edge a card turns left for right; over its level one, head for foot.
  const back = turns === 'top–bottom' ? square('b', AT.x, 55 - AT.y - SIDE) : square('b', 85 - AT.x - SIDE, AT.y);
  const faces = [
    { id: 'f1', name: 'Front', elements: [square('a', AT.x, AT.y)], guides: [] },
    { id: 'f2', name: 'Back', elements: [back], guides: [] },
  ];
  return { ...job, pieces: [{ ...piece, faces, ...(turns ? { turns } : {}) }] } as unknown as Job;
}

async function written(
  job: Job,
  made: SheetMade,
  assets = {},
  standard: Standard = 'PDF/X-4',
): Promise<{ file: string; up: number; bytes: Uint8Array }> {
  const piece = job.pieces[0]!;
  const items = itemsOf(job, piece, made);
  const plan = sheetPlans(job, items, made)[made.taken]!;
  const asked = { made, items, plan, shop, standard };
  const on = { ...kit, press: kit.press('general-coated'), assets };
  const bytes = await writeSheets(job, asked, on);
  // Drawing sheets twice over takes seconds: by every standard only in a deep run.
  if (isDeep || standard === 'PDF/X-4')
    expect(proveSheets(job, asked, bytes, on).rows.filter(({ right }) => !right)).toEqual([]);
  const file = join(folder, `sheet-${Math.random().toString(36).slice(2)}.pdf`);
  writeFileSync(file, bytes);
  return { file, up: plan.up, bytes };
}

/** Black squares of the marks' size on a page, in millimetres; the page turned over where it is a back. */
async function seenOn(file: string, page: number, over?: 'left for right' | 'head for foot'): Promise<PlacedBox[]> {
  const { data, width, height } = pageOf(file, page, 300, '-gray');
  if (!over) return squaresIn({ data, width, height }, 300, SIDE);
  const image = sharp(data, { raw: { width, height, channels: 1 } });
  const turned = await (over === 'left for right' ? image.flop() : image.flip()).extractChannel(0).raw().toBuffer();
  return squaresIn({ data: turned, width, height }, 300, SIDE);
}

function allMeet(fronts: readonly PlacedBox[], backs: readonly PlacedBox[]): void {
  for (const front of fronts) {
    const nearest = Math.min(...backs.map((back) => Math.hypot(front.x - back.x, front.y - back.y)));
    expect(nearest).toBeLessThan(0.1);
  }
}

const byHand = (...blocks: Partial<SheetBlock>[]): SheetByHand => ({
  forms: [
    {
      blocks: blocks.map((block) => ({ item: 0, rows: 1, columns: 1, turned: false, x: mm(20), y: mm(20), ...block })),
    },
  ],
});

const LAYOUTS: readonly [string, Partial<SheetMade>][] = [
  ['the best found, mixed', {}],
  ['all turned', { way: 'turned' }],
  ['odd rows, off the middle', { hand: byHand({ rows: 3, columns: 2, x: mm(85), y: mm(120) }) }],
  ['gripper and wide margins', { gripper: mm(12), unprintable: mm(7), gutter: mm(5) }],
  ['shared cuts', { gutter: 'none', bleed: 'trimmed' }],
];

afterAll(tidyUp);

describe('backs meet their fronts', () => {
  it.each(LAYOUTS)('sheetwise: %s', async (name, part) => {
    for (const turns of name === 'all turned' ? ([undefined, 'top–bottom'] as const) : [undefined]) {
      const { file, up } = await written(marked(turns), { ...USUAL_SHEET, ...part });
      const [fronts, backs] = [await seenOn(file, 1), await seenOn(file, 2, 'left for right')];
      expect(fronts).toHaveLength(up);
      expect(backs).toHaveLength(up);
      allMeet(fronts, backs);
    }
  });
  it.each([
    ['work-and-turn', 'left for right'],
    ['work-and-tumble', 'head for foot'],
  ] as const)('%s: from one form', async (turning, over) => {
    const ways = [
      ['work-and-turn', undefined, 'any'],
      ['work-and-tumble', 'top–bottom', 'turned'],
    ] as const;
    for (const [, turns, way] of someOf(ways, ([of]) => of === turning)) {
      const { file, up } = await written(marked(turns), { ...USUAL_SHEET, turning, way });
      expect(run('pdfinfo', [file])).toMatch(/Pages:\s+1\n/);
      const [fronts, backs] = [await seenOn(file, 1), await seenOn(file, 1, over)];
      expect(fronts).toHaveLength(up);
      allMeet(fronts, backs);
    }
  });
});

describe('the file of a sheet', () => {
  it('has each piece once: 24 cards are hardly longer than one, by the rules of each standard', async () => {
    const demo = openDemo();
    const job = { ...demo.job, pieces: [demo.job.pieces.find(({ id }) => id === 'card')!] };
    const piece = job.pieces[0]!;
    const press = kit.press('general-coated');
    const one = await writePdf(
      job,
      { pieceId: piece.id, shop, marks: true, standard: 'PDF/X-4' },
      { ...kit, press, assets: demo.assets },
    );
    const made: SheetMade = {
      ...USUAL_SHEET,
      gripper: 0,
      unprintable: 0,
      press: { name: 'SRA3', width: mm(320), height: mm(450) },
    };
    for (const standard of someOf(
      ['PDF/X-4', 'PDF/X-1a:2001', 'PDF/X-1a:2003'] as const,
      (each) => each === 'PDF/X-4',
    )) {
      const { bytes, up, file } = await written(job, made, demo.assets, standard);
      expect(up).toBe(23);
      expect(bytes.length).toBeLessThan(1.3 * one.length);
      expect(verify(bytes, standard).filter(({ faults }) => faults.length > 0)).toEqual([]);
      expect(run('qpdf', ['--check', file])).toMatch(/No syntax/);
      expect(run('pdftotext', [file, '-']).match(/Iris Calloway/g)).toHaveLength(23);
      expect(readFileSync(file).length).toBe(bytes.length);
    }
  });
});

describe('marks on the sheet', () => {
  it('stand at every cut line, never in any colour, nor where the press holds the sheet', () => {
    const job = marked();
    for (const [, part] of LAYOUTS) {
      const made = { ...USUAL_SHEET, ...part };
      const items = itemsOf(job, job.pieces[0]!, made);
      const [plan] = sheetPlans(job, items, made);
      const trims = plan!.forms[0]!.first.map(({ trim }) => trim);
      const bleed = made.bleed === 'trimmed' ? 0 : mm(3);
      const marks = sheetMarks(trims, bleed, shop.marks, made, ['Cyan', 'Magenta', 'Yellow', 'Black']);
      const lines = marks.cuts;
      const area = usable(made);
      for (const { x0, y0, x1, y1 } of lines) {
        const box = { x: x0 - 0.1, y: y0 - 0.1, width: x1 - x0 + 0.2, height: y1 - y0 + 0.2 };
        for (const trim of trims) expect(overlaps(box, outset(trim, bleed))).toBe(false);
        // Where the press prints nothing, or holds the sheet, there is none.
        expect(contains(outset(area, 0.01), { x: x0, y: y0, width: x1 - x0, height: y1 - y0 })).toBe(true);
      }
      // Each cut line has a mark at both ends, or the sheet says that it cannot.
      const lacking = unmarkedCuts(trims, lines).length;
      expect(marks.noRoom.some((says) => says.startsWith('cut marks'))).toBe(lacking > 0);
      const { side } = marks;
      for (const box of [side.bar?.box, side.slug])
        if (box) for (const trim of trims) expect(overlaps(box, outset(trim, bleed))).toBe(false);
    }
  });
});

describe('what cannot be laid out', () => {
  const job = marked();
  const asked = (part: Partial<SheetMade>, quantity = 250) => {
    const made = { ...USUAL_SHEET, ...part };
    const items = itemsOf(job, job.pieces[0]!, made).map((item) => ({ ...item, quantity }));
    return () => sheetPlans(job, items, made);
  };
  it.each([
    [
      'a sheet smaller than the piece',
      { press: { name: 'Scrap', width: 100, height: 100 } },
      /does not fit what Scrap can be printed on/,
    ],
    ['margins that leave nothing', { unprintable: 600 }, /margins leave nothing/],
    [
      'gutters that eat the sheet',
      { gutter: 1999, hand: byHand({ rows: 2, columns: 2 }) },
      /runs out of what can be printed on/,
    ],
    ['grain against the way', { way: 'turned', along: 'long side', grain: 'short' }, /cannot lie as they are asked to/],
    ['a grid too large', { hand: byHand({ rows: 40, columns: 2 }) }, /runs out/],
  ] as const)('%s', (_, part, message) => {
    expect(asked(part as Partial<SheetMade>)).toThrow(SheetError);
    expect(asked(part as Partial<SheetMade>)).toThrow(message);
  });
  it('ten million are as quick as ten', () => {
    const [best] = asked({ overs: 5 }, 10_000_000)();
    expect(best!.sheets).toBe(Math.ceil(Math.ceil(10_000_000 / best!.up) * 1.05));
  });
  it('a piece without a back needs no second side, and cannot be worked and turned', () => {
    const single = { ...job, pieces: [{ ...job.pieces[0]!, faces: job.pieces[0]!.faces.slice(0, 1) }] };
    const items = itemsOf(single, single.pieces[0]!, USUAL_SHEET);
    expect(sheetPlans(single, items, USUAL_SHEET)[0]!.forms[0]!.second).toEqual([]);
    expect(() => sheetPlans(single, items, { ...USUAL_SHEET, turning: 'work-and-turn' })).toThrow(/has no back/);
  });
});

it('a sheet turned over twice is as it was', () => {
  for (const turning of ['sheetwise', 'work-and-turn', 'work-and-tumble'] as const) {
    const made = { ...USUAL_SHEET, turning };
    const box = { x: 10, y: 20, width: 30, height: 40 };
    expect(turnedOver(turnedOver(box, made), made)).toEqual(box);
    expect(usable(made).width).toBeGreaterThan(0);
  }
});
