import type { Element, Repeat } from '../../../core/job/schema';
import { roundIn } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { Choice } from '../../parts/Choice';
import { Fold } from '../../parts/Fold';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { beginRepeat, REPEAT_WAYS, repeatWayOf, setRepeats } from './repeating';

/** Live copies of one thing, or of several as one. */
export function RepeatCard({ elements }: { elements: readonly Element[] }) {
  const { unit, echo, sources } = useBench();
  const repeat = elements[0]?.repeat;
  const { cell: _cell, ...plain } = repeat ?? {};
  const put = (to: Repeat | undefined): void => setRepeats(elements, to, sources);
  const change = (to: Partial<Repeat>): void => put({ ...plain, ...to } as Repeat);
  const way = repeatWayOf(repeat);
  const count = (label: string, value: number, key: string, most = 500) => (
    <NumberField
      key={key}
      label={label}
      value={value}
      least={1}
      most={most}
      onChange={(n) => change({ [key]: Math.round(n) } as never)}
    />
  );
  const length = (label: string, value: number, key: string) => (
    <LengthField
      key={key}
      label={label}
      unit={unit}
      echo={echo}
      value={value}
      least={-roundIn(unit, 7000, 270)}
      most={roundIn(unit, 7000, 270)}
      onChange={(to) => change({ [key]: to } as never)}
    />
  );
  return (
    <Fold title="Repeat" inUse={repeat !== undefined}>
      <Choice label="Repeat" value={way} options={REPEAT_WAYS} onChange={(to) => beginRepeat(elements, to, sources)} />
      {repeat?.kind === 'grid' && (
        <div className="grid grid-cols-2 gap-1.5">
          {way !== 'column' && count('Across', repeat.across, 'across', Math.floor(500 / repeat.down))}
          {way !== 'row' && count('Down', repeat.down, 'down', Math.floor(500 / repeat.across))}
          {way !== 'column' && length('Gap across', repeat.gapAcross, 'gapAcross')}
          {way !== 'row' && length('Gap down', repeat.gapDown, 'gapDown')}
        </div>
      )}
      {repeat?.kind === 'ring' && (
        <>
          <div className="grid grid-cols-2 gap-1.5">
            {count('Quantity', repeat.count, 'count')}
            <NumberField
              label="Round °"
              value={repeat.sweep}
              least={-360}
              most={360}
              onChange={(sweep) => change({ sweep })}
            />
          </div>
          {length('Radius', repeat.radius, 'radius')}
          <Tick checked={repeat.turning} onChange={(turning) => change({ turning })}>
            Each turned towards the middle
          </Tick>
        </>
      )}
      {repeat && <LastFields repeat={repeat} onChange={change} />}
    </Fold>
  );
}

const SAME = { size: 1, tint: 1, angle: 0 };

/** What changes from the first to the last. */
function LastFields({ repeat, onChange }: { repeat: Repeat; onChange(to: Partial<Repeat>): void }) {
  const last = repeat.last ?? SAME;
  const put = (to: Partial<typeof SAME>): void => onChange({ last: { ...last, ...to } });
  return (
    <div className="grid gap-1">
      <p className="quiet text-[13px]">The last of them:</p>
      <div className="grid grid-cols-3 gap-1">
        <NumberField
          label="Size %"
          name="Size of the last in percent"
          value={Math.round(last.size * 1000) / 10}
          least={2}
          most={2000}
          onChange={(size) => put({ size: size / 100 })}
        />
        <NumberField
          label="Tint %"
          name="Tint of the last in percent"
          value={Math.round(last.tint * 1000) / 10}
          least={0}
          most={100}
          onChange={(tint) => put({ tint: tint / 100 })}
        />
        <NumberField
          label="Rotate, °"
          name="Rotate the last, in degrees"
          value={last.angle}
          least={-3600}
          most={3600}
          onChange={(angle) => put({ angle })}
        />
      </div>
    </div>
  );
}
