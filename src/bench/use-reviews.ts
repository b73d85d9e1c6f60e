import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import type { Review } from '../../core/checks/review';
import type { Going } from '../../core/files/gate';
import type { Job, Piece } from '../../core/job/schema';
import { db } from '../store/shelf';
import { plateRoom } from './kit';

/** How pieces stand, from a worker; kept as long as nothing they go by has changed. */

const known = new Map<string, Review>();
/** Reviews kept, the newest at the end. */
const MOST = 300;

const houses = new WeakMap<Job, string>();
/** All that a piece's checks go by besides the piece: most edits leave it alone. */
function houseOf(job: Job): string {
  const { pieces, changed: _changed, ...rest } = job;
  const found =
    houses.get(job) ?? JSON.stringify([rest, pieces.map(({ id, width, height, kind }) => [id, width, height, kind])]);
  houses.set(job, found);
  return found;
}
const texts = new WeakMap<Piece, string>();
function textOf(piece: Piece): string {
  const found = texts.get(piece) ?? JSON.stringify(piece);
  texts.set(piece, found);
  return found;
}

const failed = (piece: Piece, error: Error): Review => ({
  open: [],
  standing: [],
  unread: [{ what: 'plates', says: `${piece.name} could not be checked: ${error.message} Try again.` }],
});

/** How each of some pieces stands, in their order; undefined until it has been looked over. One after another. */
export function useReviews(asked: readonly Omit<Going, 'faces'>[]): readonly (Review | undefined)[] {
  // A file that goes or comes back changes what can be looked at.
  const files = useLiveQuery(() => db.assets.count(), []);
  const [, setCount] = useState(0);
  const keys = asked.map(({ job, piece, shop }) =>
    [files, houseOf(job), textOf(piece), shop && JSON.stringify(shop)].join('\n'),
  );
  const all = keys.join('\n\n');
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is asked is told by its text
  useEffect(() => {
    if (files === undefined) return;
    let current = true;
    const next = async (): Promise<void> => {
      for (const [i, { job, piece, shop }] of asked.entries()) {
        const key = keys[i]!;
        if (!current || known.has(key)) continue;
        const review = await plateRoom()
          .reviewed(job, piece, shop)
          .catch((error: Error) => failed(piece, error));
        // What failed is looked at anew the next time.
        if (review.unread.every(({ what }) => what !== 'plates' && what !== 'spelling')) known.set(key, review);
        else if (current) setFailures((before) => new Map(before).set(key, review));
        for (const old of [...known.keys()].slice(0, Math.max(0, known.size - MOST))) known.delete(old);
        if (current) setCount((n) => n + 1);
      }
    };
    // What is seen first is drawn first.
    const idle = requestIdleCallback(() => void next(), { timeout: 500 });
    return () => {
      current = false;
      cancelIdleCallback(idle);
    };
  }, [all]);
  const [failures, setFailures] = useState<ReadonlyMap<string, Review>>(new Map());
  return keys.map((key) => known.get(key) ?? failures.get(key));
}
