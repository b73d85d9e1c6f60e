import type { Check, Finding } from '../check';
import { found } from '../found';
import { picturesOn } from '../pictures-on';

export const transparentPicture: Check = {
  id: 'transparent-picture',
  name: 'A picture that can be seen through, for a shop that takes none',
  protects: 'PDF/X-1a has no transparency: the picture has to be flattened onto what is below it.',
  source: { kind: 'standard', name: 'ISO 15930-1 and 15930-4 (PDF/X-1a)' },
  severity: 'warn',
  limits: ['standard'],
  run: (context) =>
    context.shop.standard === 'PDF/X-4'
      ? []
      : picturesOn(context).flatMap(({ picture, asset }): Finding[] =>
          asset.alpha ? [found(transparentPicture, picture, context, { problem: 'Has see-through parts' })] : [],
        ),
};
