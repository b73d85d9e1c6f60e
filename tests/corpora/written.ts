import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { cmyk, degrees, PDFDocument, rgb, StandardFonts } from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { writePdf } from '../../core/files/pdf/write';
import { shopOf } from '../../core/trade/shops';
import { openBrowser } from '../browser';
import { kit, openDemo } from '../kit';

/**
 * PDFs as general-purpose writers make them, of a page with words, a gradient, something see-through, a picture and a spot.
 *   tsx tests/corpora/written.ts FOLDER
 * Debian has the writers: python3-reportlab img2pdf librsvg2-bin groff mupdf-tools enscript ghostscript qpdf poppler-utils
 */

const [folder = 'test-results/written'] = process.argv.slice(2);
mkdirSync(folder, { recursive: true });
const at = (name: string): string => join(folder, name);

const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200" viewBox="0 0 300 200">
<defs><linearGradient id="g"><stop offset="0" stop-color="#284"/><stop offset="1" stop-color="#fc3" stop-opacity=".3"/></linearGradient>
<clipPath id="c"><circle cx="80" cy="120" r="50"/></clipPath></defs>
<rect width="300" height="200" fill="url(#g)"/><text x="20" y="60" font-size="24" font-family="DejaVu Sans">Tea garden</text>
<g clip-path="url(#c)"><rect x="30" y="70" width="100" height="100" fill="#a32"/></g>
<circle cx="200" cy="120" r="40" fill="none" stroke="#123" stroke-width="3" stroke-dasharray="6 4" opacity=".5"/></svg>`;
const REPORTLAB = `
from reportlab.pdfgen import canvas
from reportlab.lib.colors import CMYKColor, CMYKColorSep, Color
from reportlab.lib.pagesizes import A6
import sys
c = canvas.Canvas(sys.argv[1], pagesize=A6, pageCompression=int(sys.argv[2]))
c.setFillColor(CMYKColor(1,.5,0,.1)); c.rect(20,20,100,100,fill=1,stroke=0)
c.setFillColor(CMYKColorSep(0,.6,.9,0,spotName='Copper & Tin',density=.8)); c.circle(150,200,40,fill=1)
c.setFillColor(Color(0,0,0,alpha=.5)); c.setFont('Helvetica',7); c.drawString(30,300,'Tea garden 1234')
c.setLineWidth(.1); c.line(10,10,200,10); c.drawImage(sys.argv[3], 150, 300, 72, 36)
c.showPage(); c.rotate(30); c.setFont('Times-Roman',20); c.drawString(100,100,'Turned'); c.showPage(); c.save()
`;
const ROFF =
  '.ps 11\n.ft R\nTea garden, \\fBFen Lane 4\\fP.\n.sp\n\\s8Small words\\s0 and \\(Fo quotes \\(Fc.\n.bp\nAnother page.\n';
const POSTSCRIPT = `%!PS
<< /PageSize [300 200] >> setpagedevice
0.9 0.2 0 0.1 setcmykcolor 20 20 100 80 rectfill
[/Separation (Copper) /DeviceCMYK {dup 0 exch dup .6 mul exch .9 mul 0}] setcolorspace .7 setcolor 150 20 80 80 rectfill
0 setgray /Helvetica findfont 18 scalefont setfont 20 150 moveto (Tea garden) show
.2 setlinewidth 20 140 moveto 200 140 lineto stroke
true setoverprint 0 0 1 0 setcmykcolor 60 40 100 30 rectfill showpage`;

/** Some writers do not take what others make: that is told, and the rest is written. */
function run(tool: string, ...args: string[]): void {
  try {
    execFileSync(tool, args, { stdio: 'ignore' });
  } catch (error) {
    console.log(`${tool} ${args.join(' ')}: ${(error as Error).message.split('\n')[0]}`);
  }
}
const ghostscript = (name: string, from: string, how: string): void =>
  run('gs', '-q', '-dBATCH', '-dNOPAUSE', '-sDEVICE=pdfwrite', how, '-o', at(`${name}.pdf`), from);
const into = (name: string, tool: string, ...args: string[]): void =>
  writeFileSync(at(name), execFileSync(tool, args, { stdio: ['ignore', 'pipe', 'ignore'], maxBuffer: 1e9 }));

async function pictures(): Promise<void> {
  const noise = Buffer.from(Uint8Array.from({ length: 120 * 60 * 3 }, (_, i) => (i * 37 + (i >> 5) * 11) & 255));
  const base = sharp(noise, { raw: { width: 120, height: 60, channels: 3 } });
  await base.clone().png().toFile(at('in.png'));
  await base.clone().png({ palette: true, colours: 16 }).toFile(at('in-palette.png'));
  await base.clone().ensureAlpha(0.6).png().toFile(at('in-alpha.png'));
  await base.clone().greyscale().threshold(128).png({ colours: 2 }).toFile(at('in-line.png'));
  await base.clone().jpeg({ quality: 85 }).toFile(at('in.jpg'));
  await base.clone().greyscale().jpeg({ progressive: true }).toFile(at('in-grey.jpg'));
  await base.clone().toColourspace('cmyk').jpeg().toFile(at('in-cmyk.jpg'));
  await base.clone().tiff({ compression: 'lzw' }).toFile(at('in.tif'));
}

async function byPdfLib(): Promise<Uint8Array> {
  const file = await PDFDocument.create();
  const page = file.addPage([300, 200]);
  page.setTrimBox(20, 20, 260, 160);
  page.setRotation(degrees(90));
  page.drawRectangle({ x: 20, y: 20, width: 100, height: 160, color: cmyk(0.2, 0.5, 0.3, 0.1), opacity: 0.6 });
  page.drawLine({ start: { x: 150, y: 40 }, end: { x: 250, y: 40 }, thickness: 0.1, color: rgb(1, 0, 0) });
  page.drawText('Tea garden', { x: 24, y: 100, size: 9, font: await file.embedFont(StandardFonts.Helvetica) });
  page.drawImage(await file.embedPng(readFileSync(at('in-alpha.png'))), { x: 180, y: 100, width: 40, height: 40 });
  const form = await file.embedPage(page);
  const second = file.addPage([595, 842]);
  for (const i of [0, 1, 2]) second.drawPage(form, { x: 20 + 150 * i, y: 40 + 200 * i, rotate: degrees(15 * i) });
  return file.save();
}

async function byOurselves(): Promise<void> {
  const { job, assets } = openDemo();
  const shop = shopOf('metric-offset');
  for (const piece of job.pieces)
    for (const standard of ['PDF/X-4', 'PDF/X-1a:2001'] as const) {
      const on = { ...kit, press: kit.press(shop.condition), assets };
      const bytes = await writePdf(job, { pieceId: piece.id, shop, marks: true, standard }, on);
      writeFileSync(at(`own-${piece.id}-${standard === 'PDF/X-4' ? 'x4' : 'x1a'}.pdf`), bytes);
    }
}

async function byChromium(): Promise<void> {
  const browser = await openBrowser();
  const page = await browser.newPage();
  const picture = `data:image/png;base64,${readFileSync(at('in-alpha.png')).toString('base64')}`;
  await page.setContent(
    `<h1>Tea garden</h1><p style="opacity:.5">Fen Lane</p><img src="${picture}"><hr>${DRAWING}<p style="color:#fff;background:#000">White</p>`,
  );
  writeFileSync(at('skia.pdf'), await page.pdf({ width: '85mm', height: '155mm', printBackground: true }));
  writeFileSync(at('skia-tagged.pdf'), await page.pdf({ format: 'A4', tagged: true, scale: 0.6 }));
  await browser.close();
}

await pictures();
for (const [name, text] of Object.entries({
  'in.svg': DRAWING,
  'in.py': REPORTLAB,
  'in.roff': ROFF,
  'in.ps': POSTSCRIPT,
  'in.txt': 'Tea garden\n'.repeat(90),
}))
  writeFileSync(at(name), text);
await byOurselves();
writeFileSync(at('pdf-lib.pdf'), await byPdfLib());
await byChromium();
for (const packed of ['0', '1'])
  run('/usr/bin/python3', at('in.py'), at(`reportlab-${packed}.pdf`), packed, at('in.jpg'));
for (const format of ['pdf', 'ps', 'eps'])
  run('rsvg-convert', '-f', format, '-o', at(format === 'pdf' ? 'cairo-pdf.pdf' : `cairo.${format}`), at('in.svg'));
run('mutool', 'convert', '-o', at('mupdf-svg.pdf'), at('in.svg'));
into('groff.pdf', 'groff', '-Tpdf', at('in.roff'));
into('groff-ps.ps', 'groff', '-Tps', at('in.roff'));
run('enscript', '-2r', '-p', at('enscript.ps'), at('in.txt'));
for (const picture of ['in.png', 'in-palette.png', 'in-line.png', 'in.jpg', 'in-grey.jpg', 'in-cmyk.jpg', 'in.tif'])
  run('img2pdf', '-o', at(`img2pdf-${picture}.pdf`), '--pagesize', 'A6', at(picture));
for (const from of ['in.ps', 'groff-ps.ps', 'enscript.ps', 'cairo.ps'])
  for (const level of ['1.3', '1.4', '1.7'])
    ghostscript(`gs-${from}-${level}`, at(from), `-dCompatibilityLevel=${level}`);
const again = ['own-card-x4', 'own-postcard-x1a', 'pdf-lib', 'skia', 'reportlab-1', 'cairo-pdf', 'gs-in.ps-1.4'];
for (const name of again) {
  const from = at(`${name}.pdf`);
  run('qpdf', '--object-streams=generate', from, at(`qpdf-objects-${name}.pdf`));
  run('qpdf', '--linearize', from, at(`qpdf-linear-${name}.pdf`));
  run('qpdf', '--qdf', '--object-streams=disable', from, at(`qpdf-plain-${name}.pdf`));
  run('qpdf', '--recompress-flate', '--compression-level=1', '--decode-level=all', from, at(`qpdf-packed-${name}.pdf`));
  run('mutool', 'clean', '-gggg', '-d', from, at(`mupdf-clean-${name}.pdf`));
  run('mutool', 'clean', '-z', '-s', from, at(`mupdf-packed-${name}.pdf`));
  run('pdftocairo', '-pdf', from, at(`poppler-${name}.pdf`));
  ghostscript(`gs-again-${name}`, from, '-dPDFSETTINGS=/prepress');
  // What is appended to a file, and what comes before and after it.
  const bytes = readFileSync(from);
  writeFileSync(
    at(`wrapped-${name}.pdf`),
    Buffer.concat([Buffer.from('From a mailer\r\n'), bytes, Buffer.from('\n-- end --\n')]),
  );
}
