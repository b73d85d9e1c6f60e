import { inkBounds } from '../devices/bounds';
import { type Box, unionOf } from '../geometry/box';
import { membersOf } from '../job/groups';
import type { Logo } from '../job/house';
import type { CheckContext, Finding } from './check';

export interface Placed {
  logo: Logo;
  /** The box around its ink, and its members. */
  box: Box;
  members: ReadonlySet<string>;
  first: string;
}

/** The logos of the house that lie on a face. */
export function placedLogos({ face, logos, sources }: CheckContext): Placed[] {
  return (face.groups ?? []).flatMap((group): Placed[] => {
    const logo = logos.find(({ id }) => id === group.logo);
    const members = membersOf(face, group.id);
    const box = unionOf(members.flatMap((e) => inkBounds(e, sources) ?? []));
    const [first] = members;
    return logo && box && first ? [{ logo, box, members: new Set(members.map(({ id }) => id)), first: first.id }] : [];
  });
}

/** A finding on a logo as a whole. */
export const onLogo = (
  check: string,
  { face }: CheckContext,
  { first, box }: Placed,
  problem: string,
  measured: number,
  wanted: number,
  kind: 'length' | 'lightness' = 'length',
): Finding => ({
  check,
  severity: 'warn',
  face: face.id,
  element: first,
  place: box,
  problem,
  measured: { value: measured, kind },
  wanted: { value: wanted, kind },
});
