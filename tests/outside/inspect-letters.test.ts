import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument, PDFName, rgb, StandardFonts } from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import { type Inspection, inspectPdf } from '../../core/files/pdf/inspect';
import type { BoxNumbers } from '../../core/files/pdf/parsed/boxes';
import { writePdf } from '../../core/files/pdf/write';
import { makeWords } from '../../core/job/make';
import { shopOf } from '../../core/trade/shops';
import { cardWith, kit } from '../kit';
import { boxesOf, folder, platesOf, run, tidyUp } from './tools';

/** Letters and colours that only other makers use. */

afterAll(tidyUp);
const at = (name: string): string => join(folder, `letters-${name}`);
const shop = shopOf('metric-offset');
const { separateAll: screenInks } = kit.press(shop.condition);
const seen = (name: string): Promise<Inspection> => inspectPdf(new Uint8Array(readFileSync(at(name))), shop);

/** Letters that are contents themselves (ISO 32000-1, 9.6.5): a filled box, and a bitmap, in a program of PostScript. */
const TYPE_3 = `%!PS
8 dict dup begin
/FontType 3 def /FontMatrix [0.001 0 0 0.001 0 0] def /FontBBox [0 0 750 750] def
/Encoding 256 array def 0 1 255 { Encoding exch /.notdef put } for
Encoding 97 /box put Encoding 98 /dots put
/CharProcs 3 dict def CharProcs begin
  /.notdef { } def
  /box { 0 0 moveto 0 750 lineto 750 750 lineto 750 0 lineto closepath fill } bind def
  /dots { 750 0 0 750 0 0 cm_dots } def
end
/cm_dots { pop pop pop pop pop pop gsave 750 750 scale 8 8 true [8 0 0 -8 0 8] {<aa55aa55aa55aa55>} imagemask grestore } def
/BuildGlyph { 750 0 0 0 750 750 setcachedevice exch begin
  CharProcs exch 2 copy known not { pop /.notdef } if get exec end } bind def
/BuildChar { 1 index /Encoding get exch get 1 index /BuildGlyph get exec } bind def
end /Own exch definefont pop
<< /PageSize [200 100] >> setpagedevice
/Own findfont 20 scalefont setfont 40 40 moveto (ab) show showpage`;

describe('letters that are contents themselves', () => {
  it('are letters and no pictures or lines, of a typeface that is in the file, as tall as they are', async () => {
    writeFileSync(at('type3.ps'), TYPE_3);
    run('gs', ['-q', '-dNOPAUSE', '-dBATCH', '-sDEVICE=pdfwrite', '-o', at('type3.pdf'), at('type3.ps')]);
    const { fonts, pages, findings } = await seen('type3.pdf');
    expect(run('pdffonts', [at('type3.pdf')])).toMatch(/Type 3.*yes/);
    expect(fonts).toEqual([expect.objectContaining({ kind: 'Type3', embedded: true, pages: [1] })]);
    expect(pages[0]).toMatchObject({ pictures: [], thinnestLine: undefined, plates: ['Black'] });
    expect(pages[0]!.smallestType).toBeGreaterThan(14);
    expect(pages[0]!.smallestType).toBeLessThan(21);
    expect(findings.map(({ check }) => check)).not.toContain('not-embedded');
  });
});

describe('a typeface that is not in the file', () => {
  it('is told of where a page uses it, and not where none does', async () => {
    const file = await PDFDocument.create();
    const [used, idle] = [
      await file.embedFont(StandardFonts.Helvetica),
      await file.embedFont(StandardFonts.TimesRoman),
    ];
    const page = file.addPage([200, 100]);
    page.drawText('Tea garden', { x: 40, y: 40, size: 12, font: used });
    page.node.setFontDictionary(PDFName.of('Idle'), idle.ref);
    writeFileSync(at('idle.pdf'), await file.save());
    const missing = (await seen('idle.pdf')).findings.filter(({ check }) => check === 'not-embedded');
    expect(missing.map(({ page, says }) => [page, says])).toEqual([[1, expect.stringContaining('Helvetica')]]);
  });
});

