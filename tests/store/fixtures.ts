import { makeJob, makePiece, makeShape } from '../../core/job/make';
import type { Job } from '../../core/job/schema';
import { closeSession } from '../../src/store/saving';
import { db } from '../../src/store/shelf';

/** A small job: one card with a panel on it. */
export function smallJob(id = 'job-1'): Job {
  const job = makeJob(id, 'Bramble Bakery', '2026-01-01T00:00:00.000Z');
  const piece = makePiece({
    id: `${id}-card`,
    name: 'Card',
    kind: 'card',
    width: 240,
    height: 156,
    unit: 'mm',
    shop: 'metric-offset',
    faces: 2,
  });
  piece.faces[0]!.elements.push(makeShape({ id: `${id}-panel`, x: 0, y: 0, width: 50, height: 50 }));
  return { ...job, pieces: [piece] };
}

/** Everything is as in a browser that has never seen the app. */
export async function emptyShelf(): Promise<void> {
  closeSession();
  await Promise.all(db.tables.map((table) => table.clear()));
}
