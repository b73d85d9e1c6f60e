import { Inflate, Unzlib } from 'fflate';
import { joined } from './joined';

/** Packed bytes hold more than they may. */
export class TooMuchPacked extends Error {}

/** Packed bytes that are unpacked at one go: no more than a thousand times as many come of them. */
const STEP = 1 << 14;

/** Unpacks a part at a time, as long as no more than `most` bytes come out. Throws TooMuchPacked, or as fflate does. */
function unpack(packed: Uint8Array, kind: 'deflate' | 'zlib', most: number, take: (part: Uint8Array) => void): number {
  let size = 0;
  const hear = (part: Uint8Array): void => {
    size += part.length;
    if (size > most) throw new TooMuchPacked();
    take(part);
  };
  const stream = kind === 'zlib' ? new Unzlib(hear) : new Inflate(hear);
  for (let at = 0; at < packed.length; at += STEP)
    stream.push(packed.subarray(at, at + STEP), at + STEP >= packed.length);
  return size;
}

/** How many bytes packed ones hold. Throws TooMuchPacked where they are more than `most`, as soon as they are. */
export const unpackedSize = (packed: Uint8Array, kind: 'deflate' | 'zlib', most: number): number =>
  unpack(packed, kind, most, () => undefined);

/** Unpacks into room for no more than `most` bytes. Throws TooMuchPacked. */
export function unpackWithin(packed: Uint8Array, kind: 'deflate' | 'zlib', most: number): Uint8Array {
  const parts: Uint8Array[] = [];
  unpack(packed, kind, most, (part) => parts.push(part));
  return joined(parts);
}
