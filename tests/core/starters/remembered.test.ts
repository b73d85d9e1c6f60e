import { describe, expect, it } from 'vitest';
import { newLetter, newPost } from '../../../core/job/edits/kinds';
import { usualSheet } from '../../../core/job/sheet';
import { beginEmpty } from '../../../core/starters';
import { usualPiece, usualSizeIn } from '../../../core/starters/usual';
import { fromPoints } from '../../../core/units/length';
import { openDemo } from '../../kit';

const { job } = openDemo();
const ids = () => {
  let next = 0;
  return (): string => `new-${next++}`;
};

describe('a job remembers for its next piece', () => {
  const person = job.people[2]!.id;
  const worked = {
    ...job,
    pieces: job.pieces.map((piece) =>
      piece.kind === 'card'
        ? {
            ...piece,
            person,
            order: { quantity: 500, stock: 'Cotton board', weight: 350, finishing: ['foil'], notes: 'x' },
          }
        : { ...piece, person: undefined },
    ),
  };
  const next = (kind: 'card' | 'letterhead') => {
    const made = beginEmpty(worked as never, usualPiece(job, kind, 'next'), ids());
    return made.pieces.at(-1)!;
  };
  it('whom it was last shown for', () => {
    expect(next('card').person).toBe(person);
    expect(next('letterhead').person).toBe(person);
  });
  it('the stock of its kind, and nothing else of the order', () => {
    expect(next('card').order).toEqual({ quantity: 250, stock: 'Cotton board', weight: 350, finishing: [], notes: '' });
    expect(next('letterhead').order).toBeUndefined();
  });
  it('the size of its kind, or else that of its country', () => {
    const [card] = job.pieces.filter(({ kind }) => kind === 'card');
    expect(usualSizeIn(job, 'card')).toEqual({ width: card!.width, height: card!.height, unit: card!.unit });
    expect(usualSizeIn({ pieces: [], country: 'US' }, 'card')).toEqual({ width: 252, height: 144, unit: 'in' });
  });
});

describe('what is new is round in the unit of its piece', () => {
  const eighths = (points: number): number => fromPoints(points, 'in') * 16;
  it.each([
    ...Object.values(newLetter('in').margins),
    newLetter('in').unprintable,
    newPost('in').lines!.spacing,
    usualSheet('in').gripper,
    usualSheet('in').press.width,
  ])('%d points are sixteenths of an inch', (points) => {
    expect(eighths(points)).toBeCloseTo(Math.round(eighths(points)), 9);
  });
  it('as it is in millimetres', () => {
    for (const points of [...Object.values(newLetter('mm').margins), newPost('mm').lines!.spacing])
      expect(fromPoints(points, 'mm')).toBeCloseTo(Math.round(fromPoints(points, 'mm')), 9);
  });
});
