import Plus from 'lucide-react/icons/plus';
import { useState } from 'react';
import { cmykText, type Ink } from '../../../../core/colour/ink';
import { inkOf } from '../../../../core/job/find';
import type { Job, Paint } from '../../../../core/job/schema';
import { useBench } from '../../../bench/bench';
import { InkForm } from '../../../bench/palette/InkForm';
import { PaintChips } from '../../../bench/palette/PaintChips';
import { rememberPaint } from '../../../bench/palette/recent';
import { useSketch } from '../../../bench/use-sketch';
import { NumberField } from '../../../parts/NumberField';

interface Props {
  paint: Paint;
  /** The change to a paint, to be shown while it is being chosen. */
  edit(paint: Paint): (job: Job) => Job;
  commit(name: string, paint: Paint): void;
}

/** Which ink, and how much of it. */
export function InkCard({ paint, edit, commit }: Props) {
  const { job } = useBench();
  /** The tint while it is being slid to. */
  const [sliding, setSliding] = useState<number>();
  const tinting = useSketch('Tint');
  const [form, setForm] = useState<'new' | Ink>();
  const ink = inkOf(job.inks, paint.ink);
  const tint = sliding ?? paint.tint;
  function slide(to: number): void {
    setSliding(to);
    tinting.sketch(edit({ ...paint, tint: to }));
  }
  function take(): void {
    if (sliding === undefined) return;
    tinting.drop();
    setSliding(undefined);
    rememberPaint(job.id, { ...paint, tint: sliding });
    commit('Tint', { ...paint, tint: sliding });
  }
  return (
    <section aria-label="Ink">
      <h2 className="heading mb-1.5">Ink</h2>
      <div className="rounded border border-base-300 bg-base-100 p-2">
        <PaintChips paint={paint} onChange={(to) => commit(to.ink === paint.ink ? 'Tint' : 'Ink', to)}>
          <button
            type="button"
            aria-label="Add an ink"
            title="Add an ink"
            className="grid size-7 cursor-pointer place-items-center rounded border border-dashed border-base-content/50"
            onClick={() => setForm('new')}
          >
            <Plus size={14} />
          </button>
        </PaintChips>
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
