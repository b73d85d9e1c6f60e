import { nanoid } from 'nanoid';
import { mainPaint } from '../../../core/colour/fill';
import type { Combining } from '../../../core/geometry/boolean-names';
import { type Box, middleOf, outset } from '../../../core/geometry/box';
import { turnAbout } from '../../../core/geometry/matrix';
import { offsetPath, strokeOutline } from '../../../core/geometry/offset';
import { boxPath, type Path, pathBounds, transformPath } from '../../../core/geometry/path';
import { layOver, layUnder, removeElement, replaceElement, setStroke } from '../../../core/job/edits/elements';
import { replaceElements, shapeLike } from '../../../core/job/edits/outlines';
import { cropBy } from '../../../core/job/edits/pictures';
import { lookOf } from '../../../core/job/look';
import { makeShape } from '../../../core/job/make';
import type { Element, Shape } from '../../../core/job/schema';
import { pictureBox, pointsPerPixel } from '../../../core/picture/place';
import { canExtend, extendToBleed } from '../../../core/scene/extend';
import { outlineOf } from '../../../core/scene/outline';
import { seenArea } from '../../../core/scene/seen-area';
import { turnOf } from '../../../core/scene/turn';
import type { Bench } from '../../bench/bench';
import { act, select } from '../../store/session';

/** What a designer does to shapes as areas. The geometry that combines areas is large, and is loaded when it is wanted. */
const loadAreas = () => import('../../../core/geometry/boolean');

/** In the order of the stack, bottom first. */
const stacked = ({ selection, shown }: Bench): Element[] => {
  const order = shown.flatMap((face) => face.elements);
  return [...selection].filter((e) => !e.locked).sort((a, b) => order.indexOf(a) - order.indexOf(b));
};

/** A shape that carries what an element is painted with, for an area made of it. */
function shapeFrom(element: Element, { job }: Bench): Shape {
  if (element.kind === 'shape') {
    const { repeat: _repeat, ...shape } = element;
    return shape;
  }
  const paint =
    element.kind === 'words'
      ? (element.fill ?? lookOf(element, job.styles).lettering.paint)
      : element.kind === 'rule'
        ? element.paint
        : element.kind === 'code'
          ? element.paint
          : { ink: 'black', tint: 1 };
  const base = makeShape({ id: element.id, x: 0, y: 0, width: 1, height: 1, paint });
  return { ...base, ...(element.group ? { group: element.group } : {}) };
}

function put(name: string, bench: Bench, of: readonly Element[], like: Element, paths: readonly Path[]): void {
  const shapes = paths.flatMap((path) => shapeLike(shapeFrom(like, bench), nanoid(10), path) ?? []);
  act(name, (job) =>
    replaceElements(
      job,
      of.map((e) => e.id),
      shapes,
    ),
  );
  select(...shapes.map((shape) => shape.id));
}

export const COMBINE_SAYS: Record<Combining, string> = {
  unite: 'Union',
  subtract: 'Subtract from lowest',
  intersect: 'Intersection',
  exclude: 'Exclude overlap',
  divide: 'Divide',
};

/** Makes one area, or the parts, of those selected; it is painted as the lowest is. The others cut into the lowest. */
export async function combineSelection(bench: Bench, how: Combining): Promise<void> {
  const elements = stacked(bench);
  const [lowest] = elements;
  if (!lowest || elements.length < 2) return;
  const { combine } = await loadAreas();
  const areas = elements.map((e) => seenArea(e, bench.sources));
  const parts =
    how === 'divide'
      ? areas
          .slice(1)
          .reduce<Path[]>(
            (pieces, area) =>
              pieces.flatMap((piece) => [
                ...combine([piece, area], 'subtract'),
                ...combine([piece, area], 'intersect'),
              ]),
            [areas[0]!],
          )
      : combine(areas, how);
  put(COMBINE_SAYS[how], bench, elements, lowest, parts);
}
/** The outline of a shape as it is seen, without its line. */
const seenOutline = (shape: Shape): Path => transformPath(outlineOf(shape), turnOf(shape, shape));

/** A plain rectangle with round corners, or none, can be moved outwards as a rectangle. */
function offsetRectangle(shape: Shape, by: number): { frame: Box; corners: Shape['corners'] } | undefined {
  const { x, y, width, height, corners } = shape;
  if (shape.outline || shape.form || corners?.some((corner) => corner.form !== 'round')) return undefined;
  const frame = outset({ x, y, width, height }, by);
  if (frame.width <= 0 || frame.height <= 0) return undefined;
  const moved = corners?.map((corner) => ({
    ...corner,
    radius: corner.radius > 0 ? Math.max(0, corner.radius + by) : 0,
  }));
  return { frame, corners: moved as Shape['corners'] };
}

/** A shape pushed outwards by a distance in points, or inwards; as another shape, or itself. Undefined: nothing is left. */
export function offsetShape(shape: Shape, id: string, by: number, join: 'mitre' | 'round'): Shape | undefined {
  const rectangle = join === 'mitre' ? offsetRectangle(shape, by) : undefined;
  if (!rectangle) return shapeLike(shape, id, offsetPath(seenOutline(shape), by, join));
  const { corners: _corners, ...rest } = shape;
  return { ...rest, id, ...rectangle.frame, ...(rectangle.corners ? { corners: rectangle.corners } : {}) };
}

