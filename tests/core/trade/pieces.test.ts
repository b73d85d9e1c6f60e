import { readdirSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { overlaps } from '../../../core/geometry/box';
import { apply, type Matrix } from '../../../core/geometry/matrix';
import { areasOf } from '../../../core/job/areas';
import { NEW_POST } from '../../../core/job/edits/kinds';
import { facePanels, facesFolds, sheetFolds } from '../../../core/job/folds-of';
import { makePiece } from '../../../core/job/make';
import { NO_ORDER, type Order } from '../../../core/job/order';
import { addressedOn, postedOf } from '../../../core/job/posted';
import type { Piece } from '../../../core/job/schema';
import { ontoSheet } from '../../../core/job/turned';
import { areaBox } from '../../../core/trade/area-box';
import type { Envelope } from '../../../core/trade/data-schema';
import { ENVELOPES } from '../../../core/trade/envelopes';
import { behindWindow, fitOf, foldsThatFit, whatFits } from '../../../core/trade/fits';
import { FOLDS, type Fold, foldedSize, foldedViews, foldLines, leastTuck, panelsOf } from '../../../core/trade/folds';
import { LETTER_LAYOUTS, letterLayoutOf } from '../../../core/trade/letter-layouts';
import { POST_RULES, postRulesOf } from '../../../core/trade/post';
import { postVerdict } from '../../../core/trade/postage';
import { sizesOf } from '../../../core/trade/sizes';
import { lengthOf } from '../../../core/units/length';
import { fileHere, inch, mm } from '../../kit';

const envelope = (name: string): Envelope => ENVELOPES.find((each) => each.name === name)!;
const A4 = { width: mm(210), height: mm(297) };
const LETTER = { width: inch(8.5), height: inch(11) };

describe('envelopes', () => {
  it('are of the sizes that are offered', () => {
    for (const { name, width, height } of sizesOf('envelope')) {
      expect(envelope(name).width, name).toBeCloseTo(lengthOf(width), 6);
      expect(envelope(name).height, name).toBeCloseTo(lengthOf(height), 6);
    }
    expect(ENVELOPES).toHaveLength(sizesOf('envelope').length);
  });
  it('have the DL window of DIN 680: 90 × 45 mm, 20 mm from the left, 15 mm from the foot', () => {
    const { left, bottom, width, height } = envelope('DL').window!;
    expect([left, bottom, width, height]).toEqual([mm(20), mm(15), mm(90), mm(45)].map((v) => expect.closeTo(v, 6)));
  });
});

describe('what fits (ISO 269 against ISO 216)', () => {
  it.each([
    ['A4 in three', A4, 'thirds', 'DL', mm(10), mm(11)],
    ['A4 in half', A4, 'half', 'C5', mm(19), mm(13.5)],
    ['A4 in four', A4, 'quarters', 'C6', mm(13.5), mm(9)],
    ['A6 flat', { width: mm(105), height: mm(148) }, 'flat', 'C6', mm(14), mm(9)],
    ['Letter in three', LETTER, 'thirds', 'No. 10', inch(1), inch(4.125 - 11 / 3)],
    ['6 × 4 in', { width: inch(6), height: inch(4) }, 'flat', 'A6 (US)', inch(0.5), inch(0.75)],
    ['7 × 5 in', { width: inch(7), height: inch(5) }, 'flat', 'A7 (US)', inch(0.25), inch(0.25)],
  ] as const)('%s goes into its envelope', (_, piece, way, name, long, short) => {
    const { verdict, room } = fitOf(piece, way, envelope(name));
    expect(verdict).toBe('fits');
    expect(room[0]).toBeCloseTo(long, 4);
    expect(room[1]).toBeCloseTo(short, 4);
  });
  it('folds no more than has to be, and leaves out what is too small', () => {
    const fits = whatFits(A4, ENVELOPES);
    const way = (name: string) => fits.find((fit) => fit.envelope.name === name)?.way;
    expect(way('C4')).toBe('flat');
    expect(way('C5')).toBe('half');
    expect(way('DL')).toBe('thirds');
    expect(way('A2')).toBeUndefined();
  });
  it('calls what has less than 3 mm of room tight', () => {
    expect(fitOf({ width: mm(218), height: mm(100) }, 'flat', envelope('DL')).verdict).toBe('tight');
  });
});

/** Worked by hand: window 20–110 mm across, 50–95 mm down in DL; A4 slides 10 mm across and 5 mm down. */
describe('the address behind a window', () => {
  const DL = envelope('DL') as Envelope & { window: NonNullable<Envelope['window']> };
  const layout = (id: string) => letterLayoutOf(id)!;
  it.each(['din-5008-a', 'din-5008-b'])('%s always shows whole in DL', (id) => {
    const { folds, lines } = layout(id);
    const view = behindWindow(DL, { ...A4, folds, lines });
    expect(view.worst).toBeCloseTo(0, 6);
    // Form A is folded at 87 mm: the packet is 105 mm high, so its field comes 18 mm further down and lands like B's.
    expect(view.extremes[0]!.lines).toMatchObject({ x: expect.closeTo(mm(25), 6), y: expect.closeTo(mm(62.7), 4) });
    expect(view.extremes[3]!.lines).toMatchObject({ x: expect.closeTo(mm(35), 6), y: expect.closeTo(mm(67.7), 4) });
  });
  it('shows how much of the whole field is covered at the extremes', () => {
    const { folds, field } = layout('din-5008-b');
    const { extremes, worst } = behindWindow(DL, { ...A4, folds, lines: field });
    // At the top left the field begins at 45 mm, 5 mm above the window; at the far right it ends at 115 mm, 5 mm past it.
    expect(extremes[0]!.covered.top).toBeCloseTo(mm(5), 6);
    expect(extremes[1]!.covered.right).toBeCloseTo(mm(5), 6);
    expect(extremes[3]!.covered).toMatchObject({ top: expect.closeTo(0, 6), left: 0, bottom: expect.closeTo(0, 6) });
    expect(worst).toBeCloseTo(mm(5), 6);
  });
  it('a US letter always shows whole in a No. 10', () => {
    const no10 = envelope('No. 10') as typeof DL;
    const { folds, lines } = layout('us');
    const view = behindWindow(no10, { ...LETTER, folds, lines });
    expect(view.worst).toBeCloseTo(0, 6);
    // An inch of slack across, 11/24 in down.
    expect(view.extremes[3]!.lines.x - view.extremes[0]!.lines.x).toBeCloseTo(inch(1), 6);
    expect(view.extremes[3]!.lines.y - view.extremes[0]!.lines.y).toBeCloseTo(inch(11 / 24), 6);
  });
  it('an address 20 mm too high is covered', () => {
    const { folds, lines } = layout('din-5008-b');
    const high = { ...lines, y: lines.y - mm(20) };
    expect(behindWindow(DL, { ...A4, folds, lines: high }).worst).toBeCloseTo(mm(7.3), 4);
  });
});

describe('letter layouts', () => {
  it('have the distances of DIN 5008', () => {
    const [a, b] = LETTER_LAYOUTS;
    expect(a!.field).toMatchObject({
      x: expect.closeTo(mm(20), 6),
      y: expect.closeTo(mm(27), 6),
      width: expect.closeTo(mm(85), 6),
    });
    expect(b!.field).toMatchObject({ y: expect.closeTo(mm(45), 6), height: expect.closeTo(mm(45), 6) });
    expect(a!.folds).toEqual([mm(87), mm(192)].map((v) => expect.closeTo(v, 6)));
    expect(b!.folds).toEqual([mm(105), mm(210)].map((v) => expect.closeTo(v, 6)));
    expect(b!.punch).toBeCloseTo(mm(148.5), 6);
    // Form A has its field, and all that follows, 18 mm further up than form B.
    expect([a!.body, b!.body]).toEqual([mm(85.46), mm(103.46)].map((v) => expect.closeTo(v, 6)));
  });
});

const A4_FLAT = { width: mm(297), height: mm(210) };
const inMm = (lengths: readonly number[]): number[] => lengths.map((at) => Math.round((at / mm(1)) * 1000) / 1000);

describe('panels of a folded piece', () => {
  const widths = (kind: Fold, less: number, side: 'inside' | 'outside' = 'inside') =>
    inMm(panelsOf({ kind, less }, A4_FLAT, side).map(({ width }) => width));
  it('of 297 mm in three with 2 mm less: 99 2/3, 99 2/3, 97 2/3 mm', () => {
    expect(widths('rolled', mm(2))).toEqual([99.667, 99.667, 97.667]);
  });
  it('of 11 in in three with 1/16 in less', () => {
    const panels = panelsOf({ kind: 'rolled', less: inch(1 / 16) }, { width: inch(11), height: inch(8.5) }, 'inside');
    expect(panels.map(({ width }) => width / 72)).toEqual(
      [11.0625 / 3, 11.0625 / 3, 11.0625 / 3 - 0.0625].map((v) => expect.closeTo(v, 6)),
    );
  });
  // 4 a − 3 × 1 = 297: a = 75 mm, and each one that is rolled in is 1 mm shorter than the one before it.
  it('of 297 mm rolled in four, 1 mm less each: 75, 75, 74, 73 mm', () => {
    expect(widths('roll', mm(1))).toEqual([75, 75, 74, 73]);
  });
  // 4 a − 2 × 1 = 297: a = 74.75 mm, and the two that come to lie inside are 1 mm shorter.
  it('of 297 mm folded in half twice, 1 mm less inside: 74.75, 74.75, 73.75, 73.75 mm', () => {
    expect(widths('double', mm(1))).toEqual([74.75, 74.75, 73.75, 73.75]);
  });
  it('of a concertina are four alike', () => {
    expect(widths('concertina', mm(1))).toEqual([74.25, 74.25, 74.25, 74.25]);
  });
  it('of A4 folded crosswise are A6, four on a side', () => {
    const a4 = { width: mm(210), height: mm(297) };
    expect(inMm(Object.values(foldedSize({ kind: 'cross', less: 0 }, a4)))).toEqual([105, 148.5]);
    expect(panelsOf({ kind: 'cross', less: 0 }, a4, 'outside').map(({ name }) => name)).toEqual([
      'Opened right, 3, head down',
      'Opened left, 2, head down',
      'Back, 4',
      'Cover, 1',
    ]);
    expect(foldLines({ kind: 'cross', less: 0 }, a4, 'inside')).toEqual([
      { axis: 'x', at: mm(105) },
      { axis: 'y', at: mm(148.5) },
    ]);
  });
  it('the outside is the inside from behind: the tucked panel is at its left', () => {
    const fold = { kind: 'rolled', less: mm(2) } as const;
    expect(panelsOf(fold, A4_FLAT, 'outside').map(({ name }) => name)).toEqual([
      'Tucked panel, 2',
      'Back, 6',
      'Cover, 1',
    ]);
    expect(foldLines(fold, A4_FLAT, 'outside')[0]!.at / mm(1)).toBeCloseTo(293 / 3, 6);
  });
  it('with level folds the cover is the lowest of the outside, and the sheet’s inside has its panels from below', () => {
    const fold = { kind: 'rolled', less: mm(2), level: true } as const;
    const at = (side: 'inside' | 'outside') =>
      panelsOf(fold, { width: mm(99), height: mm(297) }, side).map(({ name, y, height }) => [
        name,
        ...inMm([y, height]),
      ]);
    expect(at('outside')).toEqual([
      ['Tucked panel, 2', 0, 97.667],
      ['Back, 6', 97.667, 99.667],
      ['Cover, 1', 197.333, 99.667],
    ]);
    expect(at('inside')).toEqual([
      ['Inside top, 3', 197.333, 99.667],
      ['Inside middle, 4', 97.667, 99.667],
      ['Inside bottom, 5', 0, 97.667],
    ]);
    expect(inMm(Object.values(foldedSize(fold, { width: mm(99), height: mm(297) })))).toEqual([99, 99.667]);
  });
  it('a gate’s wings leave the allowance between them', () => {
    const [wing, middle, other] = widths('gate', mm(1));
    expect(middle! - wing! - other!).toBeCloseTo(2, 6);
  });
  it('is tucked in shorter by half a millimetre and twice what its stock is thick', () => {
    expect(leastTuck('rolled', mm(0.3))! / mm(1)).toBeCloseTo(1.1, 6);
    expect(leastTuck('zigzag', mm(0.3))).toBeUndefined();
  });
  it('always cover the sheet without a gap or an overlap, and are as many on both sides, folded along the same lines', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(FOLDS) as Fold[])),
        fc.double({ min: 200, max: 3000, noNaN: true }),
        fc.double({ min: 200, max: 3000, noNaN: true }),
        fc.double({ min: 0, max: 9, noNaN: true }),
        fc.boolean(),
        (kind, width, height, less, isLevel) => {
          const fold = { kind, less, level: isLevel };
          const flat = { width, height };
          const sides = (['inside', 'outside'] as const).map((side) => panelsOf(fold, flat, side));
          for (const panels of sides) {
            expect(panels.reduce((sum, box) => sum + box.width * box.height, 0)).toBeCloseTo(width * height, 3);
            for (const [i, a] of panels.entries()) {
              expect(Math.min(a.x, a.y)).toBeGreaterThan(-1e-6);
              expect(a.x + a.width).toBeLessThan(width + 1e-6);
              expect(a.y + a.height).toBeLessThan(height + 1e-6);
              for (const b of panels.slice(i + 1)) {
                const over = (axis: 'x' | 'y', long: 'width' | 'height'): number =>
                  Math.min(a[axis] + a[long], b[axis] + b[long]) - Math.max(a[axis], b[axis]);
                expect(Math.min(over('x', 'width'), over('y', 'height'))).toBeLessThan(1e-6);
              }
            }
          }
          expect(sides[0]!.length).toBe(sides[1]!.length);
          // Seen from behind, as sheets are turned: left is right, and up stays up.
          const behind = foldLines(fold, flat, 'outside').map(({ axis, at }) =>
            axis === 'x' ? [axis, width - at] : [axis, at],
          );
          const inside = foldLines(fold, flat, 'inside').map(({ axis, at }) => [axis, expect.closeTo(at, 6)]);
          expect(behind.toSorted((a, b) => Number(a[1]) - Number(b[1]))).toEqual(
            inside.toSorted((a, b) => (a[1] as { sample: number }).sample - (b[1] as { sample: number }).sample),
          );
        },
      ),
    );
  });
});

