import { type Box, bottom, outset, right, unionOf } from '../geometry/box';
import { showFor } from '../job/edits/house';
import { pieceOf } from '../job/find';
import { NO_ORDER } from '../job/order';
import type { Job, Piece } from '../job/schema';
import type { SheetMade } from '../job/sheet';
import { shopIn } from '../job/shops-of';
import { formsByHand } from './by-hand';
import { cuttingPlan } from './cutting';
import type { Placed, SheetForm, SheetItem } from './form';
import { type Form, ganged, type Item, type Slot } from './gang';
import { type Overs, oversOf, sheetsWith } from './overs';
import { usable } from './printable';
import { layoutsOf, type Size } from './search';
import { SheetError } from './sheet-error';

export { SheetError };

/** From pieces and quantities to press sheets. Lengths in points, from the sheet's upper left corner. */

/** A way to lay out the sheets. */
export interface SheetPlan {
  says: string;
  forms: SheetForm[];
  /** Pieces on a sheet of the first form. */
  up: number;
  /** The share of the paper that ends in the bin, 0 to 1. */
  waste: number;
  sheets: number;
  cuts: number;
}

/** The faces of a piece that lie on a sheet where nothing else is asked: the first two. */
const firstTwo = ({ faces }: Piece): number[] => faces.slice(0, 2).map((_, i) => i);

export const itemsOf = (job: Job, piece: Piece, made: SheetMade): SheetItem[] => {
  const asked = made.faces?.filter((n) => n < piece.faces.length) ?? [];
  const facesOf = (of: Piece): readonly number[] => (of.id === piece.id && asked.length > 0 ? asked : firstTwo(of));
  return [
    { piece, person: piece.person, quantity: (piece.order ?? NO_ORDER).quantity, faces: facesOf(piece) },
    ...made.also.flatMap(({ piece: id, person, quantity }) => {
      const found = pieceOf(job, id);
      return found ? [{ piece: found, person, quantity, faces: facesOf(found) }] : [];
    }),
  ];
};

/** The piece of an item as it is for its person, and the job that it is so in. */
export function pieceFor(job: Job, { piece, person }: SheetItem): { job: Job; piece: Piece } {
  const dressed = person ? showFor(job, piece.id, person) : job;
  return { job: dressed, piece: pieceOf(dressed, piece.id) ?? piece };
}

/** How far colour runs past the trims of these pieces on the sheet. */
export const bleedOn = (job: Job, items: readonly SheetItem[], made: SheetMade): number =>
  made.bleed === 'trimmed' ? 0 : Math.max(...items.map(({ piece }) => shopIn(job, piece.shop).bleed[piece.kind]));

/** The distance between neighbours' trims. */
export const gapOf = ({ gutter }: SheetMade, bleed: number): number =>
  gutter === 'none' ? 0 : gutter === 'twice the bleed' ? 2 * bleed : gutter;

/** Which way pieces may lie, by what is asked and by the grain. */
export function wayFor({ way, along, grain, press }: SheetMade, { width, height }: Size): SheetMade['way'] | undefined {
  if (along === 'any' || width === height) return way;
  const fibresDown = (grain === 'long') === press.height >= press.width;
  const longDown = height > width;
  const needed = fibresDown === (longDown === (along === 'long side')) ? 'upright' : 'turned';
  return way === 'any' || way === needed ? needed : undefined;
}

/** Whether fronts and backs share one form: each sheet is printed on both sides from it. */
const halvesMeet = ({ turning }: Pick<SheetMade, 'turning'>): boolean =>
  turning === 'work-and-turn' || turning === 'work-and-tumble';

/** The half of the area that is laid out where the other half is its mirror image; a gutter's half stays free. */
function halfOf(area: Box, { turning, press }: SheetMade, gap: number): Box {
  if (turning === 'work-and-turn') return { ...area, width: Math.max(0, press.width / 2 - gap / 2 - area.x) };
  if (turning === 'work-and-tumble') return { ...area, height: Math.max(0, press.height / 2 - gap / 2 - area.y) };
  return area;
}

/** A place as it is seen when the sheet has been turned over: left for right, or head for foot. */
export const turnedOver = (box: Box, { press, turning }: Pick<SheetMade, 'press' | 'turning'>): Box =>
  turning === 'work-and-tumble' ? { ...box, y: press.height - bottom(box) } : { ...box, x: press.width - right(box) };