describe('colours of a screen', () => {
  it('are the amounts of ink that the shop’s profile makes of them, in areas and in pictures', async () => {
    const file = await PDFDocument.create();
    const page = file.addPage([200, 100]);
    const [r, g, b] = [40, 120, 60];
    page.drawRectangle({ x: 0, y: 0, width: 100, height: 100, color: rgb(r / 255, g / 255, b / 255) });
    const png = await sharp({ create: { width: 30, height: 30, channels: 3, background: { r, g, b } } })
      .png()
      .toBuffer();
    page.drawImage(await file.embedPng(png), { x: 100, y: 0, width: 100, height: 100 });
    writeFileSync(at('screen.pdf'), await file.save());
    const bytes = new Uint8Array(readFileSync(at('screen.pdf')));
    const total = [...screenInks(Uint8Array.of(r, g, b))].reduce((sum, amount) => sum + amount / 255, 0);
    const asked = await inspectPdf(bytes, shop, { screenInks });
    expect(asked.pages[0]!.highestInk).toBeCloseTo(total, 1);
    expect(asked.findings.find(({ check }) => check === 'screen-colours')?.says).toMatch(/those of its usual profile/);
    // Without a profile they are a guess, and that is said.
    expect((await inspectPdf(bytes, shop)).findings.find(({ check }) => check === 'screen-colours')?.says).toMatch(
      /guesses/,
    );
  });

  it('that are black lay black as well, as Ghostscript’s separation of them does', async () => {
    const file = await PDFDocument.create();
    file.addPage([100, 100]).drawRectangle({ x: 20, y: 20, width: 60, height: 60, color: rgb(0, 0, 0) });
    writeFileSync(at('black.pdf'), await file.save());
    const bytes = new Uint8Array(readFileSync(at('black.pdf')));
    const { plates } = (await inspectPdf(bytes, shop, { screenInks })).pages[0]!;
    expect(plates).toContain('Black');
    expect((await platesOf(at('black.pdf'), 1, 72)).get('Black')).toBeDefined();
  });
});

describe('words by the trim', () => {
  /** How far the ink of a page is from its trim, in millimetres, by Ghostscript's own measure of what it paints. */
  function inkToTrim(path: string): number {
    // It tells of boxes on the other channel.
    const said = execFileSync('sh', ['-c', `gs -q -dNOPAUSE -dBATCH -sDEVICE=bbox '${path}' 2>&1`]).toString();
    const [x0, y0, x1, y1] = /%%HiResBoundingBox: (.*)/.exec(said)![1]!.split(' ').map(Number) as BoxNumbers;
    const [t0, u0, t1, u1] = boxesOf(path)[0]!['TrimBox']! as BoxNumbers;
    return (Math.min(x0 - t0, y0 - u0, t1 - x1, u1 - y1) / 72) * 25.4;
  }
  it.each([
    ['what hangs below the line counts', 'ggg', 2, 0],
    ['what has nothing below it stands on the line', 'xxx', 2, 0],
    ['what leans over its own width', 'fff', 2, 0],
    ['turned askew', 'ggg', 12, 20],
    ['on its side', 'ggg', 6, 90],
  ] as const)('are measured by their ink: %s', async (name, text, up, angle) => {
    const lettering = { typeface: 'cormorant-garamond/italic', size: 14 };
    const words = makeWords({ id: 'w', text, x: 100, y: 0, lettering });
    const piece = cardWith([]).pieces[0]!;
    const job = cardWith([{ ...words, y: piece.height - up - 14, rotation: angle } as typeof words]);
    const asked = { pieceId: 'card', shop, marks: false };
    const path = at(`trim-${name.replaceAll(' ', '-')}.pdf`);
    writeFileSync(path, await writePdf(job, asked, { ...kit, press: kit.press(shop.condition), assets: {} }));
    const { findings } = await seen(path.slice(at('').length));
    const said = findings.find(({ check }) => check === 'outside-safe')!.says;
    const [, where, mm] = /Words (run|stand) ([\d.]+) mm/.exec(said)!;
    expect(Math.abs((where === 'run' ? -1 : 1) * Number(mm) - inkToTrim(path))).toBeLessThan(0.06);
  });
});
