import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDict, PDFDocument, PDFName, rgb, StandardFonts } from '@cantoo/pdf-lib';
import fc from 'fast-check';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Inspection, inspectPdf } from '../../core/files/pdf/inspect';
import { readPage } from '../../core/files/pdf/page-read';
import { parseAnyPdf } from '../../core/files/pdf/parsed/file';
import { SyntaxFault } from '../../core/files/pdf/parsed/syntax';
import { viewFile } from '../../core/files/pdf/parsed/view';
import { writePdf } from '../../core/files/pdf/write';
import { shopOf } from '../../core/trade/shops';
import { openBrowser } from '../browser';
import { isDeep } from '../deep';
import { kit, openDemo } from '../kit';
import { folder, run, tidyUp, tiffsep, withFonts } from './tools';

/** PDFs of other makes, read beside what poppler says of them. */

const at = (name: string): string => join(folder, `inspect-${name}`);
const shop = shopOf('metric-offset');
const inspected = (bytes: Uint8Array): Promise<Inspection> => inspectPdf(bytes, shop);
const read = (name: string): Uint8Array => new Uint8Array(readFileSync(at(name)));
const known = new Map<string, Inspection>();
/** What is found in a file of one of the makers, looked into once. */
async function foundIn(name: string): Promise<Inspection> {
  const found = known.get(name) ?? (await inspected(read(name)));
  known.set(name, found);
  return found;
}

/** A page of another maker, with words, a line, a picture and a colour that stops at the trim. */
async function byPdfLib(): Promise<Uint8Array> {
  const file = await PDFDocument.create();
  const page = file.addPage([300, 200]);
  page.setTrimBox(20, 20, 260, 160);
  page.drawRectangle({ x: 20, y: 20, width: 100, height: 160, color: rgb(0.2, 0.5, 0.3) });
  page.drawLine({ start: { x: 150, y: 40 }, end: { x: 250, y: 40 }, thickness: 0.1 });
  page.drawText('Tea garden', { x: 24, y: 100, size: 9, font: await file.embedFont(StandardFonts.Helvetica) });
  const png = await sharp({ create: { width: 40, height: 20, channels: 3, background: '#a03020' } })
    .png()
    .toBuffer();
  page.drawImage(await file.embedPng(png), { x: 180, y: 100, width: 40, height: 40 });
  return file.save({ useObjectStreams: true });
}

/** What each maker of PDFs makes of a page, from the same things. */
const MAKERS: Record<string, (to: string) => void | Promise<void>> = {
  'pdf-lib.pdf': async (to) => writeFileSync(to, await byPdfLib()),
  'own.pdf': async (to) => {
    const { job, assets } = openDemo();
    const asked = { pieceId: 'card', shop, marks: true, standard: 'PDF/X-1a:2003' as const };
    writeFileSync(to, await writePdf(job, asked, { ...kit, press: kit.press(shop.condition), assets }));
  },
  'objects-in-streams.pdf': (to) => void run('qpdf', ['--object-streams=generate', at('own.pdf'), to]),
  'linearised.pdf': (to) => void run('qpdf', ['--linearize', '--object-streams=generate', at('own.pdf'), to]),
  'unpacked.pdf': (to) => void run('qpdf', ['--qdf', '--object-streams=disable', at('own.pdf'), to]),
  'ghostscript.pdf': (to) =>
    void run('gs', ['-q', '-dNOPAUSE', '-dBATCH', '-sDEVICE=pdfwrite', '-o', to, at('own.pdf')]),
  'cairo.pdf': (to) => void run('pdftocairo', ['-pdf', at('own.pdf'), to]),
  'separated.pdf': (to) => void run('pdfseparate', ['-f', '1', '-l', '1', at('own.pdf'), to]),
  'united.pdf': (to) => void run('pdfunite', [at('own.pdf'), at('pdf-lib.pdf'), to]),
  'skia.pdf': async (to) => {
    const browser = await openBrowser();
    try {
      const page = await browser.newPage();
      await page.setContent('<h1>Tea garden</h1><p style="opacity: 0.5">Fen Lane</p><hr>');
      writeFileSync(to, await page.pdf({ width: '85mm', height: '55mm' }));
    } finally {
      await browser.close();
    }
  },
};

beforeAll(async () => {
  mkdirSync(folder, { recursive: true });
  for (const [name, make] of Object.entries(MAKERS)) await make(at(name));
}, 120_000);
afterAll(tidyUp);

