import { differenceWord, labDifference } from '../../colour/difference';
import type { Press } from '../../colour/engine';
import type { Ink } from '../../colour/ink';
import { usesInk } from '../../job/paints-shown';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { atElement } from '../at-element';
import type { Check, Finding } from '../check';

/** How far a process ink is from the colour it was made for; undefined where none was asked for. CIEDE2000. */
export const missOf = ({ kind, lab, cmyk }: Ink, press: Press): number | undefined =>
  kind === 'process' && lab ? labDifference(lab, press.lab(cmyk)) : undefined;

export const outOfGamut: Check = {
  id: 'out-of-gamut',
  name: 'Colour the press cannot reach',
  protects: 'A bright screen colour comes back duller than the client knows it.',
  source: INK_SOURCE,
  severity: 'advise',
  limits: ['condition'],
  run: (context) => {
    const { face, press, sources } = context;
    return sources.inks.flatMap((ink): Finding[] => {
      const miss = missOf(ink, press);
      if (miss === undefined || miss <= INK_LIMITS.outOfGamut) return [];
      return face.elements
        .filter((element) => usesInk(element, ink.id, sources.styles))
        .map((element) => ({
          ...atElement('out-of-gamut', element, context),
          severity: 'advise' as const,
          of: ink.id,
          problem: `${ink.name}: the press prints it ${differenceWord(miss)}`,
          measured: { value: miss, kind: 'difference' as const },
          wanted: { value: INK_LIMITS.outOfGamut, kind: 'difference' as const },
        }));
    });
  },
};
