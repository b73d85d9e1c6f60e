import { isFlat } from '../colour/fill';
import type { Box, Point } from '../geometry/box';
import { linePath, type Path } from '../geometry/path';
import type { Rule } from '../job/schema';
import { type Colour, plates } from './colour';
import type { Device } from './device';
import { drawFill } from './fill';
import { outlineOf } from './outline';
import { silhouetteDevice } from './silhouette';
import type { SceneSources } from './sources';

/** An arrowhead is so many weights long, and so wide. */
const HEAD = { length: 4, width: 3.5 };

/** The line along the middle of a rule's longer side. */
export function ruleLine({ x, y, width, height }: Box): { from: Point; to: Point; weight: number } {
  return width >= height
    ? { from: { x, y: y + height / 2 }, to: { x: x + width, y: y + height / 2 }, weight: height }
    : { from: { x: x + width / 2, y }, to: { x: x + width / 2, y: y + height }, weight: width };
}

const towards = (from: Point, to: Point, by: number): Point => {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  return { x: from.x + ((to.x - from.x) * by) / length, y: from.y + ((to.y - from.y) * by) / length };
};

/** A triangle with its point at `tip`, coming from `from`. */
function arrowhead(from: Point, tip: Point, weight: number): Path {
  const base = towards(tip, from, HEAD.length * weight);
  const [ux, uy] = [(tip.x - base.x) / HEAD.length, (tip.y - base.y) / HEAD.length];
  const half = HEAD.width / 2;
  return [
    ['M', tip.x, tip.y],
    ['L', base.x - uy * half, base.y + ux * half],
    ['L', base.x + uy * half, base.y - ux * half],
    ['Z'],
  ];
}

/** A rule as a line with its dashes and ends, inside its frame. */
function drawLine(rule: Rule, colour: Colour, device: Device): void {
  const { dash, ends = 'flat' } = rule;
  const line = ruleLine(rule);
  const { weight } = line;
  const round = ends === 'round';
  const [head, tail] = [ends === 'arrow' || ends === 'arrows', ends === 'arrows'];
  const inset = (is: boolean): number => (is ? (HEAD.length - 0.5) * weight : round ? weight / 2 : 0);
  const from = towards(line.from, line.to, inset(tail));
  const to = towards(line.to, line.from, inset(head));
  device.strokePath(
    linePath(from, to),
    { weight, ...(dash ? { dash: [...dash] } : {}), ...(round ? { cap: 'round' } : {}) },
    colour,
  );
  if (head) device.fillPath(arrowhead(line.from, line.to, weight), colour);
  if (tail) device.fillPath(arrowhead(line.to, line.from, weight), colour);
}

/** A plain rule is an area; one with dashes or ends of its own is a line with them, or in more than one ink its outline. */
export function drawRule(rule: Rule, sources: SceneSources, device: Device): void {
  const { paint, dash, ends = 'flat' } = rule;
  if (!dash && ends === 'flat') drawFill(paint, outlineOf(rule), rule, sources, device);
  else if (isFlat(paint)) drawLine(rule, plates(paint, sources), device);
  else {
    const outline = silhouetteDevice();
    drawLine(rule, {}, outline);
    drawFill(paint, outline.path(), rule, sources, device);
  }
}
