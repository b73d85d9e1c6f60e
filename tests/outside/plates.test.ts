import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import type { PlateGrid } from '../../core/devices/plates/device';
import type { JobBundle } from '../../core/files/job-file';
import { makePicture, makeRule, makeShape, makeWords } from '../../core/job/make';
import type { Element } from '../../core/job/schema';
import { shopOf } from '../../core/trade/shops';
import { gridOf } from '../core/devices/plates-kit';
import { cardWith, makePng, mm, openDemo, withPicture } from '../kit';
import { exportTo, folder, run, tidyUp } from './tools';

/**
 * The plates device against Ghostscript's `tiffsep` of the exported file, drawn at 600 an inch and made smaller by four.
 * Ghostscript keeps amounts as 15 bits of which the upper eight are written, cut down (0.5 comes out as 127): ours are
 * put into the same steps before the two are compared.
 */
const PPI = 150;
const inSteps = (amount: number): number => Math.floor((amount * 32_760) / 128) / 255;

interface Seen {
  width: number;
  height: number;
  amounts: Float32Array;
}

/** Ghostscript's plates of all pages of a file, by page and name. */
async function separated(pdf: string, stem: string): Promise<Map<string, Seen>> {
  run('gs', [
    '-q',
    '-dSAFER',
    '-dBATCH',
    '-dNOPAUSE',
    '-sDEVICE=tiffsep',
    '-r600',
    '-dDownScaleFactor=4',
    '-o',
    `${stem}-%d.tif`,
    pdf,
  ]);
  const found = new Map<string, Seen>();
  for (const file of readdirSync(folder)) {
    const [, page, name] = new RegExp(`^${stem}-(\\d+)\\((.+)\\)\\.tif$`).exec(file) ?? [];
    if (!name) continue;
    const { data, info } = await sharp(join(folder, file), { limitInputPixels: false })
      .extractChannel(0)
      .raw()
      .toBuffer({ resolveWithObject: true });
    const { width, height } = info;
    const amounts = Float32Array.from(data, (level) => (255 - level) / 255);
    found.set(`${page} ${name}`, { width, height, amounts });
  }
  return found;
}

interface Compared {
  mean: number;
  /** Of the pixels that are flat in Ghostscript's plate, the share within 1 %. */
  near: number;
  coverage: number;
}

function compare(ours: PlateGrid, name: string, seen: Seen): Compared {
  const plane = ours.plates.get(name);
  const width = Math.min(ours.width, seen.width);
  const height = Math.min(ours.height, seen.height);
  const gs = (x: number, y: number): number => seen.amounts[y * seen.width + x]!;
  let [sum, flat, near, oursSum, theirs] = [0, 0, 0, 0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const a = inSteps(plane?.[y * ours.width + x] ?? 0);
      const b = gs(x, y);
      sum += Math.abs(a - b);
      oursSum += a;
      theirs += b;
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) continue;
      let [least, most] = [1, 0];
      for (let v = -1; v <= 1; v++)
        for (let u = -1; u <= 1; u++) {
          least = Math.min(least, gs(x + u, y + v));
          most = Math.max(most, gs(x + u, y + v));
        }
      if (most - least > 0.05) continue;
      flat++;
      if (Math.abs(a - b) <= 0.01) near++;
    }
  const cells = width * height;
  return { mean: sum / cells, near: near / flat, coverage: Math.abs(oursSum - theirs) / cells };
}

/** The most ink at a flat point, by Ghostscript and by us. */
function mostInk(ours: PlateGrid, all: readonly Seen[]): { theirs: number; ours: number } {
  const { width, height } = all[0]!;
  let most = { theirs: 0, ours: 0 };
  for (let y = 2; y < Math.min(height, ours.height) - 2; y++)
    for (let x = 2; x < Math.min(width, ours.width) - 2; x++) {
      const sum = (dx: number, dy: number): number =>
        all.reduce((total, { amounts }) => total + amounts[(y + dy) * width + x + dx]!, 0);
      const here = sum(0, 0);
      if (here <= most.theirs || [-1, 1].some((d) => Math.abs(sum(d, 0) - here) + Math.abs(sum(0, d) - here) > 0.02))
        continue;
      let own = 0;
      for (const plane of ours.plates.values()) own += plane[y * ours.width + x]!;
      most = { theirs: here, ours: own };
    }
  return most;
}

async function check(name: string, bundle: JobBundle, pieceIndex: number): Promise<void> {
  const piece = bundle.job.pieces[pieceIndex]!;
  const pdf = await exportTo(`${name}.pdf`, bundle, { pieceId: piece.id, shop: shopOf(piece.shop), marks: false });
  const seen = await separated(pdf, name);
  for (const face of piece.faces.keys()) {
    const grid = gridOf(bundle, pieceIndex, face, PPI);
    const here = [...seen].filter(([key]) => key.startsWith(`${face + 1} `));
    const names = here.map(([key]) => key.slice(key.indexOf(' ') + 1));
    for (const plate of grid.plates.keys()) expect(names).toContain(plate);
    for (const [i, plate] of names.entries()) {
      const { mean, near, coverage } = compare(grid, plate, here[i]![1]);
      const where = `${name}, face ${face + 1}, ${plate}`;
      expect.soft(mean, `mean difference, ${where}`).toBeLessThan(0.005);
      expect.soft(near, `flat pixels within 1 %, ${where}`).toBeGreaterThanOrEqual(0.995);
      expect.soft(coverage, `coverage, ${where}`).toBeLessThan(0.002);
    }
    const most = mostInk(
      grid,
      here.map(([, each]) => each),
    );
    expect(Math.abs(most.ours - most.theirs), `${name}, face ${face + 1}: total ink`).toBeLessThan(0.01);
  }
}

