import { pieceFacts } from '../checks/piece-facts';
import { isProcessPlate } from '../colour/ink';
import { finishesUsed, finishPlate, finishSays } from '../job/finishing';
import { NO_ORDER } from '../job/order';
import type { Job, Piece } from '../job/schema';
import { type SheetMade, USUAL_SHEET } from '../job/sheet';
import type { Prices } from '../trade/prices';
import { fromPoints } from '../units/length';
import type { SheetForm, SheetItem } from './form';
import { type SheetPlan, sheetPlans } from './plan';

/** What a shop charges for pieces, worked out as a shop does: from the sheets that they lie on. */

/** What is asked for: pieces, each so often; several of them share sheets. */
export type QuoteItem = SheetItem;

export interface QuoteLine {
  what: string;
  /** How many of what, and what each of them is; left out where it is a sum of its own. */
  count?: number;
  of?: string;
  sum: number;
}

export interface Quote {
  currency: string;
  lines: QuoteLine[];
  /** All of them, rounded to hundredths, at least what the shop takes at all. */
  sum: number;
  quantity: number;
  /** Pieces on a sheet, sheets with those that are spoilt, sides of forms. */
  up: number;
  sheets: number;
  sides: number;
  days: number;
  /** How many more the sheets would hold that are printed anyway. */
  spare: number;
  /** What the shop does not say a price for. */
  unpriced: string[];
}

const many = (count: number, one: string, all = `${one}s`): string => (count === 1 ? one : all);
const cents = (sum: number): number => Math.round(sum * 100) / 100;
const distinct = (all: readonly string[]): string[] => [...new Set(all)];

/** The plates of one side of an item; none where nothing prints there. */
const platesOfSide = (job: Job, { piece, faces }: QuoteItem, side: number): string[] => {
  const face = piece.faces[faces[side] ?? -1];
  return face ? pieceFacts(job, { faces: [face] }).plates : [];
};

/** The sheet that a shop prints such items on. */
function sheetFor(job: Job, items: readonly QuoteItem[], { press }: Prices): SheetMade {
  const { name, width, height, unprintable } = press;
  const isTwoSided = items.some((item) => platesOfSide(job, item, 1).length > 0);
  return {
    ...USUAL_SHEET,
    press: { name, width, height },
    gripper: unprintable,
    unprintable,
    turning: isTwoSided ? 'sheetwise' : 'one side',
  };
}

/** The plates of each side of a form that prints. */
const platesOfForm = (job: Job, items: readonly QuoteItem[], { each }: SheetForm): string[][] =>
  [0, 1]
    .map((side) => distinct(items.flatMap((item, i) => ((each[i] ?? 0) > 0 ? platesOfSide(job, item, side) : []))))
    .filter((plates) => plates.length > 0);

/** The price of a square metre of stock that is so heavy, g/m²; of the heaviest where none is heavy enough. */
const paperPrice = ({ paper }: Prices, weight: number): number =>
  (paper.find(({ upTo }) => weight <= upTo) ?? paper.at(-1)!).area;

const USUAL_WEIGHT: Readonly<Record<Piece['kind'], number>> = {
  card: 350,
  letterhead: 100,
  envelope: 100,
  postcard: 300,
  flyer: 135,
};
const weightOf = ({ kind, order }: Piece): number => order?.weight ?? USUAL_WEIGHT[kind];

/** The square centimetres of a piece, which a tool for it is paid by. */
const areaOf = ({ width, height }: Piece): number => (fromPoints(width, 'mm') * fromPoints(height, 'mm')) / 100;

/** What finishing of an item costs, a line each, and what the shop has no price for. */
function finishingOf({ piece, quantity }: QuoteItem, prices: Prices) {
  const lines: QuoteLine[] = [];
  const unpriced = [...(piece.order ?? NO_ORDER).finishing];
  for (const finish of finishesUsed(piece)) {
    const price = prices.finishing[finish.kind];
    if (!price) {
      unpriced.push(finishSays(finish));
      continue;
    }
    const tool = price.tool ? Math.max(price.tool.least, price.tool.area * areaOf(piece)) : 0;
    const named = finish.name === undefined ? finishSays(finish) : finishPlate(finish);
    lines.push({ what: `${named}: set up${tool > 0 ? ' and tool' : ''}`, sum: price.setup + tool });
    lines.push({ what: named, count: quantity, of: many(quantity, 'piece'), sum: (price.thousand * quantity) / 1000 });
  }
  if (piece.fold) {
    const { setup, thousand } = prices.fold;
    lines.push({
      what: 'Folding',
      count: quantity,
      of: many(quantity, 'piece'),
      sum: setup + (thousand * quantity) / 1000,
    });
  }
  return { lines, unpriced };
}

