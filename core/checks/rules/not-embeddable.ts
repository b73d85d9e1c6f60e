import { letteringsOf } from '../../job/look';
import { elementFrame } from '../../scene/face';
import { familyName } from '../../type/own-font';
import type { Check } from '../check';

export const notEmbeddable: Check = {
  id: 'not-embeddable',
  name: 'A typeface that may not be embedded',
  protects: 'A font whose maker forbids embedding cannot go into the file the shop gets, so it is not exported.',
  source: { kind: 'standard', name: 'ISO/IEC 14496-22 (OpenType), OS/2 table, fsType' },
  severity: 'stop',
  run: ({ face, sources: { styles, fonts, ownFonts }, sources }) =>
    face.elements.flatMap((element) => {
      if (element.kind !== 'words') return [];
      const used = new Set(letteringsOf(element, styles).map((l) => l.typeface));
      const closed = [...used].filter((id) => fonts.font(id).embedding === 'forbidden');
      if (closed.length === 0) return [];
      return [
        {
          check: 'not-embeddable',
          severity: 'stop',
          face: face.id,
          element: element.id,
          place: elementFrame(element, sources),
          of: closed.join(' '),
          problem: `The maker of ${closed.map((id) => familyName(id, ownFonts)).join(', ')} forbids embedding; set the text in another typeface`,
          measured: { value: closed.length, kind: 'count' },
          wanted: { value: 0, kind: 'count' },
        },
      ];
    }),
};
