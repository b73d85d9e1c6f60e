import type { Element, Face, Job, Paint, Piece } from '../schema';
import { requoted } from './house';
import { mapElementPaints } from './inks';
import { copyOfPiece } from './pieces';

/** Pieces that go from one job to another: a template opened for a client. */

/** A job with only one of its pieces, and what that piece is made of: what a template keeps. */
export const templateOf = (job: Job, pieceId: string): Job => ({
  ...job,
  pieces: job.pieces.flatMap(({ run: _run, ...piece }) => (piece.id === pieceId ? [piece] : [])),
  people: [],
  tables: [],
  firm: {},
});

/** Ids of what two jobs have under one name, and those of the other that are missing here. */
function byName<T extends { id: string; name: string }>(here: readonly T[], there: readonly T[], newId: () => string) {
  const ids = new Map<string, string>();
  const missing: T[] = [];
  for (const each of there) {
    const same = here.find(({ name }) => name.toLowerCase() === each.name.toLowerCase());
    const id = same?.id ?? newId();
    ids.set(each.id, id);
    if (!same) missing.push({ ...each, id });
  }
  return { ids, missing };
}

/** The paint of an element in the inks of another job. */
const paintIn =
  (inks: ReadonlyMap<string, string>) =>
  <P extends Paint>(paint: P): P => ({ ...paint, ink: inks.get(paint.ink) ?? paint.ink });

/** Every ink that a piece names, its words' styles included. */
function inksOf(piece: Piece, from: Job): Set<string> {
  const text = JSON.stringify([piece, from.styles]);
  return new Set(
    from.inks
      .map(({ id }) => id)
      .filter((id) => text.includes(`"ink":"${id}"`) || piece.printedWith?.inks?.includes(id)),
  );
}

/**
 * Puts a copy of another job's piece into a job. Inks and styles go by name: what the client has is theirs, the rest
 * comes along. Quotes say what the client's house says. The other job is not touched.
 */
export function adoptPiece(job: Job, from: Job, pieceId: string, name: string, newId: () => string): Job {
  const found = from.pieces.find(({ id }) => id === pieceId);
  if (!found) return job;
  const used = inksOf(found, from);
  const inks = byName(
    job.inks,
    from.inks.filter(({ id }) => used.has(id)),
    newId,
  );
  const change = paintIn(inks.ids);
  const styles = byName(job.styles, from.styles, newId);
  const copy = copyOfPiece(found, name, newId);
  const logos = new Set(job.logos.map(({ id }) => id));
  const dressed = (element: Element): Element => {
    const painted = mapElementPaints(element, from.styles, change);
    if (painted.kind !== 'words' || !painted.style) return painted;
    return { ...painted, style: styles.ids.get(painted.style) ?? painted.style };
  };
  const faces = copy.faces.map(
    (face): Face => ({
      ...face,
      elements: face.elements.map(dressed),
      ...(face.groups
        ? {
            groups: face.groups.map(({ logo, ...group }) => ({
              ...group,
              ...(logo && logos.has(logo) ? { logo } : {}),
            })),
          }
        : {}),
    }),
  );
  const { person: _person, run: _run, printedWith, ...plain } = copy;
  const printed = printedWith?.inks
    ? { ...printedWith, inks: printedWith.inks.map((ink) => inks.ids.get(ink) ?? ink) }
    : printedWith;
  const piece = { ...plain, faces, ...(printed ? { printedWith: printed as NonNullable<Piece['printedWith']> } : {}) };
  return requoted({
    ...job,
    inks: [...job.inks, ...inks.missing],
    styles: [
      ...job.styles,
      ...styles.missing.map((style) => ({
        ...style,
        lettering: { ...style.lettering, paint: change(style.lettering.paint) },
      })),
    ],
    assets: { ...from.assets, ...job.assets },
    fonts: { ...from.fonts, ...job.fonts },
    pieces: [...job.pieces, piece],
  });
}
