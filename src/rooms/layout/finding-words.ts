import type { Finding, Measure } from '../../../core/checks/check';
import { formatLength, type PieceUnit } from '../../../core/units/length';

export const measureWords = ({ value, kind }: Measure, unit: PieceUnit): string =>
  kind === 'ppi' ? `${Math.round(value)} ppi` : formatLength(value, unit, unit === 'in' ? 3 : 2);

const TO_WHAT: Record<string, string> = { 'short-of-bleed': ' past the cut', 'outside-safe': ' to the cut' };

/** `1.2 mm to the cut, wants 4 mm` */
export const measuredAndWanted = ({ check, measured, wanted }: Finding, unit: PieceUnit): string =>
  `${measureWords(measured, unit)}${TO_WHAT[check] ?? ''}, wants ${measureWords(wanted, unit)}`;
