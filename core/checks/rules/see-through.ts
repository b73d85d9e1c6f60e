import { type Fill, isSeenThrough } from '../../colour/fill';
import { setOpacity } from '../../job/edits/elements';
import type { Element } from '../../job/schema';
import type { Check, Finding } from '../check';
import { found } from '../found';

const fillsOf = (element: Element): Fill[] =>
  element.kind === 'words' ? (element.fill ? [element.fill] : []) : 'paint' in element ? [element.paint] : [];

export const seeThrough: Check = {
  id: 'see-through',
  name: 'See-through art, for a shop that takes none',
  protects: 'PDF/X-1a has no transparency: fades, shadows and see-through things have to be flattened.',
  source: { kind: 'standard', name: 'ISO 15930-1 and 15930-4 (PDF/X-1a)' },
  severity: 'warn',
  limits: ['standard'],
  run: (context) =>
    context.shop.standard === 'PDF/X-4'
      ? []
      : context.face.elements.flatMap((element): Finding[] => {
          const thin = (element.opacity ?? 1) < 1;
          const fades = element.kind === 'picture' ? element.fade !== undefined : fillsOf(element).some(isSeenThrough);
          if (element.hidden || element.sample || (!thin && !fades && !element.shadow)) return [];
          return [
            found(seeThrough, element, context, {
              problem: element.shadow ? 'Has a soft shadow' : fades ? 'Fades out' : 'Can be seen through',
              ...(thin && !element.shadow && !fades
                ? { fix: { label: 'Make it solid', apply: (job) => setOpacity(job, element.id, 1) } }
                : {}),
            }),
          ];
        }),
};
