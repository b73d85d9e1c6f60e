/** Cells moved by a way that need not be whole cells, by what lies between them; what comes in from outside is bare. */
export function shifted(cells: Float32Array, width: number, height: number, dx: number, dy: number): Float32Array {
  const [wholeX, wholeY] = [Math.floor(dx), Math.floor(dy)];
  const [partX, partY] = [dx - wholeX, dy - wholeY];
  const at = (x: number, y: number): number =>
    x < 0 || y < 0 || x >= width || y >= height ? 0 : cells[y * width + x]!;
  const to = new Float32Array(cells.length);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const [fx, fy] = [x - wholeX, y - wholeY];
      const here = at(fx, fy) * (1 - partX) + at(fx - 1, fy) * partX;
      const above = at(fx, fy - 1) * (1 - partX) + at(fx - 1, fy - 1) * partX;
      to[i] = here * (1 - partY) + above * partY;
    }
  return to;
}
