import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import type { Finding } from '../check';
import { onLogo, placedLogos } from '../placed-logos';
import type { PlateCheck } from '../plate-check';

export const faintLogo: PlateCheck = {
  id: 'faint-logo',
  name: 'Logo too close to its background',
  protects: 'A dark logo on a dark picture, or a pale one on bare paper, is printed and not seen.',
  source: INK_SOURCE,
  severity: 'warn',
  run: (context) =>
    placedLogos(context).flatMap((placed): Finding[] => {
      const contrast = context.contrastOfMark(placed.members);
      // Its shapes are larger than letters: what letters cannot be read at, it can still be seen at.
      const wanted = INK_LIMITS.contrast.stop;
      if (contrast === undefined || contrast >= wanted) return [];
      const problem = `${placed.logo.name} hardly shows on what lies under it`;
      return [onLogo('faint-logo', context, placed, problem, contrast, wanted, 'lightness')];
    }),
};