const mm = (text: string): number => Number(text);

describe.each(Object.keys(MAKERS))('%s', (name) => {
  it('has the pages, boxes and version that pdfinfo tells', async () => {
    const found = await foundIn(name);
    const told = run('pdfinfo', ['-box', '-f', '1', '-l', '99', at(name)]);
    expect(found.pages).toHaveLength(Number(/Pages:\s+(\d+)/.exec(told)![1]));
    expect(found.version).toBe(/PDF version:\s+(\S+)/.exec(told)![1]);
    for (const [i, page] of found.pages.entries()) {
      const boxOf = (kind: string) =>
        new RegExp(`Page\\s+${i + 1} ${kind}Box:\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)`).exec(told)!.slice(1).map(mm);
      for (const [kind, box] of [
        ['Media', page.media],
        ['Trim', page.cut],
      ] as const)
        for (const [k, n] of boxOf(kind).entries()) expect(box[k]).toBeCloseTo(n, 1);
    }
  });
  it('has the fonts that pdffonts tells, and whether they are embedded', async () => {
    const rows = run('pdffonts', [at(name)])
      .trim()
      .split('\n')
      .slice(2);
    const told = rows.map((row) => [
      row.split(/\s+/)[0]!.replace(/^[A-Z]{6}\+/, ''),
      /\s(yes|no)\s+(yes|no)\s+(yes|no)\s/.exec(row)![1] === 'yes',
    ]);
    const found = (await foundIn(name)).fonts.map((font) => [font.name, font.embedded]);
    expect(Object.fromEntries(found as never)).toEqual(Object.fromEntries(told as never));
  });
  it('has the pictures that pdfimages tells, as fine as they are drawn', async () => {
    const rows = run('pdfimages', ['-list', at(name)])
      .trim()
      .split('\n')
      .slice(2)
      .map((row) => row.trim().split(/\s+/));
    const told = rows
      .filter(([, , type]) => type === 'image')
      .map((row) => [Number(row[3]), Number(row[4]), Number(row[12]), Number(row[13])]);
    const found = (await foundIn(name)).pages.flatMap(({ pictures }) =>
      pictures.map(({ width, height, ppi, ppiDown }) => [width, height, Math.round(ppi), Math.round(ppiDown)]),
    );
    const sorted = (rows: number[][]) => rows.map((row) => row.join(' ')).sort();
    expect(sorted(found)).toEqual(sorted(told));
  });
});

const WORDS = 'Tea garden & plants, 1234 (by the fen)';

/** Words in a Type 1 font as it is, not packed as CFF. */
async function inType1(): Promise<Uint8Array> {
  const file = await PDFDocument.create();
  const { context } = file;
  const page = file.addPage([420, 80]);
  const program = readFileSync('/usr/share/fonts/type1/urw-base35/NimbusRoman-Regular.t1');
  const descriptor = context.register(
    context.obj({
      Type: 'FontDescriptor',
      FontName: 'NimbusRoman-Regular',
      Flags: 32,
      FontBBox: [-168, -281, 1000, 924],
      ItalicAngle: 0,
      Ascent: 924,
      Descent: -281,
      CapHeight: 662,
      StemV: 85,
      FontFile: context.register(context.flateStream(new Uint8Array(program), { Length1: program.length })),
    }),
  );
  const font = context.register(
    context.obj({
      Type: 'Font',
      Subtype: 'Type1',
      BaseFont: 'NimbusRoman-Regular',
      FirstChar: 32,
      LastChar: 126,
      Widths: Array.from({ length: 95 }, () => 520),
      FontDescriptor: descriptor,
      Encoding: 'WinAnsiEncoding',
    }),
  );
  page.node.setFontDictionary(PDFName.of('F1'), font);
  const words = WORDS.replace(/[()\\]/g, '\\$&');
  page.node.set(
    PDFName.of('Contents'),
    context.register(context.flateStream(`BT /F1 20 Tf 0 0 0 1 k 10 30 Td (${words}) Tj ET`)),
  );
  return file.save();
}

