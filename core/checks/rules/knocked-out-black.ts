import { setOverprint } from '../../job/edits/inks';
import { letteringsOf } from '../../job/look';
import { INK_SOURCE } from '../../trade/ink-limits';
import { TYPE_LIMITS } from '../../trade/type-limits';
import { atElement } from '../at-element';
import type { Check, Finding } from '../check';

export const knockedOutBlack: Check = {
  id: 'knocked-out-black',
  name: 'Small black text that does not overprint',
  protects: 'Knocked out of the colour below, small black letters show white slits when the plates shift.',
  source: INK_SOURCE,
  severity: 'warn',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words' || element.overprint !== 'knocks out' || element.fill) return [];
      const { inks, styles } = context.sources;
      const isBlack = (id: string): boolean =>
        inks.some(
          ({ id: each, kind, cmyk: [c, m, y, k] }) => each === id && kind === 'process' && c + m + y === 0 && k > 0.999,
        );
      const small = letteringsOf(element, styles).filter(
        ({ paint, size }) => paint.tint > 0.999 && size < TYPE_LIMITS.blackOverprintsBelow && isBlack(paint.ink),
      );
      if (small.length === 0) return [];
      return [
        {
          ...atElement('knocked-out-black', element, context),
          severity: 'warn',
          problem: 'Small black text knocks out of what lies under it',
          measured: { value: Math.min(...small.map(({ size }) => size)), kind: 'type' },
          wanted: { value: TYPE_LIMITS.blackOverprintsBelow, kind: 'type' },
          fix: { label: 'Set to overprint', apply: (job) => setOverprint(job, [element.id], undefined) },
        },
      ];
    }),
};
