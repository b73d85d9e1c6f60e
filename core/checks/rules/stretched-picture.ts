import type { Check, Finding } from '../check';
import { found } from '../found';
import { picturesOn } from '../pictures-on';

export const stretchedPicture: Check = {
  id: 'stretched-picture',
  name: 'A picture that is stretched',
  protects: 'A picture whose pixels were meant to be broad or tall prints with faces and logos out of shape.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    picturesOn(context).flatMap(({ picture, asset }): Finding[] => {
      const { pixelAspect } = asset;
      if (pixelAspect === undefined) return [];
      const too = pixelAspect > 1 ? 'narrow' : 'broad';
      return [
        found(stretchedPicture, picture, context, {
          problem: `Prints too ${too}: its file asks for pixels that are not square. Save it with square pixels`,
          measured: { value: 1, kind: 'ratio' },
          wanted: { value: pixelAspect, kind: 'ratio' },
        }),
      ];
    }),
};
