import { type Box, contains, outset } from '../geometry/box';
import { addElement } from '../job/edits/elements';
import { personOf } from '../job/edits/house';
import { placeLogo } from '../job/edits/logos';
import type { Logo } from '../job/house';
import { makeRule, makeShape } from '../job/make';
import type { Job, Paint, Piece, Shape } from '../job/schema';
import { asFace } from '../job/turned';
import type { ShopSpec } from '../trade/schema';
import type { FontBook } from '../type/font';
import { toPoints } from '../units/length';
import { type Ground, type HousePaints, shopPaints } from './paints';
import { type Client, clientOf } from './said';
import { type Stack, setStacks } from './stacks';

/** What looks are drawn with: boxes anchored to the edges of the sheet, in the inks, typefaces and logos of the house. */

/** Margins stand on whole steps of the piece's unit. */
const STEP = { mm: toPoints(0.5, 'mm'), in: toPoints(1 / 32, 'in') } as const;
/** Words and logos stay this much inside the safe zone, points. */
const INSIDE = 1;
/** The margin as a share of the shorter side, and at most, points. */
const MARGIN = { share: 0.09, most: 45 };

/** Which versions of a logo stand on a ground, the best first. */
const LOGOS_ON: Readonly<Record<Ground, readonly Logo['use'][]>> = {
  paper: ['full colour', 'one ink'],
  light: ['full colour', 'one ink'],
  main: ['reversed'],
  accent: ['reversed'],
};

export interface Mark {
  box: Box;
  /** Where in the box it lies, 0 to 1 each way. */
  at: { x: number; y: number };
  on?: Ground;
  /** What its clear space stays in; the whole sheet unless it is told. */
  zone?: Box;
  /** What stands there where no logo fits: the company's name at most so large. None leaves the place empty. */
  name?: number;
}

export interface Pen {
  /** The sheet, and the box that words stay in, in points. */
  sheet: { width: number; height: number; upright: boolean };
  inner: Box;
  /** Between things that belong apart. */
  gap: number;
  bleed: number;
  /** How near an edge of the sheet text may stand at all. */
  edge: number;
  paints: HousePaints;
  client: Client;
  /** The piece, as it is in the job. */
  piece: Piece;
  /** How far from the trim a line has to run along it. */
  frame: number;
  /** Whether a logo fits there, so that no name stands in its place. */
  holds(mark: Mark): boolean;
  /** A length for that share of the shorter side, within limits. */
  of(share: number, least: number, most: number): number;
  area(face: number, name: string, box: Box, paint: Paint, more?: Partial<Shape>): void;
  rule(
    face: number,
    name: string,
    at: { x: number; y: number; length: number; upright?: boolean },
    weight: number,
    paint?: Paint,
  ): void;
  /** Text in fixed boxes, as large as asked where all of it fits; tells how high what is said in each stands. */
  set(face: number, stacks: readonly Stack[]): number[];
  /** The logo as large as fits; tells the box that it, or the company's name in its place, has taken. */
  mark(face: number, mark: Mark): Box | undefined;
  job(): Job;
}

