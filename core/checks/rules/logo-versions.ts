import { membersOf } from '../../job/groups';
import type { Check, Finding } from '../check';
import { found } from '../found';

export const logoVersions: Check = {
  id: 'logo-versions',
  name: 'A logo in two versions across the set',
  protects: 'Two drawings of one logo, meant for the same use, look like two firms on one desk.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, job, logos } = context;
    const used = new Set(
      job.pieces.flatMap(({ faces }) => faces.flatMap((f) => (f.groups ?? []).flatMap(({ logo }) => logo ?? []))),
    );
    return (face.groups ?? []).flatMap((group): Finding[] => {
      const logo = logos.find(({ id }) => id === group.logo);
      const other = logo && logos.find(({ id, use }) => id !== logo.id && use === logo.use && used.has(id));
      const [first] = logo ? membersOf(face, group.id) : [];
      // Told of the later one: the first in the house's list is the house's own.
      if (!logo || !other || !first || logos.indexOf(other) > logos.indexOf(logo)) return [];
      return [
        found(logoVersions, first, context, {
          of: other.id,
          problem: `${other.name} is used elsewhere for the same: ${logo.use}`,
        }),
      ];
    });
  },
};
