import { type Box, bottom, right } from '../../../core/geometry/box';
import { formatNumber, fromPoints, type PieceUnit, toPoints } from '../../../core/units/length';

/** Steps a ruler may count in, by unit; labels every second, fourth or fifth tick. */
const STEPS: Record<PieceUnit, readonly [label: number, tick: number][]> = {
  mm: [
    [1, 0.5],
    [2, 1],
    [5, 1],
    [10, 5],
    [20, 10],
    [50, 10],
    [100, 50],
    [200, 100],
    [500, 100],
  ],
  in: [
    [0.125, 0.0625],
    [0.25, 0.125],
    [0.5, 0.125],
    [1, 0.25],
    [2, 1],
    [5, 1],
    [10, 5],
  ],
};
/** Labels stand at least this many pixels apart. */
const APART = 46;
const GAP = 12;

const stepsFor = (unit: PieceUnit, zoom: number): readonly [number, number] =>
  STEPS[unit].find(([label]) => toPoints(label, unit) * zoom >= APART) ?? STEPS[unit].at(-1)!;

interface Tick {
  at: number;
  label: string | undefined;
}

/** Ticks along a side of `length` points, from its start. The end is always marked. */
function ticks(length: number, unit: PieceUnit, zoom: number): Tick[] {
  const [label, tick] = stepsFor(unit, zoom);
  const out: Tick[] = [];
  const perLabel = Math.round(label / tick);
  const count = Math.floor(fromPoints(length, unit) / tick + 1e-6);
  for (let i = 0; i <= count; i++) {
    const at = toPoints(i * tick, unit);
    // The end has its own tick.
    if (length - at < 0.01) break;
    const nearEnd = (length - at) * zoom < APART * 0.7;
    out.push({ at, label: i % perLabel === 0 && !nearEnd ? formatNumber(at, unit) : undefined });
  }
  return [...out, { at: length, label: formatNumber(length, unit, 2) }];
}

/** Rulers against the piece, outside its bleed, counting from the trim's corner. `trim` in pixels, `size` in points. */
export function Rulers({
  trim,
  bleed,
  size,
  zoom,
  unit,
}: {
  trim: Box;
  bleed: number;
  size: { width: number; height: number };
  zoom: number;
  unit: PieceUnit;
}) {
  const top = trim.y - bleed * zoom - GAP;
  const left = trim.x - bleed * zoom - GAP;
  return (
    <g pointerEvents="none" fill="var(--table-text)" stroke="none" fontSize="11.5">
      <path
        d={`M${trim.x} ${top}H${right(trim)}M${left} ${trim.y}V${bottom(trim)}`}
        stroke="var(--table-text)"
        strokeWidth=".8"
      />
      {ticks(size.width, unit, zoom).map(({ at, label }) => (
        <g key={at} transform={`translate(${trim.x + at * zoom} ${top})`}>
          <path d={`M0 0v${label ? -7 : -4}`} stroke="var(--table-text)" strokeWidth=".8" />
          {label && (
            <text y="-11" textAnchor="middle">
              {label}
            </text>
          )}
        </g>
      ))}
      {ticks(size.height, unit, zoom).map(({ at, label }) => (
        <g key={at} transform={`translate(${left} ${trim.y + at * zoom})`}>
          <path d={`M0 0h${label ? -7 : -4}`} stroke="var(--table-text)" strokeWidth=".8" />
          {label && (
            <text x="-10" y="4" textAnchor="end">
              {label}
            </text>
          )}
        </g>
      ))}
      <text x={left - 10} y={top - 11} textAnchor="end">
        {unit}
      </text>
    </g>
  );
}
