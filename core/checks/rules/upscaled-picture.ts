import type { Check, Finding } from '../check';
import { found } from '../found';
import { picturesOn } from '../pictures-on';

export const upscaledPicture: Check = {
  id: 'upscaled-picture',
  name: 'A picture that was made larger',
  protects: 'Pixels that were put between others show nothing new: it prints as soft as it was before.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['ppi'],
  run: (context) =>
    picturesOn(context).flatMap(({ picture, asset, ppi }): Finding[] => {
      const real = ppi / (asset.upscaled ?? 1);
      if (!asset.upscaled || Math.round(real) >= context.shop.ppi.warn) return [];
      return [
        found(upscaledPicture, picture, context, {
          problem: `Was made ${asset.upscaled} times larger before it came here`,
          measured: { value: real, kind: 'ppi' },
          wanted: { value: context.shop.ppi.wanted, kind: 'ppi' },
        }),
      ];
    }),
};
