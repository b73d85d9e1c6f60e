import type { Check } from '../check';
import { found } from '../found';
import { quoteInstead, typedDetails } from '../typed-details';

export const detailDiffers: Check = {
  id: 'detail-differs',
  name: 'A detail that is written differently here',
  protects: 'One number in two ways of writing looks careless across a set.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    typedDetails(context)
      .filter(({ typed, said }) => typed !== said)
      .map((each) =>
        found(detailDiffers, each.element, context, {
          of: `${each.quote} ${each.typed}`,
          problem: `${each.name} is written ${each.typed} here, and ${each.said} elsewhere`,
          fix: { label: `Write ${each.said}`, apply: (job) => quoteInstead(job, each) },
        }),
      ),
};
