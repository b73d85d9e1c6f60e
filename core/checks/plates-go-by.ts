import type { Job, Piece } from '../job/schema';
import type { ShopSpec } from '../trade/schema';

/**
 * All that what the plates of a piece tell goes by, as plain data: where it is the same, the findings are. Files are told by
 * their hashes, which the job names; of those in `filesHere` it matters which of the job's own are not among them.
 */
export function platesGoBy(job: Job, piece: Piece, shop: ShopSpec, filesHere: ReadonlySet<string>): unknown {
  const { id: _id, pieces: _pieces, changed: _changed, accepted: _accepted, ...house } = job;
  const own = [job.assets, job.fonts, job.conditions].flatMap((files) => Object.keys(files));
  return [house, piece, shop, own.filter((hash) => !filesHere.has(hash))];
}
