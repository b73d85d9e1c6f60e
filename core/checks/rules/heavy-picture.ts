import type { Check, Finding } from '../check';
import { found } from '../found';
import { isLineArt, picturesOn } from '../pictures-on';

export const heavyPicture: Check = {
  id: 'heavy-picture',
  name: 'A picture with more pixels than print',
  protects: 'Pixels that no press can show make the file slow to send and to plate.',
  source: { kind: 'from memory', name: 'Ghent Workgroup, sheet-fed specification: 450 ppi' },
  severity: 'advise',
  limits: ['limits'],
  run: (context) =>
    picturesOn(context).flatMap(({ picture, asset, ppi }): Finding[] =>
      isLineArt(asset) || Math.round(ppi) <= context.shop.limits.heavy
        ? []
        : [
            found(heavyPicture, picture, context, {
              problem: 'Has more pixels than can be printed',
              measured: { value: ppi, kind: 'ppi' },
              wanted: { value: context.shop.limits.heavy, kind: 'ppi' },
            }),
          ],
    ),
};