/** The way a back lies so that it is upright behind its front. */
const backAngle = (angle: number, { turning }: Pick<SheetMade, 'turning'>): number =>
  ((turning === 'work-and-tumble' ? 180 : 0) - angle + 720) % 360;

function formOf(
  slots: readonly Slot[],
  at: { x: number; y: number },
  run: number,
  made: SheetMade,
  items: readonly SheetItem[],
  overs: Overs,
): SheetForm {
  const fronts = slots.map((slot): Placed => {
    const trim = { x: slot.x + at.x, y: slot.y + at.y, width: slot.width, height: slot.height };
    return { item: slot.item, face: 0, trim, angle: slot.turned ? 90 : 0 };
  });
  const backs = fronts.flatMap((front): Placed[] =>
    made.turning === 'one side' || (items[front.item]?.faces.length ?? 1) < 2
      ? []
      : [{ ...front, face: 1, trim: turnedOver(front.trim, made), angle: backAngle(front.angle, made) }],
  );
  const halves = halvesMeet(made);
  const first = halves ? [...fronts, ...backs] : fronts;
  const each = items.map((_, i) => slots.filter(({ item }) => item === i).length * (halves ? 2 : 1));
  const second = halves ? [] : backs;
  return { first, second, run, sheets: sheetsWith(run, second.length > 0 ? 2 : 1, overs), each };
}

/** Every trim of a sheet: what its cuts are made round. */
export const trimsOf = ({ first }: SheetForm): Box[] => first.map(({ trim }) => trim);

/** Where a block of slots starts so that it lies in the middle of an area, or against the middle of the sheet. */
function middled(slots: readonly Slot[], area: Box, { turning }: SheetMade) {
  const around = unionOf(slots) ?? { x: 0, y: 0, width: 0, height: 0 };
  const halved = turning === 'work-and-turn' ? 'x' : turning === 'work-and-tumble' ? 'y' : undefined;
  const place = (axis: 'x' | 'y'): number => {
    const [from, room, size] = axis === 'x' ? [area.x, area.width, around.width] : [area.y, area.height, around.height];
    // Halves meet in the middle, so that one strip of paper is left and not two.
    return (halved === axis ? from + room - size : from + (room - size) / 2) - around[axis];
  };
  return { x: place('x'), y: place('y') };
}

const words = (rows: readonly Slot[]): string => {
  const turned = rows.filter((slot) => slot.turned).length;
  return turned === 0
    ? 'upright'
    : turned === rows.length
      ? 'turned'
      : `${rows.length - turned} upright, ${turned} turned`;
};

function refuse(items: readonly SheetItem[], made: SheetMade, area: Box, bleed: number): void {
  for (const { piece } of items) {
    const [w, h] = [piece.width + 2 * bleed, piece.height + 2 * bleed];
    const fits = (a: number, b: number): boolean => a <= area.width + 0.003 && b <= area.height + 0.003;
    if (!fits(w, h) && !fits(h, w))
      throw new SheetError(
        `${piece.name} with its bleed does not fit what ${made.press.name} can be printed on. Choose a larger sheet, smaller margins, or trim the bleed.`,
      );
  }
  const two = halvesMeet(made);
  const single = items.find(({ faces }) => faces.length < 2);
  if (two && single)
    throw new SheetError(
      `${single.piece.name} has no back: ${made.turning} prints fronts and backs from one form. Choose sheetwise or one side.`,
    );
}

/** A plan from its forms. */
function measured(says: string, forms: SheetForm[], { press }: SheetMade): SheetPlan {
  const paper = { x: 0, y: 0, width: press.width, height: press.height };
  const used = forms.reduce(
    (sum, form) => sum + form.sheets * form.first.reduce((area, { trim }) => area + trim.width * trim.height, 0),
    0,
  );
  const sheets = forms.reduce((sum, form) => sum + form.sheets, 0);
  return {
    says,
    forms,
    up: forms[0]!.each.reduce((sum, count) => sum + count, 0),
    waste: 1 - used / (sheets * paper.width * paper.height),
    sheets,
    cuts: forms.reduce((sum, form) => sum + cuttingPlan(paper, trimsOf(form)).length, 0),
  };
}

