import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Piece } from '../../../core/job/schema';
import { canStand, type Leaf, lying, type Put, standing, type Vector } from '../../../core/scene/in-hand/leaves';
import { type PutAsked, putOnTable } from '../../../core/scene/in-hand/put';
import { FOLDS, type Fold } from '../../../core/trade/folds';
import { cardWith, mm, openDemo } from '../../kit';

/** Pieces put on a table: no paper is stretched, folds hold together, and none lies in another. Millimetres. */

const PUT: Put = { x: 0, z: 0, on: 0, turn: 0, count: 1, isTurned: false, open: 0.5 };
const [card] = cardWith([]).pieces as [Piece];
const folded = (kind: Fold): Piece & { fold: NonNullable<Piece['fold']> } => ({
  ...card,
  kind: 'flyer',
  width: mm(297),
  height: mm(210),
  fold: { kind, less: mm(2) },
  faces: [
    { ...card.faces[0]!, id: 'outside' },
    { ...card.faces[0]!, id: 'inside' },
  ],
});
const length = ({ x, y, z }: Vector): number => Math.hypot(x, y, z);
const end = ({ corner, across }: Leaf): Vector => ({
  x: corner.x + across.x,
  y: corner.y + across.y,
  z: corner.z + across.z,
});

describe('a pile', () => {
  it('lies on the table, as high as its cards are thick, the topmost as it was put', () => {
    const pile = lying({ ...card, thickness: mm(0.4) }, { ...PUT, x: 10, z: 20, count: 25, on: 3 });
    expect(pile).toHaveLength(25);
    expect(pile.map(({ corner }) => corner.y)).toEqual(pile.map((_, i) => expect.closeTo(3 + 0.4 * (i + 1), 6)));
    const top = pile.at(-1)!;
    expect(top.corner).toMatchObject({ x: expect.closeTo(10 - 85 / 2, 6), z: expect.closeTo(20 - 55 / 2, 6) });
    expect([length(top.across), length(top.down)]).toEqual([expect.closeTo(85, 6), expect.closeTo(55, 6)]);
  });
  it('never strays far, and is the same each time', () => {
    const put = { ...PUT, count: 40 };
    const pile = lying(card, put);
    const top = pile.at(-1)!.corner;
    for (const { corner } of pile) expect(Math.hypot(corner.x - top.x, corner.z - top.z)).toBeLessThan(3);
    expect(lying(card, put)).toEqual(pile);
  });
});

