import type { Shadow, Stroke } from '../../../../core/colour/fill';
import { setOpacity, setShadow, setStroke } from '../../../../core/job/edits/elements';
import type { Element, Shape } from '../../../../core/job/schema';
import { toPoints } from '../../../../core/units/length';
import { act } from '../../../store/session';

export const NEW_SHADOW: Shadow = {
  ink: 'black',
  tint: 0.4,
  x: toPoints(0.6, 'mm'),
  y: toPoints(0.8, 'mm'),
  blur: toPoints(1, 'mm'),
};
export const NEW_STROKE: Stroke = { weight: 1, paint: { ink: 'black', tint: 1 } };

/** Gives all of these a shadow, or takes it off where all have one. */
export function toggleShadow(elements: readonly Element[]): void {
  const on = !elements.every((e) => e.shadow);
  act('Shadow', (job) => elements.reduce((j, e) => setShadow(j, e.id, on ? (e.shadow ?? NEW_SHADOW) : undefined), job));
}

/** Gives all shapes among these a line along their outlines, or takes it off where all have one. */
export function toggleStroke(elements: readonly Element[]): void {
  const shapes = elements.filter((e): e is Shape => e.kind === 'shape');
  const on = !shapes.every((e) => e.stroke);
  act('Stroke', (job) => shapes.reduce((j, e) => setStroke(j, e.id, on ? (e.stroke ?? NEW_STROKE) : undefined), job));
}

/** Lets half of what is below be seen, or nothing where all of these let something through. */
export function toggleSeenThrough(elements: readonly Element[]): void {
  const through = !elements.every((e) => e.opacity !== undefined && e.opacity < 1);
  act('Opacity', (job) => elements.reduce((j, e) => setOpacity(j, e.id, through ? (e.opacity ?? 0.5) : 1), job));
}
