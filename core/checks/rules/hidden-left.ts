import { type Check, workedOn } from '../check';
import { found, takeAway } from '../found';

export const hiddenLeft: Check = {
  id: 'hidden-left',
  name: 'Something hidden that is left over',
  protects: 'What is hidden is not printed: that may be meant, or somebody forgot to show it again.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    workedOn(context)
      .elements.filter(({ hidden }) => hidden)
      .map((element) =>
        found(hiddenLeft, element, context, {
          problem: 'Is hidden, and will not print',
          orElse: takeAway(element),
        }),
      ),
};
