import { inkBounds } from '../devices/bounds';
import { type Box, bottom, contains, distancesTo, outset, overlaps, right, unionOf } from '../geometry/box';
import { membersOf } from '../job/groups';
import type { Logo } from '../job/house';
import { type Check, type CheckContext, type Finding, HAIR, trimOf } from './check';

interface Placed {
  logo: Logo;
  /** The box around its ink, and its members. */
  box: Box;
  members: ReadonlySet<string>;
  first: string;
}

/** The logos of the house that lie on a face. */
function placedLogos({ face, logos, sources }: CheckContext): Placed[] {
  return (face.groups ?? []).flatMap((group): Placed[] => {
    const logo = logos.find(({ id }) => id === group.logo);
    const members = membersOf(face, group.id);
    const box = unionOf(members.flatMap((e) => inkBounds(e, sources) ?? []));
    const [first] = members;
    return logo && box && first ? [{ logo, box, members: new Set(members.map(({ id }) => id)), first: first.id }] : [];
  });
}

const finding = (
  check: string,
  { face }: CheckContext,
  { first, box }: Placed,
  problem: string,
  measured: number,
  wanted: number,
): Finding => ({
  check,
  severity: 'warn',
  face: face.id,
  element: first,
  place: box,
  problem,
  measured: { value: measured, kind: 'length' },
  wanted: { value: wanted, kind: 'length' },
});

export const logoSmall: Check = {
  id: 'logo-small',
  name: 'Logo below its least size',
  protects: 'The fine parts of a logo fill in, or are gone, where it is printed too small.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    placedLogos(context).flatMap((placed) =>
      placed.box.width < placed.logo.least - HAIR
        ? [
            finding(
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
        ? [finding('logo-crowded', context, placed, `${placed.logo.name} is crowded`, Math.max(0, least), clear)]
        : [];
    });
  },
};
