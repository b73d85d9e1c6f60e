import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { degrees, PDFDocument, PDFName, PDFNumber, rgb, StandardFonts } from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { prove } from '../../core/files/hand-off/prove';
import { hashOf } from '../../core/files/hash';
import { readJobFile, writeJobFile } from '../../core/files/job-file';
import type { JobBundle } from '../../core/files/job-parts';
import type { PicturesAsked } from '../../core/files/pdf/asked';
import { onePage } from '../../core/files/pdf/one-page';
import { parseAnyPdf } from '../../core/files/pdf/parsed/file';
import { viewFile } from '../../core/files/pdf/parsed/view';
import { writePdf } from '../../core/files/pdf/write';
import { openPdf } from '../../core/files/pdf-in/page';
import { readWhole } from '../../core/files/pdf-in/whole-facts';
import { pageFrame, placePage } from '../../core/job/edits/placed';
import { makeShape } from '../../core/job/make';
import { shopOf } from '../../core/trade/shops';
import { kit, openDemo } from '../kit';
import { boxesOf, exportTo, folder, platesOf, run, tidyUp, tiffsep } from './tools';
import { torture } from './torture';

afterAll(tidyUp);

/** A page of a PDF placed as one thing: what the written file has there, by Ghostscript, qpdf and poppler. */

const shop = shopOf('metric-offset');
const press = kit.press(shop.condition);

/** A job whose only element is that page, on the first face of its first piece. */
function placed(bundle: JobBundle, bytes: Uint8Array): JobBundle {
  const read = readWhole(bytes);
  const [first] = bundle.job.pieces;
  const piece = {
    ...first!,
    faces: first!.faces.slice(0, 1).map(({ groups: _, ...face }) => ({ ...face, elements: [] })),
  };
  const hash = hashOf(bytes);
  const { width, height, facts, spots } = read;
  const asset = { name: 'Page', type: 'application/pdf' as const, width, height, page: facts };
  let n = 0;
  const at = pageFrame(asset, piece);
  const job = placePage(
    { ...bundle.job, pieces: [piece] },
    piece.faces[0]!.id,
    { hash, asset, spots },
    at,
    () => `placed-${n++}`,
  );
  return { job, assets: { ...bundle.assets, [hash]: bytes } };
}

async function written(
  name: string,
  bundle: JobBundle,
  standard: 'PDF/X-4' | 'PDF/X-1a:2003',
  pictures: PicturesAsked = {},
) {
  const asked = { pieceId: bundle.job.pieces[0]!.id, shop, marks: false, standard, pictures };
  const full = { ...kit, press, assets: bundle.assets };
  const bytes = await writePdf(bundle.job, asked, full);
  const path = join(folder, `${name}.pdf`);
  writeFileSync(path, bytes);
  return { path, bytes, proven: prove(bundle.job, asked, bytes, full) };
}

/** How much the plate that differs most does so on the first pages of two files, on the mean, 0 to 1. */
async function differences(one: string, other: string): Promise<number> {
  const fine = async (pdf: string) => {
    const found = (await tiffsep(pdf, ['-r600', '-dDownScaleFactor=6'])).filter(({ page }) => page === 1);
    return new Map(found.map(({ name, levels }) => [name, levels]));
  };
  const [before, after] = [await fine(one), await fine(other)];
  expect([...after.keys()].sort()).toEqual([...before.keys()].sort());
  const means = [...before].map(([name, levels]) => {
    const others = after.get(name)!;
    return levels.reduce((sum, level, i) => sum + Math.abs(level - others[i]!), 0) / levels.length / 255;
  });
  return Math.max(...means);
}

