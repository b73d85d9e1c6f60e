import { max, scaleLinear, scaleSqrt } from 'd3';

const WIDTH = 272;
const HEIGHT = 96;
const FOOT = 16;
const TICKS = [0, 1, 2, 3, 4];

/** How much of the trim area has how much ink, ten percent a bar, with the limit on it. Heights by their square root. */
export function InkHistogram({ bins, limit }: { bins: readonly number[]; limit: number }) {
  const step = 4 / bins.length;
  const x = scaleLinear([0, 4], [6, WIDTH - 14]);
  // A large ground would leave all else too low to be seen.
  const y = scaleSqrt([0, max(bins) || 1], [0, HEIGHT - FOOT - 4]);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label="Histogram of area by total ink">
      {bins.map((share, i) => {
        const from = i * step;
        const height = y(share);
        return (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a bar is its place
            key={i}
            x={x(from) + 0.5}
            y={HEIGHT - FOOT - height}
            width={Math.max(0.5, x(from + step) - x(from) - 1)}
            height={height}
            fill={from >= limit - 1e-6 ? 'var(--caught)' : 'var(--edge-slate)'}
          >
            <title>
              {Math.round(from * 100)} to {Math.round((from + step) * 100)} %: {(share * 100).toFixed(1)} % of the area
            </title>
          </rect>
        );
      })}
      <line x1={x(0)} x2={x(4)} y1={HEIGHT - FOOT} y2={HEIGHT - FOOT} stroke="currentColor" strokeOpacity=".5" />
      <line
        x1={x(limit)}
        x2={x(limit)}
        y1={2}
        y2={HEIGHT - FOOT}
        stroke="var(--caught)"
        strokeWidth="1.5"
        strokeDasharray="4 3"
      />
      {TICKS.map((at) => (
        <text key={at} x={x(at)} y={HEIGHT - 3} fontSize="11" textAnchor="middle" fill="currentColor">
          {at * 100}
        </text>
      ))}
    </svg>
  );
}
