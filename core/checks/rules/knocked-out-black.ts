import { isFlat } from '../../colour/fill';
import { inkBounds } from '../../devices/bounds';
import { overlaps } from '../../geometry/box';
import { setOverprint } from '../../job/edits/inks';
import { letteringsOf } from '../../job/look';
import { isPaper } from '../../job/paints-shown';
import type { Element, Paint, Rule, Shape, Words } from '../../job/schema';
import type { SceneSources } from '../../scene/sources';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { TYPE_LIMITS } from '../../trade/type-limits';
import { atElement } from '../at-element';
import type { Check, CheckContext, Finding } from '../check';
import { inkIn } from '../ink-shape';
import { platesUsed } from '../piece-facts';
import { isPlainBlack } from './rich-black-words';

const isSolidBlack = ({ ink, tint }: Paint, { inks }: SceneSources): boolean =>
  tint > 0.999 && inks.some((each) => each.id === ink && isPlainBlack(each));

/** The size of small black words that were told to knock out. */
function smallWords(element: Words, sources: SceneSources): number | undefined {
  if (element.overprint !== 'knocks out' || element.fill) return undefined;
  const small = letteringsOf(element, sources.styles).filter(
    ({ paint, size }) => isSolidBlack(paint, sources) && size < TYPE_LIMITS.blackOverprintsBelow,
  );
  return small.length > 0 ? Math.min(...small.map(({ size }) => size)) : undefined;
}

/** How thin a black line is, or how small a black area, where its edges are most of it. */
function thinBlack(element: Rule | Shape, sources: SceneSources): number | undefined {
  const { line, area } = INK_LIMITS.thinBlack;
  const { paint, width, height } = element;
  if (element.overprint === 'overprints' || !isFlat(paint)) return undefined;
  const stroke = element.kind === 'shape' ? element.stroke : undefined;
  if (stroke) {
    const isAlone = paint.ink === 'paper' || isSolidBlack(paint, sources);
    return isAlone && stroke.weight <= line && isSolidBlack(stroke.paint, sources) ? stroke.weight : undefined;
  }
  if (!isSolidBlack(paint, sources)) return undefined;
  const thin = Math.min(width, height);
  return thin <= line || Math.max(width, height) <= area ? thin : undefined;
}

/** Whether ink other than black lies below an element, where its own ink is. */
function isOverColour(element: Element, { face, sources }: CheckContext): boolean {
  const ink = inkBounds(element, sources);
  const below = face.elements.slice(0, face.elements.indexOf(element));
  return below.some((each) => {
    const box = ink && !isPaper(each) && inkBounds(each, sources);
    if (!box || !overlaps(box, ink) || platesUsed(each, sources).every((plate) => plate === 'Black')) return false;
    return inkIn(each, [ink], sources);
  });
}

const look = (element: Element, context: CheckContext): { size: number; problem: string } | undefined => {
  if (element.kind === 'words') {
    const size = smallWords(element, context.sources);
    return size === undefined ? undefined : { size, problem: 'Small black text knocks out of what lies under it' };
  }
  if (element.kind !== 'rule' && element.kind !== 'shape') return undefined;
  const size = thinBlack(element, context.sources);
  return size !== undefined && isOverColour(element, context)
    ? { size, problem: 'A thin black line, or a small black area, knocks out of the colour under it' }
    : undefined;
};

export const knockedOutBlack: Check = {
  id: 'knocked-out-black',
  name: 'Small black things that do not overprint',
  protects:
    'Knocked out of the colour below, small letters and thin lines in black show white slits when the plates shift.',
  source: INK_SOURCE,
  severity: 'warn',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      const told = look(element, context);
      if (!told) return [];
      const isText = element.kind === 'words';
      return [
        {
          ...atElement('knocked-out-black', element, context),
          severity: 'warn',
          problem: told.problem,
          measured: { value: told.size, kind: 'type' },
          wanted: { value: isText ? TYPE_LIMITS.blackOverprintsBelow : INK_LIMITS.thinBlack.line, kind: 'type' },
          fix: {
            label: 'Set to overprint',
            apply: (job) => setOverprint(job, [element.id], isText ? undefined : 'overprints'),
          },
        },
      ];
    }),
};
