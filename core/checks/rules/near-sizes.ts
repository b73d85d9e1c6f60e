import { setLettering } from '../../job/edits/words';
import { letteringsOf, lookOf } from '../../job/look';
import { CHECK_LIMITS } from '../../trade/check-limits';
import type { Check, Finding } from '../check';
import { found } from '../found';

export const nearSizes: Check = {
  id: 'near-sizes',
  name: 'Sizes of type that are almost one',
  protects: 'Two sizes a hair apart look like a slip, where a clear step looks meant.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) => {
    const { face, sources } = context;
    const words = face.elements.flatMap((e) => (e.kind === 'words' && !e.logo && !e.sample ? [e] : []));
    const counts = new Map<number, number>();
    for (const each of words)
      for (const { size } of letteringsOf(each, sources.styles))
        counts.set(Math.round(size * 100) / 100, (counts.get(Math.round(size * 100) / 100) ?? 0) + 1);
    return words.flatMap((element): Finding[] => {
      const { lettering } = lookOf(element, sources.styles);
      const size = Math.round(lettering.size * 100) / 100;
      const near = [...counts].find(
        ([other, count]) =>
          other !== size &&
          Math.abs(other - size) < CHECK_LIMITS.nearType &&
          (count > (counts.get(size) ?? 0) || (count === counts.get(size) && other > size)),
      );
      if (!near) return [];
      return [
        found(nearSizes, element, context, {
          problem: `Its size is almost that of others on ${face.name}`,
          measured: { value: size, kind: 'type' },
          wanted: { value: near[0], kind: 'type' },
          fix: { label: `Make it ${near[0]} pt`, apply: (job) => setLettering(job, element.id, { size: near[0] }) },
        }),
      ];
    });
  },
};
