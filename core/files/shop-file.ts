import * as z from 'zod';
import { type ShopSpec, shopSpecSchema } from '../trade/schema';
import { SHOPS } from '../trade/shops';

/** A shop's spec as a file: JSON by the schema that docs/shop-spec.schema.json publishes. */

/** A spec that cannot be used; the message is for the user. */
export class ShopFileError extends Error {}

/** Larger than any spec, bytes. */
const MOST = 200_000;

export const writeShop = (shop: ShopSpec): string => `${JSON.stringify(shop, null, 2)}\n`;

/** The schema of a spec (JSON Schema 2020-12). */
export const shopFileSchema = (): unknown => z.toJSONSchema(shopSpecSchema, { target: 'draft-2020-12' });

const placeOf = (path: readonly PropertyKey[]): string => path.map(String).join('.') || 'the file';

/** Reads a spec; what an older one leaves out is as the first shop that ships has it. Throws with words for the user. */
export function readShop(text: string): ShopSpec {
  if (text.length > MOST) throw new ShopFileError('This file is far larger than a shop’s spec. Choose another one.');
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new ShopFileError('This is no shop spec: it is not JSON. A spec is written with “As a file” beside a shop.');
  }
  if (typeof json !== 'object' || json === null || Array.isArray(json) || !('name' in json) || !('bleed' in json))
    throw new ShopFileError('This JSON is no shop spec: it has neither a name nor a bleed.');
  // What a shop charges, and what is said of its finishing, is its own alone.
  const { prices: _prices, ...usual } = SHOPS[0]!;
  const read = shopSpecSchema.safeParse({ ...usual, asks: {}, sizes: {}, notes: '', ...json });
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new ShopFileError(
    `This shop spec cannot be used: ${placeOf(issue?.path ?? [])} is not what it should be (${issue?.message}). See docs/shop-spec.md.`,
  );
}
