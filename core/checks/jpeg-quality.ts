import type { Check, Finding } from './check';
import { found } from './found';
import { picturesOn } from './pictures-on';

/** Below this quality, 1 to 100 by the tables of ITU-T T.81 annex K, blocks show in print; common practice. */
const LEAST = { warn: 60, advise: 75 };

export const jpegQuality: Check = {
  id: 'jpeg-quality',
  name: 'A JPEG that has been squeezed',
  protects: 'Blocks and halos of a picture that was saved small, or saved again and again, show in print.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    picturesOn(context).flatMap(({ picture, asset }): Finding[] =>
      asset.quality === undefined || asset.quality >= LEAST.advise
        ? []
        : [
            found(jpegQuality, picture, context, {
              severity: asset.quality < LEAST.warn ? 'warn' : 'advise',
              problem: 'Was saved with so little that its blocks may show',
              measured: { value: asset.quality, kind: 'count' },
              wanted: { value: LEAST.advise, kind: 'count' },
            }),
          ],
    ),
};