describe('how a letter is folded for an envelope', () => {
  const a4 = { width: mm(210), height: mm(297), folds: [mm(105), mm(210)] };
  const inMm = (ways: readonly (readonly number[])[]) =>
    ways.map((folds) => folds.map((at) => Math.round((at / mm(1)) * 10) / 10));
  it('A4 goes into C4 flat, into C5 in half, into DL in three', () => {
    expect(inMm(foldsThatFit(a4, envelope('C5')!))).toEqual([[148.5], [105, 210]]);
    expect(inMm(foldsThatFit(a4, envelope('DL')!))).toEqual([[105, 210]]);
    // Upright as it is addressed, C4 takes it lying: its short side is the sheet's long one plus 15 mm.
    expect(inMm(foldsThatFit(a4, { width: mm(229), height: mm(324) }))[0]).toEqual([]);
    expect(foldsThatFit(a4, { width: mm(162), height: mm(114) })).toEqual([]);
  });
  it('in half its address lies where it did: C5’s window is 57 to 102 mm from the top, the lines 62.7 to 90', () => {
    const C5 = envelope('C5') as Envelope & { window: NonNullable<Envelope['window']> };
    const lines = { x: mm(25), y: mm(62.7), width: mm(75), height: mm(27.3) };
    const half = behindWindow(C5, { ...a4, folds: [mm(148.5)], lines });
    // 162 less 148.5 mm is the way down: the lines end at 103.5 mm at its foot, 1.5 mm below the window; 19 mm is the way across.
    expect(half.worst / mm(1)).toBeCloseTo(Math.max(103.5 - 102, 19 + 100 - 110), 4);
  });
});

