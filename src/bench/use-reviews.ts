import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import type { Review } from '../../core/checks/review';
import type { Going } from '../../core/files/gate';
import { hashOf } from '../../core/files/hash';
import type { Job, Piece } from '../../core/job/schema';
import { db } from '../store/shelf';
import { plateRoom } from './kit';

/** How pieces stand, from a worker; kept as long as nothing they go by has changed. */

const known = new Map<string, Review>();
/** Reviews kept, the newest at the end. */
const MOST = 300;
/** Those that are being made: several parts of a room ask for the same. */
const underway = new Map<string, Promise<Review>>();

/** How a piece stands, asked for once. */
async function reviewOf(key: string, { job, piece, shop }: Asked): Promise<Review> {
  const found = known.get(key);
  if (found) return found;
  const asked =
    underway.get(key) ??
    plateRoom()
      .reviewed(job, piece, shop)
      .catch((error: Error) => failed(piece, error));
  underway.set(key, asked);
  const review = await asked;
  underway.delete(key);
  // What failed is looked at anew the next time.
  if (review.unread.every(({ what }) => what !== 'plates' && what !== 'spelling')) known.set(key, review);
  for (const old of [...known.keys()].slice(0, Math.max(0, known.size - MOST))) known.delete(old);
  return review;
}

type Asked = Omit<Going, 'faces'>;

const told = new WeakMap<object, string>();
/** What tells a value from others, worked out once: the text of a house is long, and every piece has it in its key. */
function hashOnce<T extends object>(value: T, says: (value: T) => unknown): string {
  const found = told.get(value) ?? hashOf(new TextEncoder().encode(JSON.stringify(says(value))));
  told.set(value, found);
  return found;
}
/** All that a piece's checks go by besides the piece: most edits leave it alone. */
const houseOf = ({ id: _id, pieces, changed: _changed, ...rest }: Job): unknown => [
  rest,
  pieces.map(({ id, width, height, kind }) => [id, width, height, kind]),
];
const whole = (value: unknown): unknown => value;

const failed = (piece: Piece, error: Error): Review => ({
  open: [],
  standing: [],
  unread: [{ what: 'plates', says: `${piece.name} could not be checked: ${error.message} Try again.` }],
});

/** How each of some pieces stands, in their order; undefined until it has been looked over. One after another. */
export function useReviews(asked: readonly Asked[]): readonly (Review | undefined)[] {
  // A file that goes or comes back changes what can be looked at.
  const files = useLiveQuery(() => db.assets.count(), []);
  const [found, setFound] = useState<ReadonlyMap<string, Review>>(new Map());
  const keys = asked.map(({ job, piece, shop }) =>
    [files, hashOnce(job, houseOf), hashOnce(piece, whole), shop && hashOnce(shop, whole)].join(' '),
  );
  const all = keys.join('\n');
  const here = keys.map((key) => known.get(key));
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is asked is told by its text
  useEffect(() => {
    if (files === undefined) return;
    let current = true;
    const next = async (): Promise<void> => {
      for (const [i, each] of asked.entries()) {
        const key = keys[i]!;
        // What another part has had looked over meanwhile is still new to this one.
        if (!current || here[i]) continue;
        const review = await reviewOf(key, each);
        if (current) setFound((before) => new Map(before).set(key, review));
      }
    };
    // What is seen first is drawn first.
    const idle = requestIdleCallback(() => void next(), { timeout: 500 });
    return () => {
      current = false;
      cancelIdleCallback(idle);
    };
  }, [all]);
  return keys.map((key, i) => here[i] ?? found.get(key));
}