describe('a fold that stands', () => {
  const kinds = (Object.keys(FOLDS) as Fold[]).filter((kind) => canStand(folded(kind)));
  it.each(kinds)('%s holds together, as wide as its paper, on its lower edges', (kind) => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.integer({ min: -180, max: 180 }), (open, turn) => {
        const leaves = standing(folded(kind), { ...PUT, open, turn, on: 2 });
        expect(leaves.reduce((sum, { across }) => sum + length(across), 0)).toBeCloseTo(297, 6);
        for (const [i, leaf] of leaves.entries()) {
          expect([leaf.corner.y, leaf.down.y, leaf.across.y]).toEqual([
            expect.closeTo(212, 6),
            expect.closeTo(-210, 6),
            expect.closeTo(0, 6),
          ]);
          const next = leaves[i + 1];
          if (next)
            expect(next.corner).toMatchObject({ x: expect.closeTo(end(leaf).x, 6), z: expect.closeTo(end(leaf).z, 6) });
        }
      }),
      { numRuns: 40 },
    );
  });
  it.each(kinds)('%s shows all of both sides once, panel behind panel', (kind) => {
    const leaves = standing(folded(kind), PUT);
    expect(leaves.map(({ front }) => [front.face, front.from])).toEqual(
      leaves.map((_, i) => ['outside', i === 0 ? 0 : expect.closeTo(leaves[i - 1]!.front.to, 9)]),
    );
    expect(leaves.at(-1)!.front.to).toBeCloseTo(1, 9);
    // What lies behind the leftmost panel of the outside is the rightmost of the inside.
    for (const { front, back } of leaves) {
      expect(back).toMatchObject({
        face: 'inside',
        from: expect.closeTo(1 - front.to, 9),
        to: expect.closeTo(1 - front.from, 9),
      });
    }
  });
  it('has its inside head down, in the outside’s order, where it is turned top to bottom', () => {
    for (const { front, back } of standing({ ...folded('rolled'), turns: 'top–bottom' }, PUT))
      expect(back).toMatchObject({ isHeadDown: true, from: front.from, to: front.to });
  });
  it.each([
    ['half', 1],
    ['rolled', 2],
    ['zigzag', 2],
  ] as const)('%s has its cover to the viewer, right way round', (kind, cover) => {
    const { across } = standing(folded(kind), PUT)[cover]!;
    // Leading to the right, it is seen from in front.
    expect(across.x / length(across)).toBeGreaterThan(0.9);
  });
  it('closes to the inside: open less, its ends are nearer', () => {
    const apart = (open: number): number => {
      const leaves = standing(folded('half'), { ...PUT, open });
      const [a, b] = [leaves[0]!.corner, end(leaves[1]!)];
      return Math.hypot(a.x - b.x, a.z - b.z);
    };
    // Two panels of 148.5 mm at 180° − 150° and 180° − 25°: 2 × 148.5 × sin 15°, and sin 77.5°.
    expect(apart(0)).toBeCloseTo(2 * 148.5 * Math.sin((15 * Math.PI) / 180), 4);
    expect(apart(1)).toBeCloseTo(2 * 148.5 * Math.sin((77.5 * Math.PI) / 180), 4);
  });
});

describe('a set', () => {
  const { pieces } = openDemo().job;
  const ASKED: PutAsked = { gap: 10, pile: 8, open: 0.5, askew: 0, stands: false, turned: new Set() };
  const room = ({ leaves }: { leaves: readonly Leaf[] }) => {
    const { corner, across, down } = leaves.at(-1)!;
    return { x: [corner.x, corner.x + across.x], z: [corner.z, corner.z + down.z] } as const;
  };
  it('lies apart by the gap at least, whatever is on the table', () => {
    fc.assert(
      fc.property(fc.subarray([...pieces], { minLength: 1 }), fc.integer({ min: 0, max: 60 }), (some, gap) => {
        const rooms = putOnTable(some, { ...ASKED, gap }).map(room);
        for (const [i, a] of rooms.entries())
          for (const b of rooms.slice(i + 1)) {
            const [across, deep] = [
              Math.max(a.x[0] - b.x[1], b.x[0] - a.x[1]),
              Math.max(a.z[0] - b.z[1], b.z[0] - a.z[1]),
            ];
            expect(Math.max(across, deep)).toBeGreaterThan(gap - 0.01);
          }
        const all = rooms.flatMap(({ x }) => x);
        expect(Math.min(...all) + Math.max(...all)).toBeCloseTo(0, 3);
      }),
      { numRuns: 40 },
    );
  });
  it('lies on what is below where it overlaps, the smaller on the larger', () => {
    const letter = pieces.find(({ kind }) => kind === 'letterhead')!;
    const envelope = pieces.find(({ kind }) => kind === 'envelope')!;
    const [below, above] = putOnTable([letter, envelope], { ...ASKED, gap: -30 });
    expect(above!.leaves[0]!.corner.y).toBeGreaterThan(below!.leaves.at(-1)!.corner.y);
  });
  it('shows the back where that is asked for, rounded where it is cut so', () => {
    const foil = pieces.find(({ id }) => id === 'foil-card')!;
    const [put] = putOnTable([foil], { ...ASKED, turned: new Set([foil.id]) });
    const top = put!.leaves.at(-1)!;
    expect(top.front.face).toBe(foil.faces[1]!.id);
    expect(top.outline![0]!.length).toBeGreaterThan(8);
    expect(putOnTable([], ASKED)).toEqual([]);
  });
});
