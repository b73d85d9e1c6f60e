import type { Browser, Page } from '@playwright/test';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { profileFile } from '../../cli/kit';
import { openPngReader } from '../../cli/png-reader';
import { provenSvg } from '../../core/files/hand-off/prove-svg';
import type { JobBundle } from '../../core/files/job-parts';
import { type SvgWords, writeSvg } from '../../core/files/svg-file';
import { flipElement, turnElement } from '../../core/job/edits/elements';
import { shopOf } from '../../core/trade/shops';
import { openBrowser } from '../browser';
import { kit, openDemo } from '../kit';
import { exportTo, type PagePixels, pageOf, run, tidyUp } from './tools';

/**
 * The stage and the file come from two devices. Here the file is drawn by poppler through the shop's profile, the
 * SVG by Chromium, both at 300 ppi, and the two pictures are held against each other.
 */
const PPI = 300;
afterAll(tidyUp);

const pixelsOf = async (file: Buffer): Promise<PagePixels> => {
  const { data, info } = await sharp(file)
    .removeAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
};

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());

async function inChromium<T>(svg: string, then: (page: Page) => Promise<T>): Promise<T> {
  const page = await browser.newPage({ deviceScaleFactor: PPI / 96, viewport: { width: 800, height: 600 } });
  await page.setContent(`<body style="margin:0;background:#fff">${svg}</body>`);
  await page.evaluate(() => document.fonts.ready);
  const result = await then(page);
  await page.close();
  return result;
}

const drawnByChromium = (svg: string): Promise<PagePixels> =>
  inChromium(svg, async (page) => pixelsOf(await page.locator('svg').screenshot()));

/** Whether the pixels around a place are alike in a picture, within `within` levels. */
function isFlat({ data, width }: PagePixels, x: number, y: number, within: number): boolean {
  for (let c = 0; c < 3; c++) {
    let [low, high] = [255, 0];
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        const v = data[((y + dy) * width + x + dx) * 3 + c]!;
        low = Math.min(low, v);
        high = Math.max(high, v);
      }
    if (high - low > within) return false;
  }
  return true;
}

/** How two pictures of the same face differ: mean of all, and the largest and the 99.5th percentile away from edges. */
function differences(a: PagePixels, b: PagePixels, flat: number) {
  const [width, height] = [Math.min(a.width, b.width), Math.min(a.height, b.height)];
  let sum = 0;
  const away = new Array<number>(256).fill(0);
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      let worst = 0;
      for (let c = 0; c < 3; c++)
        worst = Math.max(worst, Math.abs(a.data[(y * a.width + x) * 3 + c]! - b.data[(y * b.width + x) * 3 + c]!));
      sum += worst;
      if (isFlat(a, x, y, flat) && isFlat(b, x, y, flat)) away[worst]!++;
    }
  const count = away.reduce((total, n) => total + n, 0);
  const levelAt = (place: number): number => {
    let below = 0;
    return away.findIndex((n) => {
      below += n;
      return below > place;
    });
  };
  return {
    mean: sum / (width * height),
    worstAway: levelAt(count - 1),
    usualAway: levelAt(Math.floor(count * 0.995)),
    shareAway: count / (width * height),
  };
}

const readPng = await openPngReader();

/** A face exported and drawn by poppler, and as SVG drawn by Chromium: how they differ. */
function drawing({ job, assets }: JobBundle, pieceNumber: number, face: number, words: SvgWords): string {
  const piece = job.pieces[pieceNumber]!;
  const shop = shopOf(piece.shop);
  const drawn = writeSvg(
    job,
    piece,
    face,
    shop.bleed[piece.kind],
    { ...kit, press: kit.press(shop.condition), assets },
    words,
  );
  // What is held against poppler's pages is found right when it is read back, too.
  return provenSvg(piece.name, drawn, readPng);
}

