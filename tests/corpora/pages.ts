import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import sharp from 'sharp';
import type { Cmyk } from '../../core/colour/ink';
import { svgDevice } from '../../core/devices/svg';
import type { Art, ArtInk } from '../../core/files/art-in/art';
import { elementsOfArt } from '../../core/files/art-in/elements';
import { PdfArtError } from '../../core/files/pdf-in/page';
import { svgText } from '../../core/files/svg-file';
import { makeJob } from '../../core/job/make';
import type { Face, Job } from '../../core/job/schema';
import { probePicture } from '../../core/picture/probe';
import { drawFace } from '../../core/scene/face';
import { imagesIn } from '../../core/scene/images';
import { sourcesOf } from '../../core/scene/sources';
import { openBrowser } from '../browser';
import { kit } from '../kit';
import { artOf } from '../outside/pdf-road';
import { filesIn, placesOff } from './compare';

/**
 * Pages of PDFs that others made, taken in and drawn by our own road, beside poppler’s rendering: each drawn
 * 900 pixels long and made a third of that, so that how each smooths its edges matters less.
 *   tsx tests/corpora/pages.ts FOLDER… [--every N] [--pages N] [--list FILE] [--show FOLDER]
 */

const SIDE = 300;
const FINER = 3;
/** The mean of nine pixels may be so many levels off, and so large a share of all places may be further. */
const LEVELS = 32;
const PLACES = 0.002;
/** Longer than anybody waits, in milliseconds. */
const LONG = 5000;

const { values, positionals: folders } = parseArgs({
  allowPositionals: true,
  options: {
    every: { type: 'string', default: '1' },
    pages: { type: 'string', default: '1' },
    list: { type: 'string' },
    show: { type: 'string' },
  },
});

/** Colours as a screen shows them without a press between, so that only the drawing is compared. */
const hexed = (hex: string): Cmyk =>
  [...[1, 3, 5].map((i) => 1 - Number.parseInt(hex.slice(i, i + 2), 16) / 255), 0] as Cmyk;
const cmykOf = (ink: ArtInk): Cmyk => (ink.kind === 'screen' ? hexed(ink.hex) : ink.cmyk);
const screen = ([c, m, y, k]: Cmyk): [number, number, number] =>
  [c, m, y].map((a) => Math.round(255 * (1 - a) * (1 - k))) as [number, number, number];

async function ours(path: string, page: number) {
  const art = artOf(new Uint8Array(readFileSync(path)), page);
  const pictures: Art['pictures'] = {};
  const urls = new Map<string, string>();
  for (const [key, bytes] of Object.entries(art.files)) {
    const { type, width, height } = probePicture(bytes);
    pictures[key] = { hash: key, asset: { name: 'Picture', type, width, height } };
    const png = await sharp(bytes, { limitInputPixels: false }).toColourspace('srgb').png().toBuffer();
    urls.set(key, `data:image/png;base64,${png.toString('base64')}`);
  }
  const keys = Object.keys(art.inks);
  const job: Job = {
    ...makeJob('job', 'Page', '2026-01-01T00:00:00.000Z'),
    inks: keys.map((key, i) => ({ id: `i${i}`, name: `Ink ${i}`, kind: 'process', cmyk: cmykOf(art.inks[key]!) })),
    assets: Object.fromEntries(Object.values(pictures).map(({ hash, asset }) => [hash, asset])),
  };
  let n = 0;
  const { elements } = elementsOfArt(
    { ...art, pictures },
    {
      paints: new Map(keys.map((key, i) => [key, { ink: `i${i}`, tint: 1 }])),
      at: { x: 0, y: 0, width: art.width, height: art.height },
      type: { styles: [], fonts: kit.fonts },
      newId: () => `e${n++}`,
      name: 'Page',
    },
  );
  const face: Face = { id: 'f', name: 'Front', elements };
  const sheet = { x: 0, y: 0, width: art.width, height: art.height };
  const device = svgDevice({ inks: job.inks, screen });
  const sources = sourcesOf(job, kit.fonts);
  drawFace(face, sources, device);
  const hrefs = new Map([...imagesIn([face], sources)].map(([key, { asset }]) => [key, urls.get(asset)!]));
  return { text: svgText(device.elements, sheet, hrefs), art, elements };
}

