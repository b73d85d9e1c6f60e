import { PDFDocument, type PDFFont, type PDFPage, StandardFonts } from '@cantoo/pdf-lib';
import { A4, INK, MARGIN, QUIET, sayAt, wrapped } from './plain-pages';
import type { Pictures, Report } from './report';

/** What was found in a piece as pages, with a picture of each place. */

const PICTURE = 96;
const SAYS = { stop: 'Error', warn: 'Warning', advise: 'Advice' } as const;

/** The report as a PDF on A4, a picture of each place beside what was found there. The same report gives the same pages. */
export async function reportPdf(report: Report, pictures: Pictures): Promise<Uint8Array> {
  const file = await PDFDocument.create();
  file.setTitle(`Findings: ${report.job}, ${report.piece}`);
  const date = new Date(report.changed);
  file.setCreationDate(date);
  file.setModificationDate(date);
  const font = await file.embedFont(StandardFonts.Helvetica);
  const bold = await file.embedFont(StandardFonts.HelveticaBold);
  let page: PDFPage = file.addPage([A4.width, A4.height]);
  let y = A4.height - MARGIN;
  const line = (text: string, x: number, size: number, face = font, colour = INK): void => {
    sayAt(page, text, { x, y, size, font: face, color: colour });
    y -= size * 1.35;
  };
  const room = (needed: number): void => {
    if (y - needed > MARGIN) return;
    page = file.addPage([A4.width, A4.height]);
    y = A4.height - MARGIN;
  };
  line(`${report.job}: ${report.piece}`, MARGIN, 17, bold);
  line(
    `${report.size}, for ${report.shop}, as of ${report.changed.slice(0, 16).replace('T', ' ')} UTC`,
    MARGIN,
    10,
    font,
    QUIET,
  );
  const open = report.rows.filter(({ accepted }) => !accepted).length;
  line(`${open} open, ${report.rows.length - open} accepted`, MARGIN, 10, font, QUIET);
  for (const says of report.unread)
    for (const each of wrapped(`Not checked: ${says}`, bold, 10, A4.width - 2 * MARGIN)) line(each, MARGIN, 10, bold);
  y -= 10;
  const width = A4.width - 2 * MARGIN - PICTURE - 14;
  for (const row of report.rows) {
    const texts: [string, number, PDFFont, typeof INK][] = [
      [`${SAYS[row.severity]}: ${row.name}`, 11, bold, INK],
      [`${row.what}, ${row.face}. ${row.problem}${row.measured ? `. ${row.measured}` : ''}`, 10, font, INK],
      [`${row.protects} (${row.source})`, 9, font, QUIET],
      ...(row.accepted
        ? ([[`Accepted on ${row.accepted.at.slice(0, 10)}: ${row.accepted.reason}`, 10, bold, INK]] as [
            string,
            number,
            PDFFont,
            typeof INK,
          ][])
        : []),
    ];
    const lines = texts.flatMap(([text, size, face, colour]) =>
      wrapped(text, face, size, width).map((each) => ({ text: each, size, face, colour })),
    );
    const height = Math.max(
      PICTURE,
      lines.reduce((sum, { size }) => sum + size * 1.35, 0),
    );
    room(height + 12);
    const top = y;
    const bytes = pictures.get(row);
    if (bytes) {
      const image = await file.embedPng(bytes);
      const scale = PICTURE / Math.max(image.width, image.height);
      const [w, h] = [image.width * scale, image.height * scale];
      page.drawImage(image, { x: MARGIN, y: top - h, width: w, height: h });
      page.drawRectangle({ x: MARGIN, y: top - h, width: w, height: h, borderColor: QUIET, borderWidth: 0.4 });
    }
    for (const each of lines) line(each.text, MARGIN + PICTURE + 14, each.size, each.face, each.colour);
    y = top - height - 12;
  }
  return file.save();
}
