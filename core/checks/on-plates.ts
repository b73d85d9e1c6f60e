import { type PlateGrid, type PlatesAsked, partOf, platesDevice } from '../devices/plates/device';
import { cellsAnInch } from '../devices/plates/pictures';
import { totalsOf } from '../devices/plates/readings';
import { outset } from '../geometry/box';
import type { Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { asFace } from '../job/turned';
import { drawElement, elementBox } from '../scene/face';
import { groundsOf, mayOverprint } from '../scene/grounds';
import { printedFaces } from '../scene/shown-faces';
import { sourcesOf } from '../scene/sources';
import { type CheckContext, type CheckKit, type Finding, trimOf } from './check';
import type { FixContext, PlateCheck, PlateContext } from './plate-check';
import { faintWords } from './rules/faint-words';
import { picturesOutOfGamut } from './rules/pictures-out-of-gamut';
import { totalInk } from './rules/total-ink';
import { contrastOf } from './words-on-plates';

export const PLATE_CHECKS: readonly PlateCheck[] = [totalInk, faintWords, picturesOutOfGamut];

/** One face on its plates, and what is read while it is laid there. */
export function layFace(context: CheckContext, asked: PlatesAsked): PlateContext {
  const { face, sources, press } = context;
  const device = platesDevice(asked);
  const contrasts = new Map<string, number>();
  const mixtures = new Map<string, PlateGrid>();
  const grounds = groundsOf(face, sources);
  for (const element of face.elements) {
    // What lies under words is what is there before they are drawn.
    if (element.kind === 'words') {
      const contrast = contrastOf(element, device.grid(), sources, press);
      if (contrast !== undefined) contrasts.set(element.id, contrast);
    }
    drawElement(element, sources, device);
    if (mayOverprint(element) && !grounds.has(element.id))
      mixtures.set(element.id, partOf(device.grid(), elementBox(element, sources)));
  }
  const grid = device.grid();
  return { ...context, grid, totals: totalsOf(grid), contrasts, picture: asked.picture, mixtures };
}

/** What is found on the plates of a face, as plain data: it can cross from a worker. */
export const platesFound = (context: PlateContext): Finding[] => PLATE_CHECKS.flatMap((check) => check.run(context));

/** Findings from the plates with their fixes; those of elements that are not there any more are left out. */
export function withFixes(findings: readonly Finding[], piece: Piece, context: FixContext): Finding[] {
  const elements = new Map(piece.faces.flatMap((face) => face.elements.map((e) => [e.id, e] as const)));
  return findings.flatMap((finding) => {
    const element = elements.get(finding.element);
    if (!element) return [];
    const fix = PLATE_CHECKS.find(({ id }) => id === finding.check)?.mend?.(element, finding, context);
    return [{ ...finding, ...(fix ? { fix } : {}) }];
  });
}

/** How the plates of a piece are laid: with its bleed, unless only what is left once it is cut is asked for. */
export interface PieceAsked extends Pick<PlatesAsked, 'picture'> {
  /** Cells an inch; as many as are needed to look at a face where it is left out. */
  ppi?: number;
  trimOnly?: boolean;
  /** The ids of the faces that are laid; all where it is left out. */
  faces?: readonly string[];
}

/** Each printed face of a piece on its plates, upright as it is laid out. */
export function layPiece(
  job: Job,
  piece: Piece,
  { fonts, press }: CheckKit,
  { picture, ppi, trimOnly = false, faces }: PieceAsked,
  shop = shopIn(job, piece.shop),
): PlateContext[] {
  const sources = sourcesOf(job, fonts);
  // All of them are made ready, since words go on from one to another.
  const shown = printedFaces(piece, sources).filter(({ id }) => faces?.includes(id) ?? true);
  return shown.map((face) => {
    const sheet = asFace(piece, face);
    const box = trimOnly ? trimOf(sheet) : outset(trimOf(sheet), shop.bleed[piece.kind]);
    const context = { piece: sheet, face, shop, sources, press, job, logos: job.logos, envelopes: [] };
    return layFace(context, { box, ppi: ppi ?? cellsAnInch(box), picture });
  });
}