describe('folds as they lie on a face', () => {
  const folded = (turns: 'left–right' | 'top–bottom', turned?: 'clockwise') => {
    const piece = makePiece({
      id: 'f',
      name: 'F',
      kind: 'flyer',
      width: mm(297),
      height: mm(210),
      unit: 'mm',
      shop: 'metric-offset',
      faces: 2,
    });
    const [outside, inside] = piece.faces;
    return {
      ...piece,
      turns,
      fold: { kind: 'rolled' as const, less: mm(2) },
      faces: [outside!, { ...inside!, ...(turned ? { turned } : {}) }],
    };
  };
  const widths = (panels: readonly { width: number }[]) =>
    panels.map(({ width }) => Math.round((width / mm(1)) * 100) / 100);
  it('the inside is the outside mirrored where the back is reached left to right', () => {
    const piece = folded('left–right');
    expect(widths(facePanels(piece, piece.faces[0]!))).toEqual([97.67, 99.67, 99.67]);
    expect(widths(facePanels(piece, piece.faces[1]!))).toEqual([99.67, 99.67, 97.67]);
  });
  it('nothing is mirrored where it is reached top to bottom: the short panel, the folds and the names go together', () => {
    const piece = folded('top–bottom');
    const panels = facePanels(piece, piece.faces[1]!);
    expect(widths(panels)).toEqual([97.67, 99.67, 99.67]);
    expect(panels.map(({ name }) => name)).toEqual(['Inside left, 3', 'Inside middle, 4', 'Inside right, 5']);
    const folds = facesFolds(piece, piece.faces[1]!).map(({ axis, at }) => [
      axis,
      Math.round((at / mm(1)) * 100) / 100,
    ]);
    expect(folds).toEqual([
      ['x', 97.67],
      ['x', 197.33],
    ]);
  });
  it('the marks of the sheet are the same folds, upside down as the face lies there', () => {
    for (const turns of ['left–right', 'top–bottom'] as const)
      for (const turned of [undefined, 'clockwise'] as const) {
        const piece = folded(turns, turned);
        const face = piece.faces[1]!;
        const matrix = ontoSheet(piece, face)?.matrix ?? [1, 0, 0, 1, 0, 0];
        const onSheet = facesFolds(piece, face)
          .map(({ axis, at }) => apply(matrix as Matrix, axis === 'x' ? { x: at, y: 0 } : { x: 0, y: at }).x)
          .sort((a, b) => a - b);
        expect(onSheet).toEqual(sheetFolds(piece, face).map(({ at }) => expect.closeTo(at, 6)));
      }
  });
});