const lessFrom = ({ steps }: Prices, quantity: number): number =>
  steps.reduce((less, step) => (quantity >= step.from ? Math.max(less, step.less) : less), 0);

/** How many pieces more the sheets of a plan hold than were asked for; of the first item. */
function spareOn(plan: SheetPlan, items: readonly QuoteItem[]): number {
  if (items.length !== 1) return 0;
  const held = plan.forms.reduce((sum, form) => sum + (form.each[0] ?? 0) * form.run, 0);
  return Math.max(0, held - items[0]!.quantity);
}

/** What is asked for otherwise than the pieces are: no more plates a side than so many. */
export interface Instead {
  plates?: number;
}

/** A quote for some items by a shop's prices. Throws SheetError where they do not fit its sheet. */
export function quoteOf(
  job: Job,
  items: readonly QuoteItem[],
  prices: Prices,
  goOn?: () => boolean,
  { plates: most = Infinity }: Instead = {},
): Quote | undefined {
  const made = sheetFor(job, items, prices);
  const [plan] = sheetPlans(job, items, made, goOn);
  if (!plan) return undefined;
  const quantity = items.reduce((sum, item) => sum + item.quantity, 0);
  const sided = plan.forms.map((form) => ({
    form,
    plates: platesOfForm(job, items, form).map((side) => side.slice(0, most)),
  }));
  const sides = sided.reduce((sum, { plates }) => sum + plates.length, 0);
  const plates = sided.reduce((sum, each) => sum + each.plates.reduce((all, side) => all + side.length, 0), 0);
  const spots = distinct(sided.flatMap((each) => each.plates.flat())).filter((plate) => !isProcessPlate(plate));
  // Where both sides print in one pass a sheet goes through once, but each side is paid for.
  const passes = sided.reduce((sum, each) => sum + each.form.sheets * Math.max(1, each.plates.length), 0);
  const square = fromPoints(made.press.width, 'mm') * fromPoints(made.press.height, 'mm') * 1e-6;
  const weight = Math.max(...items.map(({ piece }) => weightOf(piece)));
  const piles = sided.reduce((sum, { form }) => sum + Math.ceil(form.sheets / prices.pile), 0);
  const finished = items.map((item) => finishingOf(item, prices));
  const all: QuoteLine[] = [
    { what: 'Make-ready', count: sides, of: many(sides, 'side', 'sides of forms'), sum: sides * prices.form },
    { what: 'Plates', count: plates, of: many(plates, 'plate'), sum: plates * prices.plate },
    { what: 'Spot inks', count: spots.length, of: many(spots.length, 'ink'), sum: spots.length * prices.spot },
    {
      what: `Paper, ${Math.round(weight)} g/m²`,
      count: plan.sheets,
      of: `${many(plan.sheets, 'sheet')} ${made.press.name}`,
      sum: plan.sheets * square * paperPrice(prices, weight),
    },
    {
      what: 'Printing',
      count: passes,
      of: many(passes, 'pass', 'passes'),
      sum: (passes * prices.thousandPasses) / 1000,
    },
    {
      what: 'Cutting',
      count: plan.cuts * piles,
      of: many(plan.cuts * piles, 'cut'),
      sum: plan.cuts * piles * prices.cut,
    },
    ...finished.flatMap(({ lines }) => lines),
  ];
  const before = all.reduce((sum, line) => sum + line.sum, 0);
  const less = lessFrom(prices, quantity);
  const lines = [
    ...all,
    ...(less > 0 ? [{ what: `From ${quantity} pieces, ${Math.round(less * 100)} % less`, sum: -before * less }] : []),
    { what: 'Delivery', sum: prices.delivery },
  ]
    .filter(({ sum }) => Math.abs(sum) > 0.004)
    .map((line) => ({ ...line, sum: cents(line.sum) }));
  const added = cents(lines.reduce((sum, line) => sum + line.sum, 0));
  const least = cents(prices.least - added);
  if (least > 0) lines.push({ what: 'Up to the least that an order comes to', sum: least });
  const steps = new Set(items.flatMap(({ piece }) => finishesUsed(piece).map(({ kind }) => kind)));
  const folds = items.some(({ piece }) => piece.fold) ? 1 : 0;
  return {
    currency: prices.currency,
    lines,
    sum: Math.max(added, prices.least),
    quantity,
    up: plan.up,
    sheets: plan.sheets,
    sides,
    days: prices.days.print + (steps.size + folds) * prices.days.finish,
    spare: spareOn(plan, items),
    unpriced: distinct(finished.flatMap((each) => each.unpriced)),
  };
}
