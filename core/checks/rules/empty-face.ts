import type { Kind } from '../../trade/schema';
import { type Check, type Finding, workedOn } from '../check';
import { foundOnFace } from '../found';

/** Kinds whose backs are seldom printed: one writes on them. */
const WRITTEN_ON: readonly Kind[] = ['letterhead', 'envelope'];

export const emptyFace: Check = {
  id: 'empty-face',
  name: 'A side with nothing on it',
  protects: 'An empty page in the file is printed and paid for, or was meant to have something on it.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context): Finding[] => {
    const { face, piece } = context;
    if (face.elements.length > 0 || WRITTEN_ON.includes(piece.kind)) return [];
    // A face that only shows samples is one that is written on.
    if (workedOn(context).elements.some(({ sample }) => sample)) return [];
    return [foundOnFace(emptyFace, context, { problem: `${face.name} has nothing on it that prints` })];
  },
};
