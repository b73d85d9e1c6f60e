import { type Check, trimOf } from '../check';

export const backTurn: Check = {
  id: 'back-turn',
  name: 'Turn to back',
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
        place: trimOf(piece),
        of: face.id,
        problem: 'One side is portrait and the other landscape: choose how the piece is turned over',
        measured: { value: 1, kind: 'count' },
        wanted: { value: 0, kind: 'count' },
      },
    ];
  },
};
