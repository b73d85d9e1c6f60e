import { encode } from 'fast-png';
import { zlibSync } from 'fflate';
import { joined } from '../packed/joined';

/** PNG files (ISO/IEC 15948) with what the encoder leaves out: how large they print, what their colours mean. */

const METRE = 100 / 2.54;

function crc32(bytes: Uint8Array): number {
  let crc = ~0;
  for (const byte of bytes) {
    crc ^= byte;
    for (let i = 0; i < 8; i++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  }
  return ~crc >>> 0;
}

function chunk(type: string, data: ArrayLike<number>): Uint8Array {
  const body = new Uint8Array(4 + data.length);
  body.set([...type].map((c) => c.charCodeAt(0)));
  body.set(data, 4);
  const out = new Uint8Array(body.length + 8);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  out.set(body, 4);
  view.setUint32(4 + body.length, crc32(body));
  return out;
}

const u32 = (value: number): number[] => [value >>> 24, (value >>> 16) & 255, (value >>> 8) & 255, value & 255];

/** The head ends here: signature, and the chunk that every PNG begins with. */
const HEAD = 33;

/** A PNG with chunks after its head, where those stand that the pixels are read by. */
function withChunks(png: Uint8Array, chunks: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(png.length + chunks.reduce((n, each) => n + each.length, 0));
  out.set(png.subarray(0, HEAD));
  let at = HEAD;
  for (const each of chunks) {
    out.set(each, at);
    at += each.length;
  }
  out.set(png.subarray(HEAD), at);
  return out;
}

/** Writes RGB or RGBA pixels that are sRGB and print so many to the inch. */
export function writePng(
  { width, height, data }: { width: number; height: number; data: Uint8Array | Uint8ClampedArray },
  channels: 3 | 4,
  ppi: number,
): Uint8Array {
  const plain = encode({ width, height, data: data as Uint8Array, channels, depth: 8 });
  const density = Math.round(ppi * METRE);
  return withChunks(plain, [chunk('sRGB', [1]), chunk('pHYs', [...u32(density), ...u32(density), 1])]);
}

/** Pixels whose numbers mean what a profile says; sRGB is meant where there is none. */
interface Numbers {
  width: number;
  height: number;
  /** 1 or 2 with alpha: grey; 3 or 4: RGB. Of 1 bit, rows are packed to whole bytes. */
  channels: 1 | 2 | 3 | 4;
  depth: 1 | 8;
  data: Uint8Array;
  icc?: Uint8Array | undefined;
  /** How wide a pixel is to its height. */
  pixelAspect?: number | undefined;
}

/** Writes pixels as they are kept: nothing of them is lost. */
export function keptPng({ icc, pixelAspect = 1, ...pixels }: Numbers): Uint8Array {
  const named = icc && [...Array.from('profile', (c) => c.charCodeAt(0)), 0, 0];
  const profile = icc && named ? [chunk('iCCP', joined([Uint8Array.from(named), zlibSync(icc)]))] : [];
  const aspect =
    pixelAspect === 1 ? [] : [chunk('pHYs', [...u32(10_000), ...u32(Math.round(10_000 * pixelAspect)), 0])];
  return withChunks(encode(pixels), [...profile, ...aspect]);
}