/**
 * The ways to lay out a piece and what shares its sheets, the best first. Throws SheetError with words for the user.
 * `goOn` is asked now and then; once it says no the search ends without an answer.
 */
export function sheetPlans(
  job: Job,
  items: readonly SheetItem[],
  made: SheetMade,
  goOn: () => boolean = () => true,
): SheetPlan[] {
  const bleed = bleedOn(job, items, made);
  const gap = gapOf(made, bleed);
  const whole = usable(made);
  if (whole.width <= 0 || whole.height <= 0)
    throw new SheetError('The margins leave nothing of the sheet. Make them smaller, or the sheet larger.');
  refuse(items, made, whole, bleed);
  const overs = oversOf(job, items, made);
  // The outermost pieces keep their bleed: what is laid out are trims, within it.
  const doubled = halvesMeet(made) ? 2 : 1;
  const half = halfOf(whole, made, gap);
  const inner = innerArea(half, made, bleed);
  const area = { width: inner.width, height: inner.height };
  const sized = items.map(({ piece, quantity }): Item => ({ width: piece.width, height: piece.height, quantity }));
  const way = items.reduce<SheetMade['way'] | undefined>((now, { piece }) => {
    const asked = wayFor(made, piece);
    return now === undefined || asked === undefined
      ? undefined
      : now === 'any'
        ? asked
        : asked === 'any' || asked === now
          ? now
          : undefined;
  }, 'any');
  if (way === undefined)
    throw new SheetError(
      'With the grain as it is asked, these pieces cannot lie as they are asked to. Let them lie any way, or the grain run any way.',
    );

  const plan = (says: string, forms: readonly Form[]): SheetPlan =>
    measured(
      says,
      forms.map(({ slots, sheets }) => formOf(slots, middled(slots, inner, made), sheets, made, items, overs)),
      made,
    );

  if (made.hand) {
    const forms = formsByHand(made.hand, { items, gap, area: inner, doubled });
    return [
      measured(
        'by hand',
        forms.map(({ slots, sheets }) => formOf(slots, { x: 0, y: 0 }, sheets, made, items, overs)),
        made,
      ),
    ];
  }
  const [only] = sized;
  if (sized.length === 1) {
    const found = layoutsOf(only!, gap, area, way);
    if (found.length === 0)
      throw new SheetError(
        'Not one piece fits with these margins and gutters. Make them smaller, or the sheet larger.',
      );
    return inOrder(
      found.map((spots) => {
        const slots = spots.map((spot) => ({ ...spot, item: 0 }));
        return plan(words(slots), [{ slots, sheets: Math.ceil(only!.quantity / (spots.length * doubled)) }]);
      }),
    );
  }
  const halvedNeed = sized.map((item) => ({ ...item, quantity: Math.ceil(item.quantity / doubled) }));
  const plans = (way === 'any' ? (['any', 'upright', 'turned'] as const) : [way]).flatMap((each) => {
    const forms = ganged(halvedNeed, gap, area, each, goOn);
    return forms ? [plan(`ganged, ${each === 'any' ? 'as they fit' : each}`, forms)] : [];
  });
  if (plans.length === 0 && !goOn()) return [];
  if (plans.length === 0)
    throw new SheetError(
      'These pieces do not fit together with these margins and gutters. Make them smaller, or the sheet larger.',
    );
  return inOrder(plans);
}

/** The fewest sheets first, then the most pieces on one, then the fewest cuts; of those that are alike in all of it, one. */
function inOrder(plans: readonly SheetPlan[]): SheetPlan[] {
  const seen = new Set<string>();
  return [...plans]
    .sort((a, b) => a.sheets - b.sheets || b.up - a.up || a.cuts - b.cuts)
    .filter(({ sheets, cuts, up }) => {
      const key = `${sheets} ${cuts} ${up}`;
      return !seen.has(key) && seen.add(key);
    });
}

/** Where trims may lie: within the area by their bleed, but not along the line where two halves meet. */
function innerArea(half: Box, { turning }: SheetMade, bleed: number): Box {
  const inside = outset(half, -bleed);
  if (turning === 'work-and-turn') return { ...inside, width: inside.width + bleed };
  if (turning === 'work-and-tumble') return { ...inside, height: inside.height + bleed };
  return inside;
}
