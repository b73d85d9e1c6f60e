import Plus from 'lucide-react/icons/plus';
import { useState } from 'react';
import { missOf } from '../../../../core/checks/rules/out-of-gamut';
import { hexOf } from '../../../../core/colour/engine';
import { cmykText, type Ink, platesOf, processStandIn } from '../../../../core/colour/ink';
import { ALL_PLATES_ALLOWED, offeredInks } from '../../../../core/colour/printed-with';
import { inkOf } from '../../../../core/job/find';
import type { Job, Paint } from '../../../../core/job/schema';
import { INK_LIMITS } from '../../../../core/trade/ink-limits';
import { useBench } from '../../../bench/bench';
import { InkForm } from '../../../bench/palette/InkForm';
import { useSketch } from '../../../bench/use-sketch';
import { FarMark } from '../../../parts/FarMark';
import { NumberField } from '../../../parts/NumberField';

interface Props {
  paint: Paint;
  /** The change to a paint, to be shown while it is being chosen. */
  edit(paint: Paint): (job: Job) => Job;
  commit(name: string, paint: Paint): void;
}

/** Which ink, and how much of it. */
export function InkCard({ paint, edit, commit }: Props) {
  const { job, press, piece } = useBench();
  const offered = offeredInks(piece.printedWith ?? ALL_PLATES_ALLOWED, job.inks, paint.ink);
  const isFar = (each: Ink): boolean => (missOf(each, press) ?? 0) > INK_LIMITS.outOfGamut;
  /** The tint while it is being slid to. */
  const [sliding, setSliding] = useState<number>();
  const tinting = useSketch('Tint');
  const [form, setForm] = useState<'new' | Ink>();
  const ink = inkOf(job.inks, paint.ink);
  const look = (of: Ink, tint = 1): string => hexOf(press.screen(processStandIn(platesOf(of, tint), job.inks)));
  const tint = sliding ?? paint.tint;
  function slide(to: number): void {
    setSliding(to);
    tinting.sketch(edit({ ...paint, tint: to }));
  }
  function take(): void {
    if (sliding === undefined) return;
    tinting.drop();
    setSliding(undefined);
    commit('Tint', { ...paint, tint: sliding });
  }
  return (
    <section aria-label="Ink">
      <h2 className="heading mb-1.5">Ink</h2>
      <div className="rounded border border-base-300 bg-base-100 p-2">
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
              onClick={() => commit('Ink', { ink: each.id, tint: paint.tint })}
            >
              {isFar(each) && <FarMark />}
            </button>
          ))}
          <button
            type="button"
            aria-label="Add an ink"
            title="Add an ink"
            className="grid size-7 cursor-pointer place-items-center rounded border border-dashed border-base-content/50"
            onClick={() => setForm('new')}
          >
            <Plus size={14} />
          </button>
        </fieldset>
        <p className="mt-2 flex items-baseline justify-between gap-2">
          <span>{ink.name}</span>
          <button
            type="button"
            className="quiet cursor-pointer text-[13px] underline decoration-dotted underline-offset-2"
            onClick={() => setForm(ink)}
          >
            {ink.id === 'paper'
              ? 'no ink'
              : ink.kind === 'spot'
                ? `spot, looks like ${cmykText(ink.cmyk)}`
                : cmykText(ink.cmyk)}
          </button>
        </p>
        <div className="mt-1 grid grid-cols-[auto_1fr_4.4rem] items-center gap-2 text-[13.5px]">
          Tint
          <input
            type="range"
            className="range range-xs"
            min={0}
            max={100}
            value={Math.round(tint * 100)}
            aria-label="Tint in percent"
            onChange={(event) => slide(Number(event.target.value) / 100)}
            onPointerUp={take}
            onKeyUp={take}
            onBlur={take}
          />
          <NumberField
            label=""
            name="Tint, typed in percent"
            value={Math.round(tint * 1000) / 10}
            least={0}
            most={100}
            step={0.1}
            onChange={(percent) => commit('Tint', { ...paint, tint: percent / 100 })}
          />
        </div>
      </div>
      {form && (
        <InkForm
          ink={form === 'new' ? undefined : form}
          onClose={() => setForm(undefined)}
          onMade={(made) => commit('Ink', { ink: made, tint: 1 })}
        />
      )}
    </section>
  );
}
