import type { Kind } from '../trade/schema';
import type { Check, Finding } from './check';
import { foundOnFace } from './found';

/** Kinds whose backs are seldom printed: one writes on them. */
const WRITTEN_ON: readonly Kind[] = ['letterhead', 'envelope'];

export const emptyFace: Check = {
  id: 'empty-face',
  name: 'A face with nothing on it',
  protects: 'An empty page in the file is printed and paid for, or was meant to have something on it.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: (context): Finding[] => {
    const { face, piece } = context;
    const prints = face.elements.some(({ hidden, sample }) => !hidden && !sample);
    if (prints || face.elements.some(({ sample }) => sample) || WRITTEN_ON.includes(piece.kind)) return [];
    return [foundOnFace(emptyFace, context, { problem: `${face.name} has nothing on it that prints` })];
  },
};
