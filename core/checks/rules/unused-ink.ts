import { allElements } from '../../job/drawn';
import { usesInk } from '../../job/paints-shown';
import type { Job } from '../../job/schema';

/** Inks every job has, used or not. */
const ALWAYS = new Set(['black', 'paper']);

/** The inks of a job that nothing uses: no element, no style, no logo, no piece's list. */
export function unusedInks({ inks, styles, pieces, logos }: Job): string[] {
  const elements = allElements({ pieces, logos });
  const kept = new Set([
    ...styles.map((style) => style.lettering.paint.ink),
    ...pieces.flatMap((piece) => piece.printedWith?.inks ?? []),
  ]);
  return inks.flatMap(({ id }) =>
    ALWAYS.has(id) || kept.has(id) || elements.some((e) => usesInk(e, id, styles)) ? [] : [id],
  );
}
