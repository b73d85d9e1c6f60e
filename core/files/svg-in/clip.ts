import type { Element } from '@xmldom/xmldom';
import { fromEvenOdd, whollyCovered } from '../../geometry/boolean';
import type { Box } from '../../geometry/box';
import { IDENTITY, type Matrix, multiply, ontoBox } from '../../geometry/matrix';
import { boxPath, type Path, pathBounds, transformPath } from '../../geometry/path';
import { clipped } from '../art-in/art';
import { outlineOfSvg, type Viewport } from './outlines';
import { type Around, children, inherit, linked, type Reading, type Style, urlId } from './reading';
import { lengthOf, transformOf } from './values';
import { textPath } from './words';

function placeOf(reading: Reading, child: Element, target: Element, { viewport }: Around): Matrix {
  const outer = transformOf(reading.own(child).get('transform'));
  if (child === target) return outer;
  const x = lengthOf(child.getAttribute('x') ?? '0', viewport.width) ?? 0;
  const y = lengthOf(child.getAttribute('y') ?? '0', viewport.height) ?? 0;
  return multiply(multiply(outer, [1, 0, 0, 1, x, y]), transformOf(reading.own(target).get('transform')));
}

/** Clips in the place that one is used at, each made once; undefined while it is being made, so that none clips itself. */
type Made = Map<Element, Path | undefined>;

/** A path cut by the clip that an element of a clip has itself, if any. */
function clippedAgain(
  reading: Reading,
  path: Path,
  by: Element,
  around: Around,
  box: Box | undefined,
  made: Made,
): Path {
  const id = urlId(reading.own(by).get('clip-path'));
  const clip = id ? reading.byId(id) : undefined;
  return clip ? clipped(path, made.has(clip) ? made.get(clip) : makeClip(reading, clip, around, box, made)) : path;
}

function makeClip(reading: Reading, element: Element, around: Around, box: Box | undefined, made: Made): Path {
  made.set(element, undefined);
  const ownUnits = element.getAttribute('clipPathUnits') === 'objectBoundingBox';
  const matrix = multiply(
    around.matrix,
    multiply(ownUnits && box ? ontoBox(box) : IDENTITY, transformOf(reading.own(element).get('transform'))),
  );
  const parts = children(element).flatMap((child): Path[] => {
    reading.count(1);
    const target = child.localName === 'use' ? linked(reading, child) : child;
    if (!target) return [];
    const style = inherit(reading, target, inherit(reading, child, inherit(reading, element, around.style)));
    if (style.get('display') === 'none' || (style.get('visibility') ?? 'visible') !== 'visible') return [];
    const outline =
      target.localName === 'text'
        ? textPath(reading, target, style, around)
        : outlineOfSvg(target, style, around.viewport);
    if (!outline || outline.length === 0) return [];
    const there = transformPath(outline, multiply(matrix, placeOf(reading, child, target, around)));
    const whole = style.get('clip-rule') === 'evenodd' ? fromEvenOdd(there) : there;
    return [clippedAgain(reading, whole, child, around, box, made)];
  });
  const all = parts.length > 0 ? whollyCovered(parts) : [];
  const clip = clippedAgain(reading, all, element, around, box, made);
  made.set(element, clip);
  return clip;
}

/** All that a clip path lets through, in points; a clip of nothing lets nothing through. */
export const clipOf = (reading: Reading, element: Element, around: Around, box: Box | undefined): Path =>
  makeClip(reading, element, around, box, new Map());

/** The box of something in its own units, for clips that are measured by it. */
export function boxOf(reading: Reading, element: Element, style: Style, viewport: Viewport): Box | undefined {
  reading.count(1);
  const outline = outlineOfSvg(element, style, viewport);
  if (outline) return pathBounds(outline);
  const boxes = children(element).flatMap((child) => {
    const inner = boxOf(reading, child, inherit(reading, child, style), viewport);
    if (!inner) return [];
    const path = transformPath(boxPath(inner), transformOf(reading.own(child).get('transform')));
    return pathBounds(path) ?? [];
  });
  return boxes.length > 0 ? pathBounds(boxes.flatMap((box) => [...boxPath(box)])) : undefined;
}
