import { inkBounds } from '../devices/bounds';
import { type Area, areasOf, facePanels, hits } from '../job/areas';
import { foldLines } from '../trade/folds';
import { sourceWords } from '../trade/source-words';
import { type Check, type CheckContext, type Finding, HAIR, laidOut } from './check';

/** Elements whose ink lies in an area of a kind. */
function inAreas(
  context: CheckContext,
  kind: Area['kind'],
  tell: (area: Area) => Pick<Finding, 'check' | 'severity' | 'problem'>,
) {
  const { face, sources } = context;
  const areas = areasOf(laidOut(context), face).filter((area) => area.kind === kind);
  if (areas.length === 0) return [];
  return face.elements.flatMap((element): Finding[] => {
    const ink = element.part ? undefined : inkBounds(element, sources);
    if (!ink) return [];
    return areas
      .filter((area) => hits(area, ink))
      .map((area) => ({
        ...tell(area),
        face: face.id,
        element: element.id,
        place: ink,
        measured: { value: 1, kind: 'count' },
        wanted: { value: 0, kind: 'count' },
        rule: `${area.says} (${sourceWords(area.source)})`,
      }));
  });
}

export const keepClear: Check = {
  id: 'keep-clear',
  name: 'Something in a keep-clear area',
  protects: 'What lies there is covered, cut out, misread by a sorting machine, or printed badly.',
  source: { kind: 'from memory', name: 'the rule set of the piece' },
  severity: 'warn',
  run: (context) =>
    inAreas(context, 'clear', (area) => ({
      check: 'keep-clear',
      severity: area.id === 'window' ? 'stop' : 'warn',
      problem: `Lies in the area kept clear: ${area.name.toLowerCase()}`,
    })),
};

export const unprintableMargin: Check = {
  id: 'unprintable-margin',
  name: 'Art in the office printer’s margin',
  protects: 'Printed in the office, this part of the letterhead is missing or the whole page is shrunk.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) =>
    inAreas(context, 'unprintable', () => ({
      check: 'unprintable-margin',
      severity: 'advise',
      problem: 'An office printer leaves it out',
    })),
};

export const acrossFold: Check = {
  id: 'across-fold',
  name: 'Words across a fold',
  protects: 'Letters on a fold crack with the ink, and are read on neither panel.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, sources, piece } = context;
    const folds = foldLines(facePanels(laidOut(context), face));
    if (folds.length === 0) return [];
    return face.elements.flatMap((element): Finding[] => {
      const ink = element.kind === 'words' ? inkBounds(element, sources) : undefined;
      const at = ink && folds.find((fold) => ink.x < fold - HAIR && ink.x + ink.width > fold + HAIR);
      if (!ink || at === undefined) return [];
      return [
        {
          check: 'across-fold',
          severity: 'warn',
          face: face.id,
          element: element.id,
          place: { x: at, y: 0, width: 0.01, height: piece.height },
          problem: 'The words run across a fold',
          measured: { value: Math.min(at - ink.x, ink.x + ink.width - at), kind: 'length' },
          wanted: { value: 0, kind: 'length' },
        },
      ];
    });
  },
};
