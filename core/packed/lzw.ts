import { TooMuchPacked } from './inflate';
import { joined } from './joined';

const CLEAR = 256;
const END = 257;
const FIRST = 258;
const MOST_WORDS = 4096;

/** Packed bytes that no packer makes. */
export class DamagedPacked extends Error {}

/**
 * Unpacks LZW with its highest bits first (TIFF 6.0, section 13; ISO 32000-1, 7.4.4) into no more than `most` bytes. Codes
 * grow `early` words before they have to. What ends too soon gives what there is. Throws TooMuchPacked or DamagedPacked.
 */
export function unpackLzw(packed: Uint8Array, most: number, early: 0 | 1 = 1): Uint8Array {
  const parts: Uint8Array[] = [];
  let size = 0;
  let table: Uint8Array[] = [];
  const reset = (): void => {
    table = Array.from({ length: FIRST }, (_, i) => Uint8Array.of(i));
  };
  reset();
  let last: Uint8Array | undefined;
  let bits = 0;
  let held = 0;
  for (let at = 0; ; ) {
    const words = table.length + early;
    const width = words >= 2048 ? 12 : words >= 1024 ? 11 : words >= 512 ? 10 : 9;
    while (held < width && at < packed.length) {
      bits = ((bits << 8) | packed[at++]!) & 0xffffff;
      held += 8;
    }
    if (held < width) break;
    const code = (bits >> (held - width)) & ((1 << width) - 1);
    held -= width;
    if (code === END) break;
    if (code === CLEAR) {
      reset();
      last = undefined;
      continue;
    }
    const known = table[code];
    if (!known && (!last || code !== table.length)) throw new DamagedPacked('An LZW stream is damaged');
    const word: Uint8Array = known ?? Uint8Array.of(...last!, last![0]!);
    if (last && table.length < MOST_WORDS) {
      const next = new Uint8Array(last.length + 1);
      next.set(last);
      next[last.length] = word[0]!;
      table.push(next);
    }
    size += word.length;
    if (size > most) throw new TooMuchPacked();
    parts.push(word);
    last = word;
  }
  return joined(parts);
}
