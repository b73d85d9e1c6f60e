import { membersOf } from '../../job/groups';
import { paintsShown } from '../../job/paints-shown';
import type { Element } from '../../job/schema';
import type { Check, CheckContext, Finding } from '../check';
import { found } from '../found';

/** What a logo is made of, whatever its size: how many of which kind, in which paints. */
const makeOf = (elements: readonly Element[], { sources }: CheckContext): string =>
  elements
    .map(
      (e) =>
        `${e.kind} ${paintsShown(e, sources.styles)
          .map(({ ink, tint }) => `${ink} ${tint.toFixed(3)}`)
          .join(' ')}`,
    )
    .sort()
    .join('; ');

export const logoAltered: Check = {
  id: 'logo-altered',
  name: 'A logo that has been changed',
  protects: 'A logo in other colours, or with a part missing, is not the client’s logo any more.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, logos } = context;
    return (face.groups ?? []).flatMap((group): Finding[] => {
      const logo = logos.find(({ id }) => id === group.logo);
      const members = membersOf(face, group.id);
      const [first] = members;
      if (!logo || !first || makeOf(members, context) === makeOf(logo.elements, context)) return [];
      return [found(logoAltered, first, context, { problem: `${logo.name} is not as the house has it` })];
    });
  },
};
