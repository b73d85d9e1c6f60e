import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { pieceFacts } from '../../core/checks/piece-facts';
import { verify } from '../../core/files/pdf/rules';
import { addElement } from '../../core/job/edits/elements';
import { makePicture } from '../../core/job/make';
import type { Job } from '../../core/job/schema';
import { encodeJpeg } from '../../core/picture/jpeg-encode';
import { resampled } from '../../core/picture/resample';
import { cardWith, makePng, withPicture } from '../kit';
import { makeLineArt } from '../png';
import { exportTo, folder, platesOf, run, tidyUp } from './tools';

afterAll(tidyUp);

const smooth = (width: number, height: number, channels: number): Uint8Array =>
  Uint8Array.from({ length: width * height * channels }, (_, i) => {
    const [c, x, y] = [i % channels, Math.floor(i / channels) % width, Math.floor(i / channels / width)];
    return Math.round(127 + 100 * Math.sin(x / 9 + c) * Math.cos(y / 11 - c));
  });
const meanOff = (a: Uint8Array, b: Uint8Array): number =>
  a.reduce((sum, value, i) => sum + Math.abs(value - b[i]!), 0) / a.length;

describe('JPEG', () => {
  it('of RGB is read as it was by an independent decoder, worse with less quality', async () => {
    const data = smooth(67, 41, 3);
    const off = [];
    for (const quality of [95, 75, 30]) {
      const jpeg = encodeJpeg(data, 3, 67, 41, quality);
      const { data: back, info } = await sharp(jpeg).raw().toBuffer({ resolveWithObject: true });
      expect([info.width, info.height, info.channels]).toEqual([67, 41, 3]);
      off.push(meanOff(data, back));
    }
    expect(off[0]).toBeLessThan(1.5);
    expect(off[1]).toBeGreaterThan(off[0]!);
    expect(off[2]).toBeGreaterThan(off[1]!);
    expect(off[2]).toBeLessThan(9);
  });
  it('of any size and content can be read', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 33 }),
        fc.integer({ min: 1, max: 33 }),
        fc.nat(1e6),
        async (w, h, seed) => {
          const data = Uint8Array.from({ length: w * h * 3 }, (_, i) => ((i + seed) * 7919) % 256);
          const { info } = await sharp(encodeJpeg(data, 3, w, h, 60))
            .raw()
            .toBuffer({ resolveWithObject: true });
          expect([info.width, info.height]).toEqual([w, h]);
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('fewer pixels', () => {
  it('are as an independent library’s Lanczos has them', async () => {
    const data = smooth(300, 200, 3);
    const ours = resampled({ width: 300, height: 200, channels: 3, data }, 120, 80);
    const theirs = await sharp(data, { raw: { width: 300, height: 200, channels: 3 } })
      .resize(120, 80, { kernel: 'lanczos3', fit: 'fill', fastShrinkOnLoad: false })
      .raw()
      .toBuffer();
    expect(meanOff(ours.data, theirs)).toBeLessThan(0.6);
  });
  it('keep an even colour exactly, of any number of channels', () => {
    for (const channels of [1, 4, 5]) {
      const data = Uint8Array.from({ length: 90 * 70 * channels }, (_, i) => 40 + (i % channels) * 30);
      const { data: out } = resampled({ width: 90, height: 70, channels, data }, 31, 23);
      expect([...new Set(out.map((value, i) => value - (40 + (i % channels) * 30)))]).toEqual([0]);
    }
  });
});

/** A card with a picture an inch wide. */
function carded(bytes: Uint8Array): { job: Job; assets: Record<string, Uint8Array> } {
  const { job, assets, hash } = withPicture(cardWith([]), bytes);
  const piece = job.pieces[0]!;
  const elements = [makePicture({ id: 'p', x: 40, y: 30, width: 72, height: 72, asset: hash })];
  return { job: { ...job, pieces: [{ ...piece, faces: [{ ...piece.faces[0]!, elements }] }] }, assets };
}
const listed = (pdf: string): string[][] =>
  run('pdfimages', ['-list', pdf])
    .trim()
    .split('\n')
    .slice(2)
    .map((line) => line.trim().split(/\s+/));

describe('pictures in the file', () => {
  const fine = carded(makePng(600, 600, (x, y) => [x % 256, y % 256, (x + y) % 256]));
  it('finer than is asked get as many pixels an inch as they are to have', async () => {
    const pdf = await exportTo('fewer.pdf', fine, { marks: false, pictures: { fewer: { above: 450, to: 300 } } });
    expect(listed(pdf)[0]!.slice(3, 6)).toEqual(['300', '300', 'cmyk']);
    const asTheyAre = await exportTo('all.pdf', fine, { marks: false, pictures: { fewer: { above: 700, to: 300 } } });
    expect(listed(asTheyAre)[0]!.slice(3, 5)).toEqual(['600', '600']);
    const [a, b] = [await platesOf(pdf, 1, 100), await platesOf(asTheyAre, 1, 100)];
    for (const plate of ['Cyan', 'Magenta', 'Yellow', 'Black'])
      expect(meanOff(a.get(plate)!.ink, b.get(plate)!.ink)).toBeLessThan(3);
  });
  it('packed as JPEG are smaller, the same amounts of ink, and within the rules', async () => {
    const soft = carded(
      makePng(300, 300, (x, y) => [120 + 60 * Math.sin(x / 40), 90 + 50 * Math.cos(y / 30), 140].map(Math.round)),
    );
    const whole = await exportTo('whole.pdf', soft, { marks: false });
    const packed = await exportTo('packed.pdf', soft, {
      marks: false,
      standard: 'PDF/X-1a:2001',
      pictures: { quality: 85 },
    });
    expect(listed(packed)[0]!).toContain('jpeg');
    expect(readFileSync(packed).length).toBeLessThan(readFileSync(whole).length);
    expect(verify(readFileSync(packed), 'PDF/X-1a:2001').filter(({ faults }) => faults.length > 0)).toEqual([]);
    const [a, b] = [await platesOf(whole, 1, 100), await platesOf(packed, 1, 100)];
    for (const [plate, { ink }] of a) expect(meanOff(ink, b.get(plate)!.ink), plate).toBeLessThan(2);
  });
  it('that are grey lie on the black plate alone, by Ghostscript', async () => {
    const grey = new Uint8Array(
      await sharp(Buffer.from(smooth(200, 200, 3)), { raw: { width: 200, height: 200, channels: 3 } })
        .toColourspace('b-w')
        .png()
        .toBuffer(),
    );
    const plates = await platesOf(await exportTo('grey.pdf', carded(grey), { marks: false }), 1, 72);
    for (const [plate, { ink }] of plates) expect(Math.max(...ink) > 0, plate).toBe(plate === 'Black');
  });
  it('that are CMYK JPEGs go into the file untouched, and print as when they are unpacked', async () => {
    const cmyk = new Uint8Array(
      await sharp(Buffer.from(smooth(200, 200, 3)), { raw: { width: 200, height: 200, channels: 3 } })
        .toColourspace('cmyk')
        .jpeg({ quality: 90 })
        .toBuffer(),
    );
    const job = carded(cmyk);
    const pdf = await exportTo('through.pdf', job, { marks: false, pictures: { fewer: { above: 450, to: 300 } } });
    run('pdfimages', ['-all', pdf, 'through']);
    expect(readFileSync(join(folder, 'through-000.jpg')).equals(Buffer.from(cmyk))).toBe(true);
    // A limit of ink that its pixels go over makes it be unpacked.
    const limited = { ...job, job: withLimit(job.job, 1.2) };
    const changed = await exportTo('limited.pdf', limited, { marks: false });
    expect(listed(changed)[0]!).not.toContain('jpeg');
    const [a, b] = [
      await platesOf(pdf, 1, 72),
      await platesOf(await exportTo('free.pdf', { ...job, job: withLimit(job.job, 4) }, { marks: false }), 1, 72),
    ];
    for (const [plate, { ink }] of a) expect(meanOff(ink, b.get(plate)!.ink), plate).toBeLessThan(1);
  });
});

const withLimit = (job: Job, inkLimit: number): Job => {
  const piece = job.pieces[0]!;
  const elements = piece.faces[0]!.elements.map((e) => ({ ...e, inkLimit }));
  return { ...job, pieces: [{ ...piece, faces: [{ ...piece.faces[0]!, elements }] }] } as Job;
};

describe('line art', () => {
  const png = makeLineArt(640, 320, (x, y) => (x - 320) ** 2 + (y - 160) ** 2 < 120 ** 2);
  const { job, hash, assets } = withPicture(cardWith([]), png, 'stamp.png');
  const known = { ...job, assets: { [hash]: { ...job.assets[hash]!, bits: 1, space: 'GRAY' as const } } } as Job;
  // 640 pixels on 57.6 points are 800 an inch.
  const picture = makePicture({ id: 'p', x: 60, y: 40, width: 57.6, height: 28.8, asset: hash });
  const bundle = { job: addElement(known, 'card-1', picture), assets };
  it.each(['PDF/X-4', 'PDF/X-1a:2001'] as const)(
    'leaves as it is: a bit a pixel, at its own resolution, in black alone (%s)',
    async (standard) => {
      const pdf = await exportTo(`line-art-${standard === 'PDF/X-4' ? 4 : 1}.pdf`, bundle, {
        standard,
        marks: false,
        pictures: { fewer: { above: 450, to: 300 }, quality: 80 },
      });
      const [, , row] = run('pdfimages', ['-list', pdf]).trim().split('\n');
      const [, , , width, height, , , bits, , , , , ppi] = row!.trim().split(/\s+/);
      expect([width, height, bits, ppi]).toEqual(['640', '320', '1', '800']);
      const plates = await platesOf(pdf, 1, 200);
      const inked = [...plates].filter(([, { ink }]) => ink.some((amount) => amount > 5)).map(([name]) => name);
      expect(inked).toEqual(['Black']);
      expect(verify(new Uint8Array(readFileSync(pdf)), standard).filter(({ faults }) => faults.length > 0)).toEqual([]);
    },
  );
  it('counts as one plate wherever plates are counted', () => {
    expect(pieceFacts(bundle.job, bundle.job.pieces[0]!).plates).toEqual(['Black']);
  });
});
