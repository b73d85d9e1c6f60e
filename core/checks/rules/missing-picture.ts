import type { Check, Finding } from '../check';
import { found } from '../found';

export const missingPicture: Check = {
  id: 'missing-picture',
  name: 'A missing picture file',
  protects: 'Without its file a picture prints as an empty frame.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: (context) =>
    context.face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'picture') return [];
      const here = context.sources.assets[element.asset] && (context.filesHere?.has(element.asset) ?? true);
      return here
        ? []
        : [found(missingPicture, element, context, { problem: 'Its file is missing: choose the picture again' })];
    }),
};
