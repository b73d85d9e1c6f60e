import { type PieceUnit, toPoints } from '../../../core/units/length';

/** Drags land on tidy numbers: tenths of a millimetre, sixty-fourths of an inch. In points. */
export const tidyStep = (unit: PieceUnit): number => (unit === 'mm' ? toPoints(0.1, 'mm') : toPoints(1 / 64, 'in'));

/** How far an arrow key nudges where nothing else has been set. In points. */
export const nudgeStep = tidyStep;

/** How much further with Shift: a millimetre, a sixteenth of an inch; ten times a step of one's own. */
export const largeNudge = (unit: PieceUnit, own: number | undefined): number =>
  own === undefined ? (unit === 'mm' ? toPoints(1, 'mm') : toPoints(1 / 16, 'in')) : 10 * own;