describe('letters are laid on their plate as Ghostscript lays them', () => {
  it.each([
    ['Type 1', async (to: string) => writeFileSync(to, await inType1())],
    [
      'Type 1C',
      (to: string) => {
        const script = `%!PS\n/Helvetica findfont 22 scalefont setfont 72 700 moveto (${WORDS.replace(/[()]/g, '\\$&')}) show showpage`;
        writeFileSync(at('letters.ps'), script);
        withFonts(at('letters.ps'), to);
      },
    ],
  ] as const)('in a font of %s', async (_, make) => {
    await make(at('letters.pdf'));
    const { pages, unread } = await inspected(read('letters.pdf'));
    expect([unread, pages[0]!.plates]).toEqual([[], ['Black']]);
    const { grid } = readPage(viewFile(parseAnyPdf(read('letters.pdf'))), 0);
    const mine = grid.plates.get('Black')!.reduce((sum, amount) => sum + amount, 0);
    const smooth = ['-r72', '-dTextAlphaBits=4', '-dGraphicsAlphaBits=4'];
    const black = (await tiffsep(at('letters.pdf'), smooth, { only: 1 })).find(({ name }) => name === 'Black')!;
    const theirs = black.levels.reduce((sum, level) => sum + 1 - level / 255, 0);
    expect(theirs).toBeGreaterThan(100);
    expect(Math.abs(mine / theirs - 1)).toBeLessThan(0.02);
  });
});

describe('what a shop would find', () => {
  it('is told with the measured value beside what is needed', async () => {
    const says = (await inspected(await byPdfLib())).findings.map((finding) => `${finding.check}: ${finding.says}`);
    expect(says).toEqual(
      expect.arrayContaining([
        expect.stringMatching(
          /^short-of-bleed: Colour reaches the trim at the left, but only 0\.0 mm of the 3 mm bleed\.$/,
        ),
        expect.stringMatching(/^outside-safe: Words stand 1\.\d mm from the trim, needs 4 mm/),
        expect.stringMatching(/^low-ppi: A picture of 40 × 20 pixels \(DeviceRGB\) has 36 ppi, needs 300\.$/),
        expect.stringMatching(/^thin-lines: The thinnest line is 0\.10 pt, needs 0\.25 pt\.$/),
        expect.stringMatching(/^not-embedded: The typeface Helvetica is not embedded/),
      ]),
    );
  });
  it('is told in inches by a shop that measures in them', async () => {
    const { findings } = await inspectPdf(await byPdfLib(), shopOf('inch-mail-order'));
    const says = findings.map((finding) => finding.says);
    expect(says).toContainEqual('Colour reaches the trim at the left, but only 0.00 in of the 1/8 in bleed.');
    expect(says).toContainEqual(expect.stringMatching(/^Words stand 0\.0\d in from the trim, needs 1\/8 in/));
  });
  it('is which standard it goes by: none, or one that allows more than the shop asks for', async () => {
    const standards = async (bytes: Uint8Array, asked: (typeof shop)['standard']): Promise<string[]> =>
      (await inspectPdf(bytes, { ...shop, standard: asked })).findings.flatMap(({ check, says }) =>
        check === 'standard' ? [says] : [],
      );
    expect(await standards(await byPdfLib(), 'PDF/X-4')).toEqual([
      expect.stringMatching(/^The file claims no standard; the shop asks for PDF\/X-4\./),
    ]);
    const { job, assets } = openDemo();
    const asked = { pieceId: 'envelope-dl', shop: shopOf('metric-offset'), marks: false, standard: 'PDF/X-4' as const };
    const x4 = await writePdf(job, asked, { ...kit, press: kit.press('general-coated'), assets });
    expect(await standards(x4, 'PDF/X-4')).toEqual([]);
    expect(await standards(x4, 'PDF/X-1a:2001')).toEqual([
      expect.stringMatching(/^The file claims PDF\/X-4; the shop asks/),
    ]);
    // All that PDF/X-1a allows is allowed by PDF/X-4.
    expect(await standards(read('own.pdf'), 'PDF/X-4')).toEqual([]);
  });
  it('is nothing in a sound file of our own, and all its rules hold', async () => {
    const { findings, rules, unread } = await foundIn('own.pdf');
    expect([findings, unread, rules.filter(({ faults }) => faults.length > 0)]).toEqual([[], [], []]);
  });
  it('is the same whoever wrote the objects anew', async () => {
    const plates = async (name: string) =>
      (await foundIn(name)).pages.map((page) => [page.plates, Math.round(page.highestInk * 100)]);
    for (const name of ['objects-in-streams.pdf', 'linearised.pdf', 'unpacked.pdf', 'ghostscript.pdf'])
      expect(await plates(name), name).toEqual(await plates('own.pdf'));
  });
});

