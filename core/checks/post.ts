import { behindWindow } from '../trade/fits';
import { letterLayoutOf } from '../trade/letter-layouts';
import { postRulesOf } from '../trade/post';
import { postVerdict } from '../trade/postage';
import { sourceWords } from '../trade/source-words';
import { type Check, type Finding, HAIR, laidOut } from './check';

/** Findings of a whole piece are told once: on the face that is posted, at the whole of it. */
const whole = ({ width, height }: { width: number; height: number }) => ({ x: 0, y: 0, width, height });

export const postSize: Check = {
  id: 'post-size',
  name: 'Size, ratio or stock against the rules of post',
  protects: 'A card that is a little too large, too square or too thin costs more to post, or comes back.',
  source: { kind: 'from memory', name: 'the rule set of the piece' },
  severity: 'warn',
  run: (context) => {
    const { face, piece } = context;
    const rules = piece.post?.face === face.id ? postRulesOf(piece.post.rules) : undefined;
    if (!rules) return [];
    const sheet = laidOut(context);
    const sizes = piece.kind === 'envelope' ? rules.sizes.filter(({ openOnly }) => !openOnly) : rules.sizes;
    return postVerdict({ ...rules, sizes }, sheet, sheet.thickness).against.map(
      ({ what, measured, wanted, says }): Finding => ({
        check: 'post-size',
        severity: 'warn',
        face: face.id,
        element: face.elements[0]?.id ?? face.id,
        place: whole(piece),
        problem: says.charAt(0).toUpperCase() + says.slice(1),
        measured: what === 'ratio' ? { value: measured, kind: 'ratio' } : { value: measured, kind: 'length' },
        wanted: what === 'ratio' ? { value: wanted, kind: 'ratio' } : { value: wanted, kind: 'length' },
        rule: `${rules.name}: ${sourceWords(rules.source)}`,
      }),
    );
  },
};

export const backTurn: Check = {
  id: 'back-turn',
  name: 'How the back turns',
  protects: 'Turned the other way than one expects, the back stands on its head.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: ({ face, piece }) => {
    const first = piece.faces[0];
    const isBack = piece.faces[1]?.id === face.id;
    if (!isBack || !first || Boolean(first.turned) === Boolean(face.turned) || piece.turns) return [];
    return [
      {
        check: 'back-turn',
        severity: 'warn',
        face: face.id,
        element: face.elements[0]?.id ?? face.id,
        place: whole(piece),
        problem: 'One side is upright and the other wide: say how the piece is turned over',
        measured: { value: 1, kind: 'count' },
        wanted: { value: 0, kind: 'count' },
      },
    ];
  },
};

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
      const high = Math.max(...[0, ...layout.folds, piece.height].map((at, i, all) => (i ? at - all[i - 1]! : 0)));
      if (envelope.width < piece.width || envelope.height < high) return [];
      const { worst } = behindWindow({ ...envelope, window }, { ...piece, folds: layout.folds, lines: layout.lines });
      if (worst <= HAIR) return [];
      return [
        {
          check: 'behind-window',
          severity: 'warn',
          face: face.id,
          element: face.elements[0]?.id ?? face.id,
          place: layout.field,
          problem: `Part of the address is covered in “${envelope.name}” when the sheet slides`,
          measured: { value: worst, kind: 'length' },
          wanted: { value: 0, kind: 'length' },
        },
      ];
    });
  },
};
