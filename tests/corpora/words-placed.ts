import { readPage } from '../../core/files/pdf/page-read';
import { mediaOf, trimOf } from '../../core/files/pdf/parsed/boxes';
import { openPdf } from '../../core/files/pdf-in/page';

/** Words and where they stand, beside those that `pdftotext -bbox` tells. */

interface Word {
  text: string;
  box: readonly [x0: number, y0: number, x1: number, y1: number];
}

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };
const plain = (text: string): string => text.replace(/&(amp|lt|gt|quot|apos);/g, (_, name: string) => ENTITIES[name]!);

/** The words of each page, in points from the upper left corner of its sheet. */
export const wordsTold = (said: string): Word[][] =>
  said
    .split('<page ')
    .slice(1)
    .map((page) =>
      [
        ...page.matchAll(/<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">(.*?)<\/word>/g),
      ].map(([, x0, y0, x1, y1, text]) => ({
        text: plain(text!),
        box: [Number(x0), Number(y0), Number(x1), Number(y1)],
      })),
    );

/** Letters in one order, in the forms that are written alike; what no reader names is left out. */
const lettersOf = (text: string): string =>
  [...text.normalize('NFKC').replace(/[\s\p{C}\p{M}\uFFFD]/gu, '')].sort().join('');

/** How far a letter may stand out of its word's box, as a share of the box's height. */
const NEAR = 0.25;
/** Fewer words say nothing, and so many of a hundred may be told in another way: letters with accents apart, rare signs. */
const FEW = 10;
const MOST_OFF = 0.03;

/** Pages of which words are elsewhere, or are others. */
export function againstWords(bytes: Uint8Array, told: readonly (readonly Word[])[]): string[] {
  const { view } = openPdf(bytes);
  return told.flatMap((words, n) => {
    const page = view.pages[n];
    const turned = Number(view.file.get(page?.get('Rotate')) ?? 0);
    const unit = Number(view.file.get(page?.get('UserUnit')) ?? 1);
    if (!page || turned !== 0 || unit !== 1 || words.length < FEW) return [];
    const read = readPage(view, n).letters.filter(({ seen }) => seen);
    // Letters that are contents themselves need no names: which they are is anybody's guess.
    if (read.filter(({ text }) => text === '').length > MOST_OFF * read.length) return [];
    const [[x, , , y], [left, , , top]] = [trimOf(view, page), mediaOf(view, page)];
    const letters = read.map((letter) => ({
      text: letter.text,
      // The middle of its foot, on the sheet.
      x: letter.x + x - left + (letter.advance / 2) * Math.cos((letter.angle * Math.PI) / 180),
      y: letter.y - y + top + (letter.advance / 2) * Math.sin((letter.angle * Math.PI) / 180),
    }));
    const wrong = words.filter(({ text, box: [x0, y0, x1, y1] }) => {
      const near = NEAR * (y1 - y0);
      const here = letters.filter(
        (letter) => letter.x > x0 - 0.5 && letter.x < x1 + 0.5 && letter.y > y0 - near && letter.y < y1 + near,
      );
      const wanted = lettersOf(text);
      const found = lettersOf(here.map((letter) => letter.text).join(''));
      // Words lie over one another, and a ligature is told with its first letter: all of it has to be there.
      return [...wanted].some((letter) => wanted.split(letter).length > found.split(letter).length);
    });
    return wrong.length > MOST_OFF * words.length
      ? [
          `words of page ${n + 1}: ${wrong.length} of ${words.length} elsewhere, such as ${wrong
            .slice(0, 3)
            .map(({ text, box }) => `${text} at ${Math.round(box[0])}, ${Math.round(box[1])}`)
            .join('; ')}`,
        ]
      : [];
  });
}
