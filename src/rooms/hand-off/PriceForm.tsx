import { useMemo } from 'react';
import type { Chosen } from '../../../core/files/hand-off/plan';
import { setOrder } from '../../../core/job/edits/pieces';
import { pieceOf } from '../../../core/job/find';
import { NO_ORDER } from '../../../core/job/order';
import type { Job, Piece } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { SheetError } from '../../../core/sheet/plan';
import { type QuoteRead, quoteItem, readQuote } from '../../../core/sheet/savings';
import { moneyText } from '../../../core/trade/money';
import type { ShopSpec } from '../../../core/trade/schema';
import { useBench } from '../../bench/bench';
import { act } from '../../store/session';
import { OrderFields } from './OrderFields';

/** What a quote says, or why there is none. */
function quoteOrWhy(job: Job, piece: Piece, shop: ShopSpec): QuoteRead | string {
  if (!shop.prices) return `${shop.name} sends no prices: ask it for a quote with the job package.`;
  try {
    return readQuote(job, quoteItem(job, piece), shop.prices) ?? 'No price could be worked out.';
  } catch (error) {
    if (error instanceof SheetError) return error.message;
    throw error;
  }
}

/** What the shop charges for what is chosen, by its own prices, and what would be cheaper. */
export function PriceForm({ chosen }: { chosen: readonly Chosen[] }) {
  const { job } = useBench();
  const pieces = chosen.flatMap(({ piece }) => pieceOf(job, piece) ?? []);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto p-4">
      <OrderFields chosen={chosen} />
      {pieces.map((piece) => (
        <PriceOf key={piece.id} piece={piece} />
      ))}
      {pieces.length === 0 && <p className="quiet text-[14px]">Tick a piece at the left.</p>}
    </div>
  );
}

function PriceOf({ piece }: { piece: Piece }) {
  const { job } = useBench();
  const shop = shopIn(job, piece.shop);
  const read = useMemo(() => quoteOrWhy(job, piece, shop), [job, piece, shop]);
  const title = `Price of ${piece.name}`;
  if (typeof read === 'string')
    return (
      <section aria-label={title} className="mt-5 border-base-300 border-t pt-4">
        <h3 className="heading mb-1">{title}</h3>
        <p className="text-[14px]">{read}</p>
      </section>
    );
  const { quote, steps, savings } = read;
  const money = (sum: number): string => moneyText(sum, quote.currency);
  const order = piece.order ?? NO_ORDER;
  const ask = (quantity: number): void => act('Quantity', (j) => setOrder(j, piece.id, { ...order, quantity }));
  return (
    <section aria-label={title} className="mt-5 grid gap-3 border-base-300 border-t pt-4 text-[14px]">
      <h3 className="heading">
        {title}, {shop.name}
      </h3>
      <p className="flex items-baseline justify-between">
        <b className="text-xl font-semibold">{money(quote.sum)}</b>
        <span className="quiet">
          {money(quote.sum / quote.quantity)} each, {quote.days} working days
        </span>
      </p>
      <table className="w-full" aria-label={`What ${piece.name} comes to`}>
        <tbody>
          {quote.lines.map(({ what, count, of, sum }) => (
            <tr key={what} className="border-base-300 border-b">
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                {what}
                {count !== undefined && (
                  <span className="quiet block text-[13px]">
                    {count} {of}
                  </span>
                )}
              </th>
              <td className="py-1 text-right align-top tabular-nums">{money(sum)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {quote.unpriced.length > 0 && (
        <p className="rounded bg-warning/30 p-2">Not in the price, ask the shop: {quote.unpriced.join(', ')}.</p>
      )}
      {quote.spare > 0 && (
        <p>
          The sheets hold {quote.spare} more.{' '}
          <button type="button" className="underline" onClick={() => ask(quote.quantity + quote.spare)}>
            Order {quote.quantity + quote.spare}
          </button>
        </p>
      )}
      {steps.length > 0 && (
        <div className="grid gap-1">
          <h4 className="heading">More of them</h4>
          <ul className="grid gap-1" aria-label="Larger quantities">
            {steps.map(({ quantity, sum, each }) => (
              <li key={quantity} className="flex items-baseline justify-between gap-2">
                <button type="button" className="underline" onClick={() => ask(quantity)}>
                  {quantity}
                </button>
                <span className="tabular-nums">
                  {money(sum)} <span className="quiet">({money(each)} each)</span>
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
      {savings.length > 0 && (
        <div className="grid gap-1">
          <h4 className="heading">What would save</h4>
          <ul className="grid gap-1" aria-label="What would save">
            {savings.map(({ says, saves }) => (
              <li key={says} className="flex items-baseline justify-between gap-3">
                <span>{says}</span>
                <b className="font-semibold whitespace-nowrap tabular-nums">{money(saves)}</b>
              </li>
            ))}
          </ul>
        </div>
      )}
      <p className="quiet text-[13px]">By the shop’s own price list; its quote counts.</p>
    </section>
  );
}
