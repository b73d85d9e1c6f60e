import { formatLength, type PieceUnit } from '../units/length';
import type { Finding, Measure } from './check';

/** A measured value in the user's unit. */
export function measureWords({ value, kind }: Measure, unit: PieceUnit): string {
  if (kind === 'ppi') return `${Math.round(value)} ppi`;
  if (kind === 'count') return `${value}`;
  if (kind === 'ink') return `${Math.round(value * 100)} %`;
  if (kind === 'lightness') return `${Math.round(value)} of 100 in lightness`;
  if (kind === 'difference') return `ΔE ${(Math.round(value * 10) / 10).toFixed(1)}`;
  if (kind === 'ratio') return `${value.toFixed(2)} to 1`;
  if (kind === 'type') return formatLength(value, 'pt', 2);
  return formatLength(value, unit, unit === 'in' ? 3 : 2);
}

/** A distance to the cut in words; what has crossed it is past it. */
const toCut = (measure: Measure, unit: PieceUnit): string =>
  measure.value < 0
    ? `${measureWords({ ...measure, value: -measure.value }, unit)} past the cut`
    : `${measureWords(measure, unit)} to the cut`;

const MEASURED: Record<string, (measure: Measure, unit: PieceUnit) => string> = {
  'short-of-bleed': (measure, unit) => `${measureWords(measure, unit)} past the cut`,
  'outside-safe': toCut,
};

/** `1.2 mm to the cut, wants 4 mm`. Counts that should be none say all in the problem itself. */
export function measuredAndWanted({ check, measured, wanted }: Finding, unit: PieceUnit): string | undefined {
  if (wanted.kind === 'count') return wanted.value === 0 ? undefined : `${measured.value}, at most ${wanted.value}`;
  if (wanted.kind === 'ink' || wanted.kind === 'difference')
    return `${measureWords(measured, unit)}, at most ${measureWords(wanted, unit)}`;
  return `${(MEASURED[check] ?? measureWords)(measured, unit)}, wants ${measureWords(wanted, unit)}`;
}
