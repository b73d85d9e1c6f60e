import type { Chosen } from '../../../core/files/hand-off/plan';
import { chooseStock, setOrder } from '../../../core/job/edits/pieces';
import { pieceOf } from '../../../core/job/find';
import { MOST_ORDERED, NO_ORDER, type Order } from '../../../core/job/order';
import type { Piece } from '../../../core/job/schema';
import { STOCK_GROUPS, STOCKS } from '../../../core/trade/stocks';
import { weighs } from '../../../core/trade/weight';
import { fromPoints } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { NumberField } from '../../parts/NumberField';
import { Typed } from '../../parts/Typed';
import { act } from '../../store/session';

const split = (text: string): string[] =>
  text
    .split(',')
    .map((part) => part.trim().slice(0, 80))
    .filter(Boolean)
    .slice(0, 12);

/** What is ordered of each piece that goes. */
export function OrderFields({ chosen }: { chosen: readonly Chosen[] }) {
  const { job } = useBench();
  return (
    <div className="grid gap-5">
      {chosen.map(({ piece: id }) => {
        const piece = pieceOf(job, id);
        if (!piece) return null;
        const order = piece.order ?? NO_ORDER;
        const put = (part: Partial<Order>): void => act('Order', (now) => setOrder(now, id, { ...order, ...part }));
        return (
          <fieldset key={id} className="grid gap-2">
            <legend className="mb-1 font-semibold text-[14px]">{piece.name}</legend>
            <div className="grid grid-cols-2 gap-2">
              <NumberField
                label="Quantity"
                value={order.quantity}
                least={1}
                most={MOST_ORDERED}
                onChange={(quantity) => put({ quantity: Math.round(quantity) })}
              />
              <NumberField
                label="g/m²"
                name="Weight of the stock"
                value={order.weight ?? 0}
                least={20}
                most={2000}
                onChange={(weight) => put({ weight })}
              />
            </div>
            <StockChoice piece={piece} />
            <TextRow label="Stock" value={order.stock} most={120} onChange={(stock) => put({ stock })} />
            <StockColour
              colour={order.colour}
              onTake={(colour) =>
                act('Stock colour', (now) => {
                  const { colour: _before, ...rest } = order;
                  return setOrder(now, id, colour === WHITE ? rest : { ...rest, colour });
                })
              }
            />
            <TextRow
              label="Finishing"
              hint="with commas between"
              value={order.finishing.join(', ')}
              most={600}
              onChange={(text) => put({ finishing: split(text) })}
            />
            <TextRow label="Notes" value={order.notes} most={2000} onChange={(notes) => put({ notes })} />
          </fieldset>
        );
      })}
    </div>
  );
}

const WHITE = '#ffffff';

/** How the stock looks beside white paper: it shows through all that is printed on it. */
function StockColour({ colour = WHITE, onTake }: { colour: string | undefined; onTake(colour: string): void }) {
  return (
    <label className="flex items-center gap-2 text-[14px]">
      <input
        key={colour}
        type="color"
        className="h-7 w-10 cursor-pointer"
        defaultValue={colour}
        ref={(field) => {
          // What is chosen is taken once, when the chooser is left, and not at each colour passed over.
          if (field) field.onchange = () => onTake(field.value);
        }}
      />
      Stock colour
      <span className="quiet text-[13px]">{colour === WHITE ? 'white' : colour}</span>
    </label>
  );
}

const figure = (value: number, digits: number): string => Number(value.toFixed(digits)).toString();

/** Stocks that are common, to begin from, and what the piece comes to on the one that is ordered. */
function StockChoice({ piece }: { piece: Piece }) {
  const { stock, weight, quantity } = piece.order ?? NO_ORDER;
  const known = STOCKS.find(({ name }) => name === stock);
  const grams = weight === undefined ? undefined : weighs(piece, weight);
  const facts = [
    ...(piece.thickness === undefined
      ? []
      : [
          `${figure(fromPoints(piece.thickness, 'mm'), 3)} mm (${figure(fromPoints(piece.thickness, 'in'), 4)} in) thick`,
        ]),
    ...(known && known.opacity < 100 ? [`${known.opacity} % opaque`] : []),
    ...(grams === undefined
      ? []
      : [`one weighs ${figure(grams, 1)} g, ${quantity} weigh ${figure((grams * quantity) / 1000, 2)} kg`]),
  ];
  return (
    <div className="grid gap-0.5 text-[14px]">
      <label className="grid gap-0.5">
        <span>Common stocks</span>
        <select
          className="select select-sm w-full text-[14px]"
          value={known?.name ?? ''}
          onChange={(event) => {
            const chosen = STOCKS.find(({ name }) => name === event.target.value);
            if (chosen) act('Stock', (job) => chooseStock(job, piece.id, chosen));
          }}
        >
          <option value="">Choose one…</option>
          {STOCK_GROUPS.map((group) => (
            <optgroup key={group} label={group}>
              {STOCKS.filter((each) => each.group === group).map(({ name }) => (
                <option key={name}>{name}</option>
              ))}
            </optgroup>
          ))}
        </select>
      </label>
      {facts.length > 0 && <p className="quiet text-[13px]">{facts.join('; ')}.</p>}
    </div>
  );
}

/** A line of words that is taken when it is left. */
function TextRow({
  label,
  hint,
  value,
  most,
  onChange,
}: {
  label: string;
  hint?: string;
  value: string;
  most: number;
  onChange(text: string): void;
}) {
  return (
    <label className="grid gap-0.5 text-[14px]">
      <span>
        {label} {hint && <span className="quiet text-[13px]">{hint}</span>}
      </span>
      <Typed
        className="input input-sm w-full text-[14px]"
        aria-label={label}
        said={value}
        maxLength={most}
        onTake={(typed) => onChange(typed.trim())}
      />
    </label>
  );
}
