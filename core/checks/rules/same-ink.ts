import { labDifference } from '../../colour/difference';
import type { Press } from '../../colour/engine';
import { isFinish } from '../../colour/finishes';
import type { Ink } from '../../colour/ink';
import { replaceInk } from '../../job/edits/inks';
import { usesInk } from '../../job/paints-shown';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import type { Check, Finding } from '../check';

/** A name without what people write differently each time: case, spaces, the paper's letter at the end. */
const bare = (name: string): string =>
  name
    .toLowerCase()
    .replace(/\s+(c|u|m|cv|coated|uncoated)$/, '')
    .replace(/[^\p{L}\p{N}]/gu, '');

/** Two spot inks that are one: by their names, or by their colour. */
export function areSame(a: Ink, b: Ink, press: Press): boolean {
  // A varnish over an area and a white below it may well be shown in one colour.
  if (a.kind !== 'spot' || b.kind !== 'spot' || isFinish(a.name) || isFinish(b.name)) return false;
  if (bare(a.name) === bare(b.name)) return true;
  const lab = (ink: Ink) => ink.lab ?? press.lab(ink.cmyk);
  return labDifference(lab(a), lab(b)) < INK_LIMITS.sameInk;
}

export const sameInk: Check = {
  id: 'same-ink',
  name: 'Two names for one ink',
  protects: 'One ink under two names makes two plates, and two on the bill.',
  source: INK_SOURCE,
  severity: 'warn',
  run: (context) => {
    const { face, press, sources } = context;
    const { inks, styles } = sources;
    return inks.flatMap((second, i): Finding[] => {
      const first = inks.slice(0, i).find((ink) => areSame(ink, second, press));
      const element = first && face.elements.find((e) => usesInk(e, second.id, styles));
      if (!first || !element) return [];
      return [
        {
          ...atElement('same-ink', element, context),
          severity: 'warn',
          of: second.id,
          problem: `${second.name} is ${first.name} under another name`,
          measured: { value: 2, kind: 'count' },
          wanted: { value: 1, kind: 'count' },
          fix: { label: `Make them one: ${first.name}`, apply: (job) => replaceInk(job, second.id, first.id) },
        },
      ];
    });
  },
};
