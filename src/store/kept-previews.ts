import type { Lightness } from '../../core/picture/lightness';
import { db } from './shelf';

/** Pictures as the press shows them, kept from visit to visit. They can be made again: nothing depends on them. */

/** Kept at most; those that were not used the longest go first. */
const MOST = 500;

export async function keptPreview(key: string): Promise<{ image: Blob; light: Lightness } | undefined> {
  const row = await db.previews.get(key).catch(() => undefined);
  if (!row) return undefined;
  void db.previews.update(key, { used: Date.now() }).catch(() => 0);
  return { image: row.image, light: row.light as Lightness };
}

export async function keepPreview(
  key: string,
  asset: string,
  { image, light }: { image: Blob; light: Lightness },
): Promise<void> {
  try {
    await db.previews.put({ key, asset, image, light, used: Date.now() });
    const more = (await db.previews.count()) - MOST;
    if (more > 0) await db.previews.bulkDelete(await db.previews.orderBy('used').limit(more).primaryKeys());
  } catch {
    // No room: it is made again the next time.
  }
}
