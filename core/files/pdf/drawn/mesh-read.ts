import type { LaidPicture } from '../../../devices/plates/device';
import type { Point } from '../../../geometry/box';
import type { Matrix } from '../../../geometry/matrix';
import { contentsOf } from '../parsed/filters';
import type { Stream } from '../parsed/syntax';
import { numbersOf, type PdfView } from '../parsed/view';

/** Meshes (ISO 32000-1, 8.7.4.5.5 to 8): triangles, lattices and patches, as patches of four corners and triangles. */

/** A corner with its colour: values of the shading's space, or the one that its function takes. */
export interface Corner extends Point {
  values: readonly number[];
}
/** Sixteen points, row by row from u = 0 on, and the colours of the corners (0, 0), (0, 1), (1, 1) and (1, 0). */
export interface Patch {
  points: readonly Point[];
  colours: readonly (readonly number[])[];
}
export interface Mesh {
  triangles: (readonly [Corner, Corner, Corner])[];
  patches: Patch[];
}

/** A shading as a picture of amounts of ink. */
export interface MeshLaid {
  laid: LaidPicture;
  /** Lays the unit square, top left corner first. */
  place: Matrix;
}

export const MESHES = [4, 5, 6, 7];
/** More than anybody draws by hand; the rest is left out. */
const MOST_PARTS = 40_000;

class BitReader {
  private at = 0;
  constructor(private readonly bytes: Uint8Array) {}

  /** How many bits are left. */
  get left(): number {
    return this.bytes.length * 8 - this.at;
  }

  /** The next bits as a share of what they can say at most; or, for flags, their number. */
  take(bits: number): number {
    let value = 0;
    for (let i = 0; i < bits; i++, this.at++)
      value = value * 2 + (((this.bytes[this.at >> 3] ?? 0) >> (7 - (this.at & 7))) & 1);
    return value;
  }

  align(): void {
    this.at = Math.ceil(this.at / 8) * 8;
  }
}

/** Where the twelve points of a patch's edge lie among its sixteen, in their order, and then its four inner ones. */
const EDGE = [0, 1, 2, 3, 7, 11, 15, 14, 13, 12, 8, 4];
const INNER = [5, 6, 10, 9];
/** By the flag, the points and colours of the patch before that begin this one. */
const SHARED: Readonly<Record<number, { points: readonly number[]; colours: readonly [number, number] }>> = {
  1: { points: [3, 7, 11, 15], colours: [1, 2] },
  2: { points: [15, 14, 13, 12], colours: [2, 3] },
  3: { points: [12, 8, 4, 0], colours: [3, 0] },
};

/** The inner points of a patch that has only its edges (8.7.4.5.8): each by the corner that it is nearest to. */
const COONS: readonly (readonly [at: number, weights: Readonly<Record<number, number>>])[] = [
  [5, { 0: -4, 1: 6, 4: 6, 3: -2, 12: -2, 13: 3, 7: 3, 15: -1 }],
  [6, { 3: -4, 2: 6, 7: 6, 0: -2, 15: -2, 14: 3, 4: 3, 12: -1 }],
  [9, { 12: -4, 13: 6, 8: 6, 15: -2, 0: -2, 1: 3, 11: 3, 3: -1 }],
  [10, { 15: -4, 14: 6, 11: 6, 12: -2, 3: -2, 2: 3, 8: 3, 0: -1 }],
];
function withInner(points: Point[]): Point[] {
  for (const [at, weights] of COONS) {
    const sum = { x: 0, y: 0 };
    for (const [i, weight] of Object.entries(weights)) {
      sum.x += (weight / 9) * points[Number(i)]!.x;
      sum.y += (weight / 9) * points[Number(i)]!.y;
    }
    points[at] = sum;
  }
  return points;
}

/** What a mesh is made of; undefined where its numbers make no sense. */
export function meshOf(view: PdfView, stream: Stream, kind: number): Mesh | undefined {
  const number = (key: string): number => Number(view.file.get(stream.dict.get(key)) ?? 0);
  const [perPlace, perColour, perFlag] = [
    number('BitsPerCoordinate'),
    number('BitsPerComponent'),
    number('BitsPerFlag'),
  ];
  const decode = numbersOf(view, stream.dict.get('Decode'));
  const channels = decode.length / 2 - 2;
  const isFlagged = kind !== 5;
  if (!(perPlace >= 1 && perPlace <= 32 && perColour >= 1 && perColour <= 16 && channels >= 1)) return undefined;
  if (isFlagged && ![2, 4, 8].includes(perFlag)) return undefined;
  const bits = new BitReader(contentsOf(stream, view.file));
  const scaled = (width: number, k: number): number =>
    decode[2 * k]! + (bits.take(width) / (2 ** width - 1)) * (decode[2 * k + 1]! - decode[2 * k]!);
  const place = (): Point => ({ x: scaled(perPlace, 0), y: scaled(perPlace, 1) });
  const colour = (): number[] => Array.from({ length: channels }, (_, k) => scaled(perColour, k + 2));
  const corner = (): Corner => {
    const made = { ...place(), values: colour() };
    bits.align();
    return made;
  };
  const mesh: Mesh = { triangles: [], patches: [] };
  if (kind === 5) {
    const across = number('VerticesPerRow');
    const size = 2 * perPlace + channels * perColour;
    if (!(across >= 2)) return undefined;
    let above: Corner[] | undefined;
    while (bits.left >= across * size && mesh.triangles.length < MOST_PARTS) {
      const row = Array.from({ length: across }, corner);
      for (let i = 1; above && i < across; i++)
        mesh.triangles.push([above[i - 1]!, above[i]!, row[i - 1]!], [above[i]!, row[i - 1]!, row[i]!]);
      above = row;
    }
    return mesh;
  }
  if (kind === 4) {
    const size = perFlag + 2 * perPlace + channels * perColour;
    let last: readonly [Corner, Corner, Corner] | undefined;
    const flagged = (): [flag: number, corner: Corner] => [bits.take(perFlag) & 3, corner()];
    while (bits.left >= size && mesh.triangles.length < MOST_PARTS) {
      const [flag, first] = flagged();
      if (flag === 0 || !last) last = [first, flagged()[1], flagged()[1]];
      else last = flag === 1 ? [last[1], last[2], first] : [last[0], last[2], first];
      mesh.triangles.push(last);
    }
    return mesh;
  }
  let before: Patch | undefined;
  while (bits.left >= perFlag + 8 * perPlace && mesh.patches.length < MOST_PARTS) {
    const shared = SHARED[bits.take(perFlag) & 3];
    const points: Point[] = [];
    const begins = before && shared ? shared : undefined;
    const places = (begins ? 8 : 12) + (kind === 7 ? 4 : 0);
    // Less than a whole patch is left: it was cut short.
    if (bits.left < 2 * places * perPlace + (begins ? 2 : 4) * channels * perColour) break;
    if (begins) for (const [i, from] of begins.points.entries()) points[EDGE[i]!] = before!.points[from]!;
    for (const at of EDGE.slice(begins ? 4 : 0)) points[at] = place();
    if (kind === 7) for (const at of INNER) points[at] = place();
    const taken = begins ? begins.colours.map((from) => before!.colours[from]!) : [colour(), colour()];
    const colours = [...taken, colour(), colour()];
    bits.align();
    before = { points: kind === 7 ? points : withInner(points), colours };
    mesh.patches.push(before);
  }
  return mesh;
}
