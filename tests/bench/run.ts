import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { loadKit, profileFile } from '../../cli/kit';
import { checkPiece } from '../../core/checks/check-piece';
import { svgDevice } from '../../core/devices/svg';
import { writePdf } from '../../core/files/pdf/write';
import { setParagraphs } from '../../core/job/edits/words';
import { findElement } from '../../core/job/find';
import { drawElement } from '../../core/scene/face';
import { sourcesOf } from '../../core/scene/sources';
import { shopOf } from '../../core/trade/shops';
import { settingCount } from '../../core/type/set-paragraph';
import { glasshouse } from '../../demo/glasshouse';
import { checkKit, demoFile, openDemo } from '../kit';
import { checksAgainstDrawing } from './checks';
import { dragInPage, inksInPage, typeInPage } from './in-page';
import { letterJob, letterParagraphs, SENTENCE } from './letter';
import { memoryInPage } from './memory';
import { platesAgainstGhostscript } from './plates';
import { roomsInPage } from './rooms';
import { runsAgainstPlain } from './runs';
import { flattenedAgainstLive, gangingInTime, sheetsAgainstCopies } from './sheets';

/**
 * Speed, as a ratio against a named reference in the same run: below 1 is faster than the reference. The middle of
 * several goes is taken on both sides.
 */
const GOES = 5;
const folder = mkdtempSync(join(tmpdir(), 'tidy-bench-'));
const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

async function timed(work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < GOES; i++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return median(times);
}

const report = (what: string, ours: number, reference: string, theirs: number): void => {
  console.log(
    `${what}: ${ours.toFixed(0)} ms; ${reference}: ${theirs.toFixed(0)} ms; ratio ${(ours / theirs).toFixed(2)}`,
  );
};

const kit = await loadKit();
const { job, assets } = openDemo();
const piece = job.pieces[0]!;
const shop = shopOf(piece.shop);
const press = kit.press(shop.condition);

const exportDemo = () => writePdf(job, { pieceId: piece.id, shop, marks: true }, { ...kit, press, assets });
const pdf = join(folder, 'card.pdf');
writeFileSync(pdf, await exportDemo());
const distil = () =>
  execFileSync('gs', [
    '-q',
    '-dSAFER',
    '-dBATCH',
    '-dNOPAUSE',
    '-sDEVICE=pdfwrite',
    '-o',
    join(folder, 'distilled.pdf'),
    pdf,
  ]);
report(
  'export of the demo card to PDF/X-4',
  await timed(exportDemo),
  'Ghostscript distilling the same file',
  await timed(distil),
);

// A picture of 12 million pixels, the colours of a photograph.
const { data, info } = await sharp(Buffer.from(glasshouse(4096, 2930)))
  .removeAlpha()
  .raw()
  .toBuffer({ resolveWithObject: true });
const pixels = new Uint8Array(data.buffer, data.byteOffset, data.byteLength);
const tiff = join(folder, 'photo.tif');
await sharp(data, { raw: { width: info.width, height: info.height, channels: 3 } })
  .tiff({ compression: 'none' })
  .toFile(tiff);
const native = (care: string) => () =>
  execFileSync('tificc', [care, '-t1', '-b', '-o', profileFile('general-coated.icc'), tiff, join(folder, 'cmyk.tif')], {
    stdio: 'ignore',
  });
for (const [care, flag, says] of [
  ['exact', '-c0', 'through the whole of both profiles'],
  ['quick', '-c1', 'through a table'],
] as const) {
  const convert = kit.engine.converter('sRGB', press.profile, press.condition, care);
  report(
    `sRGB to the press's CMYK, ${((info.width * info.height) / 1e6).toFixed(0)} Mpx, ${says}`,
    await timed(() => convert(pixels)),
    'tificc of Little CMS in the same way, files included',
    await timed(native(flag)),
  );
}

// The plates of a whole A4 face: a picture to the bleed, sixty elements, a letter.
await platesAgainstGhostscript(folder, report, timed);

const demo = new Uint8Array(readFileSync(demoFile));
await runsAgainstPlain(readFileSync(demoFile.replace('hollin-and-fen', 'spring-runs')), kit, report);
await sheetsAgainstCopies(demo, folder, report, timed);
await flattenedAgainstLive(demo, report, timed);
await gangingInTime(report, timed);

await checksAgainstDrawing();

// One key in a letter of 1,000 words beside 60 other elements: setting, drawing and checking, against shaping its paragraph plainly.
let page = letterJob();
const key = (typed: string): void => {
  page = setParagraphs(page, 'letter', letterParagraphs(typed));
  const device = svgDevice({ inks: page.inks, screen: press.screen });
  drawElement(findElement(page, 'letter')!.element, sourcesOf(page, kit.fonts), device);
  checkPiece(page, page.pieces[0]!, checkKit);
};
key('');
Object.assign(settingCount, { asked: 0, set: 0 });
const keys = Array.from({ length: 60 }, (_, i) =>
  'and then there was tea and cake for all who came on foot or by the small train'.slice(0, i + 1),
);
const times: number[] = [];
for (const typed of keys) {
  const start = performance.now();
  key(typed);
  times.push(performance.now() - start);
}
const hits = 1 - settingCount.set / settingCount.asked;
const alegreya = kit.fonts.font('alegreya/regular');
let n = 0;
const plainly = await timed(() => alegreya.shape({ text: `${SENTENCE.repeat(5)}${n++}` }));
times.sort((a, b) => a - b);
console.log(
  `one key in a letter of 1,000 words: median ${times[30]!.toFixed(1)} ms, 95th percentile ${times[57]!.toFixed(1)} ms; shaping its paragraph plainly: ${plainly.toFixed(2)} ms; ratio ${(times[30]! / plainly).toFixed(1)}; paragraphs found set already: ${(hits * 100).toFixed(0)} %`,
);

rmSync(folder, { recursive: true });

await typeInPage();
await inksInPage();
await roomsInPage();
await dragInPage();
await memoryInPage();
