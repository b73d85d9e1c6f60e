import type { Element, Job } from './schema';

/** Everything drawn in a job: on its faces and in its logos. */
export const allElements = ({ pieces, logos }: Pick<Job, 'pieces' | 'logos'>): Element[] =>
  [...pieces.flatMap((piece) => piece.faces), ...logos].flatMap((of) => of.elements);
