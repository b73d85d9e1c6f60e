import { inkBounds } from '../../devices/bounds';
import { type Box, bottom, contains, distancesTo, outset, overlaps, right } from '../../geometry/box';
import { type Check, type Finding, HAIR, trimOf } from '../check';
import { onLogo, placedLogos } from '../placed-logos';

/** How far two boxes are apart, at the nearest. */
const gap = (a: Box, b: Box): number =>
  Math.hypot(Math.max(0, b.x - right(a), a.x - right(b)), Math.max(0, b.y - bottom(a), a.y - bottom(b)));

export const logoCrowded: Check = {
  id: 'logo-crowded',
  name: 'Something in the clear space of a logo',
  protects: 'A logo that things crowd in on is read together with them.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, sources, piece } = context;
    return placedLogos(context).flatMap((placed): Finding[] => {
      const clear = placed.logo.clear * placed.box.height;
      const zone = outset(placed.box, clear);
      // A ground that the whole clear space lies on crowds nothing.
      const near = face.elements.flatMap((element) => {
        const ink = placed.members.has(element.id) ? undefined : inkBounds(element, sources);
        return ink && overlaps(ink, zone) && !contains(ink, zone, HAIR) ? [gap(placed.box, ink)] : [];
      });
      const toTrim = Object.values(distancesTo(placed.box, trimOf(piece)));
      const least = Math.min(...near, ...toTrim);
      return least < clear - HAIR
        ? [onLogo('logo-crowded', context, placed, `${placed.logo.name} is crowded`, Math.max(0, least), clear)]
        : [];
    });
  },
};
