import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type FaxKind, unpackFax } from '../../../core/packed/fax';
import { unpackJbig2 } from '../../../core/packed/jbig2';

/** Bits as bytes, filled up with zeros. */
const bytesOf = (bits: string): Uint8Array => {
  const plain = bits.replaceAll(' ', '');
  return Uint8Array.from({ length: Math.ceil(plain.length / 8) }, (_, i) =>
    Number.parseInt(plain.slice(8 * i, 8 * i + 8).padEnd(8, '0'), 2),
  );
};
const rowsOf = (bits: string, kind: FaxKind): string[] => {
  const { bytes, rows } = unpackFax(bytesOf(bits), kind);
  const wide = Math.ceil(kind.columns / 8);
  return Array.from({ length: rows }, (_, y) =>
    Array.from(bytes.subarray(y * wide, (y + 1) * wide), (byte) => byte.toString(2).padStart(8, '0'))
      .join('')
      .slice(0, kind.columns),
  );
};
const plain = { k: 0, aligned: false };
const byAbove = { k: -1, aligned: false };

/** The codes are those of the tables of ITU-T T.4 and T.6. */
describe('a fax', () => {
  it('has runs in turn, white first: 2 white, 3 black, 3 white; none white, 8 black', () => {
    expect(rowsOf('0111 10 1000 00110101 000101', { columns: 8, rows: 2, ...plain })).toEqual(['00111000', '11111111']);
  });
  it('has long runs in parts: 1728 white are 1728 and none more; 64 black and 1', () => {
    expect(rowsOf('010011011 00110101', { columns: 1728, rows: 1, ...plain })).toEqual(['0'.repeat(1728)]);
    expect(rowsOf('00110101 0000001111 010 1000', { columns: 68, rows: 1, ...plain })).toEqual([
      `${'1'.repeat(65)}000`,
    ]);
  });
  it('ends rows where it is said, filled up or not', () => {
    const end = '000000000001';
    const bits = `${end} 0111 10 1000 0000 ${end} 00110101 000101`;
    expect(rowsOf(bits, { columns: 8, rows: 2, ...plain })).toEqual(['00111000', '11111111']);
  });
  it('says how a row differs from the one above: the same, by one to three pixels, passed over, two runs of its own', () => {
    // Two runs (2 white, 3 black), then straight below to the end; straight below; one to the left and two to the right;
    // passed over; two runs, of which the first is none.
    const first = '001 0111 10 1';
    expect(rowsOf(`${first} 1 1 1`, { columns: 8, rows: 2, ...byAbove })).toEqual(['00111000', '00111000']);
    expect(rowsOf(`${first} 010 000011 1`, { columns: 8, rows: 2, ...byAbove })).toEqual(['00111000', '01111110']);
    expect(rowsOf(`${first} 0001 1`, { columns: 8, rows: 2, ...byAbove })).toEqual(['00111000', '00000000']);
    expect(rowsOf(`${first} 001 00110101 11 1`, { columns: 8, rows: 2, ...byAbove })).toEqual(['00111000', '11000000']);
  });
  it('is read from either end of its bytes', () => {
    const kind = { columns: 8, rows: 2, ...plain };
    const bytes = bytesOf('0111 10 1000 00110101 000101');
    const turned = bytes.map((byte) =>
      Number.parseInt(byte.toString(2).padStart(8, '0').split('').reverse().join(''), 2),
    );
    expect(unpackFax(turned, { ...kind, lowFirst: true })).toEqual(unpackFax(bytes, kind));
  });
  it('never says more than it is asked for, whatever the bytes are', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ maxLength: 300 }),
        fc.integer({ min: 1, max: 200 }),
        fc.constantFrom(-1, 0, 4),
        fc.boolean(),
        (packed, columns, k, aligned) => {
          const { bytes, rows } = unpackFax(packed, { columns, rows: 40, k, aligned });
          expect(bytes.length).toBe(Math.ceil(columns / 8) * 40);
          expect(rows).toBeLessThanOrEqual(40);
          // No bit lies beyond the last pixel of a row.
          const spare = (1 << (8 * Math.ceil(columns / 8) - columns)) - 1;
          for (let y = 1; y <= rows; y++) expect(bytes[y * Math.ceil(columns / 8) - 1]! & spare).toBe(0);
        },
      ),
    );
  });
});

describe('a picture of a scanner', () => {
  const word = (n: number): number[] => [n >>> 24, (n >>> 16) & 255, (n >>> 8) & 255, n & 255];
  const pageOf = (width: number, height: number): number[] => [
    ...word(0),
    48,
    0,
    1,
    ...word(19),
    ...word(width),
    ...word(height),
    ...Array<number>(11).fill(0),
  ];
  it('is white where nothing is drawn', () => {
    expect(unpackJbig2(Uint8Array.from(pageOf(9, 3)), undefined, 9, 3)).toEqual(new Uint8Array(6));
  });
  it('is not believed to be larger than its place in the file says', () => {
    expect(unpackJbig2(Uint8Array.from(pageOf(0x7fffffff, 0x7fffffff)), undefined, 9, 3)).toBeUndefined();
    const region = [...word(1), 38, 0, 1, ...word(18), ...word(0x7fffffff), ...word(3), ...Array<number>(10).fill(0)];
    expect(unpackJbig2(Uint8Array.from([...pageOf(9, 3), ...region]), undefined, 9, 3)).toBeUndefined();
  });
  it('is refused where it is damaged', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (tail) => {
        const rows = unpackJbig2(Uint8Array.from([...pageOf(9, 3), ...tail]), undefined, 9, 3);
        expect(rows === undefined || rows.length === 6).toBe(true);
      }),
    );
  });
});