/** From memory of the Domestic Mail Manual and of the UPU's regulations, as trade-facts has them. */
describe('areas of post', () => {
  const boxes = (id: string, width: number, height: number) =>
    Object.fromEntries(postRulesOf(id)!.areas.map((area) => [area.id, areaBox(area, { width, height })]));
  it('of a 6 × 4 in card in the US lie in their corners', () => {
    const { stamp, barcode, address } = boxes('us', inch(6), inch(4));
    expect(stamp).toEqual({ x: inch(4.375), y: 0, width: inch(1.625), height: inch(1.375) });
    expect(barcode).toEqual({ x: inch(1.25), y: inch(3.375), width: inch(4.75), height: inch(0.625) });
    expect(address).toEqual({ x: inch(0.5), y: inch(1.25), width: inch(5), height: inch(2.125) });
  });
  it('of an international A6 card lie in theirs', () => {
    const { stamp, address } = boxes('international', mm(148), mm(105));
    expect(stamp).toEqual({ x: mm(74), y: 0, width: mm(74), height: mm(40) });
    // 15 mm from the right and the foot, 40 mm from the top, at most 140 mm from the right edge.
    expect(address).toMatchObject({
      x: expect.closeTo(mm(8), 6),
      y: expect.closeTo(mm(40), 6),
      width: expect.closeTo(mm(125), 6),
      height: expect.closeTo(mm(50), 6),
    });
  });
  // Of an A6 card, millimetres: x, y, width, height. From memory of what each country's post says.
  it.each<[string, number[], number[], number[]]>([
    ['de', [74, 0, 74, 40], [0, 90, 148, 15], [15, 40, 118, 50]],
    ['gb', [74, 0, 74, 40], [8, 90, 140, 15], [15, 40, 118, 47]],
    ['fr', [74, 0, 74, 40], [8, 85, 140, 20], [8, 40, 120, 45]],
    ['nl', [74, 0, 74, 40], [8, 90, 140, 15], [8, 40, 125, 50]],
    ['ca', [78, 0, 70, 35], [0, 86, 148, 19], [8, 40, 125, 46]],
    ['au', [74, 0, 74, 40], [0, 90, 148, 15], [8, 40, 125, 50]],
  ])('of %s: franking, sorting code and address of an A6 card', (id, ...wanted) => {
    const { stamp, barcode, address } = boxes(id, mm(148), mm(105));
    const found = [stamp!, barcode!, address!].map(({ x, y, width, height }) => [x, y, width, height]);
    expect(found).toEqual(wanted.map((each) => each.map((n) => expect.closeTo(mm(n), 6))));
  });
  it('never lie on one another', () => {
    for (const { id, areas } of POST_RULES)
      for (const size of [
        { width: mm(148), height: mm(105) },
        { width: mm(220), height: mm(110) },
      ]) {
        const [a, b, c] = areas.map((area) => areaBox(area, size));
        for (const [one, other] of [
          [a, b],
          [b, c],
          [a, c],
        ])
          if (one && other) expect(overlaps(one, other), id).toBe(false);
      }
  });
  it('are those of all files of their folder', () => {
    const files = readdirSync(fileHere('../core/trade/post')).filter((name) => name.endsWith('.json'));
    expect(POST_RULES.map(({ id }) => `${id}.json`).sort()).toEqual(files.sort());
  });
  it('never reach beyond a face', () => {
    for (const rules of POST_RULES)
      for (const area of rules.areas) {
        const box = areaBox(area, { width: inch(3), height: inch(2) });
        expect(box.x).toBeGreaterThanOrEqual(0);
        expect(box.x + box.width).toBeLessThanOrEqual(inch(3) + 1e-9);
      }
  });
});

