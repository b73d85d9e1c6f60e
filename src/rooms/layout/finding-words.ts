import type { Finding, Measure } from '../../../core/checks/check';
import { formatLength, type PieceUnit } from '../../../core/units/length';

export const measureWords = ({ value, kind }: Measure, unit: PieceUnit): string =>
  kind === 'ppi' ? `${Math.round(value)} ppi` : formatLength(value, unit, unit === 'in' ? 3 : 2);

/** A distance to the cut in words; what has crossed it is past it. */
const toCut = (measure: Measure, unit: PieceUnit): string =>
  measure.value < 0
    ? `${measureWords({ ...measure, value: -measure.value }, unit)} past the cut`
    : `${measureWords(measure, unit)} to the cut`;

const MEASURED: Record<string, (measure: Measure, unit: PieceUnit) => string> = {
  'short-of-bleed': (measure, unit) => `${measureWords(measure, unit)} past the cut`,
  'outside-safe': toCut,
};

/** `1.2 mm to the cut, wants 4 mm` */
export const measuredAndWanted = ({ check, measured, wanted }: Finding, unit: PieceUnit): string =>
  `${(MEASURED[check] ?? measureWords)(measured, unit)}, wants ${measureWords(wanted, unit)}`;
