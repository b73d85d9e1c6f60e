/**
 * Baseline JPEG (ITU-T T.81) of RGB, or of four process inks, which no packaged encoder writes: cyan, magenta and yellow
 * as luminance and colour differences, black as it is (the Adobe marker's transform 2). Nothing is subsampled.
 */

/** T.81, tables K.1 and K.2, in rows. */
const LUMINANCE = [
  16, 11, 10, 16, 24, 40, 51, 61, 12, 12, 14, 19, 26, 58, 60, 55, 14, 13, 16, 24, 40, 57, 69, 56, 14, 17, 22, 29, 51,
  87, 80, 62, 18, 22, 37, 56, 68, 109, 103, 77, 24, 35, 55, 64, 81, 104, 113, 92, 49, 64, 78, 87, 103, 121, 120, 101,
  72, 92, 95, 98, 112, 100, 103, 99,
];
const CHROMINANCE = [
  17,
  18,
  24,
  47,
  99,
  99,
  99,
  99,
  18,
  21,
  26,
  66,
  99,
  99,
  99,
  99,
  24,
  26,
  56,
  99,
  99,
  99,
  99,
  99,
  47,
  66,
  99,
  99,
  99,
  99,
  99,
  99,
  ...new Array<number>(32).fill(99),
];

/** Where each coefficient in the order they are written stands in its block of rows (figure A.6). */
const ZIGZAG = [
  0, 1, 8, 16, 9, 2, 3, 10, 17, 24, 32, 25, 18, 11, 4, 5, 12, 19, 26, 33, 40, 48, 41, 34, 27, 20, 13, 6, 7, 14, 21, 28,
  35, 42, 49, 56, 57, 50, 43, 36, 29, 22, 15, 23, 30, 37, 44, 51, 58, 59, 52, 45, 38, 31, 39, 46, 53, 60, 61, 54, 47,
  55, 62, 63,
];

/** How many codes of each length there are, and what they stand for (tables K.3 and K.5). */
const DC = { counts: [0, 1, 5, 1, 1, 1, 1, 1, 1, 0, 0, 0, 0, 0, 0, 0], values: [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11] };
const AC = {
  counts: [0, 2, 1, 3, 3, 2, 4, 3, 5, 5, 4, 4, 0, 0, 1, 125],
  values: [
    ...hex('01020300041105122131410613516107227114328191a1082342b1c11552d1f02433627282090a161718191a25262728292a'),
    ...hex('3435363738393a434445464748494a535455565758595a636465666768696a737475767778797a838485868788898a929394'),
    ...hex('95969798999aa2a3a4a5a6a7a8a9aab2b3b4b5b6b7b8b9bac2c3c4c5c6c7c8c9cad2d3d4d5d6d7d8d9dae1e2e3e4e5e6e7e8'),
    ...hex('e9eaf1f2f3f4f5f6f7f8f9fa'),
  ],
};

function hex(digits: string): number[] {
  return digits.match(/../g)!.map((pair) => Number.parseInt(pair, 16));
}

interface Codes {
  code: Uint16Array;
  length: Uint8Array;
}

/** Codes in order of their lengths (annex C). */
function codesOf({ counts, values }: typeof DC): Codes {
  const codes = { code: new Uint16Array(256), length: new Uint8Array(256) };
  let code = 0;
  let at = 0;
  counts.forEach((count, i) => {
    for (let k = 0; k < count; k++) {
      codes.code[values[at]!] = code++;
      codes.length[values[at++]!] = i + 1;
    }
    code <<= 1;
  });
  return codes;
}

/** The usual scale of the standard's tables by a quality from 1 to 100 (Independent JPEG Group; common practice). */
function tableFor(table: readonly number[], quality: number): Uint8Array {
  const scale = quality < 50 ? 5000 / quality : 200 - 2 * quality;
  return Uint8Array.from(table, (step) => Math.max(1, Math.min(255, Math.floor((step * scale + 50) / 100))));
}

const COSINES = Float32Array.from({ length: 64 }, (_, i) => {
  const [u, x] = [i >> 3, i & 7];
  return (u === 0 ? Math.SQRT1_2 : 1) * 0.5 * Math.cos(((2 * x + 1) * u * Math.PI) / 16);
});

/** The discrete cosine transform of a block in place (A.3.3). */
function transform(block: Float32Array, half: Float32Array): void {
  for (let y = 0; y < 8; y++)
    for (let u = 0; u < 8; u++) {
      let sum = 0;
      for (let x = 0; x < 8; x++) sum += COSINES[u * 8 + x]! * block[y * 8 + x]!;
      half[y * 8 + u] = sum;
    }
  for (let u = 0; u < 8; u++)
    for (let v = 0; v < 8; v++) {
      let sum = 0;
      for (let y = 0; y < 8; y++) sum += COSINES[v * 8 + y]! * half[y * 8 + u]!;
      block[v * 8 + u] = sum;
    }
}