describe('a folded piece in the hand', () => {
  const names = (kind: Fold, step: number, level = false): string[] => {
    const fold = { kind, less: mm(2), level };
    return foldedViews(fold, A4_FLAT)[step]!.seen.map(({ side, panel }) => panelsOf(fold, A4_FLAT, side)[panel]!.name);
  };
  it('shows its cover first, and its pages in reading order', () => {
    expect(names('half', 0)).toEqual(['Cover, 1']);
    expect(names('half', 1)).toEqual(['Inside left, 2', 'Inside right, 3']);
    expect(names('half', 2)).toEqual(['Back, 4']);
    expect(names('rolled', 0)).toEqual(['Cover, 1']);
    expect(names('rolled', 1)).toContain('Tucked panel, 2');
    expect(names('zigzag', 1)).toEqual(['Inside left, 2', 'Inside middle, 3']);
    expect(names('zigzag', 3)).toEqual(['Back, 4']);
    expect(names('gate', 0).slice(1)).toEqual(['Left wing, 1', 'Right wing, 2']);
    expect(names('double', 1)).toEqual(['Tucked left, 2', 'Tucked right, 3']);
    expect(names('roll', 1)).toContain('Tucked panel, 2');
    expect(names('roll', 2)).toContain('Tucked innermost, 3');
    expect(names('concertina', 3)).toEqual(['Back, 6']);
    expect(names('cross', 1)).toEqual(['Opened left, 2, head down', 'Opened right, 3, head down']);
    expect(names('half', 1, true)).toEqual(['Inside top, 2', 'Inside bottom, 3']);
  });
  it('behind the cover of a cross fold stands on its head, and what opens upwards has its inside the right way up', () => {
    const isOver = (kind: Fold, level: boolean, step: number) =>
      foldedViews({ kind, less: 0, level }, A4_FLAT)[step]!.seen.map((seen) => seen.isOver);
    expect(isOver('cross', false, 1)).toEqual([true, true]);
    expect(isOver('cross', false, 2)).toEqual([false, false, false, false]);
    expect(isOver('half', true, 1)).toEqual([true, true]);
    expect(isOver('half', true, 0)).toEqual([false]);
  });
  it('is as large closed as it is folded, and flat as the sheet; no two panels of a view that is flat overlap', () => {
    for (const kind of Object.keys(FOLDS) as Fold[])
      for (const level of kind === 'cross' ? [false] : [false, true]) {
        const fold = { kind, less: mm(2), level };
        const reach = (says: string): number[] => {
          const seen = foldedViews(fold, A4_FLAT).find((view) => view.says === says)!.seen;
          const ends = seen.map(({ side, panel, at }) => {
            const box = panelsOf(fold, A4_FLAT, side)[panel]!;
            return [at.x + box.width, at.y + box.height] as const;
          });
          return [Math.max(...ends.map(([x]) => x)), Math.max(...ends.map(([, y]) => y))];
        };
        expect(reach('Closed'), kind).toEqual(
          Object.values(foldedSize(fold, A4_FLAT)).map((v) => expect.closeTo(v, 6)),
        );
        expect(reach('Opened flat'), kind).toEqual(Object.values(A4_FLAT).map((v) => expect.closeTo(v, 6)));
      }
  });
});

