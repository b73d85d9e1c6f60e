import type { ShopSpec } from '../../trade/schema';
import type { Job } from '../schema';

/** Edits of the shops that came with a job; those that ship cannot be changed, only copied. */

/** Adds a shop, or puts it in the place of the one that has its id. */
export const keepShop = (job: Job, shop: ShopSpec): Job => ({
  ...job,
  shops: job.shops.some(({ id }) => id === shop.id)
    ? job.shops.map((each) => (each.id === shop.id ? shop : each))
    : [...job.shops, shop],
});

/** Takes a shop away; pieces that went to it go to `instead`. */
export const removeShop = (job: Job, id: string, instead: string): Job => ({
  ...job,
  shops: job.shops.filter((shop) => shop.id !== id),
  pieces: job.pieces.map((piece) => (piece.shop === id ? { ...piece, shop: instead } : piece)),
});
