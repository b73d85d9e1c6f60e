import { asCubic, type Path } from '../../geometry/path';
import { numbers } from './numbers';
import { across, type PdfPage, up } from './page';

/** The operators that make a path. */
export function pathOps(page: PdfPage, path: Path): string {
  const ops: string[] = [];
  let at = { x: 0, y: 0 };
  for (const segment of path) {
    if (segment[0] === 'Z') {
      ops.push('h');
      continue;
    }
    if (segment[0] === 'M' || segment[0] === 'L') {
      ops.push(`${numbers(across(page, segment[1]), up(page, segment[2]))} ${segment[0].toLowerCase()}`);
      at = { x: segment[1], y: segment[2] };
      continue;
    }
    const [, x1, y1, x2, y2, x, y] = segment[0] === 'Q' ? asCubic(at, segment) : segment;
    const ends = [x1, y1, x2, y2, x, y].map((n, i) => (i % 2 === 0 ? across(page, n) : up(page, n)));
    ops.push(`${numbers(...ends)} c`);
    at = { x, y };
  }
  return ops.join('\n');
}
