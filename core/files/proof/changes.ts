import type { Box } from '../../geometry/box';

/** RGB bytes of a face, its bleed with it. */
export interface FaceShot {
  face: string;
  width: number;
  height: number;
  ppi: number;
  rgb: Uint8Array;
}

/** Less than this between two colours, of 255, is what a different rounding makes. */
const SAME = 14;
/** Places nearer to one another than this are one, in pixels. */
const NEAR = 6;

/** A shot with half as many pixels each way: what is kept of a proof to compare the next one with. */
export function halved({ face, width, height, ppi, rgb }: FaceShot): FaceShot {
  const [wide, high] = [Math.floor(width / 2), Math.floor(height / 2)];
  const out = new Uint8Array(wide * high * 3);
  for (let y = 0, to = 0; y < high; y++)
    for (let x = 0; x < wide; x++)
      for (let c = 0; c < 3; c++, to++) {
        const at = (2 * y * width + 2 * x) * 3 + c;
        out[to] = (rgb[at]! + rgb[at + 3]! + rgb[at + width * 3]! + rgb[at + width * 3 + 3]!) >> 2;
      }
  return { face, width: wide, height: high, ppi: ppi / 2, rgb: out };
}

/** Boxes that overlap or nearly do as one, until none do. */
function joined(boxes: Box[]): Box[] {
  const out = [...boxes];
  for (let i = 0; i < out.length; i++)
    for (let k = i + 1; k < out.length; k++) {
      const [a, b] = [out[i]!, out[k]!];
      const apart =
        a.x > b.x + b.width + NEAR ||
        b.x > a.x + a.width + NEAR ||
        a.y > b.y + b.height + NEAR ||
        b.y > a.y + a.height + NEAR;
      if (apart) continue;
      const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
      out[i] = {
        x,
        y,
        width: Math.max(a.x + a.width, b.x + b.width) - x,
        height: Math.max(a.y + a.height, b.y + b.height) - y,
      };
      out.splice(k, 1);
      i = -1;
      break;
    }
  return out;
}

/**
 * The places of a face that look unlike they did, in points from the bleed's corner. A face of another size is all
 * changed.
 */
export function changedPlaces(now: FaceShot, then: FaceShot): Box[] {
  const side = 72 / now.ppi;
  if (now.width !== then.width || now.height !== then.height)
    return [{ x: 0, y: 0, width: now.width * side, height: now.height * side }];
  const rows: Box[] = [];
  for (let y = 0; y < now.height; y++) {
    let [first, last] = [-1, -1];
    const close = (): void => {
      if (first >= 0) rows.push({ x: first, y, width: last - first + 1, height: 1 });
      first = -1;
    };
    for (let x = 0; x < now.width; x++) {
      const at = (y * now.width + x) * 3;
      const differs = [0, 1, 2].some((c) => Math.abs(now.rgb[at + c]! - then.rgb[at + c]!) > SAME);
      if (differs) {
        if (first < 0) first = x;
        last = x;
      } else if (first >= 0 && x - last > NEAR) close();
    }
    close();
  }
  return joined(rows).map(({ x, y, width, height }) => ({
    x: x * side,
    y: y * side,
    width: width * side,
    height: height * side,
  }));
}
