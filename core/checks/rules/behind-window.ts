import { behindWindow, foldsThatFit } from '../../trade/fits';
import { letterLayoutOf } from '../../trade/letter-layouts';
import { type Check, type Finding, HAIR } from '../check';

export const behindTheWindow: Check = {
  id: 'behind-window',
  name: 'Address not safely inside the window',
  protects: 'A letter slides in its envelope: at one end of its way the postcode is gone.',
  source: { kind: 'standard', name: 'DIN 680 and DIN 5008' },
  severity: 'warn',
  run: (context) => {
    const { face, piece, envelopes } = context;
    const layout = piece.kind === 'letterhead' ? letterLayoutOf(piece.letter?.layout) : undefined;
    if (!layout || piece.faces[0]?.id !== face.id) return [];
    return envelopes.flatMap((envelope): Finding[] => {
      const { window } = envelope;
      if (!window) return [];
      const { width, height } = piece;
      const ways = foldsThatFit({ width, height, folds: layout.folds }, envelope);
      if (ways.length === 0) return [];
      // One way to fold it that shows the address whole is enough.
      const worst = Math.min(
        ...ways.map(
          (folds) => behindWindow({ ...envelope, window }, { width, height, folds, lines: layout.lines }).worst,
        ),
      );
      if (worst <= HAIR) return [];
      return [
        {
          check: 'behind-window',
          severity: 'warn',
          face: face.id,
          element: face.elements[0]?.id ?? face.id,
          place: layout.field,
          of: envelope.name,
          problem: `Part of the address is covered in “${envelope.name}” when the sheet slides`,
          measured: { value: worst, kind: 'length' },
          wanted: { value: 0, kind: 'length' },
        },
      ];
    });
  },
};