describe('a page placed whole', () => {
  const demo = openDemo();
  const one = ({ job, assets }: JobBundle, i: number): JobBundle => ({
    job: { ...job, pieces: [job.pieces[i]!] },
    assets,
  });
  it.each([
    ['card', one(demo, 0)],
    ['torture', torture()],
  ] as const)('has the plates of the page itself: %s', async (name, bundle) => {
    const source = await exportTo(`${name}-source.pdf`, bundle, { marks: false });
    const bytes = await onePage(openPdf(new Uint8Array(readFileSync(source))).view, 0);
    const again = placed(bundle, bytes);
    const { path, proven } = await written(`${name}-whole`, again, 'PDF/X-4');
    expect(proven.rows.filter(({ right }) => !right)).toEqual([]);
    expect(run('qpdf', ['--check', path])).toMatch(/No syntax or stream encoding errors/);
    expect(await differences(source, path)).toBeLessThan(0.002);
  });

  it('keeps the bytes of its typefaces and pictures, and is kept with the job', async () => {
    const source = await exportTo('kept-source.pdf', one(demo, 0), { marks: false });
    const bytes = await onePage(openPdf(new Uint8Array(readFileSync(source))).view, 0);
    const again = placed(one(demo, 0), bytes);
    expect(readJobFile(writeJobFile(again)).assets).toEqual(
      Object.fromEntries(
        Object.entries(again.assets).filter(([hash]) => hash in again.job.assets && hash === hashOf(bytes)),
      ),
    );
    const { path, bytes: file } = await written('kept', again, 'PDF/X-4');
    const fonts = (pdf: string): string[] => run('pdffonts', [pdf]).trim().split('\n').slice(2);
    const page = join(folder, 'kept-page.pdf');
    writeFileSync(page, bytes);
    expect(fonts(path)).toHaveLength(fonts(page).length);
    expect(fonts(path).length).toBeGreaterThan(0);
    const raw = viewFile(parseAnyPdf(bytes)).streams.filter(({ dict }) => dict.has('Length1') || dict.has('Width'));
    expect(raw.length).toBeGreaterThan(0);
    for (const stream of raw) expect(Buffer.from(file).includes(Buffer.from(stream.raw))).toBe(true);
  });

  it('is flattened where nothing may be see-through', async () => {
    const source = await exportTo('flat-source.pdf', one(demo, 0), { marks: false });
    const bytes = await onePage(openPdf(new Uint8Array(readFileSync(source))).view, 0);
    const { path, proven } = await written('flat', placed(one(demo, 0), bytes), 'PDF/X-1a:2003');
    expect(proven.rows.filter(({ right }) => !right)).toEqual([]);
    expect(await differences(source, path)).toBeLessThan(0.007);
  });

  it('is brought upright, to its size and over what lies below it', async () => {
    // A sheet whose corner is elsewhere, turned, in units of its own; its content is in parts, and saves a state too many.
    const file = await PDFDocument.create();
    const sheet = file.addPage([140, 80]);
    sheet.setMediaBox(30, 20, 140, 80);
    sheet.setRotation(degrees(90));
    sheet.node.set(PDFName.of('UserUnit'), PDFNumber.of(1.5));
    const part = (text: string) => file.context.register(file.context.stream(text));
    sheet.node.set(
      PDFName.of('Contents'),
      file.context.obj([
        part('q 1 0 0 0 k 30 20 70 40 re f'),
        part('q 0 0 0 1 k /G gs 60 30 50 40 re f 0 1 0 0 k 150 80 20 20 re f'),
      ]),
    );
    sheet.node.set(
      PDFName.of('Resources'),
      file.context.obj({ ExtGState: { G: { Type: 'ExtGState', OP: true, op: true, OPM: 1 } } }),
    );
    const bytes = await file.save();
    const read = readWhole(bytes);
    // Ninety degrees: 80 points across by 140 down, one and a half times as large.
    expect([read.facts.width, read.facts.height]).toEqual([120, 210]);
    const [first] = demo.job.pieces;
    const ground = makeShape({
      id: 'ground',
      x: 0,
      y: 0,
      width: first!.width,
      height: first!.height,
      paint: { ink: 'black', tint: 0.3 },
    });
    const piece = { ...first!, faces: [{ id: 'only', name: 'Front', elements: [ground] }] };
    const hash = hashOf(bytes);
    const asset = {
      name: 'Sheet',
      type: 'application/pdf' as const,
      width: read.width,
      height: read.height,
      page: read.facts,
    };
    const at = { x: 20, y: 10, width: 60, height: 105 };
    const job = placePage({ ...demo.job, pieces: [piece] }, 'only', { hash, asset, spots: {} }, at, () => 'sheet');
    const { path, proven } = await written('upright', { job, assets: { ...demo.assets, [hash]: bytes } }, 'PDF/X-4');
    expect(proven.rows.filter(({ right }) => !right)).toEqual([]);
    const plates = await platesOf(path, 1, 144);
    const [trim, media] = [boxesOf(path)[0]!['TrimBox']!, boxesOf(path)[0]!['MediaBox']!];
    // A place of the page in its own units, from its lower left corner; turned, its foot is at the left. Half of 1.5 as large.
    const inkAt = (x: number, y: number, plate: string): number => {
      const [across, down] = [(y / 80) * at.width + at.x, (x / 140) * at.height + at.y];
      return Math.round(100 * plates.get(plate)!.at(across + trim[0]!, down + media[3]! - trim[3]!));
    };
    expect([inkAt(10, 10, 'Cyan'), inkAt(10, 10, 'Black')]).toEqual([100, 0]);
    expect([inkAt(50, 25, 'Cyan'), inkAt(50, 25, 'Black')]).toEqual([100, 100]);
    expect([inkAt(75, 45, 'Cyan'), inkAt(75, 45, 'Black')]).toEqual([0, 100]);
    expect([inkAt(130, 70, 'Magenta'), inkAt(130, 70, 'Black')]).toEqual([100, 0]);
    expect([inkAt(120, 20, 'Magenta'), inkAt(120, 20, 'Black')]).toEqual([0, 30]);
  });

  it('gives a spot ink that the job has too the look that it has there', async () => {
    // The job's copper in a page of its own, whose maker thought it green.
    const own = one(demo, 0);
    const green = own.job.inks.map((ink) => (ink.id === 'copper' ? { ...ink, cmyk: [1, 0, 1, 0] as const } : ink));
    const source = await exportTo(
      'look-source.pdf',
      { ...own, job: { ...own.job, inks: green as never } },
      { marks: false },
    );
    const bytes = await onePage(openPdf(new Uint8Array(readFileSync(source))).view, 0);
    const again = placed(own, bytes);
    const [piece] = again.job.pieces;
    const [face] = piece!.faces;
    const strip = makeShape({ id: 'strip', x: 0, y: 0, width: 9, height: 9, paint: { ink: 'copper', tint: 1 } });
    const faces = [{ ...face!, elements: [...face!.elements, strip] }];
    const job = { ...again.job, pieces: [{ ...piece!, faces }] };
    const { path, proven } = await written('look', { ...again, job }, 'PDF/X-4');
    expect(proven.rows.filter(({ right }) => !right)).toEqual([]);
    expect(run('qpdf', ['--check', path])).toMatch(/No syntax or stream encoding errors/);
  });

  it('begins as pages begin, whatever was drawn before it', async () => {
    // No colour, no weight and no dashes of its own: all is black, whole, and of one point.
    const file = await PDFDocument.create();
    const sheet = file.addPage([144, 72]);
    const content = file.context.stream('18 18 36 36 re f 90 36 m 126 36 l S');
    sheet.node.set(PDFName.of('Contents'), file.context.register(content));
    const again = placed(one(demo, 0), await file.save());
    const [piece] = again.job.pieces;
    const [face] = piece!.faces;
    const shape = makeShape({ id: 'before', x: 0, y: 0, width: 30, height: 30, paint: { ink: 'fen', tint: 1 } });
    const before = { ...shape, stroke: { weight: 6, paint: { ink: 'copper', tint: 1 } } };
    const faces = [{ ...face!, elements: [before, ...face!.elements] }];
    const job = { ...again.job, pieces: [{ ...piece!, faces }] };
    const { path, proven } = await written('begins', { ...again, job }, 'PDF/X-4');
    expect(proven.rows.filter(({ right }) => !right)).toEqual([]);
    // Poppler draws by the standard too.
    const { width, height } = piece!;
    const [trim, media] = [boxesOf(path)[0]!['TrimBox']!, boxesOf(path)[0]!['MediaBox']!];
    const [left, top] = [trim[0]! + (width - 144) / 2, media[3]! - trim[3]! + (height - 72) / 2];
    run('pdftoppm', ['-r', '144', '-png', '-singlefile', '-f', '1', '-l', '1', path, join(folder, 'begins')]);
    const { data, info } = await sharp(join(folder, 'begins.png'))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => {
      const i = 3 * (Math.floor(2 * (top + y)) * info.width + Math.floor(2 * (left + x)));
      return Math.max(...data.subarray(i, i + 3));
    };
    for (let x = 92; x < 124; x++) expect(at(x, 36)).toBeLessThan(130);
    expect(at(108, 38.5)).toBeGreaterThan(245);
    expect(at(36, 36)).toBeLessThan(70);
  });

  it('in colours of a screen becomes a picture of its plates, its black on one', async () => {
    const file = await PDFDocument.create();
    const sheet = file.addPage([144, 72]);
    sheet.drawRectangle({ x: 18, y: 18, width: 36, height: 36, color: rgb(1, 0.2, 0.1) });
    sheet.drawRectangle({ x: 90, y: 18, width: 36, height: 36, color: rgb(0, 0, 0) });
    const bytes = await file.save();
    expect(readWhole(bytes).facts).toMatchObject({ screen: true });
    // Whatever is asked for photographs, its cells keep the edges of words.
    const fewer = { fewer: { above: 450, to: 300 }, quality: 70 };
    const { path, proven } = await written('screen', placed(one(demo, 0), bytes), 'PDF/X-4', fewer);
    expect(proven.rows.filter(({ right }) => !right)).toEqual([]);
    expect(run('qpdf', ['--check', path])).toMatch(/No syntax or stream encoding errors/);
    expect(run('pdfimages', ['-list', path])).toMatch(/ image +2400 +1200 +cmyk .* 1200 +1200 /);
    expect(run('qpdf', ['--qdf', '--object-streams=disable', path, '-'])).not.toContain('DeviceRGB');
    const plates = await platesOf(path, 1, 144);
    const [trim, media] = [boxesOf(path)[0]!['TrimBox']!, boxesOf(path)[0]!['MediaBox']!];
    // The page lies in the middle of the piece, as large as it is.
    const { width, height } = demo.job.pieces[0]!;
    const [left, top] = [trim[0]! + (width - 144) / 2, media[3]! - trim[3]! + (height - 72) / 2];
    const inkAt = (x: number, name: string): number => 100 * plates.get(name)!.at(left + x, top + 36);
    const red = [...press.separateAll(Uint8Array.of(255, 51, 26))].map((amount) => (100 * amount) / 255);
    for (const [k, name] of ['Cyan', 'Magenta', 'Yellow', 'Black'].entries()) {
      expect(Math.abs(inkAt(36, name) - red[k]!)).toBeLessThan(1.5);
      expect(inkAt(108, name)).toBe(name === 'Black' ? 100 : 0);
      expect(inkAt(72, name)).toBe(0);
    }
  });

  it('is refused in words where it cannot be', async () => {
    const blank = await PDFDocument.create();
    blank.addPage([100, 100]);
    const lettered = await PDFDocument.create();
    lettered.addPage([100, 100]).drawText('Tea', { font: await lettered.embedFont(StandardFonts.Helvetica) });
    expect(readWhole(await lettered.save()).unread).toEqual(['letters of Helvetica']);
    const empty = await blank.save();
    expect(() => readWhole(empty)).toThrow('There is nothing to see on this page.');
    expect(() => readWhole(empty.slice(0, 200))).toThrow(/no page that can be read|cannot be read/);
    writeFileSync(join(folder, 'open.pdf'), empty);
    run('qpdf', ['--encrypt', 'a', 'b', '256', '--', 'open.pdf', 'secret.pdf']);
    expect(() => readWhole(new Uint8Array(readFileSync(join(folder, 'secret.pdf'))))).toThrow(/password/);
  });

  it('is held against what the job says of it', async () => {
    const source = await exportTo('held-source.pdf', one(demo, 0), { marks: false });
    const again = placed(one(demo, 0), await onePage(openPdf(new Uint8Array(readFileSync(source))).view, 0));
    const [hash, asset] = Object.entries(again.job.assets).find(([, { page }]) => page)!;
    const other = {
      ...again,
      job: { ...again.job, assets: { ...again.job.assets, [hash]: { ...asset, width: 100 } } },
    };
    expect(() => readJobFile(writeJobFile(other))).toThrow(
      'The page Page in this file is of another size than the job says.',
    );
  });
});