/** Bytes and bits of a JPEG as they are written; a byte of ones is followed by one of zeros. */
function bitWriter() {
  let out = new Uint8Array(1 << 16);
  let size = 0;
  let bits = 0;
  let held = 0;
  const byte = (value: number): void => {
    if (size === out.length) {
      const more = new Uint8Array(2 * size);
      more.set(out);
      out = more;
    }
    out[size++] = value;
  };
  return {
    byte,
    put(code: number, length: number): void {
      bits = (bits << length) | (code & ((1 << length) - 1));
      held += length;
      while (held >= 8) {
        const value = (bits >> (held - 8)) & 255;
        byte(value);
        if (value === 255) byte(0);
        held -= 8;
      }
      bits &= (1 << held) - 1;
    },
    flush(): void {
      if (held > 0) this.put(0x7f, 8 - held);
    },
    bytes: () => out.slice(0, size),
  };
}

const sizeOf = (value: number): number => 32 - Math.clz32(Math.abs(value));

/** Which table each of the four planes is packed by: 0 for light and black, 1 for the differences. */
const TABLE_OF = [0, 1, 1, 0] as const;

/** Colours as the planes that are packed, about zero (ITU-R BT.601, as JFIF has it); inks count from their opposite. */
function planesOf(data: Uint8Array, channels: 3 | 4): Float32Array[] {
  const count = data.length / channels;
  const planes = Array.from({ length: channels }, () => new Float32Array(count));
  const [from, sign] = channels === 4 ? [255, -1] : [0, 1];
  for (let i = 0, at = 0; i < count; i++, at += channels) {
    const [r, g, b] = [from + sign * data[at]!, from + sign * data[at + 1]!, from + sign * data[at + 2]!];
    planes[0]![i] = 0.299 * r + 0.587 * g + 0.114 * b - 128;
    planes[1]![i] = -0.168736 * r - 0.331264 * g + 0.5 * b;
    planes[2]![i] = 0.5 * r - 0.418688 * g - 0.081312 * b;
    if (channels === 4) planes[3]![i] = data[at + 3]! - 128;
  }
  return planes;
}

/**
 * A JPEG of RGB pixels, or of CMYK ones, 255 full ink; `quality` 1 to 100. Readers of a PDF get the same amounts, not
 * their opposites.
 */
export function encodeJpeg(
  data: Uint8Array,
  channels: 3 | 4,
  width: number,
  height: number,
  quality: number,
): Uint8Array {
  const tableOf = TABLE_OF.slice(0, channels);
  const writer = bitWriter();
  const tables = [tableFor(LUMINANCE, quality), tableFor(CHROMINANCE, quality)];
  const segment = (marker: number, ...body: number[]): void => {
    for (const each of [255, marker, (body.length + 2) >> 8, (body.length + 2) & 255, ...body]) writer.byte(each);
  };
  for (const each of [255, 0xd8]) writer.byte(each);
  if (channels === 4) segment(0xee, ...[...'Adobe'].map((c) => c.charCodeAt(0)), 0, 100, 0, 0, 0, 0, 2);
  for (const [i, table] of tables.entries()) segment(0xdb, i, ...ZIGZAG.map((at) => table[at]!));
  segment(
    0xc0,
    8,
    height >> 8,
    height & 255,
    width >> 8,
    width & 255,
    channels,
    ...tableOf.flatMap((t, i) => [i + 1, 0x11, t]),
  );
  segment(0xc4, 0x00, ...DC.counts, ...DC.values);
  segment(0xc4, 0x10, ...AC.counts, ...AC.values);
  segment(0xda, channels, ...tableOf.flatMap((_, i) => [i + 1, 0x00]), 0, 63, 0);

  const [dc, ac] = [codesOf(DC), codesOf(AC)];
  const planes = planesOf(data, channels);
  const block = new Float32Array(64);
  const half = new Float32Array(64);
  const before = [0, 0, 0, 0];
  const putValue = (codes: Codes, symbol: number, value: number, size: number): void => {
    writer.put(codes.code[symbol]!, codes.length[symbol]!);
    if (size > 0) writer.put(value < 0 ? value - 1 : value, size);
  };
  const putBlock = (c: number): void => {
    const table = tables[TABLE_OF[c]!]!;
    const value = (k: number): number => Math.round(block[ZIGZAG[k]!]! / table[ZIGZAG[k]!]!);
    const first = value(0);
    const difference = first - before[c]!;
    before[c] = first;
    putValue(dc, sizeOf(difference), difference, sizeOf(difference));
    let zeros = 0;
    for (let k = 1; k < 64; k++) {
      const v = value(k);
      if (v === 0) {
        zeros++;
        continue;
      }
      for (; zeros > 15; zeros -= 16) putValue(ac, 0xf0, 0, 0);
      putValue(ac, (zeros << 4) | sizeOf(v), v, sizeOf(v));
      zeros = 0;
    }
    if (zeros > 0) putValue(ac, 0, 0, 0);
  };
  for (let y = 0; y < height; y += 8)
    for (let x = 0; x < width; x += 8)
      for (const [c, plane] of planes.entries()) {
        // Past the edges the last pixels are said again.
        for (let i = 0; i < 64; i++) {
          const row = Math.min(height - 1, y + (i >> 3));
          block[i] = plane[row * width + Math.min(width - 1, x + (i & 7))]!;
        }
        transform(block, half);
        putBlock(c);
      }
  writer.flush();
  for (const each of [255, 0xd9]) writer.byte(each);
  return writer.bytes();
}
