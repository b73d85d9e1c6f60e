import { setOpacity, setShadow } from '../../../../core/job/edits/elements';
import type { Element } from '../../../../core/job/schema';
import { useBench } from '../../../bench/bench';
import { Fold } from '../../../parts/Fold';
import { LengthField } from '../../../parts/LengthField';
import { NumberField } from '../../../parts/NumberField';
import { Tick } from '../../../parts/Tick';
import { act } from '../../../store/session';
import { NEW_SHADOW } from './effects';
import { PaintField } from './PaintField';

const farOff = (p: number): string | undefined => (Math.abs(p) > 500 ? 'Up to 170 mm.' : undefined);

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
      <Tick checked={shadow !== undefined} onChange={(on) => put(on ? NEW_SHADOW : undefined)}>
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
                ['x', 'Offset X', farOff],
                ['y', 'Offset Y', farOff],
              ] as const
            ).map(([axis, label, refuse]) => (
              <LengthField
                key={axis}
                label={label}
                unit={unit}
                echo={echo}
                value={shadow[axis]}
                refuse={refuse}
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
            refuse={(p) => (p < 0 || p > 200 ? 'From nothing to 70 mm.' : undefined)}
            onChange={(blur) => put({ ...shadow, blur })}
          />
        </>
      )}
    </Fold>
  );
}
