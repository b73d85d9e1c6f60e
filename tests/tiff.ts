/** Uncompressed TIFF 6.0 of RGB or CMYK bytes, written and read without any of the project's packages. */

const TAGS = {
  width: 256,
  height: 257,
  bits: 258,
  compression: 259,
  photometric: 262,
  offsets: 273,
  samples: 277,
  rows: 278,
  counts: 279,
  planar: 284,
};

export function makeTiff(width: number, height: number, channels: 3 | 4, pixels: Uint8Array): Uint8Array {
  const entries: [tag: number, type: 3 | 4, values: number[]][] = [
    [TAGS.width, 4, [width]],
    [TAGS.height, 4, [height]],
    [TAGS.bits, 3, Array.from({ length: channels }, () => 8)],
    [TAGS.compression, 3, [1]],
    [TAGS.photometric, 3, [channels === 3 ? 2 : 5]],
    [TAGS.offsets, 4, [0]],
    [TAGS.samples, 3, [channels]],
    [TAGS.rows, 4, [height]],
    [TAGS.counts, 4, [pixels.length]],
    [TAGS.planar, 3, [1]],
  ];
  const head = 8 + 2 + 12 * entries.length + 4;
  const bitsAt = head;
  const dataAt = head + 2 * channels;
  const out = new Uint8Array(dataAt + pixels.length);
  const view = new DataView(out.buffer);
  out.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, 8, true);
  view.setUint16(8, entries.length, true);
  entries.forEach(([tag, type, values], i) => {
    const at = 10 + 12 * i;
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, values.length, true);
    if (tag === TAGS.bits) view.setUint32(at + 8, bitsAt, true);
    else if (tag === TAGS.offsets) view.setUint32(at + 8, dataAt, true);
    else if (type === 3) view.setUint16(at + 8, values[0]!, true);
    else view.setUint32(at + 8, values[0]!, true);
  });
  for (let i = 0; i < channels; i++) view.setUint16(bitsAt + 2 * i, 8, true);
  out.set(pixels, dataAt);
  return out;
}

/** The pixels of an uncompressed TIFF, strip after strip. */
export function readTiff(bytes: Uint8Array): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const little = bytes[0] === 0x49;
  const start = view.getUint32(4, little);
  const values = new Map<number, number[]>();
  for (let i = 0; i < view.getUint16(start, little); i++) {
    const at = start + 2 + 12 * i;
    const type = view.getUint16(at + 2, little);
    const count = view.getUint32(at + 4, little);
    const size = type === 3 ? 2 : type === 4 ? 4 : 0;
    if (size === 0) continue;
    const from = size * count <= 4 ? at + 8 : view.getUint32(at + 8, little);
    values.set(
      view.getUint16(at, little),
      Array.from({ length: count }, (_, k) =>
        size === 2 ? view.getUint16(from + 2 * k, little) : view.getUint32(from + 4 * k, little),
      ),
    );
  }
  if (values.get(TAGS.compression)?.[0] !== 1) throw new Error('This TIFF is compressed.');
  const counts = values.get(TAGS.counts)!;
  const strips = values.get(TAGS.offsets)!.map((offset, i) => bytes.subarray(offset, offset + counts[i]!));
  return new Uint8Array(Buffer.concat(strips));
}
