import { setOpacity, setShadow } from '../../../../core/job/edits/elements';
import type { Element } from '../../../../core/job/schema';
import { roundIn } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { Fold } from '../../../parts/Fold';
import { LengthField } from '../../../parts/LengthField';
import { NumberField } from '../../../parts/NumberField';
import { Tick } from '../../../parts/Tick';
import { act } from '../../../store/session';
import { newShadow } from './effects';
import { PaintField } from './PaintField';

/** How far something is seen through, and its shadow. */
export function EffectsCard({ element }: { element: Element }) {
  const { unit, echo } = useBench();
  const { shadow } = element;
  const put = (to: typeof shadow): void => act('Shadow', (job) => setShadow(job, element.id, to));
  return (
    <Fold title="Opacity and shadow" inUse={element.opacity !== undefined || shadow !== undefined}>
      <NumberField
        label="Opacity %"
        value={Math.round((element.opacity ?? 1) * 1000) / 10}
        least={0}
        most={100}
        onChange={(percent) => act('Opacity', (job) => setOpacity(job, element.id, percent / 100))}
      />
      <Tick checked={shadow !== undefined} onChange={(on) => put(on ? newShadow(unit) : undefined)}>
        Drop shadow
      </Tick>
      {shadow && (
        <>
          <PaintField
            name="Shadow"
            paint={{ ink: shadow.ink, tint: shadow.tint }}
            onChange={(paint) => put({ ...shadow, ...paint })}
          />
          <div className="grid grid-cols-2 gap-1.5">
            {(
              [
                ['x', 'Offset X'],
                ['y', 'Offset Y'],
              ] as const
            ).map(([axis, label]) => (
              <LengthField
                key={axis}
                label={label}
                unit={unit}
                echo={echo}
                value={shadow[axis]}
                least={-roundIn(unit, 170, 6.5)}
                most={roundIn(unit, 170, 6.5)}
                onChange={(to) => put({ ...shadow, [axis]: to })}
              />
            ))}
          </div>
          <LengthField
            label="Blur"
            hint="How far its edge is spread to either side"
            unit={unit}
            echo={echo}
            value={shadow.blur}
            least={0}
            most={roundIn(unit, 70, 2.75)}
            onChange={(blur) => put({ ...shadow, blur })}
          />
        </>
      )}
    </Fold>
  );
}
