import bwipjs from 'bwip-js/generic';
import { type Path, type Segment, transformPath } from '../geometry/path';

interface FontPart {
  type: 'M' | 'L' | 'Q' | 'C';
  x: number;
  y: number;
  cx?: number;
  cy?: number;
  cx1?: number;
  cy1?: number;
  cx2?: number;
  cy2?: number;
}
const { FontLib } = bwipjs as unknown as {
  FontLib: {
    getpaths(font: number, character: number, width: number, height: number): FontPart[] & { advance: number };
  };
};

/** OCR-B, which retail codes are lettered in, as the package of the codes carries it. */
const OCR_B = 1;
const SIZE = 100;

/** A figure in OCR-B at a size of 1, its baseline at y = 0, y down; and how far on the next one stands. */
function figure(character: string): { path: Path; advance: number } {
  const parts = FontLib.getpaths(OCR_B, character.charCodeAt(0), SIZE, SIZE);
  const path: Segment[] = [];
  for (const { type, x, y, cx = 0, cy = 0, cx1 = 0, cy1 = 0, cx2 = 0, cy2 = 0 } of parts) {
    if (type === 'M' && path.length > 0) path.push(['Z']);
    if (type === 'M' || type === 'L') path.push([type, x, -y]);
    else if (type === 'Q') path.push(['Q', cx, -cy, x, -y]);
    else path.push(['C', cx1, -cy1, cx2, -cy2, x, -y]);
  }
  path.push(['Z']);
  return { path: transformPath(path, [1 / SIZE, 0, 0, 1 / SIZE, 0, 0]), advance: parts.advance / SIZE };
}

/** The last figure of an EAN-13: what brings the weighted sum of the others to a whole ten (GS1 General Specifications). */
export const checkDigit = (twelve: string): string => {
  const sum = [...twelve].reduce((total, digit, i) => total + Number(digit) * (i % 2 === 0 ? 1 : 3), 0);
  return `${(10 - (sum % 10)) % 10}`;
};

/** Figures with their middles at the given places, on a baseline; `size` and places in points. */
export const figuresAt = (text: string, middles: readonly number[], baseline: number, size: number): Path =>
  [...text].flatMap((character, i) => {
    const { path, advance } = figure(character);
    return transformPath(path, [size, 0, 0, size, middles[i]! - (advance * size) / 2, baseline]);
  });
