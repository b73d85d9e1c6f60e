import { symbolPath } from '../codes/symbols';
import { blotPath } from '../geometry/blot';
import { corneredBoxPath, ellipsePath, polygonPath, starPath } from '../geometry/forms';
import { ontoBox } from '../geometry/matrix';
import { boxPath, type Path, parsePath, transformPath } from '../geometry/path';
import type { Framed, Shape } from '../job/schema';

function formPath(
  form: NonNullable<Shape['form']>,
  frame: { x: number; y: number; width: number; height: number },
): Path {
  if (form.kind === 'ellipse') return ellipsePath(frame);
  if (form.kind === 'blot') return transformPath(blotPath(form), ontoBox(frame));
  return form.kind === 'polygon' ? polygonPath(frame, form.sides) : starPath(frame, form.points, form.depth);
}

/** The outline of an element with a frame of its own, in points on its face: what it fills, or for a picture what crops it. */
export function outlineOf(element: Framed): Path {
  const { x, y, width, height } = element;
  const frame = { x, y, width, height };
  if (element.kind === 'code') return symbolPath(element.symbology, element.text, frame);
  if (element.kind === 'rule') return boxPath(frame);
  if (element.outline) return transformPath(parsePath(element.outline), [width, 0, 0, height, x, y]);
  if (element.form) return formPath(element.form, frame);
  return element.corners ? corneredBoxPath(frame, element.corners) : boxPath(frame);
}
