import type { Pen } from '../../colour/fill';
import { partWithin } from '../../geometry/boolean';
import type { Matrix } from '../../geometry/matrix';
import { strokeOutline } from '../../geometry/offset';
import { type Path, pathBounds } from '../../geometry/path';

/** A colour of the drawing, or colour that runs; `matrix` lays a gradient's own space on the art. */
export type ArtColour =
  | { kind: 'flat'; hex: string }
  | { kind: 'linear' | 'radial'; matrix: Matrix; stops: { at: number; hex: string; alpha: number }[] };

/** What a drawing is made of, in points from its top left corner; the lowest first. Areas are read by the non-zero rule. */
export type ArtItem =
  | { kind: 'group'; name: string | undefined; items: ArtItem[] }
  | { kind: 'area'; name: string | undefined; path: Path; colour: ArtColour; opacity: number }
  | { kind: 'line'; name: string | undefined; path: Path; pen: Pen; colour: ArtColour; opacity: number };

export interface SvgArt {
  width: number;
  height: number;
  items: ArtItem[];
  /** Its colours as #rrggbb, in the order they come. */
  colours: string[];
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

/** Whether something lies inside a frame, so that nothing of it has to be cut off. */
function fits(item: ArtItem, frame: Path): boolean {
  if (item.kind === 'group') return item.items.every((each) => fits(each, frame));
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

/** What a frame shows of something: as it is where it lies inside, else as the areas that are left of it. */
export function cutTo(item: ArtItem, frame: Path): ArtItem[] {
  if (fits(item, frame)) return [item];
  if (item.kind === 'group')
    return grouped(
      item.name,
      item.items.flatMap((each) => cutTo(each, frame)),
    );
  const { name, colour, opacity } = item;
  const area = item.kind === 'line' ? strokeOutline(item.path, { ...item.pen, mitreLimit: USUAL_MITRE }) : item.path;
  const path = clipped(area, frame);
  const box = pathBounds(path);
  return box && box.width > 0 && box.height > 0 ? [{ kind: 'area', name, path, colour, opacity }] : [];
}
