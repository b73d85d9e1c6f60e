import { CHECK_LIMITS } from '../../trade/check-limits';
import type { Check, Finding } from '../check';
import { found } from '../found';
import { picturesOn } from '../pictures-on';

export const jpegQuality: Check = {
  id: 'jpeg-quality',
  name: 'A JPEG that has been squeezed',
  protects: 'Blocks and halos of a picture that was saved small, or saved again and again, show in print.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    picturesOn(context).flatMap(({ picture, asset }): Finding[] =>
      asset.quality === undefined || asset.quality >= CHECK_LIMITS.jpeg.advise
        ? []
        : [
            found(jpegQuality, picture, context, {
              severity: asset.quality < CHECK_LIMITS.jpeg.warn ? 'warn' : 'advise',
              problem: 'Was saved with so little that its blocks may show',
              measured: { value: asset.quality, kind: 'count' },
              wanted: { value: CHECK_LIMITS.jpeg.advise, kind: 'count' },
            }),
          ],
    ),
};
