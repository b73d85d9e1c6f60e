import { removeFinish } from '../job/edits/finishing';
import { showFor } from '../job/edits/house';
import { pieceOf } from '../job/find';
import { finishesUsed, finishSays } from '../job/finishing';
import { NO_ORDER } from '../job/order';
import type { Job, Piece } from '../job/schema';
import type { Prices } from '../trade/prices';
import { formatLength, toPoints } from '../units/length';
import { SheetError } from './plan';
import { type Quote, type QuoteItem, quoteOf } from './quote';

/** What a quote would come to if something were otherwise: what each choice saves, and what the next quantity costs. */

export interface Saving {
  says: string;
  /** What it would come to, and how much less that is. */
  sum: number;
  saves: number;
}

export interface QuantityStep {
  quantity: number;
  sum: number;
  /** What one piece costs then. */
  each: number;
}

export interface QuoteRead {
  quote: Quote;
  /** The quantities that the shop likes to be asked for, those above what is asked, the nearest first. */
  steps: QuantityStep[];
  savings: Saving[];
}

/** A piece may be made smaller by this much, in such steps, for one more to fit on a sheet. */
const TRIM = { most: toPoints(5, 'mm'), step: toPoints(0.5, 'mm') };
/** Savings of less than this share of a price are not worth a word. */
const WORTH = 0.01;
const MOST_STEPS = 3;

type Ask = (items: readonly QuoteItem[], instead?: { plates?: number }) => Quote | undefined;

/** A quote, or none where what is asked does not fit a sheet. */
const asking =
  (job: Job, prices: Prices, goOn: () => boolean): Ask =>
  (items, instead) => {
    try {
      return quoteOf(job, items, prices, goOn, instead);
    } catch (error) {
      if (error instanceof SheetError) return undefined;
      throw error;
    }
  };

const sized = (item: QuoteItem, width: number, height: number): QuoteItem => ({
  ...item,
  piece: { ...item.piece, width, height },
});

/** The least that a piece has to be made smaller for more of it to fit on a sheet. */
function smaller(item: QuoteItem, quote: Quote, ask: Ask): Omit<Saving, 'saves'> | undefined {
  const { width, height, unit } = item.piece;
  for (let by = TRIM.step; by <= TRIM.most + 0.01; by += TRIM.step)
    for (const [w, h] of [
      [width - by, height],
      [width, height - by],
      [width - by, height - by],
    ] as const) {
      const other = ask([sized(item, w, h)]);
      if (!other || other.up <= quote.up) continue;
      const size = `${formatLength(w, unit, 1)} × ${formatLength(h, unit, 1)}`;
      return { says: `${size}: ${other.up} on a sheet instead of ${quote.up}`, sum: other.sum };
    }
  return undefined;
}

const stockOf = ({ order }: Piece): string => `${order?.stock ?? ''} ${order?.weight ?? ''}`;

/** Other pieces of the job that could share a sheet: of the same kind, shop and stock. */
const alike = (job: Job, piece: Piece): QuoteItem[] =>
  job.pieces
    .filter(
      (other) =>
        other.id !== piece.id &&
        other.kind === piece.kind &&
        other.shop === piece.shop &&
        stockOf(other) === stockOf(piece) &&
        finishesUsed(other).length === finishesUsed(piece).length,
    )
    .map((other) => ({
      piece: other,
      person: other.person,
      quantity: (other.order ?? NO_ORDER).quantity,
      faces: other.faces.slice(0, 2).map((_, i) => i),
    }));

/** The same piece for the people of the house whom it is not for. */
const forOthers = (job: Job, item: QuoteItem): QuoteItem[] => {
  const own = item.person ?? job.people[0]?.id;
  const quotes = item.piece.faces.some(({ elements }) =>
    elements.some((e) => e.kind === 'words' && JSON.stringify(e.paragraphs).includes('"person.')),
  );
  return quotes ? job.people.filter(({ id }) => id !== own).map(({ id }) => ({ ...item, person: id })) : [];
};

/** What sharing sheets saves against printing each by itself. */
function together(says: string, items: readonly QuoteItem[], ask: Ask): Saving | undefined {
  if (items.length < 2) return undefined;
  const apart = items.map((item) => ask([item])?.sum);
  const shared = ask(items)?.sum;
  if (shared === undefined || apart.some((sum) => sum === undefined)) return undefined;
  const sum = apart.reduce<number>((all, each) => all + each!, 0);
  return { says, sum: shared, saves: sum - shared };
}

/** All that can be said of a price of one piece. Undefined where `goOn` said no before there was an answer. */
export function readQuote(
  job: Job,
  item: QuoteItem,
  prices: Prices,
  goOn: () => boolean = () => true,
): QuoteRead | undefined {
  const quote = quoteOf(job, [item], prices, goOn);
  if (!quote) return undefined;
  const ask = asking(job, prices, goOn);
  const less = (says: string, other: Quote | undefined): Saving[] =>
    other ? [{ says, sum: other.sum, saves: quote.sum - other.sum }] : [];
  const { piece } = item;
  const plates = quote.lines.find(({ what }) => what === 'Plates')?.count ?? 0;
  const isFull = plates >= 4 * quote.sides;
  const finishes = finishesUsed(piece).flatMap((finish) => {
    const bare = pieceOf(removeFinish(job, piece.id, finish.id), piece.id);
    return bare ? less(`Without ${finishSays(finish).toLowerCase()}`, ask([{ ...item, piece: bare }])) : [];
  });
  const found = smaller(item, quote, ask);
  const people = forOthers(job, item);
  const others = alike(job, piece);
  const savings = [
    ...(quote.sides > 1 && item.faces.length > 1
      ? less('Printed on one side', ask([{ ...item, faces: item.faces.slice(0, 1) }]))
      : []),
    ...(isFull ? less('In two inks instead of four', ask([item], { plates: 2 })) : []),
    ...(found ? [{ ...found, saves: quote.sum - found.sum }] : []),
    ...finishes,
    together(`Those of all ${people.length + 1} people on shared sheets`, [item, ...people], ask) ?? [],
    together(`On shared sheets with ${others.map((each) => each.piece.name).join(', ')}`, [item, ...others], ask) ?? [],
  ].flat();
  return {
    quote,
    steps: prices.quantities
      .filter((quantity) => quantity > item.quantity)
      .slice(0, MOST_STEPS)
      .flatMap((quantity) => {
        const other = ask([{ ...item, quantity }]);
        return other ? [{ quantity, sum: other.sum, each: other.sum / quantity }] : [];
      }),
    savings: savings
      .filter(({ saves, sum }) => saves > WORTH * (saves + sum))
      .map((each) => ({ ...each, saves: Math.round(each.saves * 100) / 100 })),
  };
}

/** A piece as it is quoted: for its person, in the quantity that is ordered. */
export const quoteItem = (job: Job, piece: Piece): QuoteItem => {
  const person = piece.person;
  const dressed = person ? (pieceOf(showFor(job, piece.id, person), piece.id) ?? piece) : piece;
  return {
    piece: dressed,
    person,
    quantity: (piece.order ?? NO_ORDER).quantity,
    faces: piece.faces.slice(0, 2).map((_, i) => i),
  };
};
