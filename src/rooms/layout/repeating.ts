import { type Box, unionOf } from '../../../core/geometry/box';
import { setRepeat } from '../../../core/job/edits/elements';
import type { Element, Repeat } from '../../../core/job/schema';
import { elementBox } from '../../../core/scene/face';
import type { Bench } from '../../bench/bench';
import { act } from '../../store/session';

export type RepeatWay = 'once' | 'row' | 'column' | 'grid' | 'ring';
export const REPEAT_WAYS: readonly (readonly [RepeatWay, string])[] = [
  ['once', 'Just once'],
  ['row', 'In a row'],
  ['column', 'In a column'],
  ['grid', 'In a grid'],
  ['ring', 'In a ring'],
];

export function repeatWayOf(repeat: Repeat | undefined): RepeatWay {
  if (!repeat) return 'once';
  if (repeat.kind === 'ring') return 'ring';
  if (repeat.down === 1 && repeat.across > 1) return 'row';
  return repeat.across === 1 && repeat.down > 1 ? 'column' : 'grid';
}

const START = 3;
function begun(way: Exclude<RepeatWay, 'once'>, size: Box, last: Repeat['last']): Repeat {
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

/** The box around the first of all the copies. */
function firstBox(elements: readonly Element[], sources: Bench['sources']): Box | undefined {
  const first = ({ repeat: _repeat, ...element }: Element): Element => element as Element;
  return unionOf(elements.map((e) => elementBox(first(e), sources)));
}

/** Repeats these as one, or no more. */
export function setRepeats(elements: readonly Element[], to: Repeat | undefined, sources: Bench['sources']): void {
  const whole = firstBox(elements, sources);
  if (!whole) return;
  act('Repeat', (job) =>
    elements.reduce((j, { id, x, y }) => {
      // Several go on as one: all of them step by the box around the lot.
      const cell = { x: whole.x - x, y: whole.y - y, width: whole.width, height: whole.height };
      return setRepeat(j, id, to && elements.length > 1 ? { ...to, cell } : to);
    }, job),
  );
}

/** Begins to repeat these in another way; what changes to the last of them stays. */
export function beginRepeat(elements: readonly Element[], way: RepeatWay, sources: Bench['sources']): void {
  const whole = firstBox(elements, sources);
  if (whole) setRepeats(elements, way === 'once' ? undefined : begun(way, whole, elements[0]?.repeat?.last), sources);
}
