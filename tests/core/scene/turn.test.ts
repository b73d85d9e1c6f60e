import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inkBounds } from '../../../core/devices/bounds';
import { traceDevice } from '../../../core/devices/trace';
import { boxAround, turnAbout } from '../../../core/geometry/matrix';
import { flipElement, turnElement } from '../../../core/job/edits/elements';
import { findElement } from '../../../core/job/find';
import { makeShape, makeWords } from '../../../core/job/make';
import { drawElement, elementBox } from '../../../core/scene/face';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, kit } from '../../kit';

const sources = sourcesOf(cardWith([]), kit.fonts);
const panel = makeShape({ id: 'p', x: 10, y: 20, width: 60, height: 30 });
const words = makeWords({ id: 'w', text: 'Hollin & Fen', x: 50, y: 60 });
const job = cardWith([panel, words]);

describe('turned elements', () => {
  it('stand about the middle of their frame', () => {
    const quarter = { ...panel, turn: 90 };
    expect(inkBounds(quarter, sources)).toMatchObject({ width: expect.closeTo(30, 9), height: expect.closeTo(60, 9) });
    const box = elementBox(quarter, sources);
    expect([box.x + box.width / 2, box.y + box.height / 2]).toEqual([expect.closeTo(40, 9), expect.closeTo(35, 9)]);
  });
  it('are as large as trigonometry says, at any angle', () => {
    fc.assert(
      fc.property(fc.integer({ min: -359, max: 359 }), (turn) => {
        const { width, height } = inkBounds({ ...panel, turn }, sources)!;
        const t = (turn * Math.PI) / 180;
        const [s, c] = [Math.abs(Math.sin(t)), Math.abs(Math.cos(t))];
        expect(width).toBeCloseTo(60 * c + 30 * s, 6);
        expect(height).toBeCloseTo(60 * s + 30 * c, 6);
      }),
    );
  });
  it('words turn letter by letter, and print the same ink', () => {
    const [level, upright] = [inkBounds(words, sources)!, inkBounds({ ...words, turn: 270 }, sources)!];
    expect([upright.width, upright.height]).toEqual([expect.closeTo(level.height, 6), expect.closeTo(level.width, 6)]);
    const trace = traceDevice();
    drawElement({ ...words, turn: 270 }, sources, trace);
    expect(trace.lines.find((line) => line.startsWith('glyphs'))).toContain(' 270 ');
  });
  it('are kept to a hundredth of a degree; a whole turn is none', () => {
    expect(findElement(turnElement(job, 'p', 12.3456), 'p')!.element.turn).toBe(12.35);
    expect(findElement(turnElement(job, 'p', -90), 'p')!.element.turn).toBe(270);
    expect(turnElement(turnElement(job, 'p', 30), 'p', 720)).toEqual(job);
  });
});

describe('mirrored elements', () => {
  it('mirrored twice are as they were, turned or not', () => {
    const turned = turnElement(job, 'p', 30);
    for (const way of ['across', 'down'] as const) {
      expect(flipElement(flipElement(job, 'p', way), 'p', way)).toEqual(job);
      expect(flipElement(flipElement(turned, 'p', way), 'p', way)).toEqual(turned);
    }
  });
  it('are mirrored as they are seen: the same box, the other way', () => {
    const mark = { ...panel, outline: 'M0 0L1 0L0 1Z', turn: 20 };
    const before = cardWith([mark]);
    const after = flipElement(before, 'p', 'across');
    const [a, b] = [before, after].map((j) => inkBounds(findElement(j, 'p')!.element, sources)!);
    // Mirrored about the middle of the frame, which is at x = 40.
    expect(b!.x + b!.width).toBeCloseTo(80 - a!.x, 9);
    expect(b!.y).toBeCloseTo(a!.y, 9);
  });
  it('never words', () => {
    expect(flipElement(job, 'w', 'across')).toEqual(job);
  });
});

it('the box around a turned box holds its corners', () => {
  const around = boxAround({ x: 0, y: 0, width: 2, height: 2 }, turnAbout({ x: 1, y: 1 }, 45));
  expect(around.width).toBeCloseTo(2 * Math.SQRT2, 9);
  expect(around.x).toBeCloseTo(1 - Math.SQRT2, 9);
});