async function compared(bundle: JobBundle, pieceNumber: number, face: number) {
  const piece = bundle.job.pieces[pieceNumber]!;
  const name = `${piece.id}-${face}-${Object.keys(bundle.job).length}`;
  const pdf = await exportTo(`${name}.pdf`, bundle, { pieceId: piece.id, faces: [face], marks: false });
  const profile = profileFile('general-coated.icc');
  const fromPdf = pageOf(pdf, 1, PPI, '-defaultcmykprofile', profile);
  const svg = drawing(bundle, pieceNumber, face, 'outlines');
  const fromSvg = await drawnByChromium(svg);
  // Chromium's picture is of whole CSS pixels, each 3.125 of these.
  expect(Math.abs(fromPdf.width - fromSvg.width)).toBeLessThanOrEqual(4);
  expect(Math.abs(fromPdf.height - fromSvg.height)).toBeLessThanOrEqual(4);
  return differences(fromPdf, fromSvg, 6);
}

describe('the svg device against the pdf', () => {
  it.each([0, 1])('draws face %d of the demo card like poppler draws the file, but for edges', async (face) => {
    const found = await compared(openDemo(), 0, face);
    // Measured when written: front mean 1.12 levels, none away from edges; back (a photograph) mean 1.61, at most 6 away.
    expect(found.shareAway).toBeGreaterThan(face === 0 ? 0.9 : 0.4);
    expect(found.worstAway).toBeLessThanOrEqual(face === 0 ? 1 : 8);
    expect(found.usualAway).toBeLessThanOrEqual(5);
    expect(found.mean).toBeLessThan(2.5);
  });
  it('draws words on a circle, prices on a tab and a row of details like poppler does', async () => {
    const found = await compared(openDemo(), 1, 1);
    // Away from edges no more than four of 255 levels apart.
    expect(found.worstAway).toBeLessThanOrEqual(4);
    expect(found.mean).toBeLessThan(2);
  });
  it('draws what is turned and mirrored like poppler does', async () => {
    const bundle = openDemo();
    const turn: Record<string, number> = { glass: 7.5, plaque: 352.25, firm: 352.25, line: 90 };
    const job = Object.entries(turn).reduce((j, [id, degrees]) => turnElement(j, id, degrees), bundle.job);
    const found = await compared({ ...bundle, job: flipElement(job, 'glass', 'across') }, 0, 1);
    expect(found.shareAway).toBeGreaterThan(0.4);
    expect(found.worstAway).toBeLessThanOrEqual(10);
    expect(found.usualAway).toBeLessThanOrEqual(6);
    expect(found.mean).toBeLessThan(3);
  });
});

describe('words as text and as outlines', () => {
  it('are the same ink on the paper, but for edges', async () => {
    const drawn = async (words: 'text' | 'outlines'): Promise<PagePixels> => {
      const pdf = await exportTo(`${words}.pdf`, openDemo(), { faces: [0], marks: false, words });
      expect(run('pdffonts', [pdf]).trim().split('\n').length).toBe(words === 'text' ? 4 : 2);
      return pageOf(pdf, 1, PPI);
    };
    const found = differences(await drawn('text'), await drawn('outlines'), 6);
    // Measured when written: nothing away from edges; mean 0.2 levels.
    expect(found.worstAway).toBe(0);
    expect(found.mean).toBeLessThan(1);
  });

  it.each([
    ['the card', 0, 0],
    ['words on a circle and prices on a tab', 1, 1],
    ['the letterhead', 3, 0],
  ])('are the same on a screen: %s', async (_, piece, face) => {
    const bundle = openDemo();
    const outlines = await drawnByChromium(drawing(bundle, piece, face, 'outlines'));
    const text = await drawnByChromium(drawing(bundle, piece, face, 'text'));
    const found = differences(text, outlines, 6);
    expect(found.worstAway).toBeLessThanOrEqual(2);
    expect(found.mean).toBeLessThan(1);
  });
  it('can be searched in a drawing, where they are text', async () => {
    const svg = drawing(openDemo(), 0, 0, 'text');
    expect(await inChromium(svg, (page) => page.locator('svg').textContent())).toContain('Iris Calloway');
    expect(
      await inChromium(svg, (page) => page.evaluate(() => [...document.fonts].map(({ status }) => status))),
    ).toEqual(expect.arrayContaining(['loaded']));
    expect(drawing(openDemo(), 0, 0, 'outlines')).not.toContain('<text');
  });
});
