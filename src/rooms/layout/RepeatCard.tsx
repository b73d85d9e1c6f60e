import { type Box, unionOf } from '../../../core/geometry/box';
import { setRepeat } from '../../../core/job/edits/elements';
import type { Element, Repeat } from '../../../core/job/schema';
import { elementBox } from '../../../core/scene/face';
import { Choice } from '../../parts/Choice';
import { Fold } from '../../parts/Fold';
import { LengthField } from '../../parts/LengthField';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { act } from '../../store/session';
import { useBench } from './bench';

type Way = 'once' | 'row' | 'column' | 'grid' | 'ring';
const WAYS: readonly (readonly [Way, string])[] = [
  ['once', 'Just once'],
  ['row', 'In a row'],
  ['column', 'In a column'],
  ['grid', 'In a grid'],
  ['ring', 'In a ring'],
];

function wayOf(repeat: Repeat | undefined): Way {
  if (!repeat) return 'once';
  if (repeat.kind === 'ring') return 'ring';
  if (repeat.down === 1 && repeat.across > 1) return 'row';
  return repeat.across === 1 && repeat.down > 1 ? 'column' : 'grid';
}

const START = 3;
function begun(way: Exclude<Way, 'once'>, size: Box, last: Repeat['last']): Repeat {
  const gap = Math.max(size.width, size.height) / 2;
  const more = last ? { last } : {};
  if (way === 'ring')
    return {
      kind: 'ring',
      count: 8,
      radius: 2 * Math.max(size.width, size.height),
      sweep: 360,
      turning: true,
      ...more,
    };
  return {
    kind: 'grid',
    across: way === 'column' ? 1 : START,
    down: way === 'row' ? 1 : START,
    gapAcross: gap,
    gapDown: gap,
    ...more,
  };
}

const far = (p: number): string | undefined => (Math.abs(p) > 20_000 ? 'Up to 7 m.' : undefined);

/** Live copies of one thing, or of several as one. */
export function RepeatCard({ elements }: { elements: readonly Element[] }) {
  const { unit, echo, sources } = useBench();
  const repeat = elements[0]?.repeat;
  const { cell: _cell, ...plain } = repeat ?? {};
  const first = ({ repeat: _repeat, ...element }: Element): Element => element as Element;
  const whole = unionOf(elements.map((e) => elementBox(first(e), sources)));
  if (!whole) return null;
  function put(to: Repeat | undefined): void {
    act('Repeat', (job) =>
      elements.reduce((j, { id, x, y }) => {
        // Several go on as one: all of them step by the box around the lot.
        const cell = { x: whole!.x - x, y: whole!.y - y, width: whole!.width, height: whole!.height };
        return setRepeat(j, id, to && elements.length > 1 ? { ...to, cell } : to);
      }, job),
    );
  }
  const change = (to: Partial<Repeat>): void => put({ ...plain, ...to } as Repeat);
  const way = wayOf(repeat);
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
      refuse={far}
      onChange={(to) => change({ [key]: to } as never)}
    />
  );
  return (
    <Fold title="Repeat" inUse={repeat !== undefined}>
      <Choice
        label="Repeat"
        value={way}
        options={WAYS}
        onChange={(to) => put(to === 'once' ? undefined : begun(to, whole, repeat?.last))}
      />
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
            {count('How many', repeat.count, 'count')}
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
          label="Turn °"
          name="Turn of the last in degrees"
          value={last.angle}
          least={-3600}
          most={3600}
          onChange={(angle) => put({ angle })}
        />
      </div>
    </div>
  );
}
