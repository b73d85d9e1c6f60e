import { inkBounds } from '../devices/bounds';
import { mostInkDevice } from '../devices/most-ink';
import { gridOver, type PlateGrid, type PlatesAsked, partBox, partOf, platesDevice } from '../devices/plates/device';
import { cellsAnInch } from '../devices/plates/pictures';
import { totalsOf } from '../devices/plates/readings';
import { type Box, outset, overlaps } from '../geometry/box';
import type { Element, Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import { asFace } from '../job/turned';
import type { Device } from '../scene/device';
import { drawElement, elementBox } from '../scene/face';
import { groundsOf, mayOverprint } from '../scene/grounds';
import { sourcesFor } from '../scene/sources';
import { drawSpread } from '../scene/spread';
import { platedFaces } from '../scene/traps';
import { type CheckContext, type CheckKit, type Finding, trimOf } from './check';
import type { KeptPlates, LaidBefore } from './kept-plates';
import { markOn } from './mark-on-plates';
import type { FixContext, PlateCheck, PlateContext } from './plate-check';
import { faintLogo } from './rules/faint-logo';
import { faintWords } from './rules/faint-words';
import { picturesOutOfGamut } from './rules/pictures-out-of-gamut';
import { totalInk } from './rules/total-ink';
import { contrastOf } from './words-on-plates';

export const PLATE_CHECKS: readonly PlateCheck[] = [totalInk, faintWords, faintLogo, picturesOutOfGamut];

/** Worked out when it is first asked for. */
function lazily<T>(work: () => T): () => T {
  let found: { value: T } | undefined;
  return () => {
    found ??= { value: work() };
    return found.value;
  };
}

/** One face and what its plates tell; only as much of them is laid as is asked for, on what lies there `before`. */
export function layFace(context: CheckContext, asked: PlatesAsked, before?: LaidBefore): PlateContext {
  const { face, sources, press } = context;
  const { elements } = face;
  const laid = <T extends Device>(device: T, drawn: readonly Element[]): T => {
    for (const element of drawn) drawElement(element, sources, device);
    return device;
  };
  /** The first so many elements on the plates, as far as they reach into a part of the face. */
  function partLaid(count: number, part: Box): PlateGrid {
    const box = partBox(gridOver(asked), part);
    if (box.width === 0 || box.height === 0) return { ...asked, box, width: 0, height: 0, plates: new Map() };
    const there = before?.within(count);
    const near = elements.slice(there?.count ?? 0, count).filter((element) => {
      const ink = inkBounds(element, sources);
      return ink && overlaps(ink, outset(box, 72 / asked.ppi));
    });
    const begun = there && partOf({ ...gridOver(asked), plates: there.plates }, part).plates;
    return laid(platesDevice({ ...asked, box, ...(begun ? { begun } : {}) }), near).grid();
  }
  const grid = lazily(() => {
    const there = before?.within(elements.length);
    const device = platesDevice({ ...asked, ...(there ? { begun: there.plates } : {}) });
    for (const [i, element] of elements.entries()) {
      if (i < (there?.count ?? 0)) continue;
      drawElement(element, sources, device);
      if (before?.keepsAt === i + 1) before.keep(i + 1, device.grid().plates);
    }
    drawSpread(face, device);
    return device.grid();
  });
  return {
    ...context,
    picture: asked.picture,
    grid,
    totals: lazily(() => totalsOf(grid())),
    mostInk: lazily(() => {
      const device = laid(mostInkDevice(asked.picture), elements);
      drawSpread(face, device);
      return device.most();
    }),
    contrastOf(words) {
      const ink = inkBounds(words, sources);
      // What lies under words is what is there before they are drawn.
      return ink && contrastOf(words, partLaid(elements.indexOf(words), ink), sources, press);
    },
    markOn({ members: ids, box }) {
      const members = elements.filter(({ id }) => ids.has(id));
      const [first, last] = [members[0]!, members.at(-1)!].map((element) => elements.indexOf(element));
      return markOn(members, partLaid(first!, box), partLaid(last! + 1, box), sources, press);
    },
    mixtures: lazily(() => {
      const grounds = groundsOf(face, sources);
      return new Map(
        elements.flatMap((element, i) =>
          mayOverprint(element) && !grounds.has(element.id)
            ? [[element.id, partLaid(i + 1, elementBox(element, sources))] as const]
            : [],
        ),
      );
    }),
  };
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
  /** What was laid the last time: what of it is as it was is not laid again. */
  kept?: KeptPlates;
}

/** Each printed face of a piece on its plates, upright as it is laid out. */
export function layPiece(
  job: Job,
  piece: Piece,
  { fonts, press }: CheckKit,
  { picture, ppi, trimOnly = false, faces, kept }: PieceAsked,
  shop = shopIn(job, piece.shop),
): PlateContext[] {
  const sources = sourcesFor(job, piece, fonts);
  // All of them are made ready, since words go on from one to another.
  const shown = platedFaces(piece, sources).filter(({ id }) => faces?.includes(id) ?? true);
  return shown.map((face) => {
    const sheet = asFace(piece, face);
    const box = trimOnly ? trimOf(sheet) : outset(trimOf(sheet), shop.bleed[piece.kind]);
    const context = { piece: sheet, face, shop, sources, press, job, logos: job.logos, envelopes: [] };
    const asked = { box, ppi: ppi ?? cellsAnInch(box), picture };
    return kept ? kept(context, asked, layFace) : layFace(context, asked);
  });
}
