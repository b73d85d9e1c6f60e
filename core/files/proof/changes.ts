import { type Box, outset, overlaps, unionOf } from '../../geometry/box';

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
function joined(boxes: readonly Box[]): Box[] {
  const out: Box[] = [];
  for (const each of boxes) {
    let box = each;
    for (;;) {
      const at = out.findIndex((other) => overlaps(outset(other, NEAR), box));
      if (at < 0) break;
      const [other] = out.splice(at, 1);
      box = unionOf([other!, box])!;
    }
    out.push(box);
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
