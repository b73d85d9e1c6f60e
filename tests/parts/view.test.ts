import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxBetween, right } from '../../core/geometry/box';
import { makePiece } from '../../core/job/make';
import { toPoints } from '../../core/units/length';
import { fitView, onScreen, panBy, placeFaces, zoomAt } from '../../src/rooms/layout/view';
import { layTable } from '../../src/rooms/pieces/table';

const mm = (n: number): number => toPoints(n, 'mm');
const size = fc.record({
  width: fc.double({ min: 30, max: 3000, noNaN: true }),
  height: fc.double({ min: 30, max: 3000, noNaN: true }),
});
const window = { width: 740, height: 700 };

describe('the view of the stage', () => {
  it('shows the whole of anything, whatever its size', () => {
    fc.assert(
      fc.property(size, (box) => {
        const view = fitView({ x: -9, y: -9, ...box }, window);
        const shown = onScreen({ x: -9, y: -9, ...box }, { x: 0, y: 0 }, view);
        // Nothing larger than ten metres is on a table: the smallest zoom shows the rest in part.
        if (view.zoom > 0.1) {
          expect(shown.x).toBeGreaterThanOrEqual(0);
          expect(right(shown)).toBeLessThanOrEqual(window.width + 1e-6);
          expect(shown.y).toBeGreaterThanOrEqual(0);
          expect(shown.y + shown.height).toBeLessThanOrEqual(window.height + 1e-6);
        }
      }),
    );
  });
  it('zooms about the pointer: what is under it stays there', () => {
    const at = { x: 200, y: 120 };
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 5, noNaN: true }), (factor) => {
        const view = { x: 31, y: -17, zoom: 1.7 };
        const under = { x: (at.x - view.x) / view.zoom, y: (at.y - view.y) / view.zoom };
        const next = zoomAt(view, at, factor);
        expect(next.x + under.x * next.zoom).toBeCloseTo(at.x, 6);
        expect(next.y + under.y * next.zoom).toBeCloseTo(at.y, 6);
      }),
    );
  });
  it('zooms no further than its limits, and pans by what it is told', () => {
    const view = { x: 0, y: 0, zoom: 1 };
    expect(zoomAt(view, { x: 0, y: 0 }, 1e9).zoom).toBe(40);
    expect(zoomAt(view, { x: 0, y: 0 }, 1e-9).zoom).toBe(0.1);
    expect(panBy(view, { x: 3, y: -4 })).toEqual({ x: 3, y: -4, zoom: 1 });
  });
  it('lays faces side by side, bleed apart at least', () => {
    const places = placeFaces(
      [
        { id: 'a', width: 240 },
        { id: 'b', width: 100 },
        { id: 'c', width: 10 },
      ],
      9,
    );
    const [a, b, c] = ['a', 'b', 'c'].map((id) => places.get(id)!.x) as [number, number, number];
    expect(b - a).toBeGreaterThanOrEqual(240 + 18);
    expect(c - b).toBeGreaterThanOrEqual(100 + 18);
  });
});

describe('the table of pieces', () => {
  const piece = (id: string, width: number, height: number, faces = 2) =>
    makePiece({ id, name: id, kind: 'flyer', width, height, unit: 'mm', shop: 'metric-offset', faces });
  it('has each face of each piece once, none over another', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            w: fc.integer({ min: 20, max: 900 }),
            h: fc.integer({ min: 20, max: 900 }),
            n: fc.integer({ min: 1, max: 4 }),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        (all) => {
          const pieces = all.map(({ w, h, n }, i) => piece(`p${i}`, w, h, n));
          const table = layTable(pieces);
          expect(table.faces).toHaveLength(all.reduce((sum, { n }) => sum + n, 0));
          for (const [i, a] of table.faces.entries())
            for (const b of table.faces.slice(i + 1)) {
              const apart =
                a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y;
              expect(apart, `${a.face.id} and ${b.face.id}`).toBe(true);
            }
          for (const face of table.faces) {
            expect(face.x + face.width).toBeLessThanOrEqual(table.width);
            expect(face.y + face.height).toBeLessThanOrEqual(table.height);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  it.each([1008, 1264, 2544])('leaves room for every label on a screen %i pixels wide', (across) => {
    const pieces = [piece('card', mm(85), mm(55)), piece('tag', mm(30), mm(60)), piece('sheet', mm(210), mm(297))];
    const table = layTable([...pieces, ...pieces.map((each) => ({ ...each, id: `${each.id}-2` }))], across);
    const scale = across / table.width;
    for (const { x, y, width, height } of table.pieces) {
      expect(width * scale).toBeGreaterThanOrEqual(190);
      const label = { from: y + height, to: y + height + 70 / scale };
      const under = table.pieces.filter(
        (each) =>
          each.x < x + width && x < each.x + each.width && each.y < label.to && label.from < each.y + each.height,
      );
      expect(under).toEqual([]);
    }
  });
  it('has all at one scale: a card stays smaller than a letterhead', () => {
    const table = layTable([piece('card', mm(85), mm(55)), piece('sheet', mm(210), mm(297))]);
    const wide = (id: string): number => table.faces.find((each) => each.piece.id === id)!.width;
    expect(wide('sheet') / wide('card')).toBeCloseTo(210 / 85);
  });
  it('knows a box by any two of its corners', () => {
    expect(boxBetween({ x: 5, y: 9 }, { x: 1, y: 2 })).toEqual({ x: 1, y: 2, width: 4, height: 7 });
  });
});
