import { type Ink, platesOf } from '../../colour/ink';
import { repaint } from '../../job/edits/inks';
import { inkOf } from '../../job/find';
import type { Element, Job, Paint } from '../../job/schema';
import type { SceneSources } from '../../scene/sources';
import type { Check, Finding } from '../check';
import { found } from '../found';
import { flatPaintsOf } from '../tints-of';

/** The most of an ink that any one plate gets. */
const densest = (ink: Ink): number => Math.max(0, ...Object.values(platesOf(ink)));

/** Paints of which no plate gets as much as it can hold: by what is on the plates, an ink's own share of it counted. */
const lightPaints = (element: Element, sources: SceneSources, least: number): Paint[] =>
  flatPaintsOf(element, sources).filter(({ ink, tint }) => {
    // Where only solids are printed, what is screened by its own make is no tint of it.
    const most = least < 1 ? tint * densest(inkOf(sources.inks, ink)) : tint;
    return most > 0 && most < least - 1e-6;
  });

export const tintLight: Check = {
  id: 'tint-light',
  name: 'A tint too light to hold',
  protects: 'Dots below what the plate holds are gone: the tint vanishes, or ends in a hard edge.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['limits'],
  run: (context) => {
    const { least } = context.shop.limits.tint;
    return context.face.elements.flatMap((element): Finding[] => {
      const { inks } = context.sources;
      const light = lightPaints(element, context.sources, least);
      const [first] = light;
      if (!first) return [];
      const full = densest(inkOf(inks, first.ink));
      // An ink that is pale in full cannot be helped by a tint.
      const canHold = light.every(({ ink }) => densest(inkOf(inks, ink)) >= least);
      const held = (ink: string): number => Math.min(1, least / densest(inkOf(inks, ink)));
      return [
        found(tintLight, element, context, {
          problem: least < 1 ? 'A tint lighter than the plate holds' : 'A tint, where the shop prints solids only',
          measured: { value: first.tint * full, kind: 'ink' },
          wanted: { value: least, kind: 'ink' },
          ...(canHold
            ? {
                fix: {
                  label: `Make it ${Math.round(held(first.ink) * 100)} %`,
                  apply: (job: Job) =>
                    repaint(job, [element.id], (p) =>
                      light.some(({ ink, tint }) => ink === p.ink && tint === p.tint) ? { ...p, tint: held(p.ink) } : p,
                    ),
                },
              }
            : {}),
        }),
      ];
    });
  },
};
