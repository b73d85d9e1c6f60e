import type { Browser, Page } from '@playwright/test';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readSvg } from '../../core/files/svg-in/read';
import { openBrowser } from '../browser';
import { kit } from '../kit';
import { DRAWINGS, HOSTILE, NOTED } from './svg-drawings';
import { bytes, ourRoad } from './svg-road';

/** Drawings taken in as elements and drawn by our own road, against the same drawings shown by Chromium itself. */

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

describe('a drawing in another encoding', () => {
  const words = '<text x="5" y="20">Blätter</text>';
  const drawing = (encoding: string): string =>
    `<?xml version="1.0" encoding="${encoding}"?><svg xmlns="http://www.w3.org/2000/svg" width="90" height="30">${words}</svg>`;
  const latin = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
  it.each([
    ['Latin 1, as it says', latin(drawing('ISO-8859-1'))],
    ['UTF-16 with its mark', new Uint8Array([0xff, 0xfe, ...Buffer.from(drawing('UTF-16'), 'utf16le')])],
    ['UTF-8 though it says something unknown', bytes(drawing('x-unknown'))],
  ])('is read: %s', (_, file) => {
    expect(readSvg(file, kit.fonts).notes.join(' ')).toContain('“Blätter”');
  });
});

describe('a document type', () => {
  const rect = (fill: string): string =>
    `<svg xmlns="&ns_svg;" width="9" height="9"><rect width="9" height="9" fill="${fill}"/></svg>`;
  it('that names plain things is read, its entities in their places', () => {
    const subset = `<!ENTITY ns_svg "http://www.w3.org/2000/svg"> <!ENTITY green '#284'> <!ATTLIST svg x CDATA "y">`;
    const text = `<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/x.dtd" [${subset}]>${rect('&green;')}`;
    expect(Object.keys(readSvg(bytes(text), kit.fonts).inks)).toEqual(['#228844']);
  });
  it('whose entities hold plain text that makes the drawing huge is refused', () => {
    const text = `<!DOCTYPE svg [<!ENTITY ns_svg "http://www.w3.org/2000/svg"><!ENTITY a "${'#'.repeat(100_000)}">]>${rect('#284').replace('</svg>', `${'<desc>&a;</desc>'.repeat(100)}</svg>`)}`;
    expect(() => readSvg(bytes(text), kit.fonts)).toThrow(/far larger/);
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
