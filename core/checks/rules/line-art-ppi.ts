import type { Check, Finding } from '../check';
import { found } from '../found';
import { isLineArt, picturesOn } from '../pictures-on';

export const lineArtPpi: Check = {
  id: 'line-art-ppi',
  name: 'Line art with steps in its edges',
  protects: 'Black and white art has no greys to smooth its edges: below the shop’s ppi they show as stairs.',
  source: { kind: 'from memory', name: 'Ghent Workgroup, sheet-fed specification: 550 ppi; 800 is common practice' },
  severity: 'warn',
  limits: ['limits'],
  run: (context) => {
    const { warn, stop } = context.shop.limits.lineArt;
    return picturesOn(context).flatMap(({ picture, asset, ppi }): Finding[] =>
      !isLineArt(asset) || Math.round(ppi) >= warn
        ? []
        : [
            found(lineArtPpi, picture, context, {
              severity: Math.round(ppi) < stop ? 'stop' : 'warn',
              problem: 'Black and white art with too few pixels',
              measured: { value: ppi, kind: 'ppi' },
              wanted: { value: warn, kind: 'ppi' },
            }),
          ],
    );
  },
};
