import { type PDFFont, type PDFPage, rgb } from '@cantoo/pdf-lib';

/** Pages that are read, not printed from: in PDF's own typefaces. */

/** ISO 216 A4 in points, and its margins. */
export const A4 = { width: 595.28, height: 841.89 };
export const MARGIN = 48;
export const INK = rgb(0.14, 0.13, 0.12);
export const QUIET = rgb(0.4, 0.38, 0.36);

/** What the built-in fonts of PDF have no letter for is left as a question mark. */
export const plain = (text: string, font: PDFFont): string =>
  [...text.replace(/[\u2028\n\t]/g, ' ').replaceAll('→', '->')]
    .map((letter) => {
      try {
        font.encodeText(letter);
        return letter;
      } catch {
        return '?';
      }
    })
    .join('');

/** Words in lines no longer than a width. */
export function wrapped(text: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = [];
  let now = '';
  for (const word of plain(text, font).split(' ')) {
    const more = now === '' ? word : `${now} ${word}`;
    if (font.widthOfTextAtSize(more, size) <= width || now === '') now = more;
    else {
      lines.push(now);
      now = word;
    }
  }
  return now === '' ? lines : [...lines, now];
}

/** A line of words whose top left corner is given. */
export const sayAt = (
  page: PDFPage,
  text: string,
  {
    x,
    y,
    size,
    font,
    color = INK,
  }: { x: number; y: number; size: number; font: PDFFont; color?: ReturnType<typeof rgb> },
): void => page.drawText(plain(text, font), { x, y: y - size, size, font, color });