describe('a file that is not as it should be', () => {
  const own = (): Uint8Array => read('own.pdf');
  it('is read past bytes before its head and after its end', async () => {
    const after = new Uint8Array([...own(), ...new TextEncoder().encode('\nmore of it\n')]);
    expect((await inspected(after)).pages).toHaveLength(2);
    const before = await inspected(new Uint8Array([...new TextEncoder().encode('hello\n'), ...own()]));
    expect([before.pages.length, before.repaired]).toEqual([2, ['bytes before its head']]);
  });
  it('is repaired where its table is lost', async () => {
    const bytes = own();
    const text = new TextDecoder('latin1').decode(bytes);
    const cut = bytes.slice(0, text.lastIndexOf('xref'));
    const { pages, repaired } = await inspected(cut);
    expect([pages.length, repaired]).toEqual([2, expect.arrayContaining(['its table of objects'])]);
  });
  it('is read past what has no place in a dictionary: a stream, a word, a name without a value', async () => {
    const text = (page: string): Uint8Array =>
      new TextEncoder().encode(
        `%PDF-1.4\n1 0 obj << /Type /Catalog /Pages 2 0 R >> endobj\n2 0 obj << /Type /Pages /Kids [3 0 R] /Count 1 >> endobj\n` +
          `3 0 obj << /Type /Page /Parent 2 0 R ${page} /MediaBox [0 0 200 100] >> endobj\ntrailer << /Root 1 0 R >>\n%%EOF\n`,
      );
    const media = async (page: string): Promise<unknown> =>
      (await inspected(text(page))).pages.map((each) => each.media);
    for (const page of [
      '',
      '/AP << /N << /Length 0 >>\nstream\nendstream >>',
      '/Odd word /Sound 1',
      '5 /Sound 1',
      '/First /Rotate 0 word',
    ])
      expect(await media(page), page).toEqual([[0, 0, 200, 100]]);
    expect((await inspected(text('/Odd word'))).repaired).toContain('object 3 holds what has no place there');
    expect((await inspected(text('/Odd (word)'))).repaired).not.toContain('object 3 holds what has no place there');
  });
  it('is refused with what to do where it is encrypted', async () => {
    run('qpdf', ['--encrypt', 'a', 'b', '256', '--', at('own.pdf'), at('secret.pdf')]);
    await expect(inspected(read('secret.pdf'))).rejects.toThrow(/encrypted\. Save it without a password/);
  });
  it('is no page where nothing of it is left', async () => {
    for (const bytes of [new Uint8Array(), own().slice(0, 900), new TextEncoder().encode('%PDF-1.4\n%%EOF')])
      await expect(inspected(bytes)).rejects.toThrow(SyntaxFault);
  });
  it('ends, where its pages lead to one another', async () => {
    const file = await PDFDocument.load(await byPdfLib());
    const pages = file.catalog.lookup(PDFName.of('Pages'), PDFDict);
    pages.set(PDFName.of('Kids'), file.context.obj([file.catalog.get(PDFName.of('Pages'))!, file.getPage(0).ref]));
    expect((await inspected(await file.save({ useObjectStreams: false }))).pages).toHaveLength(1);
  });
  it(
    'never brings it down, whatever has become of it',
    async () => {
      const files = Object.keys(MAKERS).map(read);
      await fc.assert(
        fc.asyncProperty(
          fc.nat(files.length - 1),
          // Places and lengths in millionths: a fraction by itself is nearly always next to nothing.
          fc.array(fc.tuple(fc.nat(1e6), fc.nat(255)), { minLength: 1, maxLength: 40 }),
          fc.option(fc.integer({ min: 2e5, max: 1e6 })),
          async (n, changes, keep) => {
            const bytes = files[n]!.slice(0, Math.round((files[n]!.length * (keep ?? 1e6)) / 1e6));
            for (const [place, byte] of changes) bytes[Math.floor((place * (bytes.length - 1)) / 1e6)] = byte;
            try {
              expect((await inspected(bytes)).pages.length).toBeGreaterThan(0);
            } catch (error) {
              if (!(error instanceof SyntaxFault)) throw error;
              expect(error.message.length).toBeGreaterThan(10);
            }
          },
        ),
        { numRuns: isDeep ? 5000 : 40, seed: 7 },
      );
      // Thousands of them take as long as they take.
    },
    isDeep ? 7_200_000 : undefined,
  );
});
