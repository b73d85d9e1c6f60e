import type { Browser, Page } from '@playwright/test';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Cmyk } from '../../core/colour/ink';
import { svgDevice } from '../../core/devices/svg';
import { svgText } from '../../core/files/svg-file';
import { elementsOfArt } from '../../core/files/svg-in/elements';
import { readSvg } from '../../core/files/svg-in/read';
import { makeJob } from '../../core/job/make';
import type { Element, Face, Job } from '../../core/job/schema';
import { drawFace } from '../../core/scene/face';
import { sourcesOf } from '../../core/scene/sources';
import { openBrowser } from '../browser';
import { kit } from '../kit';
import { DRAWINGS, HOSTILE, NOTED } from './svg-drawings';

/**
 * Drawings taken in as elements and drawn by our own road, against the same drawings shown by Chromium itself. Colours
 * go through inks that a screen shows as they were asked for, so that only the drawing is compared.
 */
const bytes = (svg: string): Uint8Array => new TextEncoder().encode(svg);
const inkOf = (hex: string): Cmyk =>
  [...[1, 3, 5].map((i) => 1 - Number.parseInt(hex.slice(i, i + 2), 16) / 255), 0] as Cmyk;
const screen = ([c, m, y]: Cmyk): [number, number, number] =>
  [c, m, y].map((a) => Math.round(255 * (1 - a))) as [number, number, number];

function ourRoad(svg: string): { text: string; width: number; height: number } {
  const art = readSvg(bytes(svg), kit.fonts);
  const job: Job = {
    ...makeJob('job', 'Drawing', '2026-01-01T00:00:00.000Z'),
    inks: art.colours.map((hex) => ({ id: `i${hex.slice(1)}`, name: hex, kind: 'process', cmyk: inkOf(hex) })),
  };
  let n = 0;
  const { elements } = elementsOfArt(art, {
    paints: new Map(art.colours.map((hex) => [hex, { ink: `i${hex.slice(1)}`, tint: 1 }])),
    at: { x: 0, y: 0, width: art.width, height: art.height },
    newId: () => `e${n++}`,
    name: 'Drawing',
  });
  const face: Face = { id: 'f', name: 'Front', elements: elements as Element[] };
  const page = { x: 0, y: 0, width: art.width, height: art.height };
  const device = svgDevice({ inks: job.inks, screen });
  drawFace(face, sourcesOf(job, kit.fonts), device);
  return { text: svgText(device.elements, page, new Map()), ...page };
}

let browser: Browser;
let page: Page;
beforeAll(async () => {
  browser = await openBrowser();
  page = await browser.newPage({ deviceScaleFactor: 2, viewport: { width: 600, height: 400 } });
});
afterAll(() => browser.close());

async function shown(svg: string, width: number, height: number) {
  await page.setContent(
    `<body style="margin:0;background:#fff"><div style="width:${width}px;height:${height}px;overflow:hidden">${svg}</div>`,
  );
  const shot = await page.screenshot({ clip: { x: 0, y: 0, width: Math.floor(width), height: Math.floor(height) } });
  return sharp(shot).removeAlpha().raw().toBuffer({ resolveWithObject: true });
}

/** Pixels that differ by more than `levels` where neither picture has an edge near; as a share of all. */
function astray(a: Buffer, b: Buffer, width: number, height: number, levels: number): number {
  const at = (data: Buffer, x: number, y: number, c: number): number => data[(y * width + x) * 3 + c]!;
  let off = 0;
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++)
      for (let c = 0; c < 3; c++) {
        if (Math.abs(at(a, x, y, c) - at(b, x, y, c)) <= levels) continue;
        const edge = (data: Buffer): boolean => {
          const values = [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx) => at(data, x + dx, y + dy, c)));
          return Math.max(...values) - Math.min(...values) > 12;
        };
        if (!edge(a) && !edge(b)) {
          off++;
          break;
        }
      }
  return off / (width * height);
}

describe('drawings taken in, against Chromium’s own rendering', () => {
  it('are at least 40', () => {
    expect(
      Object.keys(DRAWINGS).length + Object.keys(NOTED).length + Object.keys(HOSTILE).length,
    ).toBeGreaterThanOrEqual(40);
    expect(Object.keys(DRAWINGS).length).toBeGreaterThanOrEqual(40);
  });
  it.each(Object.entries(DRAWINGS))('%s', async (_name, svg) => {
    const ours = ourRoad(svg);
    const [width, height] = [ours.width / 0.75, ours.height / 0.75];
    const given = svg.replace(
      /(<svg[^>]*?)>/,
      (_all, head: string) => `${head} style="display:block;width:${width}px;height:${height}px">`,
    );
    const theirs = await shown(given, width, height);
    const mine = await shown(ours.text.replace('<svg ', '<svg style="display:block" '), width, height);
    expect([mine.info.width, mine.info.height]).toEqual([theirs.info.width, theirs.info.height]);
    expect(astray(mine.data, theirs.data, mine.info.width, mine.info.height, 6)).toBeLessThan(0.0005);
  });
});

describe('what cannot be kept is told of, never dropped silently', () => {
  it.each(Object.entries(NOTED))('%s', (_name, [svg, says]) => {
    const { notes, items } = readSvg(bytes(svg), kit.fonts);
    expect(notes.join(' ')).toMatch(says);
    expect(items.length).toBeGreaterThan(0);
  });
});

describe('what is refused', () => {
  it.each(Object.entries(HOSTILE))('%s', (_name, [svg, says]) => {
    expect(() => readSvg(bytes(svg), kit.fonts)).toThrow(says);
  });
  it('a drawing of more than 5 MB', () => {
    expect(() =>
      readSvg(bytes(`<svg xmlns="http://www.w3.org/2000/svg">${' '.repeat(5_000_001)}</svg>`), kit.fonts),
    ).toThrow(/5 MB/);
  });
});
