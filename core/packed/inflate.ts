import { Inflate } from 'fflate';
import { joined } from './joined';

/** Packed bytes hold more than they may. */
export class TooMuchPacked extends Error {}

type Kind = 'deflate' | 'zlib' | 'gzip';

/** Packed bytes that are unpacked at one go: no more than a thousand times as many come of them. */
const STEP = 1 << 14;

/** A zlib stream begins with what it is packed by, and two bytes that are a multiple of 31, without a dictionary. */
const hasHeader = ([first = 0, second = 0]: Uint8Array): boolean =>
  (first & 15) === 8 && ((first << 8) | second) % 31 === 0 && (second & 32) === 0;

/** Where the packed bytes of a gzip file begin (RFC 1952, 2.3): after its name, a remark and what else it says of them. */
function afterGzipHead(packed: Uint8Array): number {
  if (packed[0] !== 0x1f || packed[1] !== 0x8b || packed[2] !== 8) throw new RangeError('No gzip file begins so');
  const flags = packed[3] ?? 0;
  const afterText = (at: number): number => {
    const end = packed.indexOf(0, at);
    return end < 0 ? packed.length : end + 1;
  };
  let at = 10;
  if (flags & 4) at += 2 + (packed[at]! | (packed[at + 1]! << 8));
  if (flags & 8) at = afterText(at);
  if (flags & 16) at = afterText(at);
  return flags & 2 ? at + 2 : at;
}

/** What is deflated, without the header; the sum that comes after it is held against nothing. Throws where there is no header. */
function bodyOf(packed: Uint8Array, kind: Kind): Uint8Array {
  if (kind === 'deflate') return packed;
  if (kind === 'gzip') return packed.subarray(afterGzipHead(packed));
  if (!hasHeader(packed)) throw new RangeError('No zlib stream begins so');
  return packed.subarray(2);
}

/** Unpacks a part at a time, as long as no more than `most` bytes come out. Throws TooMuchPacked, or as fflate does. */
function unpack(packed: Uint8Array, kind: Kind, most: number, take: (part: Uint8Array) => void): number {
  let size = 0;
  const stream = new Inflate((part) => {
    size += part.length;
    if (size > most) throw new TooMuchPacked();
    take(part);
  });
  const body = bodyOf(packed, kind);
  for (let at = 0; at < body.length || at === 0; at += STEP)
    stream.push(body.subarray(at, at + STEP), at + STEP >= body.length);
  return size;
}

/** How many bytes packed ones hold. Throws TooMuchPacked where they are more than `most`, as soon as they are. */
export const unpackedSize = (packed: Uint8Array, kind: Kind, most: number): number =>
  unpack(packed, kind, most, () => undefined);

/** Unpacks into room for no more than `most` bytes. Throws TooMuchPacked. */
export function unpackInParts(packed: Uint8Array, kind: Kind, most: number): Uint8Array {
  const parts: Uint8Array[] = [];
  unpack(packed, kind, most, (part) => parts.push(part));
  return joined(parts);
}

const native = globalThis.process?.getBuiltinModule?.('node:zlib');

/**
 * Unpacks into room for no more than `most` bytes, by the machine’s own hands where there are any: the same bytes in a fifth of
 * the time. What those do not take is unpacked in parts, so that all is told in the same words. Throws TooMuchPacked.
 */
export function unpackWithin(packed: Uint8Array, kind: Kind, most: number): Uint8Array {
  const body = bodyOf(packed, kind);
  // Of nothing it makes nothing, and without a bound as much as there is.
  if (!native || body.length === 0 || most === 0) return unpackInParts(packed, kind, most);
  try {
    const bytes = native.inflateRawSync(body, { maxOutputLength: most });
    // Small ones lie in memory that others share.
    return bytes.length === bytes.buffer.byteLength ? new Uint8Array(bytes.buffer) : new Uint8Array(bytes);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE') throw new TooMuchPacked();
    return unpackInParts(packed, kind, most);
  }
}