describe('postage', () => {
  const us = postRulesOf('us')!;
  const says = (w: number, h: number, thick?: number) =>
    postVerdict(us, { width: inch(w), height: inch(h) }, thick === undefined ? undefined : inch(thick));
  it('a 6 × 4 in card of 0.010 in goes at the card rate', () => {
    expect(says(6, 4, 0.01)).toEqual({ postage: 'the card rate', against: [] });
  });
  it('a card above 4 1/4 × 6 in has to be 0.009 in thick', () => {
    expect(says(9, 6, 0.008).against).toMatchObject([{ what: 'thickness', wanted: inch(0.009) }]);
    expect(says(6, 4.25, 0.008).against).toEqual([]);
  });
  it('11 × 6 in goes as a letter; a square is charged more; 3 in high is not taken', () => {
    expect(says(11, 6).postage).toBe('the letter rate');
    expect(says(5, 5).against).toMatchObject([{ what: 'ratio', wanted: 1.3 }]);
    expect(says(5, 3).against[0]!.says).toMatch(/not taken/);
  });
  it('goes by the side that the address is parallel to: 6 in wide and 4 high is right, 4 wide and 6 high is not', () => {
    expect(says(6, 4, 0.01).against).toEqual([]);
    expect(says(4, 6, 0.01).against).toMatchObject([
      { what: 'ratio', measured: expect.closeTo(4 / 6, 6), wanted: 1.3 },
    ]);
    expect(says(5, 3.5).against).toEqual([]);
    expect(says(9, 3.5).against).toMatchObject([{ what: 'ratio', wanted: 2.5 }]);
  });
  // Sizes in millimetres: at the edge of the best rate, past it, too small, and a square.
  it.each<[string, [number, number], [number, number], string, [number, number], [number, number]]>([
    ['de', [235, 125], [236, 125], 'the rate of a large letter', [139, 90], [125, 125]],
    ['gb', [240, 165], [241, 165], 'the rate of a large letter', [140, 89], [100, 160]],
    ['fr', [235, 120], [235, 121], 'the rate of its weight, sorted by hand', [140, 89], [120, 120]],
    ['nl', [245, 165], [245, 166], 'the rate of its weight', [139, 90], [100, 160]],
    ['ca', [235, 120], [246, 120], 'the rate of oversize lettermail', [139, 90], [120, 120]],
    ['au', [240, 130], [241, 130], 'the rate of a large letter', [137, 88], [130, 130]],
  ])('of %s goes at its best rate up to its size, and not past it', (id, best, past, postage, small, square) => {
    const rules = postRulesOf(id)!;
    const of = ([w, h]: [number, number]) => postVerdict(rules, { width: mm(w), height: mm(h) }, undefined);
    expect(of(best).against).toEqual([]);
    expect(of(past).postage).toBe(postage);
    expect(of(past).against).toMatchObject([{ what: 'size' }]);
    expect(of(small).against[0]!.says).toMatch(/not taken/);
    expect(of(square).against.map(({ what }) => what)).toContain('ratio');
  });
  it('a letter above 4 1/4 × 6 in has to be 0.009 in thick as well', () => {
    expect(says(11, 6, 0.008).against).toContainEqual(
      expect.objectContaining({ what: 'thickness', wanted: inch(0.009) }),
    );
    expect(says(11, 6, 0.009).against.filter(({ what }) => what === 'thickness')).toEqual([]);
  });
  it('a letter goes by the step of its weight: 1 oz is 28.35 g; above 3.5 oz it is none any more', () => {
    const of = (grams: number) => postVerdict(us, { width: inch(9), height: inch(4), grams }, inch(0.01));
    expect(of(28.3).postage).toBe('the card rate');
    const letter = (grams: number) => postVerdict(us, { width: inch(11), height: inch(5), grams }, inch(0.01));
    expect(letter(28.3).postage).toBe('the letter rate, up to 28.4 g');
    expect(letter(28.4).postage).toBe('the letter rate, up to 56.7 g');
    expect(letter(100).postage).toMatch(/large envelope/);
    expect(letter(100).against).toContainEqual(expect.objectContaining({ what: 'weight', wanted: 99.22 }));
  });
  it('what is too heavy for one class goes as the next, here and in Germany: 21 g as a large letter', () => {
    const de = postRulesOf('de')!;
    const rules = { ...de, sizes: de.sizes.filter(({ openOnly }) => !openOnly) };
    const of = (grams: number) => postVerdict(rules, { width: mm(220), height: mm(110), grams }, undefined);
    expect(of(20)).toEqual({ postage: 'the rate of a standard letter, up to 20 g', against: [] });
    expect(of(21).postage).toBe('the rate of a large letter, up to 500 g');
    expect(of(21).against).toMatchObject([{ what: 'weight', measured: 21, wanted: 20 }]);
  });
  it('a folded piece is closed, and its fold leads into the machine', () => {
    const of = (folds: ('top' | 'right' | 'bottom')[], isClosed: boolean) =>
      postVerdict(us, { width: inch(9), height: inch(4), folds, isClosed }, inch(0.01)).against.map(({ what }) => what);
    expect(of(['bottom'], true)).toEqual([]);
    expect(of(['right'], true)).toEqual([]);
    expect(of(['right'], false)).toEqual(['fold']);
    expect(of(['top'], true)).toEqual(['fold side']);
  });
  it('a 9 × 12 in sheet is larger than a letter', () => {
    expect(says(12, 9).postage).toMatch(/large envelope/);
  });
});

