import type { Pen } from '../../colour/fill';
import type { Cmyk } from '../../colour/ink';
import { partWithin } from '../../geometry/boolean';
import type { Box, Point } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import { strokeOutline } from '../../geometry/offset';
import { type Path, pathBounds } from '../../geometry/path';
import type { Asset } from '../../job/schema';

/** Art that others made, as it is taken in: an SVG drawing, or a page of a PDF. */

/** What a colour of the art is: of a screen, amounts of the process inks, or an ink of its own with what stands in for it. */
export type ArtInk =
  | { kind: 'screen'; hex: string }
  | { kind: 'process'; cmyk: Cmyk }
  | { kind: 'spot'; name: string; cmyk: Cmyk };

/** An ink of the art by its key, at a tint; whole where it is left out. */
export interface ArtPaint {
  key: string;
  tint?: number;
}

/** One paint, or colour that runs; `matrix` lays a gradient's own space on the art. */
export type ArtColour =
  | ({ kind: 'flat' } & ArtPaint)
  | { kind: 'linear' | 'radial'; matrix: Matrix; focus?: Point; stops: ({ at: number; alpha: number } & ArtPaint)[] };

/** What all that lies on a page may say of itself. */
interface Common {
  name: string | undefined;
  opacity: number;
  /** Whether it prints on what is below it. */
  overprints?: boolean;
}

export type ArtArea = { kind: 'area'; path: Path; colour: ArtColour } & Common;
export type ArtLine = { kind: 'line'; path: Path; pen: Pen; colour: ArtColour } & Common;
/** A picture of the art, by its key; `place` lays the unit square, top left corner first. */
export type ArtPicture = {
  kind: 'picture';
  picture: string;
  place: Matrix;
  /** What it is cropped by, where not by its own frame. */
  window?: Path;
  /** Its greys in this paint instead of in black. */
  ink?: ArtPaint;
  /** Whole at the beginning of this, gone at its end. */
  fade?: { kind: 'linear' | 'radial'; matrix: Matrix };
} & Common;
/** A stretch of a line, in thousandths of its size further apart than the typeface has it. */
export interface ArtSpan {
  text: string;
  tracking: number;
}
/** A line of words: `x` and `baseline` are where its pen starts, `angle` how it is turned about that, degrees clockwise. */
export type ArtWords = {
  kind: 'words';
  spans: ArtSpan[];
  typeface: string;
  size: number;
  x: number;
  baseline: number;
  angle: number;
  paint: ArtPaint;
} & Common;
export type ArtGroup = { kind: 'group'; name: string | undefined; items: ArtItem[] };

/** What art is made of, in points from its top left corner; the lowest first. Areas are read by the non-zero rule. */
export type ArtItem = ArtGroup | ArtArea | ArtLine | ArtPicture | ArtWords;

export interface Art {
  width: number;
  height: number;
  /** The part of it that is the finished piece, where it says so: what lies outside is bleed. */
  trim?: Box;
  items: ArtItem[];
  /** Its inks by their keys, in the order they come. */
  inks: Record<string, ArtInk>;
  /** Its pictures by their keys: the hash of the file and what the job keeps of it. */
  pictures: Record<string, { hash: string; asset: Asset }>;
  /** What could not be kept as it was, in words. */
  notes: string[];
}

/** The mitre limit of a line that says nothing of it, in SVG as in PDF's usual pens here. */
export const USUAL_MITRE = 4;

/** One thing alone needs no group around it. */
export const grouped = (name: string | undefined, items: ArtItem[]): ArtItem[] =>
  items.length > 1 ? [{ kind: 'group', name, items }] : items;

/** The part of an area that a clip lets through; all of it where there is none. */
export const clipped = (path: Path, clip: Path | undefined): Path => (clip ? partWithin(path, clip) : path);

/** What a line covers, as an area. */
export const areaOfLine = ({ path, pen }: ArtLine): Path => strokeOutline(path, { ...pen, mitreLimit: USUAL_MITRE });

/** Whether an area or a line lies inside a frame, so that nothing of it has to be cut off. */
export function fitsIn(item: ArtArea | ArtLine, frame: Path): boolean {
  const [box, outer] = [pathBounds(item.path), pathBounds(frame)];
  const reach = item.kind === 'line' ? item.pen.weight / 2 : 0;
  if (!box || !outer) return true;
  return (
    box.x - reach >= outer.x - 0.01 &&
    box.y - reach >= outer.y - 0.01 &&
    box.x + box.width + reach <= outer.x + outer.width + 0.01 &&
    box.y + box.height + reach <= outer.y + outer.height + 0.01
  );
}

/** What an area, whatever its shape, leaves of another or of a line. */
export function cutArea(item: ArtArea | ArtLine, frame: Path): ArtArea[] {
  const { name, colour, opacity, overprints } = item;
  const path = clipped(item.kind === 'line' ? areaOfLine(item) : item.path, frame);
  const box = pathBounds(path);
  if (!box || box.width <= 0 || box.height <= 0) return [];
  return [{ kind: 'area', name, path, colour, opacity, ...(overprints ? { overprints } : {}) }];
}

/** What an upright frame shows of something: as it is where it lies inside, else as the areas that are left of it. */
export function cutTo(item: ArtItem, frame: Path): ArtItem[] {
  if (item.kind === 'group')
    return grouped(
      item.name,
      item.items.flatMap((each) => cutTo(each, frame)),
    );
  if (item.kind !== 'area' && item.kind !== 'line') return [item];
  return fitsIn(item, frame) ? [item] : cutArea(item, frame);
}
