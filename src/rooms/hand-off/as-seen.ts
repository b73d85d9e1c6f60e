import type { PageInspected } from '../../../core/files/pdf/inspect';
import type { Matrix } from '../../../core/geometry/matrix';

/** What brings places on a page onto its picture by a quarter turn clockwise, and by two and three: for a page so wide and high. */
const TURNS: readonly ((width: number, height: number) => Matrix)[] = [
  () => [1, 0, 0, 1, 0, 0],
  (_width, height) => [0, 1, -1, 0, height, 0],
  (width, height) => [-1, 0, 0, -1, width, height],
  (width) => [0, -1, 1, 0, 0, width],
];

/**
 * A page as a reader shows it, turned as it asks (ISO 32000-1, table 30, Rotate): how large it is, points, and what brings
 * places on it there, from its upper left corner and downwards.
 */
export function asSeen({ crop, media, turned }: Pick<PageInspected, 'crop' | 'media' | 'turned'>): {
  width: number;
  height: number;
  matrix: Matrix;
} {
  const [x0, y0, x1, y1] = crop ?? media;
  const [width, height] = [x1 - x0, y1 - y0];
  const quarters = (((Math.round(turned / 90) % 4) + 4) % 4) as 0 | 1 | 2 | 3;
  return {
    ...(quarters % 2 === 0 ? { width, height } : { width: height, height: width }),
    matrix: TURNS[quarters]!(width, height),
  };
}