describe('a piece that is posted as it is folded', () => {
  const flyer = (fold: Piece['fold'], order: Partial<Order> = {}): Piece => ({
    ...makePiece({
      id: 'f',
      name: 'F',
      kind: 'flyer',
      width: inch(11),
      height: inch(8.5),
      unit: 'in',
      shop: 'us-digital',
      faces: 2,
    }),
    fold,
    post: { ...NEW_POST, rules: 'us', face: 'f-1' },
    order: { ...NO_ORDER, ...order },
  });
  const half = { kind: 'half', less: 0 } as const;
  const boxOf = (piece: Piece, id: string) => areasOf(piece, piece.faces[0]!).find((area) => area.id === id)?.boxes[0];

  it('is addressed on its back: half of 11 in, with the fold at its right', () => {
    const piece = flyer(half);
    expect(addressedOn(piece, piece.faces[0]!)).toEqual({
      of: { x: 0, y: 0, width: inch(5.5), height: inch(8.5) },
      folded: ['right'],
    });
    // The stamp's corner is that of the panel.
    expect(boxOf(piece, 'stamp')).toEqual({ x: inch(5.5 - 1.625), y: 0, width: inch(1.625), height: inch(1.375) });
    const cover = { ...piece, post: { ...piece.post!, panel: 1 } };
    expect(addressedOn(cover, cover.faces[0]!)).toMatchObject({ of: { x: inch(5.5) }, folded: ['left'] });
  });
  it('is closed where it is open: two tabs at its head and one at the side away from the fold', () => {
    const tabs = (piece: Piece) =>
      areasOf(piece, piece.faces[0]!).flatMap(({ id, boxes }) => (id.startsWith('tab') ? boxes : []));
    expect(tabs(flyer(half))).toEqual([
      { x: inch(0.5), y: 0, width: inch(1), height: inch(0.5) },
      { x: inch(4), y: 0, width: inch(1), height: inch(0.5) },
      { x: 0, y: inch(3.75), width: inch(0.5), height: inch(1) },
    ]);
    // The back of what opens upwards has its fold at its foot: the head is open, and no side is.
    expect(tabs(flyer({ ...half, level: true }))).toHaveLength(2);
    expect(tabs(flyer(undefined))).toEqual([]);
  });
  it('weighs what its flat sheet does: 11 × 8.5 in of 150 g/m² is 9.05 g; and is closed where its finishing says so', () => {
    const of = (piece: Piece) => postedOf(piece, piece.faces[0]!);
    const piece = flyer(half, { weight: 150 });
    expect(of(piece)).toMatchObject({ width: inch(5.5), height: inch(8.5), folds: ['right'], isClosed: false });
    expect(of(piece).grams).toBeCloseTo(0.2794 * 0.2159 * 150, 3);
    expect(of(flyer(half, { finishing: ['Wafer tabs'] })).isClosed).toBe(true);
  });
});
