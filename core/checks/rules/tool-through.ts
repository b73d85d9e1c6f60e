import { EndType, JoinType } from 'clipper2-ts';
import { areaOfRings, combinedRings, grownRings, type PathsD } from '../../geometry/clipping';
import { flatten } from '../../geometry/flatten';
import { throughOn } from '../../scene/finishing';
import { inkRings } from '../../scene/ink-rings';
import type { FinishKind } from '../../trade/finishes';
import { type Check, type CheckContext, type Finding, laidOut } from '../check';
import { found } from '../found';

/** Tools that go through the sheet, on either side of it. */
const TOOLS = {
  holes: { says: 'A hole goes through it', severity: 'stop' },
  perforation: { says: 'A perforation goes through it', severity: 'warn' },
  crease: { says: 'A crease runs through it', severity: 'warn' },
} as const satisfies Partial<Record<FinishKind, { says: string; severity: Finding['severity'] }>>;

/** Half the width of what a rule of a tool spoils, points. */
const HALF = 0.7;
const TOLERANCE = 0.05;

/** What a tool spoils on a side: the hole itself, or a band along its line. */
function spoilt(context: CheckContext, kind: keyof typeof TOOLS): PathsD {
  const paths = throughOn(laidOut(context), context.face, kind).flatMap(({ paths: all }) => all);
  const rings = paths.flatMap((path) => flatten(path, TOLERANCE).map(({ points }) => points)) as PathsD;
  if (rings.length === 0 || kind === 'holes') return rings;
  return grownRings(rings, HALF, JoinType.Round, EndType.Butt, 2, 4, TOLERANCE);
}

export const toolThrough: Check = {
  id: 'tool-through',
  name: 'A hole, crease or perforation through text, a code or a logo',
  protects: 'What a tool goes through cannot be read, on whichever side it stands.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: (context) =>
    (Object.keys(TOOLS) as (keyof typeof TOOLS)[]).flatMap((kind) => {
      const rings = spoilt(context, kind);
      if (rings.length === 0) return [];
      return context.face.elements.flatMap((element): Finding[] => {
        if (element.kind !== 'words' && element.kind !== 'code' && !element.logo) return [];
        const both = combinedRings('intersection', inkRings(element, context.sources), rings);
        if (areaOfRings(both) < 0.05) return [];
        const { says, severity } = TOOLS[kind];
        return [found(toolThrough, element, context, { of: kind, problem: says, severity })];
      });
    }),
};
