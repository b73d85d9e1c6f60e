import type { LaidPicture } from '../core/devices/plates/device';

/** Separated pictures, kept by the browser from visit to visit: the next one separates nothing. */

const NAME = 'separations-2';
/** Kept at most; the oldest go first. A large photograph is some fifty million bytes. */
const MOST = 60;
const MOST_BYTES = 120_000_000;

const addressOf = (key: string): string => `/separations/${encodeURIComponent(key)}`;

interface Head {
  width: number;
  height: number;
  plates: readonly string[];
  amounts: number;
  alpha: number;
  reach: LaidPicture['reach'];
}

const store = async (): Promise<Cache | undefined> =>
  typeof caches === 'undefined' ? undefined : await caches.open(NAME).catch(() => undefined);

/** A picture that was separated before. What is damaged counts as not there. */
export async function keptSeparation(key: string): Promise<LaidPicture | undefined> {
  const found = await (await store())?.match(addressOf(key));
  if (!found) return undefined;
  try {
    const { width, height, plates, amounts, alpha, reach } = JSON.parse(found.headers.get('x-head') ?? '') as Head;
    const bytes = new Uint8Array(await found.arrayBuffer());
    if (bytes.length !== amounts + alpha || amounts !== width * height * plates.length) return undefined;
    return {
      width,
      height,
      plates,
      reach,
      amounts: bytes.subarray(0, amounts),
      ...(alpha > 0 ? { alpha: bytes.subarray(amounts) } : {}),
    };
  } catch {
    return undefined;
  }
}

/** Keeps a separated picture; where there is no room it is separated again the next time. */
export async function keepSeparation(key: string, picture: LaidPicture): Promise<void> {
  const { width, height, plates, amounts, alpha, reach } = picture;
  if (amounts.length > MOST_BYTES) return;
  try {
    const cache = await store();
    if (!cache) return;
    const head: Head = { width, height, plates, reach, amounts: amounts.length, alpha: alpha?.length ?? 0 };
    const body = new Blob([amounts.slice(), ...(alpha ? [alpha.slice()] : [])]);
    await cache.put(addressOf(key), new Response(body, { headers: { 'x-head': JSON.stringify(head) } }));
    const keys = await cache.keys();
    for (const old of keys.slice(0, Math.max(0, keys.length - MOST))) await cache.delete(old);
  } catch {
    // No room: nothing is lost.
  }
}
