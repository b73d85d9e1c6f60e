import { type Cut, TRUE_CORNER } from '../../../core/sheet/cutting';
import { formatLength } from '../../../core/units/length';
import { useBench } from '../../bench/bench';

const TURNED = ['as it lies', '¼ turn', '½ turn', '¾ turn'] as const;

/** A small drawing of the pile as it lies before the operator, its gauge at the back. */
function Step({ cut: { pile, axis, distance, quarter, off } }: { cut: Cut }) {
  const sideways = quarter % 2 === 1;
  const [wide, deep] = sideways ? [pile.height, pile.width] : [pile.width, pile.height];
  const whole = axis === 'x' ? pile.width : pile.height;
  const scale = 34 / Math.max(wide, deep);
  const [w, d] = [wide * scale, deep * scale];
  const y = (distance / whole) * d;
  return (
    <svg width={40} height={42} viewBox="-3 -6 40 46" aria-hidden="true">
      <line x1={-2} x2={w + 2} y1={-3} y2={-3} stroke="currentColor" strokeWidth={2} />
      <rect width={w} height={d} fill="none" stroke="currentColor" strokeWidth={1} />
      <rect y={y} width={w} height={d - y} fill="currentColor" opacity={off === 'waste' ? 0.45 : 0.12} />
      <line x1={-3} x2={w + 3} y1={y} y2={y} stroke="#c81e5b" strokeWidth={1.6} />
    </svg>
  );
}

/** The cuts in their order, with how far the blade is from the back gauge. */
export function CutSteps({
  cuts,
  shown,
  onShow,
}: {
  cuts: readonly Cut[];
  shown: number | undefined;
  onShow(step: number | undefined): void;
}) {
  const { unit } = useBench();
  return (
    <>
      <p className="quiet mb-1 text-[13px]">{TRUE_CORNER}</p>
      <table className="table table-xs text-[13.5px]" aria-label="Cutting plan">
        <thead className="sticky top-0 bg-base-100">
          <tr>
            <th>Cut</th>
            <th>Pile</th>
            <th className="text-right">Gauge</th>
            <th>Falls off</th>
          </tr>
        </thead>
        <tbody>
          {cuts.map((cut, i) => (
            <tr
              // biome-ignore lint/suspicious/noArrayIndexKey: a cut is known by its place in the order
              key={i}
              className={`cursor-pointer ${shown === i ? 'bg-base-300' : 'hover:bg-base-200'}`}
              onMouseEnter={() => onShow(i)}
              onMouseLeave={() => onShow(undefined)}
            >
              <td>
                <button
                  type="button"
                  className="btn btn-ghost btn-xs px-1"
                  aria-label={`Show cut ${i + 1}`}
                  onFocus={() => onShow(i)}
                  onBlur={() => onShow(undefined)}
                >
                  {i + 1}
                </button>
              </td>
              <td>
                <span className="flex items-center gap-1.5">
                  <Step cut={cut} /> <span className="whitespace-nowrap">{TURNED[cut.quarter]}</span>
                </span>
              </td>
              <td className="whitespace-nowrap text-right font-semibold tabular-nums">
                {formatLength(cut.distance, unit, unit === 'in' ? 3 : 1)}
              </td>
              <td>{cut.off === 'waste' ? 'waste' : 'a pile'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
