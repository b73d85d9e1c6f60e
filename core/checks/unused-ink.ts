import { usesInk } from '../job/paints-shown';
import type { Job } from '../job/schema';

/** Inks every job has, used or not. */
const ALWAYS = new Set(['black', 'paper']);

/** The inks of a job that nothing uses: no element, no style, no piece's list. */
export function unusedInks({ inks, styles, pieces }: Job): string[] {
  const elements = pieces.flatMap((piece) => piece.faces.flatMap((face) => face.elements));
  const kept = new Set([
    ...styles.map((style) => style.lettering.paint.ink),
    ...pieces.flatMap((piece) => piece.printedWith?.inks ?? []),
  ]);
  return inks.flatMap(({ id }) =>
    ALWAYS.has(id) || kept.has(id) || elements.some((e) => usesInk(e, id, styles)) ? [] : [id],
  );
}