/** Lays an even border: another shape inside the one selected, on top of it; or round it, underneath. */
export function addOffset(shape: Shape, by: number, join: 'mitre' | 'round'): boolean {
  const id = nanoid(10);
  const made = offsetShape(shape, id, by, join);
  if (!made) return false;
  const paint = mainPaint(shape.paint);
  const other = paint && { ink: paint.ink, tint: paint.tint > 0.6 ? paint.tint / 2 : 1 };
  const painted: Shape = other ? { ...made, paint: other } : made;
  const lay = by > 0 ? layUnder : layOver;
  act(by < 0 ? 'Shape inside' : 'Shape around', (job) => lay(job, shape.id, painted));
  select(id);
  return true;
}

/** Changes the outline itself. */
export function pushOutline(shape: Shape, by: number, join: 'mitre' | 'round'): boolean {
  const made = offsetShape(shape, shape.id, by, join);
  if (made) act(by < 0 ? 'Push in' : 'Push out', (job) => replaceElement(job, made));
  return made !== undefined;
}

/** Makes areas of lines: of rules, and of the lines along shapes' outlines, which then lie on their shapes. */
export function linesToShapes(bench: Bench): void {
  const lined = stacked(bench).filter((e) => e.kind === 'rule' || (e.kind === 'shape' && e.stroke));
  const made: string[] = [];
  act('Convert stroke to shape', (job) =>
    lined.reduce((j, e) => {
      if (e.kind === 'rule') {
        const shape = shapeLike(shapeFrom(e, bench), e.id, seenArea(e, bench.sources));
        if (shape) made.push(shape.id);
        return shape ? replaceElement(j, shape) : j;
      }
      if (e.kind !== 'shape' || !e.stroke) return j;
      const { paint, ...pen } = e.stroke;
      const line = shapeLike({ ...e, paint }, nanoid(10), strokeOutline(seenOutline(e), pen));
      if (!line) return j;
      const { stroke: _stroke, ...bare } = line;
      made.push(line.id);
      const over = layOver(setStroke(j, e.id, undefined), e.id, bare);
      // A shape that was nothing but its line is gone.
      return mainPaint(e.paint) ? over : removeElement(over, e.id);
    }, job),
  );
  select(...made);
}

/** Makes outlines of words: an area each, no longer words. */
export function wordsToOutlines(bench: Bench): void {
  const words = stacked(bench).filter((e) => e.kind === 'words');
  const shapes = words.flatMap(
    (e) =>
      shapeLike({ ...shapeFrom(e, bench), name: e.name ?? 'Outlined text' }, e.id, seenArea(e, bench.sources)) ?? [],
  );
  act('Convert text to outlines', (job) => shapes.reduce(replaceElement, job));
  select(...shapes.map((shape) => shape.id));
}

/** Cuts thin slits through a shape: so many, so wide (points), at an angle, evenly over it. */
export async function cutSlits(
  bench: Bench,
  shape: Shape,
  { count, width, angle }: { count: number; width: number; angle: number },
): Promise<void> {
  const area = seenOutline(shape);
  const box = pathBounds(area);
  if (!box) return;
  const { combine } = await loadAreas();
  const middle = middleOf(box);
  const turned = pathBounds(transformPath(area, turnAbout(middle, -angle)))!;
  const step = turned.width / (count + 1);
  const slits = Array.from({ length: count }, (_, i) =>
    transformPath(
      boxPath({
        x: turned.x + step * (i + 1) - width / 2,
        y: turned.y - 1,
        width,
        height: turned.height + 2,
      }),
      turnAbout(middle, angle),
    ),
  );
  const [left] = combine([area, slits.flat()], 'subtract');
  if (left) put('Cut slits', bench, [shape], shape, [left]);
}

/** Crops the selected picture by the selected shape. */
export function cropByShape(bench: Bench): void {
  const picture = bench.selection.find((e) => e.kind === 'picture');
  const shape = bench.selection.find((e) => e.kind === 'shape');
  const asset = picture?.kind === 'picture' && bench.job.assets[picture.asset];
  if (picture?.kind !== 'picture' || shape?.kind !== 'shape' || !asset) return;
  const lies = {
    ...pictureBox(picture, asset.width, asset.height),
    perPixel: pointsPerPixel(picture, asset.width, asset.height),
  };
  act('Crop by the shape', (job) => cropBy(job, picture.id, shape, lies));
  select(picture.id);
}

/** Brings the edges of the selected art that end at the trim out to the bleed. */
export function extendSelection(bench: Bench): void {
  const { piece, shop, selection } = bench;
  const edge = { width: piece.width, height: piece.height, bleed: shop.bleed[piece.kind], meets: shop.meetsTrim };
  const able = selection.filter((e) => !e.locked && canExtend(e));
  act('Extend to bleed', (job) => able.reduce((j, e) => extendToBleed(j, e.id, edge), job));
}
