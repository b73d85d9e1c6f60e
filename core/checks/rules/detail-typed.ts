import type { Check } from '../check';
import { found } from '../found';
import { quoteInstead, typedDetails } from '../typed-details';

export const detailTyped: Check = {
  id: 'detail-typed',
  name: 'A detail that is typed, not quoted',
  protects: 'When the number changes, this place is forgotten.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    typedDetails(context)
      .filter(({ typed, said }) => typed === said)
      .map((each) =>
        found(detailTyped, each.element, context, {
          of: each.quote,
          problem: `${each.name} is typed here: it will not follow the house`,
          fix: { label: 'Quote it', apply: (job) => quoteInstead(job, each) },
        }),
      ),
};