/** A pen for the faces of a piece that is in the job already, in the sides that one of them has. */
export function penFor(start: Job, piece: Piece, shop: ShopSpec, fonts: FontBook, newId: () => string, side = 0): Pen {
  let job = start;
  const { width, height } = asFace(piece, piece.faces[side] ?? {});
  const short = Math.min(width, height);
  const paints = shopPaints(job, shop);
  const step = STEP[piece.unit];
  const wanted = Math.max(shop.safe[piece.kind] + INSIDE, Math.min(short * MARGIN.share, MARGIN.most));
  const margin = Math.ceil(wanted / step - 0.01) * step;
  const inner: Box = { x: margin, y: margin, width: width - 2 * margin, height: height - 2 * margin };
  const faceId = (face: number): string | undefined => piece.faces[face]?.id;
  const put = (face: number, element: Parameters<typeof addElement>[2]): void => {
    const id = faceId(face);
    if (id) job = addElement(job, id, element);
  };
  const pen: Pen = {
    sheet: { width, height, upright: height > width * 1.05 },
    inner,
    gap: Math.max(step, Math.round((margin * 0.6) / step) * step),
    bleed: shop.bleed[piece.kind],
    edge: shop.safe[piece.kind] + INSIDE,
    frame: shop.limits.frame,
    holds: (mark) => logoAt(job, mark, { x: 0, y: 0, width, height }) !== undefined,
    paints,
    client: clientOf(job, piece),
    piece,
    of: (share, least, most) => Math.max(least, Math.min(most, short * share)),
    area: (face, name, box, paint, more = {}) => {
      if (paint.ink !== 'paper' || more.stroke)
        put(face, { ...makeShape({ id: newId(), name, ...box, paint }), ...more });
    },
    rule: (face, name, { x, y, length, upright = false }, weight, paint = paints.accent) =>
      put(
        face,
        makeRule({
          id: newId(),
          name,
          x,
          y,
          width: upright ? weight : length,
          height: upright ? length : weight,
          paint,
        }),
      ),
    set(face, stacks) {
      if (!faceId(face)) return stacks.map(() => 0);
      const laid = setStacks(job, stacks, {
        paints,
        limits: shop.limits.type,
        person: personOf(job, piece),
        fonts,
        newId,
      });
      for (const { words } of laid) if (words) put(face, words);
      return laid.map(({ needed }) => needed);
    },
    mark(face, mark) {
      const id = faceId(face);
      const placed = id && logoAt(job, mark, { x: 0, y: 0, width, height });
      if (id && placed) {
        job = placeLogo(job, id, placed.logo, { ...placed.box, width: placed.box.width }, newId);
        return placed.box;
      }
      if (!id || !mark.name) return undefined;
      const { box, at, on } = mark;
      const align = at.x < 0.3 ? 'left' : at.x > 0.7 ? 'right' : 'centre';
      const vertical = at.y < 0.3 ? 'top' : at.y > 0.7 ? 'bottom' : 'middle';
      const said = [{ text: pen.client.company, size: mark.name, role: 'heading' as const }];
      const [needed = 0] = pen.set(face, [{ name: 'Company', box, said, align, vertical, ...(on ? { on } : {}) }]);
      return { ...box, y: box.y + (box.height - needed) * at.y, height: needed };
    },
    job: () => job,
  };
  return pen;
}

/** How much smaller a logo is tried each time. */
const SMALLER = 0.96;
/** So that rounding crowds nothing, points. */
const HAIR = 0.05;

/** The logo for a ground, as large as its box and its clear space allow; undefined where it could not be read there. */
function logoAt(job: Job, { box, at, on = 'paper', zone }: Mark, sheet: Box): { logo: string; box: Box } | undefined {
  const uses = LOGOS_ON[on];
  const logo = uses.flatMap((use) => job.logos.filter((each) => each.use === use))[0];
  if (!logo || box.width <= 0 || box.height <= 0) return undefined;
  const shape = logo.height / logo.width;
  for (let width = Math.min(box.width, box.height / shape); width >= logo.least; width *= SMALLER) {
    const height = width * shape;
    const lies = { x: box.x + (box.width - width) * at.x, y: box.y + (box.height - height) * at.y, width, height };
    if (contains(zone ?? sheet, outset(lies, logo.clear * height + HAIR), 0)) return { logo: logo.id, box: lies };
  }
  return undefined;
}

/** The top of a box, its bottom, and what is left of it above a line. */
export const headOf = ({ x, y, width }: Box, height: number): Box => ({ x, y, width, height });
export const footOf = ({ x, y, width, height }: Box, by: number): Box => ({ x, y: y + height - by, width, height: by });
export const aboveOf = (box: Box, y: number): Box => ({ ...box, height: Math.max(1, y - box.y) });
/** The left part of a box and the right one, a share and what remains of it, with a gap between. */
export function columnsOf(box: Box, share: number, gap: number): [Box, Box] {
  const left = (box.width - gap) * share;
  return [
    { ...box, width: left },
    { ...box, x: box.x + left + gap, width: box.width - left - gap },
  ];
}
/** A box with so much taken off its sides. */
export const insideOf = ({ x, y, width, height }: Box, by: number): Box => ({
  x: x + by,
  y: y + by,
  width: width - 2 * by,
  height: height - 2 * by,
});

export type Edge = 'left' | 'right' | 'top' | 'foot';
/** A band along an edge of the sheet, run out to the bleed on its outer sides. */
export function band({ sheet, bleed }: Pick<Pen, 'sheet' | 'bleed'>, edge: Edge, depth: number): Box {
  const { width, height } = sheet;
  const across = { x: -bleed, width: width + 2 * bleed };
  const down = { y: -bleed, height: height + 2 * bleed };
  if (edge === 'top') return { ...across, y: -bleed, height: depth + bleed };
  if (edge === 'foot') return { ...across, y: height - depth, height: depth + bleed };
  if (edge === 'right') return { ...down, x: width - depth, width: depth + bleed };
  return { ...down, x: -bleed, width: depth + bleed };
}
export const wholeSheet = ({ sheet, bleed }: Pick<Pen, 'sheet' | 'bleed'>): Box => ({
  x: -bleed,
  y: -bleed,
  width: sheet.width + 2 * bleed,
  height: sheet.height + 2 * bleed,
});
