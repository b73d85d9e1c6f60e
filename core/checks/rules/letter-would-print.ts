import { inkBounds } from '../../devices/bounds';
import { bottom } from '../../geometry/box';
import { markElements } from '../../job/edits/elements';
import { letterLayoutOf } from '../../trade/letter-layouts';
import { type Check, type Finding, laidOut } from '../check';
import { isWritten } from '../meant-for';

export const letterWouldPrint: Check = {
  id: 'letter-would-print',
  name: 'A sample that would print',
  protects: 'Text that only shows the letter comes back printed on every sheet.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { face, sources } = context;
    const piece = laidOut(context);
    const layout = piece.kind === 'letterhead' ? letterLayoutOf(piece.letter?.layout) : undefined;
    if (!layout || !piece.letter || piece.faces[0]?.id !== face.id) return [];
    const foot = piece.height - piece.letter.margins.bottom;
    return face.elements.flatMap((element): Finding[] => {
      const ink =
        element.kind === 'words' && !isWritten(element, context.piece) ? inkBounds(element, sources) : undefined;
      // Where the letter stands, from its first line to the foot margin, a letterhead has no words of its own.
      if (!ink || ink.y < layout.body - 1 || bottom(ink) > foot) return [];
      return [
        {
          check: 'letter-would-print',
          severity: 'warn',
          face: face.id,
          element: element.id,
          place: ink,
          problem: 'Stands where the letter goes, and would print',
          measured: { value: 1, kind: 'count' },
          wanted: { value: 0, kind: 'count' },
          fix: { label: 'Make it a sample', apply: (job) => markElements(job, [element.id], 'sample', true) },
        },
      ];
    });
  },
};
