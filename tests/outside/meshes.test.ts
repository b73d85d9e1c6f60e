import { afterAll, describe, expect, it } from 'vitest';
import { inspectPdf } from '../../core/files/pdf/inspect';
import { shopOf } from '../../core/trade/shops';
import { page } from './page-by-hand';
import { expectPlates } from './plates-of-page';
import { tidyUp } from './tools';

afterAll(tidyUp);

/** Meshes (ISO 32000-1, 8.7.4.5.5 to 8), written by hand and read by Ghostscript. Bytes: flag, x and y of 16 bits, four inks. */

const WIDE = 220;
const HIGH = 120;
type Ink = readonly [number, number, number, number];
type At = readonly [number, number];

const two = (value: number, most: number): number[] => {
  const n = Math.round((value / most) * 65_535);
  return [n >> 8, n & 255];
};
const place = ([x, y]: At): number[] => [...two(x, WIDE), ...two(y, HIGH)];
const colour = (ink: Ink): number[] => ink.map((share) => Math.round(share * 255));

const shading = (kind: number, bytes: readonly number[], entries: string, decode = '0 1 0 1 0 1 0 1'): string => {
  const flag = kind === 5 ? '' : '/BitsPerFlag 8';
  const head = `/ShadingType ${kind}/ColorSpace/DeviceCMYK/BitsPerCoordinate 16/BitsPerComponent 8${flag}/Decode[0 ${WIDE} 0 ${HIGH} ${decode}]`;
  return `<<${head}${entries}/Length ${bytes.length}>>stream\n${Buffer.from(bytes).toString('latin1')}\nendstream`;
};
const shown = (kind: number, bytes: readonly number[], entries = '', decode?: string): Uint8Array =>
  page('/S sh', '/Shading<</S 5 0 R>>', [shading(kind, bytes, entries, decode)]);

const CYAN: Ink = [1, 0, 0, 0];
const MAGENTA: Ink = [0, 1, 0, 0];
const YELLOW: Ink = [0, 0, 1, 0.2];
const BLACK: Ink = [0.2, 0, 0, 0.9];

const triangles = [
  ...[
    0,
    ...place([10, 10]),
    ...colour(CYAN),
    0,
    ...place([110, 110]),
    ...colour(MAGENTA),
    0,
    ...place([120, 10]),
    ...colour(YELLOW),
  ],
  // One that shares the side of its second and third corner, and one that shares first and third.
  ...[1, ...place([210, 105]), ...colour(BLACK)],
  ...[2, ...place([205, 12]), ...colour(CYAN)],
];
const lattice = [
  [10, 10, CYAN],
  [90, 25, MAGENTA],
  [210, 8, YELLOW],
  [15, 70, BLACK],
  [100, 60, CYAN],
  [200, 75, MAGENTA],
  [8, 112, YELLOW],
  [120, 110, BLACK],
  [212, 108, CYAN],
].flatMap(([x, y, ink]) => [...place([x as number, y as number]), ...colour(ink as Ink)]);
/** A patch whose sides bow, and one that goes on from the side it shares. */
const first: readonly At[] = [
  [20, 20],
  [10, 50],
  [30, 80],
  [20, 105],
  [50, 115],
  [80, 95],
  [110, 105],
  [125, 75],
  [100, 45],
  [110, 15],
  [80, 5],
  [50, 30],
];
const onwards: readonly At[] = [
  [140, 90],
  [170, 115],
  [200, 100],
  [212, 70],
  [190, 40],
  [205, 20],
  [180, 8],
  [140, 28],
];
const patches = (inner: readonly (readonly At[])[]) => [
  ...[0, ...[...first, ...inner[0]!].flatMap(place), ...[CYAN, MAGENTA, YELLOW, BLACK].flatMap(colour)],
  // The patch before ends in its third side: (110, 105) to (110, 15).
  ...[2, ...[...onwards, ...inner[1]!].flatMap(place), ...[MAGENTA, CYAN].flatMap(colour)],
];
const INNER: readonly (readonly At[])[] = [
  [
    [60, 50],
    [45, 75],
    [75, 70],
    [85, 40],
  ],
  [
    [140, 50],
    [150, 75],
    [180, 70],
    [175, 40],
  ],
];

describe('meshes', () => {
  it.each<[string, Uint8Array]>([
    ['of triangles that share their sides', shown(4, triangles)],
    ['of a lattice', shown(5, lattice, '/VerticesPerRow 3')],
    ['of patches by their edges', shown(6, patches([[], []]))],
    ['of patches with points within', shown(7, patches(INNER))],
    [
      'of one value, by a function',
      shown(
        6,
        [0, ...first.flatMap(place), 0, 85, 170, 255],
        '/Function<</FunctionType 2/Domain[0 1]/C0[0.1 0.9 0 0]/C1[0.8 0 0.6 0.2]/N 1>>',
        '0 1',
      ),
    ],
    [
      'as what an area is filled with',
      page('/Pattern cs /P scn 40 20 130 80 re f', '/Pattern<</P<</PatternType 2/Shading 5 0 R>>>>', [
        shading(7, patches(INNER), ''),
      ]),
    ],
  ])('%s are on the plates as Ghostscript has them', async (name, bytes) => {
    // Ghostscript lays them in flat steps; and along their edges one of two is a cell further out.
    await expectPlates(name, bytes, { within: 0.04, off: 0.02 });
  });

  it('that make no sense are told of, and none goes on for ever', async () => {
    const unread = async (bytes: Uint8Array) => (await inspectPdf(bytes, shopOf('metric-offset'))).unread;
    expect(await unread(shown(5, lattice, '/VerticesPerRow 1'))).toEqual([
      'page 1: a gradient of a kind that is not read',
    ]);
    expect(await unread(shown(4, [], ''))).toEqual(['page 1: a gradient of a kind that is not read']);
    const over = Array.from({ length: 20_000 }, () => triangles.slice(0, 27)).flat();
    expect(await unread(shown(4, over))).toEqual(['page 1: a gradient of a kind that is not read']);
    expect(await unread(shown(6, patches([[], []]).slice(0, 40)))).toEqual([
      'page 1: a gradient of a kind that is not read',
    ]);
  });
});
