import { exchangeLogo } from '../../job/edits/logos';
import type { Logo } from '../../job/house';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import type { Finding } from '../check';
import { onLogo, placedLogos } from '../placed-logos';
import type { PlateCheck } from '../plate-check';

/** The CIE L* below which a ground is one for a reversed logo. */
const DARK = 50;

/** The logo of the house that is drawn for such a ground, where this one is not. */
function betterOn(ground: number, logo: Logo, logos: readonly Logo[]): Logo | undefined {
  const isReversed = ground < DARK;
  if ((logo.use === 'reversed') === isReversed) return undefined;
  return logos.find(({ id, use }) => id !== logo.id && (use === 'reversed') === isReversed);
}

export const faintLogo: PlateCheck = {
  id: 'faint-logo',
  name: 'Logo too close to its background',
  protects: 'A dark logo on a dark picture, or a pale one on bare paper, is printed and not seen.',
  source: INK_SOURCE,
  severity: 'warn',
  run: (context) =>
    placedLogos(context).flatMap((placed): Finding[] => {
      const on = context.markOn(placed);
      // Its shapes are larger than letters: what letters cannot be read at, it can still be seen at.
      const wanted = INK_LIMITS.contrast.stop;
      if (!on || on.contrast >= wanted) return [];
      const problem = `${placed.logo.name} hardly shows on what lies under it`;
      const better = betterOn(on.ground, placed.logo, context.logos);
      return [
        {
          ...onLogo('faint-logo', context, placed, problem, on.contrast, wanted, 'lightness'),
          ...(better ? { of: better.id } : {}),
        },
      ];
    }),
  mend: (element, { of, place }) =>
    of === undefined
      ? undefined
      : { label: 'Use the version for this ground', apply: (job) => exchangeLogo(job, element.id, of, place) },
};
