import { letteringsOf } from '../../job/look';
import { elementFrame } from '../../scene/face';
import { familyName, typefaceIn } from '../../type/own-font';
import type { Check } from '../check';

export const missingTypeface: Check = {
  id: 'missing-typeface',
  name: 'A missing typeface',
  protects: 'Text in a missing typeface is shown and would print in another.',
  source: { kind: 'common practice' },
  severity: 'stop',
  run: ({ face, sources }) =>
    face.elements.flatMap((element) => {
      if (element.kind !== 'words') return [];
      const unknown = [...new Set(letteringsOf(element, sources.styles).map((l) => l.typeface))].filter(
        (id) => !typefaceIn(id, sources.ownFonts),
      );
      if (unknown.length === 0) return [];
      return [
        {
          check: 'missing-typeface',
          severity: 'stop',
          face: face.id,
          element: element.id,
          place: elementFrame(element, sources),
          of: unknown.join(' '),
          problem: `${unknown.map((id) => familyName(id, sources.ownFonts)).join(', ')} is missing: choose another typeface`,
          measured: { value: unknown.length, kind: 'count' },
          wanted: { value: 0, kind: 'count' },
        },
      ];
    }),
};
