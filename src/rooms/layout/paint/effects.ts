import type { Shadow, Stroke } from '../../../../core/colour/fill';
import { setOpacity, setShadow, setStroke } from '../../../../core/job/edits/elements';
import type { Element, Shape } from '../../../../core/job/schema';
import { type PieceUnit, roundIn } from '../../../../core/units/length';
import { act } from '../../../store/session';

/** In round figures of the piece's unit. */
export const newShadow = (unit: PieceUnit): Shadow => ({
  ink: 'black',
  tint: 0.4,
  x: roundIn(unit, 0.6, 1 / 40),
  y: roundIn(unit, 0.8, 1 / 32),
  blur: roundIn(unit, 1, 1 / 25),
});
export const NEW_STROKE: Stroke = { weight: 1, paint: { ink: 'black', tint: 1 } };

/** Gives all of these a shadow, or takes it off where all have one. */
export function toggleShadow(elements: readonly Element[], unit: PieceUnit): void {
  const on = !elements.every((e) => e.shadow);
  act('Shadow', (job) =>
    elements.reduce((j, e) => setShadow(j, e.id, on ? (e.shadow ?? newShadow(unit)) : undefined), job),
  );
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
