import { platesOf, processStandIn } from '../colour/ink';
import type { Box } from '../geometry/box';
import { addElement } from '../job/edits/elements';
import { placeLogo } from '../job/edits/logos';
import type { Logo, Role } from '../job/house';
import { makeRule, makeShape, makeWords } from '../job/make';
import { quotedParagraphs } from '../job/quoted';
import type { Job, Paint, Piece, Shape } from '../job/schema';
import { asFace } from '../job/turned';
import type { ShopSpec } from '../trade/schema';
import type { Alignment } from '../type/style';

/** What starters are drawn with: boxes anchored to the edges of the sheet, in the inks, typefaces and logos of the house. */

const BLACK: Paint = { ink: 'black', tint: 1 };

/** Narrower than this, points, a dark ground has no room for the firm's name in letters that can be read. */
const LEAST_FOR_NAME = 90;

/** The inks of a house by what they do in a starter. */
export interface HousePaints {
  main: Paint;
  accent: Paint;
  light: Paint;
  paper: Paint;
}

/** An ink no darker than this is for grounds. */
export const LIGHT = 0.2;

/** How dark an ink is, 0 to about 1, by what stands in for it in process. */
export const darkness = (job: Job, id: string): number => {
  const ink = job.inks.find((each) => each.id === id)!;
  const [c, m, y, k] = processStandIn(platesOf(ink), job.inks);
  return Math.min(1, 0.3 * c + 0.35 * m + 0.1 * y + k);
};

/** The darkest colour leads, the next one accents, the lightest one grounds; where there are none, tints of black. */
export function housePaints(job: Job): HousePaints {
  const colours = job.inks.map(({ id }) => id).filter((id) => id !== 'black' && id !== 'paper');
  const dark = [...colours].sort((a, b) => darkness(job, b) - darkness(job, a));
  const [main, second] = dark.filter((id) => darkness(job, id) > LIGHT);
  const lightest = dark.filter((id) => darkness(job, id) <= LIGHT).at(-1);
  const first = main ?? 'black';
  return {
    main: { ink: first, tint: 1 },
    accent: second ? { ink: second, tint: 1 } : { ink: first, tint: 0.6 },
    light: lightest ? { ink: lightest, tint: 1 } : { ink: first, tint: 0.1 },
    paper: { ink: 'paper', tint: 1 },
  };
}

/** What a role is set in until the house says otherwise. */
export const TYPEFACES: Readonly<Record<Role, string>> = {
  heading: 'source-serif-4/semibold',
  text: 'source-sans-3/regular',
  accent: 'source-serif-4/italic',
};

export interface Look {
  size: number;
  role?: Role;
  paint?: Paint;
  align?: Alignment;
  vertical?: 'top' | 'middle' | 'bottom';
  leading?: number;
  name: string;
}

export interface Pen {
  /** The sheet, and the box that words stay in, in points. */
  sheet: { width: number; height: number; upright: boolean };
  inner: Box;
  bleed: number;
  paints: HousePaints;
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
  /** Words in a fixed box: whatever is said in it, it stays where it is anchored. */
  words(face: number, box: Box, text: string, look: Look): void;
  /** The logo as large as fits a box, lying where `at` says (0 to 1 each way); the firm's name where there is none. */
  logo(face: number, box: Box, use: Logo['use'], at: { x: number; y: number }): void;
  job(): Job;
}

/** A pen for the faces of a piece that is in the job already, in the sides that one of them has. */
export function penFor(start: Job, piece: Piece, shop: ShopSpec, newId: () => string, side = 0): Pen {
  let job = start;
  const { width, height } = asFace(piece, piece.faces[side] ?? {});
  const short = Math.min(width, height);
  const bleed = shop.bleed[piece.kind];
  const paints = housePaints(job);
  const margin = Math.max(shop.safe[piece.kind] + 1, Math.min(short * 0.1, 48));
  const inner: Box = { x: margin, y: margin, width: width - 2 * margin, height: height - 2 * margin };
  const faceId = (face: number): string | undefined => piece.faces[face]?.id;
  const put = (face: number, element: Parameters<typeof addElement>[2]): void => {
    const id = faceId(face);
    if (id) job = addElement(job, id, element);
  };
  const words = (face: number, box: Box, text: string, look: Look): void => {
    const { size, role = 'text', align = 'left', vertical = 'top', leading = 1.25, name } = look;
    // Small words print best in black alone.
    const paint = look.paint ?? (role === 'text' ? BLACK : paints.main);
    put(face, {
      ...makeWords({
        id: newId(),
        name,
        text: '',
        x: box.x,
        y: box.y,
        lettering: { typeface: job.roles[role] ?? TYPEFACES[role], size, paint },
        setting: { align, leading: { share: leading } },
        frame: { behaviour: 'fixed box', width: box.width, height: box.height, vertical },
      }),
      paragraphs: quotedParagraphs(text),
    });
  };
  return {
    sheet: { width, height, upright: height > width * 1.05 },
    inner,
    bleed,
    paints,
    of: (share, least, most) => Math.max(least, Math.min(most, short * share)),
    area: (face, name, box, paint, more = {}) =>
      put(face, { ...makeShape({ id: newId(), name, ...box, paint }), ...more }),
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
    words,
    logo(face, box, use, at) {
      const id = faceId(face);
      const logo = job.logos.find((each) => each.use === use) ?? (use === 'reversed' ? undefined : job.logos[0]);
      if (!id || !logo) {
        if (use === 'reversed' && box.width < LEAST_FOR_NAME) return;
        words(face, box, '{firm.name}', {
          role: 'heading',
          size: Math.min(box.height * 0.5, Math.max(9, box.width / 9)),
          paint: use === 'reversed' ? paints.paper : paints.main,
          align: at.x < 0.3 ? 'left' : at.x > 0.7 ? 'right' : 'centre',
          vertical: at.y < 0.3 ? 'top' : at.y > 0.7 ? 'bottom' : 'middle',
          name: 'Company',
        });
        return;
      }
      const w = Math.min(box.width, (box.height * logo.width) / logo.height);
      const h = (w * logo.height) / logo.width;
      job = placeLogo(
        job,
        id,
        logo.id,
        { x: box.x + (box.width - w) * at.x, y: box.y + (box.height - h) * at.y, width: w },
        newId,
      );
    },
    job: () => job,
  };
}

/** The head of a box, and its foot. */
export const headOf = ({ x, y, width }: Box, height: number): Box => ({ x, y, width, height });
export const footOf = ({ x, y, width, height }: Box, by: number): Box => ({ x, y: y + height - by, width, height: by });

/** A band along an edge of the sheet, run out to the bleed on its outer sides. */
export function band({ sheet, bleed }: Pen, edge: 'left' | 'top' | 'foot', depth: number): Box {
  const { width, height } = sheet;
  const across = { x: -bleed, width: width + 2 * bleed };
  if (edge === 'top') return { ...across, y: -bleed, height: depth + bleed };
  if (edge === 'foot') return { ...across, y: height - depth, height: depth + bleed };
  return { x: -bleed, y: -bleed, width: depth + bleed, height: height + 2 * bleed };
}
export const wholeSheet = ({ sheet, bleed }: Pen): Box => ({
  x: -bleed,
  y: -bleed,
  width: sheet.width + 2 * bleed,
  height: sheet.height + 2 * bleed,
});
