import { describe, expect, it } from 'vitest';
import { boxAround } from '../../../core/geometry/matrix';
import { makeShape } from '../../../core/job/make';
import { effectivePpi, pictureBox } from '../../../core/picture/place';
import { elementBox } from '../../../core/scene/face';
import { copiesIn } from '../../../core/scene/repeat';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, kit } from '../../kit';

const cell = { x: 10, y: 20, width: 4, height: 6 };
const boxes = (repeat: Parameters<typeof copiesIn>[0]) =>
  copiesIn(repeat, cell).map(({ matrix }) => boxAround(cell, matrix));

describe('a live repeat', () => {
  it('stands at exact gaps in a row, a column and a grid', () => {
    const grid = boxes({ kind: 'grid', across: 3, down: 2, gapAcross: 2.5, gapDown: 1 });
    expect(grid.map(({ x }) => x)).toEqual([10, 16.5, 23, 10, 16.5, 23]);
    expect(grid.map(({ y }) => y)).toEqual([20, 20, 20, 27, 27, 27]);
  });
  it('stands evenly round a ring, turned towards its middle or upright', () => {
    const turning = copiesIn({ kind: 'ring', count: 4, radius: 30, sweep: 360, turning: true }, cell);
    expect(turning.map(({ angle }) => angle)).toEqual([0, 90, 180, 270]);
    const upright = boxes({ kind: 'ring', count: 4, radius: 30, sweep: 360, turning: false });
    expect(upright.map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
      [10, 20],
      [40, 50],
      [10, 80],
      [-20, 50],
    ]);
    const half = copiesIn({ kind: 'ring', count: 3, radius: 30, sweep: 180, turning: true }, cell);
    expect(half.map(({ angle }) => angle)).toEqual([0, 90, 180]);
  });
  it('changes evenly from the first to the last', () => {
    const copies = copiesIn(
      { kind: 'grid', across: 5, down: 1, gapAcross: 0, gapDown: 0, last: { size: 0.2, tint: 0, angle: 80 } },
      cell,
    );
    expect(copies.map(({ scale }) => Number(scale.toFixed(9)))).toEqual([1, 0.8, 0.6, 0.4, 0.2]);
    expect(copies.map(({ tint }) => tint)).toEqual([1, 0.75, 0.5, 0.25, 0]);
    expect(copies.map(({ angle }) => angle)).toEqual([0, 20, 40, 60, 80]);
  });
  it('is arranged by the box around all of it', () => {
    const element = makeShape({
      id: 'a',
      x: 10,
      y: 20,
      width: 4,
      height: 6,
      repeat: { kind: 'grid', across: 3, down: 1, gapAcross: 2, gapDown: 0 },
    });
    const job = cardWith([element]);
    expect(elementBox(element, sourcesOf(job, kit.fonts))).toEqual({ x: 10, y: 20, width: 16, height: 6 });
  });
});

describe('a picture in its frame', () => {
  const frame = { x: 10, y: 10, width: 72, height: 36 };
  it('fills it, is whole in it, or has a scale of its own', () => {
    const at = { x: 0.5, y: 0.5 };
    expect(pictureBox({ ...frame, view: { fit: 'fill', zoom: 1, at } }, 300, 300)).toEqual({
      x: 10,
      y: -8,
      width: 72,
      height: 72,
    });
    expect(pictureBox({ ...frame, view: { fit: 'whole', zoom: 1, at } }, 300, 300)).toEqual({
      x: 28,
      y: 10,
      width: 36,
      height: 36,
    });
    expect(effectivePpi({ ...frame, view: { fit: 'exact', zoom: 0.24, at } }, 300, 300)).toBeCloseTo(300, 9);
    expect(effectivePpi({ ...frame, view: { fit: 'fill', zoom: 2, at } }, 300, 300)).toBeCloseTo(150, 9);
  });
  it('shows the part that is asked for, and keeps its sides when it is turned inside', () => {
    const view = { fit: 'fill' as const, zoom: 1, at: { x: 0, y: 1 } };
    expect(pictureBox({ ...frame, view }, 300, 300)).toMatchObject({ y: -26 });
    expect(pictureBox({ ...frame, quarter: 1 }, 100, 200)).toEqual({ x: 10, y: 10, width: 72, height: 36 });
  });
});
