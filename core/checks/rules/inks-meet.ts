import { areNear, type Ink, type Plates, platesOf } from '../../colour/ink';
import { boxOfRings } from '../../geometry/clipping';
import { setSpread } from '../../job/edits/pieces';
import { letteringsOf } from '../../job/look';
import type { Element } from '../../job/schema';
import type { SceneSources } from '../../scene/sources';
import type { Meeting } from '../../scene/spread';
import { meetingsOn, USUAL_SPREAD } from '../../scene/traps';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { formatLength } from '../../units/length';
import type { Check, Finding, Severity } from '../check';
import { found } from '../found';
import { listed } from '../listed';

/** The ink that some plates come from, or the plates. */
function says(plates: Plates, inks: readonly Ink[]): string {
  const [least] = Object.keys(plates).sort((a, b) => plates[a]! - plates[b]!);
  const isOf = (ink: Ink): boolean => {
    const solid = platesOf(ink);
    const tint = (plates[least!] ?? 0) / (solid[least!] ?? Number.POSITIVE_INFINITY);
    return areNear(platesOf(ink, tint), plates, 0.005);
  };
  return inks.find(isOf)?.name ?? listed(Object.keys(plates));
}

/** What is thin shows a shift of the plates on both its sides at once. */
const graveness = (element: Element, { styles }: SceneSources): Severity =>
  element.kind === 'words' && letteringsOf(element, styles).some(({ size }) => size < INK_LIMITS.richWords)
    ? 'warn'
    : 'advise';

export const inksMeet: Check = {
  id: 'inks-meet',
  name: 'Two inks that meet without a plate in common',
  protects: 'Plates never meet exactly: between two inks that share none, a thread of paper shows.',
  source: INK_SOURCE,
  severity: 'advise',
  run: (context) => {
    const { piece, face, sources } = context;
    // Spread as far as that, they no longer only meet.
    if (piece.spread !== undefined) return [];
    const byElement = new Map<Element, Meeting[]>();
    for (const meeting of meetingsOn(face, USUAL_SPREAD, sources)) {
      const upper = face.elements.findLast((each) => each === meeting.lighter || each === meeting.darker)!;
      byElement.set(upper, [...(byElement.get(upper) ?? []), meeting]);
    }
    return [...byElement].map(([element, meetings]): Finding => {
      const [longest] = [...meetings].sort((a, b) => b.length - a.length);
      const { lighter, darker } = longest!.plates;
      const { inks } = sources;
      const length = meetings.reduce((sum, each) => sum + each.length, 0);
      return found(inksMeet, element, context, {
        severity: graveness(element, sources),
        place: boxOfRings(meetings.flatMap(({ rings }) => rings))!,
        problem: `${says(lighter, inks)} and ${says(darker, inks)} meet without a plate in common, along ${formatLength(length, piece.unit, piece.unit === 'in' ? 1 : 0)}`,
        measured: { value: length, kind: 'length' },
        wanted: { value: 0, kind: 'count' },
        fix: {
          label: `Spread the lighter ink by ${INK_LIMITS.spreads[1]} mm`,
          apply: (job) => setSpread(job, piece.id, USUAL_SPREAD),
        },
      });
    });
  },
};
