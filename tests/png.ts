import { deflateSync } from 'node:zlib';

const SIGNATURE = Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);

function crc32(bytes: Uint8Array): number {
  let crc = ~0;
  for (const byte of bytes) {
    crc ^= byte;
    for (let i = 0; i < 8; i++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  }
  return ~crc >>> 0;
}

export function pngChunk(type: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(12 + data.length);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  out.set(new TextEncoder().encode(type), 4);
  out.set(data, 8);
  view.setUint32(8 + data.length, crc32(out.subarray(4, 8 + data.length)));
  return out;
}

/** A PNG of black and white alone, a bit a pixel. */
export function makeLineArt(width: number, height: number, isBlack: (x: number, y: number) => boolean): Uint8Array {
  const row = 1 + Math.ceil(width / 8);
  const rows = new Uint8Array(row * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) if (!isBlack(x, y)) rows[y * row + 1 + (x >> 3)]! |= 128 >> (x & 7);
  const head = new Uint8Array(13);
  const view = new DataView(head.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  head.set([1, 0, 0, 0, 0], 8);
  const parts = [pngChunk('IHDR', head), pngChunk('IDAT', deflateSync(rows)), pngChunk('IEND', new Uint8Array())];
  return new Uint8Array(Buffer.concat([SIGNATURE, ...parts]));
}

/** A PNG written without any of the project's packages; `pixel` gives grey, RGB or RGBA bytes. */
export function makePng(width: number, height: number, pixel: (x: number, y: number) => number[]): Uint8Array {
  const channels = pixel(0, 0).length;
  const rows = new Uint8Array(height * (1 + width * channels));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rows.set(pixel(x, y), y * (1 + width * channels) + 1 + x * channels);
  const head = new Uint8Array(13);
  const view = new DataView(head.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  head.set([8, { 1: 0, 3: 2, 4: 6 }[channels]!, 0, 0, 0], 8);
  const parts = [
    SIGNATURE,
    pngChunk('IHDR', head),
    pngChunk('IDAT', deflateSync(rows)),
    pngChunk('IEND', new Uint8Array()),
  ];
  return new Uint8Array(Buffer.concat(parts));
}
