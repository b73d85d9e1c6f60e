import type { Envelope } from '../../../../core/trade/data-schema';
import { behindWindow } from '../../../../core/trade/fits';
import { formatLength } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';

/** By how many folds. */
const FOLDED = ['flat', 'folded in half', 'folded in three'];

export type WithWindow = Envelope & { window: NonNullable<Envelope['window']> };

/** The sheet in an envelope at each end of its way, the address lines behind the window, and the verdict. */
export function BehindWindow({
  envelope,
  letter,
}: {
  envelope: WithWindow;
  letter: Parameters<typeof behindWindow>[1];
}) {
  const { unit } = useBench();
  const { window, extremes, worst } = behindWindow(envelope, letter);
  const safe = worst < 0.01;
  return (
    <figure className="grid gap-1">
      <figcaption>
        <b>
          {envelope.name}, {FOLDED[letter.folds.length] ?? 'folded'}:
        </b>{' '}
        {safe
          ? 'the address shows whole wherever the sheet slides.'
          : `up to ${formatLength(worst, unit, 2)} of the address is covered when the sheet slides.`}
      </figcaption>
      <svg
        viewBox={`-2 -2 ${envelope.width + 4} ${envelope.height + 4}`}
        className="w-full bg-base-200"
        role="img"
        aria-label={`The sheet at the four ends of its way in ${envelope.name}`}
      >
        <rect width={envelope.width} height={envelope.height} fill="#e6e0d3" stroke="#24221e" />
        <rect {...window} fill="#fff" />
        {extremes.map(({ sheet }) => (
          <rect
            key={`${sheet.x} ${sheet.y}`}
            {...sheet}
            fill="none"
            stroke="#566674"
            strokeDasharray="3 3"
            strokeWidth=".7"
          />
        ))}
        {extremes.map(({ lines }) => (
          <rect
            key={`${lines.x} ${lines.y}`}
            {...lines}
            fill="#566674"
            fillOpacity=".16"
            stroke={safe ? '#566674' : '#8a5f16'}
            strokeWidth=".8"
          />
        ))}
        <rect {...window} fill="none" stroke="#245c4a" strokeWidth="2" />
      </svg>
    </figure>
  );
}
