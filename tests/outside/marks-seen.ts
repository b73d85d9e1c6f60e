import type { PagePixels } from './tools';

export interface PlacedBox {
  x: number;
  y: number;
}

/** Dark squares of a known side on a grey page: the middles of joined dark pixels whose box is as large, in millimetres. */
export function squaresIn({ data, width, height }: PagePixels, dpi: number, side: number): PlacedBox[] {
  const seen = new Uint8Array(data.length);
  const squares: PlacedBox[] = [];
  const mm = 25.4 / dpi;
  for (let start = 0; start < data.length; start++) {
    if (seen[start] || data[start]! > 100) continue;
    let [left, right, top, bottom, count] = [width, 0, height, 0, 0];
    const todo = [start];
    seen[start] = 1;
    for (let at = todo.pop(); at !== undefined; at = todo.pop()) {
      const [x, y] = [at % width, Math.floor(at / width)];
      count++;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
      for (const next of [at - 1, at + 1, at - width, at + width])
        if (next >= 0 && next < data.length && !seen[next] && data[next]! <= 100) {
          seen[next] = 1;
          todo.push(next);
        }
    }
    const [wide, high] = [(right - left + 1) * mm, (bottom - top + 1) * mm];
    const full = count > 0.9 * (right - left + 1) * (bottom - top + 1);
    if (full && Math.abs(wide - side) < 0.2 && Math.abs(high - side) < 0.2)
      squares.push({ x: ((left + right + 1) / 2) * mm, y: ((top + bottom + 1) / 2) * mm });
  }
  return squares;
}
