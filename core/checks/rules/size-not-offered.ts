import { formatSize } from '../../units/length';
import type { Check, Finding } from '../check';
import { foundOnFace } from '../found';

/** Sizes agree within a hair, points. */
const SAME = 0.5;

export const sizeNotOffered: Check = {
  id: 'size-not-offered',
  name: 'A size the shop does not offer',
  protects: 'Cards of another size are sent back, or shrunk to the nearest that the shop has.',
  source: { kind: 'common practice' },
  severity: 'stop',
  limits: ['sizes'],
  run: (context): Finding[] => {
    const { piece, face, shop } = context;
    const offered = shop.sizes[piece.kind];
    if (!offered || piece.faces[0]?.id !== face.id) return [];
    const [long, short] = [Math.max(piece.width, piece.height), Math.min(piece.width, piece.height)];
    const off = offered.map((size) => {
      const sides = [Math.max(size.width, size.height), Math.min(size.width, size.height)] as const;
      return { size, long: sides[0], by: Math.max(Math.abs(sides[0] - long), Math.abs(sides[1] - short)) };
    });
    const nearest = off.reduce((a, b) => (b.by < a.by ? b : a));
    if (nearest.by <= SAME) return [];
    const { name, width, height } = nearest.size;
    return [
      foundOnFace(sizeNotOffered, context, {
        problem: `${shop.name} does not cut ${formatSize(piece.width, piece.height, shop.unit, 2)}; the nearest it has is ${name}, ${formatSize(width, height, shop.unit, 2)}`,
        measured: { value: long, kind: 'length' },
        wanted: { value: nearest.long, kind: 'length' },
      }),
    ];
  },
};