const browser = await openBrowser();
const tab = await browser.newPage();

/** A picture made smaller, its pixels row by row. */
async function smaller(png: Buffer): Promise<{ data: Buffer; width: number; height: number }> {
  const { width = 0, height = 0 } = await sharp(png).metadata();
  const size = { width: Math.max(3, Math.round(width / FINER)), height: Math.max(3, Math.round(height / FINER)) };
  const sized = sharp(png)
    .removeAlpha()
    .toColourspace('srgb')
    .resize({ ...size, fit: 'fill', kernel: 'linear' });
  return { data: await sized.raw().toBuffer(), ...size };
}

async function drawnByChromium(svg: string, width: number, height: number): Promise<Buffer> {
  await tab.setViewportSize({ width, height });
  const url = `data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}`;
  await tab.setContent(
    `<body style="margin:0;background:#fff"><img src="${url}" style="display:block;width:${width}px;height:${height}px">`,
  );
  await tab.waitForFunction(() => document.images[0]?.complete);
  return (await smaller(await tab.screenshot())).data;
}

async function drawnByPoppler(path: string, page: number) {
  const args = [
    '-q',
    '-png',
    '-cropbox',
    '-scale-to',
    `${SIDE * FINER}`,
    '-f',
    `${page + 1}`,
    '-l',
    `${page + 1}`,
    path,
  ];
  const png = execFileSync('pdftoppm', args, { maxBuffer: 1 << 28, stdio: ['ignore', 'pipe', 'ignore'] });
  const { width = 0, height = 0 } = await sharp(png).metadata();
  return { ...(await smaller(png)), full: { width, height } };
}

const count = new Map<string, number>();
const lines: string[] = [];
let [slow, words, shapes] = [0, 0, 0];
const all = folders.flatMap((folder) => filesIn(folder, '.pdf')).filter((_, i) => i % Number(values.every) === 0);
for (const [n, path] of all.entries())
  for (let page = 0; page < Number(values.pages); page++) {
    let outcome = '';
    let says = '';
    const began = performance.now();
    try {
      const { text, art, elements } = await ours(path, page);
      const took = performance.now() - began;
      if (took > LONG) slow++;
      words += elements.filter(({ kind }) => kind === 'words').length;
      shapes += elements.filter(({ kind }) => kind === 'shape').length;
      const theirs = await drawnByPoppler(path, page);
      const own = await drawnByChromium(text, theirs.full.width, theirs.full.height);
      const off = placesOff(own, theirs.data, theirs.width, theirs.height, LEVELS) / (theirs.width * theirs.height);
      outcome =
        off <= PLACES ? 'the same' : art.notes.some((note) => !note.includes('are outlines')) ? 'told of' : 'wrong';
      says = `${(100 * off).toFixed(2)} % ${Math.round(took)} ms ${elements.length} ${art.notes.join(' | ')}`;
      if (values.show && outcome !== 'the same') {
        const raw = { width: theirs.width, height: theirs.height, channels: 3 as const };
        const both = [theirs.data, own].map((data, i) => ({ input: data, raw, left: i * (theirs.width + 4), top: 0 }));
        await sharp({ create: { ...raw, width: 2 * theirs.width + 4, background: '#c00' } })
          .composite(both)
          .png()
          .toFile(join(values.show, `${n}-${page}.png`));
      }
    } catch (error) {
      const isPast = error instanceof PdfArtError && /choose one of them/.test(error.message);
      if (isPast) break;
      outcome = error instanceof PdfArtError ? 'refused' : 'a fault';
      says = (error as Error).message.slice(0, 200);
    }
    count.set(outcome, (count.get(outcome) ?? 0) + 1);
    if (outcome !== 'the same') lines.push(`${outcome}\t${n}\t${path} ${page + 1}\t${says}`);
  }
await browser.close();
if (values.list) writeFileSync(values.list, lines.join('\n'));
console.log(
  [...count].map(([outcome, number]) => `${outcome}: ${number}`).join(', '),
  `of ${all.length} files; ${words} lines of words, ${shapes} shapes; ${slow} took over ${LONG} ms`,
);
