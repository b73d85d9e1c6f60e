import type { ShopSpec } from '../trade/schema';
import { SHOPS, shopOf } from '../trade/shops';
import type { Job } from './schema';

/** All shops that a job can be sent to: those that ship, and those whose specs came with it. */
export const shopsOf = ({ shops }: Pick<Job, 'shops'>): readonly ShopSpec[] => [...SHOPS, ...shops];

/** The shop of that id, or the first that ships where a job names one it does not have. */
export const shopIn = ({ shops }: Pick<Job, 'shops'>, id: string): ShopSpec =>
  shops.find((shop) => shop.id === id) ?? shopOf(id);
