import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import sharp from 'sharp';
import { SvgError } from '../../core/files/svg-in/guard';
import { openBrowser } from '../browser';
import { ourRoad } from '../outside/svg-road';
import { filesIn, placesOff } from './compare';

/**
 * Drawings that others made, taken in and drawn by our own road, beside Chromium’s own rendering: each at 200 pixels.
 *   tsx tests/corpora/drawings.ts FOLDER… [--every N] [--list FILE]
 */

const SIDE = 200;
/** Drawn so many times as large and made smaller: at a small size a browser flattens its curves by a quarter of a pixel. */
const FINER = 4;
/** The mean of nine pixels may be so many levels off, and so many places may be further. */
const LEVELS = 24;
const PLACES = 20;
/** Longer than anybody waits, in milliseconds. */
const LONG = 2000;

const { values, positionals: folders } = parseArgs({
  allowPositionals: true,
  options: { every: { type: 'string', default: '1' }, list: { type: 'string' } },
});
const every = Number(values.every);
const { list } = values;

const browser = await openBrowser();
const page = await browser.newPage({ viewport: { width: SIDE, height: SIDE }, deviceScaleFactor: FINER });
async function shown(svg: string): Promise<Buffer> {
  const url = `data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}`;
  await page.setContent(
    `<body style="margin:0;background:#fff"><img src="${url}" style="display:block;width:${SIDE}px;height:${SIDE}px;object-fit:contain">`,
  );
  await page.waitForFunction(() => document.images[0]?.complete);
  return sharp(await page.screenshot())
    .resize(SIDE, SIDE, { kernel: 'linear' })
    .removeAlpha()
    .raw()
    .toBuffer();
}

type Outcome = 'the same' | 'told of' | 'wrong' | 'refused' | 'a fault' | 'not drawn by Chromium';
const count = new Map<Outcome, number>();
let slow = 0;
const lines: string[] = [];
const all = folders.flatMap((folder) => filesIn(folder, '.svg')).filter((_, i) => i % every === 0);
for (const path of all) {
  if (process.env['TELL']) console.error(path);
  const svg = readFileSync(path, 'utf8');
  let outcome: Outcome;
  let says = '';
  const began = performance.now();
  try {
    const ours = ourRoad(svg);
    const took = performance.now() - began;
    if (took > LONG) slow++;
    const broken = await page.evaluate(
      async (url) => {
        const image = new Image();
        image.src = url;
        return image.decode().then(
          () => false,
          () => true,
        );
      },
      `data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}`,
    );
    const off = broken ? 0 : placesOff(await shown(ours.text), await shown(svg), SIDE, SIDE, LEVELS);
    outcome = broken
      ? 'not drawn by Chromium'
      : off <= PLACES
        ? 'the same'
        : ours.notes.length > 0
          ? 'told of'
          : 'wrong';
    says = `${off} ${Math.round(took)} ms ${ours.notes.join(' | ')}`;
  } catch (error) {
    outcome = error instanceof SvgError ? 'refused' : 'a fault';
    says = (error as Error).message;
  }
  count.set(outcome, (count.get(outcome) ?? 0) + 1);
  if (outcome !== 'the same') lines.push(`${outcome}\t${path}\t${says}`);
}
await browser.close();
if (list) writeFileSync(list, lines.join('\n'));
console.log(
  [...count].map(([outcome, n]) => `${outcome}: ${n}`).join(', '),
  `of ${all.length}; ${slow} took over ${LONG} ms`,
);
