import { type Check, HAIR } from '../check';
import { onLogo, placedLogos } from '../placed-logos';

export const logoSmall: Check = {
  id: 'logo-small',
  name: 'Logo below its minimum size',
  protects: 'The fine parts of a logo fill in, or are gone, where it is printed too small.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    placedLogos(context).flatMap((placed) =>
      placed.box.width < placed.logo.least - HAIR
        ? [
            onLogo(
              'logo-small',
              context,
              placed,
              `${placed.logo.name} is too small`,
              placed.box.width,
              placed.logo.least,
            ),
          ]
        : [],
    ),
};
