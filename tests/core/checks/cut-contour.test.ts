import { expect, it } from 'vitest';
import { cutContour } from '../../../core/checks/cut-contour';
import { moveElement } from '../../../core/job/edits/elements';
import { openDemo } from '../../kit';

const { job } = openDemo();
const contour = (of: typeof job, id: string) => {
  const piece = of.pieces.find((each) => each.id === id)!;
  return cutContour({ piece, face: piece.faces[0]! });
};

it('an edit that leaves the edge as it is keeps no edge of its own', () => {
  const before = contour(job, 'postcard');
  expect(contour(moveElement(job, 'postcard-e5', { x: 3, y: 0 }), 'postcard')).toBe(before);
});

it('the edge is the trim of each piece, walked all around', () => {
  const { width, height } = job.pieces.find(({ id }) => id === 'postcard')!;
  const points = contour(job, 'postcard');
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  const sides = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  for (const [i, at] of [0, width, 0, height].entries()) expect(sides[i]).toBeCloseTo(at, 3);
  expect(contour(job, 'card')).not.toBe(points);
});
