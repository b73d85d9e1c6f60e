import type { Press } from '../colour/engine';
import type { Ink } from '../colour/ink';
import { nearestPaint } from '../colour/nearest-ink';
import { type PrintedWith, plateOfInk } from '../colour/printed-with';
import { mapElementPaints, setPrintedWith } from '../job/edits/inks';
import { pieceOf } from '../job/find';
import type { Logo } from '../job/house';
import { letteringsOf } from '../job/look';
import { paintsShown } from '../job/paints-shown';
import type { Element, Face, Group, Job, Paint, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { INK_LIMITS } from '../trade/ink-limits';

/** A piece that is printed in four inks, brought to one or two plates in one step. */

export interface InksProposed {
  /** The inks it would be printed with, as they are in the job or would be made: each one plate. */
  inks: Ink[];
  /** The mean difference of its paints, weighted by how often each is used, CIEDE2000. */
  off: number;
}

/** What a paint became. */
export interface Repainted {
  from: Paint;
  to: Paint;
  deltaE: number;
}

/** The ink as one plate: a process colour of several becomes a spot of that look. */
export function asOnePlate(ink: Ink, taken: readonly Ink[], newId: () => string): Ink {
  if (plateOfInk(ink)) return ink;
  const names = new Set(taken.filter(({ id }) => id !== ink.id).map(({ name }) => name));
  const free = [`${ink.name} spot`, ...Array.from({ length: 99 }, (_, i) => `${ink.name} spot ${i + 2}`)];
  // Two plates of one name would be one: the process ink keeps its own for the other pieces.
  return { ...ink, id: newId(), name: free.find((name) => !names.has(name))!, kind: 'spot' };
}

/** Black and each colour that a piece is painted in. */
const candidates = (job: Job, used: readonly Paint[]): Ink[] =>
  job.inks.filter(({ id }) => id !== 'paper' && (id === 'black' || used.some((paint) => paint.ink === id)));

/** The one or two inks that keep a piece looking most like itself; undefined where it is painted in none. */
export function proposeInks(
  job: Job,
  piece: Piece,
  count: 1 | 2,
  press: Press,
  newId: () => string,
): InksProposed | undefined {
  const used = piece.faces
    .flatMap(({ elements }) => elements.flatMap((each) => paintsShown(each, job.styles)))
    .filter(({ ink, tint }) => ink !== 'paper' && tint > 0);
  const pool = candidates(job, used);
  if (used.length === 0 || pool.length === 0) return undefined;
  const weights = new Map<string, { paint: Paint; weight: number }>();
  for (const paint of used) {
    const key = `${paint.ink} ${paint.tint}`;
    const found = weights.get(key) ?? { paint, weight: 0 };
    weights.set(key, { paint, weight: found.weight + 1 });
  }
  const sets = count === 1 || pool.length === 1 ? pool.map((ink) => [ink]) : pairsOf(pool);
  const tried = sets.map((inks) => {
    let off = 0;
    for (const { paint, weight } of weights.values())
      off += weight * (nearestPaint(paint, inks, job.inks, press)?.deltaE ?? 100);
    return { inks, off: off / used.length };
  });
  const best = tried.sort((a, b) => a.off - b.off)[0]!;
  return { ...best, inks: best.inks.map((ink) => asOnePlate(ink, job.inks, newId)) };
}

const pairsOf = (inks: readonly Ink[]): Ink[][] =>
  inks.flatMap((one, i) => inks.slice(i + 1).map((other) => [one, other]));

/** Whether small letters are in it, whose edges a tint would break up. */
const isSmallText = (element: Element, styles: Job['styles']): boolean =>
  element.kind === 'words' && letteringsOf(element, styles).some(({ size }) => size < INK_LIMITS.screenedWords);

/**
 * A piece printed with the given inks alone: every paint becomes the nearest tint of one of them, pictures their greys in
 * them, logos further versions of the house's. Other pieces stay as they are.
 */
export function withInks(
  job: Job,
  pieceId: string,
  inks: readonly Ink[],
  press: Press,
  newId: () => string,
): { job: Job; changes: Repainted[] } {
  const known = new Set(job.inks.map(({ id }) => id));
  const all = [...job.inks, ...inks.filter(({ id }) => !known.has(id))];
  const { tint: holds } = shopIn(job, pieceOf(job, pieceId)!.shop).limits;
  const made = new Map<string, Repainted>();
  const own = new Set(inks.map(({ id }) => id));
  const become =
    (solid: boolean) =>
    (paint: Paint): Paint => {
      if (paint.ink === 'paper' || own.has(paint.ink) || paint.tint === 0) return paint;
      const key = `${paint.ink} ${paint.tint} ${solid}`;
      const found = made.get(key);
      if (found) return found.to;
      const near = nearestPaint(paint, inks, all, press)!;
      const isTint = near.paint.tint < 1;
      const to = isTint && (solid || near.paint.tint < holds.least) ? { ...near.paint, tint: 1 } : near.paint;
      made.set(key, { from: paint, to, deltaE: near.deltaE });
      return to;
    };
  const repainted = (element: Element): Element => {
    const solid = isSmallText(element, job.styles);
    const changed = mapElementPaints(element, job.styles, become(solid));
    if (changed.kind !== 'picture') return changed;
    return { ...changed, inks: inks.map(({ id }) => ({ ink: id, tint: 1 })) };
  };
  // A logo's parts on a face are its own: the house gets a version of it in these inks, which they then are.
  const versions = new Map<string, Logo>();
  for (const logo of job.logos) {
    const elements = logo.elements.map(repainted);
    if (JSON.stringify(elements) === JSON.stringify(logo.elements)) continue;
    const use = logo.use === 'reversed' ? 'reversed' : 'one ink';
    const name = `${logo.name}, ${inks.map((ink) => ink.name).join(' and ')}`.slice(0, 120);
    versions.set(logo.id, { ...logo, id: newId(), use, name, elements });
  }
  const used = new Set<string>();
  const versionOf = (group: Group): Group => {
    const version = group.logo && versions.get(group.logo);
    if (!version) return group;
    used.add(group.logo!);
    return { ...group, logo: version.id };
  };
  const faceOf = (face: Face): Face => ({
    ...face,
    elements: face.elements.map(repainted),
    ...(face.groups ? { groups: face.groups.map(versionOf) } : {}),
  });
  const pieces = job.pieces.map((piece) =>
    piece.id === pieceId ? { ...piece, faces: piece.faces.map(faceOf) } : piece,
  );
  const logos = [...job.logos, ...[...used].map((id) => versions.get(id)!)];
  const next: Job = { ...job, inks: all, pieces, logos };
  const ids = inks.map(({ id }) => id);
  const with_: PrintedWith = ids.length === 1 ? { plates: 'one ink', inks: ids } : { plates: 'two inks', inks: ids };
  return { job: setPrintedWith(next, pieceId, with_), changes: [...made.values()] };
}
