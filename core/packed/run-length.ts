import { TooMuchPacked } from './inflate';
import { joined } from './joined';

/**
 * Unpacks runs of bytes into no more than `most`. A count of 128 ends them in PDF (ISO 32000-1, 7.4.5) and says nothing in
 * TIFF’s PackBits (TIFF 6.0, section 9). Throws TooMuchPacked.
 */
export function unpackRuns(packed: Uint8Array, most: number, of: 'PDF' | 'TIFF'): Uint8Array {
  const parts: Uint8Array[] = [];
  let size = 0;
  for (let at = 0; at < packed.length; ) {
    const count = packed[at++]!;
    if (count === 128) {
      if (of === 'PDF') break;
      continue;
    }
    const part = count < 128 ? packed.subarray(at, at + count + 1) : new Uint8Array(257 - count).fill(packed[at] ?? 0);
    at += count < 128 ? count + 1 : 1;
    size += part.length;
    if (size > most) throw new TooMuchPacked();
    parts.push(part);
  }
  return joined(parts);
}
