import { gramsSaid } from '../trade/weight';
import { formatLength, type PieceUnit, withMinus } from '../units/length';
import type { Finding, Measure } from './check';

/** An area of square millimetres in square inches, or square centimetres. */
function areaSaid(squareMm: number, unit: PieceUnit): string {
  const value = squareMm / (unit === 'in' ? 25.4 : 10) ** 2;
  return `${Number(value.toPrecision(3))} ${unit === 'in' ? 'sq in' : 'cm²'}`;
}

/** A measured value in the user's unit. */
export function measureWords({ value, kind }: Measure, unit: PieceUnit): string {
  if (kind === 'ppi') return `${Math.round(value)} ppi`;
  if (kind === 'count') return withMinus(`${value}`);
  if (kind === 'ink') return `${Math.round(value * 100)} %`;
  // Rounded down: what falls short of its limit by a hair never reads as if it reached it.
  if (kind === 'lightness') return `${Math.floor(value)} of 100 in lightness`;
  if (kind === 'difference') return `ΔE ${(Math.round(value * 10) / 10).toFixed(1)}`;
  if (kind === 'grammage') return `${Math.round(value)} g/m²`;
  if (kind === 'weight') return gramsSaid(value);
  if (kind === 'ratio') return `${value.toFixed(2)} to 1`;
  if (kind === 'area') return areaSaid(value, unit);
  if (kind === 'type') return formatLength(value, 'pt', 2);
  const digits = unit === 'in' ? 3 : 2;
  const said = formatLength(value, unit, digits);
  // A hair is not nothing.
  return value !== 0 && Number.parseFloat(said) === 0 ? `under ${10 ** -digits} ${unit}` : said;
}

/** What is needed, exactly: a limit of an eighth of an inch is 3.175 mm, however finely things are measured. */
export const limitWords = (measure: Measure, unit: PieceUnit): string =>
  measure.kind === 'length' ? formatLength(measure.value, unit) : measureWords(measure, unit);

/** A distance to a line in words; what has crossed it is outside. */
const insideOf =
  (line: string) =>
  (measure: Measure, unit: PieceUnit): string => {
    const said = measureWords({ ...measure, value: Math.abs(measure.value) }, unit);
    return `${said} ${measure.value < 0 ? 'outside' : 'inside'} ${line}`;
  };
const toTrim = insideOf('the trim');

const and =
  (words: string) =>
  (measure: Measure, unit: PieceUnit): string =>
    `${measureWords(measure, unit)} ${words}`;

/** What was measured, where its kind alone does not tell. */
const MEASURED: Record<string, (measure: Measure, unit: PieceUnit) => string> = {
  'short-of-bleed': and('outside the trim'),
  'outside-safe': toTrim,
  'corner-cut': toTrim,
  'placed-detail': (measure, unit) => (measure.kind === 'length' ? toTrim : measureWords)(measure, unit),
  'across-fold': and('over the fold'),
  'almost-aligned': and('apart'),
  'background-gap': and('of bare paper'),
  'behind-window': and('covered'),
  'code-at-edge': toTrim,
  'code-inks': and('plates'),
  'code-small': and('a module'),
  'die-bleed': and('outside the die line'),
  'die-cuts': insideOf('the die line'),
  'frame-near-trim': toTrim,
  'frame-uneven': and('of difference'),
  'hidden-words': and('high'),
  'jpeg-quality': (measure, unit) => `Quality ${measureWords(measure, unit)}`,
  'long-lines': and('letters a line'),
  'near-fold': and('from the fold'),
  'sliver-inside': toTrim,
  'tight-tracking': and('thousandths of an em'),
  'tuck-tight': and('shorter'),
};

/** Findings whose sentence says all that their numbers do. */
const SAID_ALREADY: ReadonlySet<string> = new Set([
  'doubled',
  'near-piece-sizes',
  'same-ink',
  'size-not-offered',
  'solid-by-fold',
]);

/** Whether numbers say something of a finding that its sentence does not: counts that should be none do not. */
export const hasNumbers = ({ check, wanted }: Finding): boolean =>
  !SAID_ALREADY.has(check) && !(wanted.kind === 'count' && wanted.value === 0);

/** `1.2 mm inside the trim, needs 4 mm`; `320 %, at most 300 %`; undefined where no number says anything. */
export function measuredAndWanted(finding: Finding, unit: PieceUnit): string | undefined {
  if (!hasNumbers(finding)) return undefined;
  const { check, measured, wanted } = finding;
  const said = (MEASURED[check] ?? measureWords)(measured, unit);
  // What should be none at all: the problem says it.
  if (wanted.value === 0) return said;
  // A picture has one shape that is right.
  if (wanted.kind === 'ratio') return `${said}, should be ${limitWords(wanted, unit)}`;
  return `${said}, ${measured.value > wanted.value ? 'at most' : 'needs'} ${limitWords(wanted, unit)}`;
}
