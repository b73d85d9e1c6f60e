import { encode } from 'fast-png';

/** A PNG that says how large it prints and that its colours are sRGB (ISO/IEC 15948). */

const METRE = 100 / 2.54;

function crc32(bytes: Uint8Array): number {
  let crc = ~0;
  for (const byte of bytes) {
    crc ^= byte;
    for (let i = 0; i < 8; i++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  }
  return ~crc >>> 0;
}

function chunk(type: string, data: readonly number[]): Uint8Array {
  const body = Uint8Array.from([...[...type].map((c) => c.charCodeAt(0)), ...data]);
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

/** Writes RGB or RGBA pixels. */
export function writePng(
  { width, height, data }: { width: number; height: number; data: Uint8Array | Uint8ClampedArray },
  channels: 3 | 4,
  ppi: number,
): Uint8Array {
  const plain = encode({ width, height, data: data as Uint8Array, channels, depth: 8 });
  const density = Math.round(ppi * METRE);
  const said = [chunk('sRGB', [1]), chunk('pHYs', [...u32(density), ...u32(density), 1])];
  const out = new Uint8Array(plain.length + said.reduce((n, each) => n + each.length, 0));
  out.set(plain.subarray(0, HEAD));
  let at = HEAD;
  for (const each of said) {
    out.set(each, at);
    at += each.length;
  }
  out.set(plain.subarray(HEAD), at);
  return out;
}
