import { missOf } from '../../../core/checks/rules/out-of-gamut';
import { hexOf } from '../../../core/colour/engine';
import { type Ink, platesOf, processStandIn } from '../../../core/colour/ink';
import { ALL_PLATES_ALLOWED, offeredInks } from '../../../core/colour/printed-with';
import { inkOf } from '../../../core/job/find';
import type { Paint } from '../../../core/job/schema';
import { INK_LIMITS } from '../../../core/trade/ink-limits';
import { FarMark } from '../../parts/FarMark';
import { useBench } from '../bench';
import { rememberPaint, useRecentPaints } from './recent';

/** Tints that are told apart in print. */
const TINTS = [1, 0.8, 0.6, 0.4, 0.2, 0.1] as const;

const percent = (tint: number): string => `${Math.round(tint * 1000) / 10} %`;

/** Paints to choose from at a glance: the job's inks, tints of the one that is chosen, and what was chosen last. */
export function PaintChips({
  paint,
  onChange,
  children,
}: {
  paint: Paint;
  onChange(paint: Paint): void;
  /** What stands after the inks. */
  children?: React.ReactNode;
}) {
  const { job, press, piece } = useBench();
  const recent = useRecentPaints(job.id);
  const offered = offeredInks(piece.printedWith ?? ALL_PLATES_ALLOWED, job.inks, paint.ink);
  const isFar = (each: Ink): boolean => (missOf(each, press) ?? 0) > INK_LIMITS.outOfGamut;
  const ink = inkOf(job.inks, paint.ink);
  const look = (of: Ink, tint = 1): string => hexOf(press.screen(processStandIn(platesOf(of, tint), job.inks)));
  function take(to: Paint): void {
    rememberPaint(job.id, to);
    onChange(to);
  }
  const others = recent.filter(
    (each) => (each.ink !== paint.ink || each.tint !== paint.tint) && offered.some(({ id }) => id === each.ink),
  );
  return (
    <>
      <fieldset className="flex flex-wrap gap-1.5" aria-label="Inks of the job">
        {offered.map((each) => (
          <button
            key={each.id}
            type="button"
            aria-pressed={each.id === ink.id}
            aria-label={each.name}
            title={`${each.name}${each.kind === 'spot' ? ', spot' : ''}${isFar(each) ? ': the press cannot reach this colour' : ''}`}
            className={`relative size-7 cursor-pointer rounded border ${each.id === ink.id ? 'border-base-content outline-2 outline-base-content' : 'border-black/25'}`}
            style={{ background: look(each) }}
            onClick={() => take({ ink: each.id, tint: paint.tint })}
          >
            {isFar(each) && <FarMark />}
          </button>
        ))}
        {children}
      </fieldset>
      {ink.id !== 'paper' && (
        <fieldset className="mt-2 grid grid-cols-6" aria-label={`Tints of ${ink.name}`}>
          {TINTS.map((tint) => (
            <button
              key={tint}
              type="button"
              aria-pressed={tint === paint.tint}
              aria-label={percent(tint)}
              title={`${ink.name}, ${percent(tint)}`}
              className={`h-5 cursor-pointer border ${tint === paint.tint ? 'border-base-content outline-1 outline-base-content' : 'border-black/15'}`}
              style={{ background: look(ink, tint) }}
              onClick={() => take({ ink: ink.id, tint })}
            />
          ))}
        </fieldset>
      )}
      {others.length > 0 && (
        <fieldset className="mt-2 flex items-center gap-1.5" aria-label="Recent">
          <span className="quiet mr-1 text-[13px]">Recent</span>
          {others.map((each) => {
            const of = inkOf(job.inks, each.ink);
            return (
              <button
                key={`${each.ink} ${each.tint}`}
                type="button"
                aria-label={`${of.name}, ${percent(each.tint)}`}
                title={`${of.name}, ${percent(each.tint)}`}
                className="size-5 cursor-pointer rounded border border-black/25"
                style={{ background: look(of, each.tint) }}
                onClick={() => take(each)}
              />
            );
          })}
        </fieldset>
      )}
    </>
  );
}
