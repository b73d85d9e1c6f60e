import { plainText } from '../../job/look';
import type { Check, Finding } from '../check';
import { found, takeAway } from '../found';

export const emptyFrame: Check = {
  id: 'empty-frame',
  name: 'A frame with nothing in it',
  protects: 'An empty frame is forgotten text, or a leftover that gets in the way of the next change.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context) => {
    const { face, piece } = context;
    const goingOn = new Set(
      piece.faces.flatMap(({ elements }) => elements.flatMap((e) => (e.kind === 'words' ? (e.next ?? []) : []))),
    );
    return face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'words' || element.hidden || goingOn.has(element.id)) return [];
      const quotes = element.paragraphs.some(({ spans }) => spans.some(({ quote }) => quote));
      if (quotes || plainText(element).trim() !== '') return [];
      return [
        found(emptyFrame, element, context, {
          problem: 'There is no text in it',
          fix: takeAway(element),
        }),
      ];
    });
  },
};
