import type { Box } from '../../geometry/box';

/** Where the rows of a proof lie on its pages. Lengths in points, from the top left. */

/** ISO 216 A4. */
export const PAGE: Box = { x: 0, y: 0, width: 595.28, height: 841.89 };
const MARGIN = 40;
/** From the head of a page to the first row on it. */
const HEAD = 34;
const BETWEEN = 14;
/** Two lines that say which row it is and what became of it. */
export const CAPTION = 24;

export interface Grid {
  columns: number;
  /** Rows of cells on a page. */
  lines: number;
  /** From a piece's own size to the page. */
  scale: number;
  /** The place of a cell's picture by its number on the page; the caption is below. */
  at(cell: number): Box;
}

/** The least columns in which so many cells are on a page; nothing is shown larger than it is. */
export function gridFor(size: { width: number; height: number }, wanted: number): Grid {
  const room = { width: PAGE.width - 2 * MARGIN, height: PAGE.height - 2 * MARGIN - HEAD };
  for (let columns = 1; ; columns++) {
    const width = (room.width - (columns - 1) * BETWEEN) / columns;
    const scale = Math.min(1, width / size.width, (room.height - CAPTION) / size.height);
    const step = size.height * scale + CAPTION + BETWEEN;
    const lines = Math.max(1, Math.floor((room.height + BETWEEN) / step));
    if (columns * lines < wanted && columns < 8) continue;
    return {
      columns,
      lines,
      scale,
      at: (cell) => ({
        x: MARGIN + (cell % columns) * (width + BETWEEN),
        y: MARGIN + HEAD + Math.floor(cell / columns) * step,
        width,
        height: size.height * scale,
      }),
    };
  }
}

/** The head of a page: where its first line of words begins. */
export const HEAD_AT = { x: MARGIN, y: MARGIN };
/** Lines of words on a page that is read, and how many signs one of them has room for. */
export const TEXT = { size: 9.5, leading: 14, lines: Math.floor((PAGE.height - 2 * MARGIN - HEAD) / 14), signs: 108 };
export const TEXT_AT = { x: MARGIN, y: MARGIN + HEAD };

/** Text in lines of so many signs at most, broken between words where it can be. */
export function linesOf(text: string, signs: number): string[] {
  const lines: string[] = [];
  let now = '';
  for (const word of text.split(/\s+/)) {
    if (now !== '' && now.length + word.length + 1 > signs) {
      lines.push(now);
      now = '';
    }
    now = now === '' ? word : `${now} ${word}`;
    while (now.length > signs) {
      lines.push(now.slice(0, signs));
      now = now.slice(signs);
    }
  }
  return now === '' ? lines : [...lines, now];
}
