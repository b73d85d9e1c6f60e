import { gramsSaid } from '../trade/weight';
import { formatLength, type PieceUnit } from '../units/length';
import type { Finding, Measure } from './check';

/** A measured value in the user's unit. */
export function measureWords({ value, kind }: Measure, unit: PieceUnit): string {
  if (kind === 'ppi') return `${Math.round(value)} ppi`;
  if (kind === 'count') return `${value}`;
  if (kind === 'ink') return `${Math.round(value * 100)} %`;
  if (kind === 'lightness') return `${Math.round(value)} of 100 in lightness`;
  if (kind === 'difference') return `ΔE ${(Math.round(value * 10) / 10).toFixed(1)}`;
  if (kind === 'grammage') return `${Math.round(value)} g/m²`;
  if (kind === 'weight') return gramsSaid(value);
  if (kind === 'ratio') return `${value.toFixed(2)} to 1`;
  if (kind === 'type') return formatLength(value, 'pt', 2);
  return formatLength(value, unit, unit === 'in' ? 3 : 2);
}

/** What is needed, exactly: a limit of an eighth of an inch is 3.175 mm, however finely things are measured. */
const limitWords = (measure: Measure, unit: PieceUnit): string =>
  measure.kind === 'length' ? formatLength(measure.value, unit) : measureWords(measure, unit);

/** A distance to the trim in words; what has crossed it is outside. */
const toTrim = (measure: Measure, unit: PieceUnit): string =>
  measure.value < 0
    ? `${measureWords({ ...measure, value: -measure.value }, unit)} outside the trim`
    : `${measureWords(measure, unit)} inside the trim`;

/** The same to a die line. */
const toDie = (measure: Measure, unit: PieceUnit): string => toTrim(measure, unit).replace('the trim', 'the die line');

const MEASURED: Record<string, (measure: Measure, unit: PieceUnit) => string> = {
  'short-of-bleed': (measure, unit) => `${measureWords(measure, unit)} outside the trim`,
  'outside-safe': toTrim,
  'corner-cut': toTrim,
  'placed-detail': (measure, unit) => (measure.kind === 'length' ? toTrim : measureWords)(measure, unit),
  'across-fold': (measure, unit) => `${measureWords(measure, unit)} over the fold`,
  'die-cuts': toDie,
  'die-bleed': (measure, unit) => `${measureWords(measure, unit)} outside the die line`,
};

/** `1.2 mm inside the trim, needs 4 mm`. Counts that should be none say all in the problem itself. */
export function measuredAndWanted({ check, measured, wanted }: Finding, unit: PieceUnit): string | undefined {
  if (wanted.kind === 'count') return wanted.value === 0 ? undefined : `${measured.value}, at most ${wanted.value}`;
  const isLimit =
    wanted.kind === 'ink' || wanted.kind === 'difference' || wanted.kind === 'grammage' || wanted.kind === 'weight';
  if (isLimit && measured.value >= wanted.value)
    return `${measureWords(measured, unit)}, at most ${measureWords(wanted, unit)}`;
  const said = (MEASURED[check] ?? measureWords)(measured, unit);
  return check === 'across-fold' ? said : `${said}, needs ${limitWords(wanted, unit)}`;
}

/** What a tag on the stage calls a fault, where its numbers are of one thing. */
const SHORT: Record<string, string> = {
  'short-of-bleed': 'Bleed',
  'outside-safe': 'To trim',
  'low-ppi': 'Resolution',
  'line-art-ppi': 'Resolution',
  'small-type': 'Type',
  'thin-lines': 'Line',
  'tint-light': 'Tint',
  'total-ink': 'Total ink',
  'faint-words': 'Contrast',
  'logo-small': 'Logo',
};

/** What it calls one whose numbers are in its sentence. */
const BARE: Record<string, string> = { 'inks-meet': 'Inks meet', 'white-under': 'Stock is not white' };

/** A fault in two words with its number, for a tag: `Bleed 0 of 3 mm`. */
export function tagWords(finding: Finding, unit: PieceUnit): string {
  const { check, measured, wanted, problem } = finding;
  const short = SHORT[check];
  if (!short) return BARE[check] ?? measuredAndWanted(finding, unit) ?? problem;
  // Both are of one scale, which its own name tells.
  if (wanted.kind === 'lightness') return `${short} ${Math.round(measured.value)} of ${Math.round(wanted.value)}`;
  const [is, needs] = [measureWords(measured, unit), limitWords(wanted, unit)];
  const sign = needs.replace(/^[\d./ ⁄]+/, '');
  const bare = sign !== '' && is.endsWith(sign) ? is.slice(0, -sign.length).trim() : is;
  return `${short} ${bare} of ${needs}`;
}
