import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { loadKit, profileFile } from '../../cli/kit';
import { writePdf } from '../../core/files/pdf/write';
import { shopOf } from '../../core/trade/shops';
import { glasshouse } from '../../demo/glasshouse';
import { openDemo } from '../kit';

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
const convert = kit.engine.converter('sRGB', press.profile, press.condition);
const native = () =>
  execFileSync('tificc', ['-t1', '-b', '-o', profileFile('general-coated.icc'), tiff, join(folder, 'cmyk.tif')], {
    stdio: 'ignore',
  });
report(
  `sRGB to the press's CMYK, ${((info.width * info.height) / 1e6).toFixed(0)} Mpx, exact`,
  await timed(() => convert(pixels)),
  'tificc of Little CMS, table of 33 points, files included',
  await timed(native),
);

rmSync(folder, { recursive: true });
