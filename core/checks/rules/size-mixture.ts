import { letteringsOf } from '../../job/look';
import { TYPE_LIMITS, TYPE_SOURCE } from '../../trade/type-limits';
import type { Check } from '../check';
import { tooMany } from '../too-many';

export const sizeMixture: Check = {
  id: 'size-mixture',
  name: 'Many sizes on a side',
  protects: 'More than four sizes on a side look as if none had been chosen.',
  source: TYPE_SOURCE,
  severity: 'advise',
  run: (context) =>
    tooMany(
      context,
      'size-mixture',
      TYPE_LIMITS.sizesOnFace,
      (e) =>
        e.kind === 'words' ? letteringsOf(e, context.sources.styles).map((l) => Math.round(l.size * 100) / 100) : [],
      (values) => `Many sizes on one side: ${values} pt`,
    ),
};