const green = { ink: 'green', tint: 1 };
const copper = { ink: 'copper', tint: 1 };
const ACROSS: [number, number, number, number, number, number] = [1, 0, 0, 1, 0, 0];
const box = (id: string, x: number, y: number, width: number, height: number) => ({
  id,
  x: mm(x),
  y: mm(y),
  width: mm(width),
  height: mm(height),
});

/** Everything that can go wrong with plates, on one card. */
function torture(): JobBundle {
  const ground = makeShape({ ...box('ground', -3, -3, 91, 30), paint: { ink: 'green', tint: 0.6 } });
  const photo = makePng(240, 160, (x, y) => [x, 255 - y, (x * y) % 200]);
  const { job, assets, hash } = withPicture(cardWith([ground]), photo);
  const elements: Element[] = [
    makeShape({ ...box('over-spot', 4, 4, 14, 9), paint: copper, overprint: 'overprints' }),
    makeShape({ ...box('out-spot', 20, 4, 14, 9), paint: { ...copper, tint: 0.4 } }),
    makeShape({ ...box('over-black', 6, 6, 26, 3), paint: { ink: 'black', tint: 1 }, overprint: 'overprints' }),
    makeShape({ ...box('over-green', 36, 4, 14, 9), paint: { ink: 'green', tint: 0.3 }, overprint: 'overprints' }),
    makeShape({ ...box('paper-out', 52, 4, 6, 9), paint: { ink: 'paper', tint: 1 } }),
    makeShape({ ...box('paper-over', 60, 4, 6, 9), paint: { ink: 'paper', tint: 1 }, overprint: 'overprints' }),
    makeShape({
      ...box('runs', 4, 16, 24, 8),
      paint: {
        kind: 'linear',
        place: ACROSS,
        stops: [
          { at: 0, ...green },
          { at: 1, ...copper },
        ],
      },
    }),
    makeShape({
      ...box('round', 30, 15, 10, 10),
      paint: {
        kind: 'radial',
        place: [0.5, 0, 0, 0.5, 0.5, 0.5],
        stops: [
          { at: 0, ink: 'black', tint: 0.9 },
          { at: 1, ink: 'black', tint: 0.1 },
        ],
      },
      form: { kind: 'ellipse' },
    }),
    makeShape({ ...box('through', 42, 15, 14, 10), paint: copper, opacity: 0.5 }),
    makeShape({ ...box('through-green', 50, 17, 12, 10), paint: green, opacity: 0.35 }),
    makePicture({ ...box('photo', 4, 30, 24, 20), asset: hash }),
    makePicture({
      ...box('faded', 30, 30, 20, 14),
      asset: hash,
      fade: { kind: 'linear', place: ACROSS },
    }),
    makePicture({ ...box('one-ink', 52, 30, 14, 10), asset: hash, inks: [copper] }),
    makePicture({
      ...box('two-inks', 68, 30, 14, 10),
      asset: hash,
      inks: [
        { ink: 'black', tint: 1 },
        { ...copper, tint: 0.5 },
      ],
    }),
    makePicture({ ...box('turned', 55, 43, 12, 8), asset: hash, turn: 30 }),
    makeShape({
      ...box('shadowed', 70, 43, 10, 7),
      paint: green,
      shadow: { ink: 'black', tint: 0.5, x: mm(1), y: mm(1), blur: mm(1) },
    }),
    makeWords({ id: 'small', text: 'Small black words overprint', x: mm(5), y: mm(25.2), lettering: { size: 7 } }),
    ...Array.from({ length: 44 }, (_, i) =>
      i % 2 === 0
        ? makeRule({
            ...box(`rule-${i}`, 68 + (i % 6) * 2, 3 + i * 0.5, 1.5, 0.3),
            paint: i % 4 === 0 ? copper : green,
          })
        : makeShape({
            ...box(`dot-${i}`, 68 + (i % 7) * 2, 3 + i * 0.5, 1.2, 1.2),
            paint: { ink: 'black', tint: (i % 10) / 10 },
            form: { kind: 'ellipse' },
          }),
    ),
  ];
  const piece = job.pieces[0]!;
  const face = piece.faces[0]!;
  const crowded = { ...job, pieces: [{ ...piece, faces: [{ ...face, elements: [...face.elements, ...elements] }] }] };
  return { job: crowded, assets };
}

describe('plates against Ghostscript', () => {
  afterAll(tidyUp);
  const demo = openDemo();
  it.each(demo.job.pieces.map((piece, i) => [piece.name, i] as const))('%s', (_, i) => check(`demo-${i}`, demo, i));
  it('a face of overprints, tints, gradients, masks, pictures and small things', () => check('torture', torture(), 0));
});
