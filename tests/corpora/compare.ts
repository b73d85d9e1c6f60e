import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** A file of a kind, or all of that kind in a folder, in the order of their names. */
export function filesIn(path: string, ending: string): string[] {
  const stat = statSync(path, { throwIfNoEntry: false });
  if (stat?.isDirectory())
    return readdirSync(path)
      .sort()
      .flatMap((name) => filesIn(join(path, name), ending));
  return stat?.isFile() && path.endsWith(ending) ? [path] : [];
}

/** Places of two pictures, three bytes a pixel, where the mean of nine pixels is more than `levels` off. */
export function placesOff(a: Buffer, b: Buffer, width: number, height: number, levels: number): number {
  let places = 0;
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++)
      for (let c = 0; c < 3; c++) {
        let sum = 0;
        for (let j = -1; j <= 1; j++)
          for (let i = -1; i <= 1; i++) {
            const at = ((y + j) * width + x + i) * 3 + c;
            sum += a[at]! - b[at]!;
          }
        if (Math.abs(sum) <= 9 * levels) continue;
        places++;
        break;
      }
  return places;
}
