import { type PieceUnit, toPoints } from '../../../core/units/length';

/** Drags land on tidy numbers: tenths of a millimetre, sixty-fourths of an inch. In points. */
export const tidyStep = (unit: PieceUnit): number => (unit === 'mm' ? toPoints(0.1, 'mm') : toPoints(1 / 64, 'in'));

/** How far an arrow key nudges, and with Shift. In points. */
export const nudgeStep = (unit: PieceUnit, large: boolean): number =>
  unit === 'mm' ? toPoints(large ? 1 : 0.1, 'mm') : toPoints(large ? 1 / 16 : 1 / 64, 'in');
