import { max, scaleLinear } from 'd3';
import type { EdgeStory } from '../../../core/cut/simulate';
import { formatLength, fromPoints, type PieceUnit, toPoints } from '../../../core/units/length';
import { chanceText } from './RiskTable';

const WIDTH = 250;
const HEIGHT = 92;
const FOOT = 17;
/** Room for what a line says. */
const LABEL = 64;

/** Where the cut fell at one edge, and where colour ends and words begin beside it. Inside the piece is on the left. */
export function EdgeChart({
  name,
  story,
  white,
  touched,
  unit,
}: {
  name: string;
  story: EdgeStory;
  /** How often paper shows there, and how often words are cut into. */
  white: number;
  touched: number;
  unit: PieceUnit;
}) {
  const { bins, from, step, colour, words } = story;
  const reach = Math.max(-from, colour ?? 0, words ?? 0) * 1.05;
  const limit = Math.min(reach, -from * 2.2);
  const x = scaleLinear([-limit, limit], [4, WIDTH - 4]);
  const y = scaleLinear([0, max(bins) || 1], [0, HEIGHT - FOOT - 14]);
  const base = HEIGHT - FOOT;
  const isBad = (at: number): boolean => (colour !== undefined && at > colour) || (words !== undefined && at < -words);
  const mark = (at: number, says: string, row: 0 | 1) => {
    if (Math.abs(at) > limit) return null;
    // Away from the bars where there is room, else over them.
    const isLeft = x(at) < WIDTH / 2;
    const hasRoom = (isLeft ? x(at) : WIDTH - x(at)) > LABEL;
    const end = isLeft === hasRoom;
    return (
      <g>
        <line x1={x(at)} x2={x(at)} y1={10} y2={base} stroke="var(--caught)" strokeWidth="1.4" />
        <text
          x={x(at) + (end ? -3 : 3)}
          y={9 + 11 * row}
          fontSize="10.5"
          textAnchor={end ? 'end' : 'start'}
          fill="currentColor"
        >
          {says}
        </text>
      </g>
    );
  };
  return (
    <figure className="grid gap-0.5">
      <figcaption className="text-[13px]">
        <b className="font-semibold">At the {name}</b>
        <span className="quiet">
          : white {chanceText(white)}, words {chanceText(touched)}
        </span>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full"
        role="img"
        aria-label={`Where the cut fell at the ${name}`}
      >
        {bins.map((share, i) => {
          const at = from + i * step;
          if (x(at) < 0 || x(at + step) > WIDTH) return null;
          return (
            <rect
              // biome-ignore lint/suspicious/noArrayIndexKey: a bar is its place
              key={i}
              x={x(at) + 0.3}
              width={Math.max(0.4, x(at + step) - x(at) - 0.6)}
              y={base - y(share)}
              height={y(share)}
              fill={isBad(at + step / 2) ? 'var(--caught)' : 'var(--edge-slate)'}
            >
              <title>
                {formatLength(at, unit, 2)} to {formatLength(at + step, unit, 2)}: {(share * 100).toFixed(1)} % of cuts
              </title>
            </rect>
          );
        })}
        <line x1={4} x2={WIDTH - 4} y1={base} y2={base} stroke="currentColor" strokeOpacity=".5" />
        <line x1={x(0)} x2={x(0)} y1={14} y2={base} stroke="currentColor" strokeDasharray="2 3" />
        {colour !== undefined && mark(colour, 'colour ends', 0)}
        {words !== undefined && mark(-words, 'text begins', words < 0 ? 1 : 0)}
        {scaleLinear(
          x.domain().map((at) => fromPoints(at, unit)),
          x.range(),
        )
          .ticks(5)
          .map((at) => (
            <text
              key={at}
              x={x(toPoints(at, unit))}
              y={HEIGHT - 4}
              fontSize="10.5"
              textAnchor="middle"
              fill="currentColor"
            >
              {at}
            </text>
          ))}
      </svg>
    </figure>
  );
}
