import { group } from 'd3';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { ALL_CHECKS } from '../../../core/checks';
import type { Finding } from '../../../core/checks/check';
import { type AtShop, compareShops, onlyAt } from '../../../core/checks/compare-shops';
import { writeShop } from '../../../core/files/shop-file';
import { setShop } from '../../../core/job/edits/job';
import { keepShop, removeShop } from '../../../core/job/edits/shops';
import { pieceOf } from '../../../core/job/find';
import { conditionsOf } from '../../../core/job/press-of';
import type { Job, Piece } from '../../../core/job/schema';
import { shopsOf } from '../../../core/job/shops-of';
import { SheetError } from '../../../core/sheet/plan';
import { quoteOf } from '../../../core/sheet/quote';
import { quoteItem } from '../../../core/sheet/savings';
import { moneyText } from '../../../core/trade/money';
import { KINDS, SEVERITIES, type ShopSpec } from '../../../core/trade/schema';
import { SHOPS } from '../../../core/trade/shops';
import { intake } from '../../../workers/intake';
import { Dialog } from '../../parts/Dialog';
import { download, fileName } from '../../parts/download';
import { FileChooser } from '../../parts/FileChooser';
import { Pick } from '../../parts/Pick';
import { TypedLines } from '../../parts/Typed';
import { act } from '../../store/session';
import { useBench } from '../bench';
import { useReviews } from '../use-reviews';
import { SECTIONS } from './fields';
import { SpecField } from './SpecField';
import { readSizes, sizesText } from './sizes-text';

const ships = (shop: ShopSpec): boolean => SHOPS.some(({ id }) => id === shop.id);

/** The job with a piece sent to that shop. */
function atShop(job: Job, pieceId: string, shop: ShopSpec) {
  const there = setShop(job, pieceId, shop.id);
  return { job: there, piece: pieceOf(there, pieceId)!, shop };
}

/** How a shop would take the piece, in a few words. */
function verdict({ counts: { stop, warn, advise }, unread }: AtShop): string {
  if (unread.length > 0) return 'not all checked';
  if (stop + warn + advise === 0) return 'takes it as it is';
  const says = [stop && `${stop} to stop it`, warn && `${warn} to warn of`, advise && `${advise} to advise on`];
  return says.filter(Boolean).join(', ');
}

/** What a shop charges for the piece as it is ordered, and how long it takes; nothing where it sends no prices. */
function priceText(job: Job, piece: Piece, { prices }: ShopSpec): string | undefined {
  if (!prices) return undefined;
  try {
    const quote = quoteOf(job, [quoteItem(job, piece)], prices);
    return quote && `${moneyText(quote.sum, quote.currency)} for ${quote.quantity}, ${quote.days} working days`;
  } catch (error) {
    if (error instanceof SheetError) return 'too large for its sheet';
    throw error;
  }
}

/** All shops: how each would take the piece, and what each asks for. */
export function ShopsPanel({ onClose }: { onClose(): void }) {
  const { job, sheet: piece, shop: own } = useBench();
  const [chosenId, setChosen] = useState(own.id);
  const [problem, setProblem] = useState<string>();
  const shops = useMemo(() => shopsOf(job), [job]);
  const reviews = useReviews(shops.map((shop) => atShop(job, piece.id, shop)));
  const all = compareShops(shops.flatMap((shop, i) => (reviews[i] ? [{ shop, review: reviews[i] }] : [])));
  const prices = useMemo(
    () => new Map(shops.map((shop) => [shop.id, priceText(job, piece, shop)])),
    [job, piece, shops],
  );
  const waiting = shops.length - all.length;
  const chosen = all.find(({ shop }) => shop.id === chosenId) ?? all[0];
  const here = all.find(({ shop }) => shop.id === own.id);
  function copy(shop: ShopSpec): void {
    const id = nanoid(10);
    act('New shop', (j) =>
      keepShop(j, { ...shop, id, name: `${shop.name}, own`.slice(0, 80), source: { kind: 'common practice' } }),
    );
    setChosen(id);
  }
  async function takeIn(file: File): Promise<void> {
    try {
      const shop = await intake().readShopFile(file);
      // One of a shipped shop's name is another shop: it must not hide the one that ships.
      const id = SHOPS.some((each) => each.id === shop.id) ? nanoid(10) : shop.id;
      act('Import a shop', (j) => keepShop(j, { ...shop, id }));
      setChosen(id);
      setProblem(undefined);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  return (
    <Dialog wide="full" title="Shops" onClose={onClose}>
      <div className="grid grid-cols-[270px_minmax(0,1fr)] gap-5">
        <div className="grid content-start gap-2">
          <h3 className="heading">Which takes {piece.name}</h3>
          {waiting > 0 && (
            <p role="status" className="quiet text-[13px]">
              Checking {waiting === 1 ? '1 more shop' : `${waiting} more shops`}…
            </p>
          )}
          <ul className="grid gap-1" aria-label="Shops">
            {all.map((each) => (
              <li key={each.shop.id}>
                <button
                  type="button"
                  aria-pressed={each === chosen}
                  className={`w-full cursor-pointer rounded border px-2 py-1.5 text-left ${each === chosen ? 'border-base-content' : 'border-base-300 hover:bg-base-200'}`}
                  onClick={() => setChosen(each.shop.id)}
                >
                  <b className="block font-semibold">
                    {each.shop.name}
                    {each.shop.id === own.id && <span className="quiet font-normal">, its shop</span>}
                  </b>
                  <span className="quiet block text-[13px]">{verdict(each)}</span>
                  {prices.get(each.shop.id) && (
                    <span className="block text-[13px] tabular-nums">{prices.get(each.shop.id)}</span>
                  )}
                </button>
              </li>
            ))}
          </ul>
          <FileChooser
            label="A shop’s spec"
            accept="application/json,.json"
            className="btn btn-sm"
            onFile={(file) => void takeIn(file)}
          >
            Import spec…
          </FileChooser>
          {problem && (
            <p role="alert" className="text-[14px] text-error">
              {problem}
            </p>
          )}
        </div>
        {chosen && here && (
          <div className="grid content-start gap-3">
            <div className="flex flex-wrap items-center gap-2">
              <h3 className="mr-auto text-lg font-semibold">{chosen.shop.name}</h3>
              {chosen !== here && (
                <button
                  type="button"
                  className="btn btn-sm btn-primary"
                  onClick={() => act('Shop spec', (j) => setShop(j, piece.id, chosen.shop.id))}
                >
                  Use this shop
                </button>
              )}
              <button type="button" className="btn btn-sm" onClick={() => copy(chosen.shop)}>
                Duplicate to edit
              </button>
              <button
                type="button"
                className="btn btn-sm"
                onClick={() =>
                  download(
                    new TextEncoder().encode(writeShop(chosen.shop)),
                    `${fileName(chosen.shop.name)}.json`,
                    'application/json',
                  )
                }
              >
                Export spec
              </button>
              {!ships(chosen.shop) && (
                <button
                  type="button"
                  className="btn btn-sm"
                  onClick={() => act('Delete a shop', (j) => removeShop(j, chosen.shop.id, SHOPS[0]!.id))}
                >
                  Delete
                </button>
              )}
            </div>
            {chosen !== here && <Changes from={here} to={chosen} />}
            <Spec key={chosen.shop.id} shop={chosen.shop} />
          </div>
        )}
      </div>
    </Dialog>
  );
}

/** What is found, once for each check, and how many more there are of its kind. */
const byCheck = (findings: readonly Finding[]): string[] =>
  [...group(findings, ({ check }) => check).values()].map(([first, ...more]) =>
    more.length === 0 ? first!.problem : `${first!.problem} (and ${more.length} more of the kind)`,
  );

/** What would be found at another shop, and what no more. */
function Changes({ from, to }: { from: AtShop; to: AtShop }) {
  const rows = [
    ['New findings there', onlyAt(to.findings, from.findings)],
    ['Gone there', onlyAt(from.findings, to.findings)],
  ] as const;
  return (
    <section
      aria-label="What changes"
      className="grid gap-1 rounded border border-base-300 bg-base-200 p-2 text-[14px]"
    >
      {rows.every(([, findings]) => findings.length === 0) && (
        <p>Nothing else is found there than at {from.shop.name}.</p>
      )}
      {rows.map(
        ([says, findings]) =>
          findings.length > 0 && (
            <p key={says}>
              <b className="font-semibold">{says}:</b> {byCheck(findings).join('; ')}
            </p>
          ),
      )}
    </section>
  );
}

/** All that a shop asks for; one that ships can be read, one of the job's own changed. */
function Spec({ shop }: { shop: ShopSpec }) {
  const { job } = useBench();
  const fixed = ships(shop);
  const change = (to: ShopSpec): void => act('Shop spec', (j) => keepShop(j, to));
  return (
    <div className="grid gap-4">
      {fixed && <p className="quiet">It ships with the app: copy it to change what it asks for.</p>}
      <div className="grid grid-cols-3 gap-2">
        <SpecField shop={shop} field={{ label: 'Name', path: 'name', as: 'text' }} fixed={fixed} onChange={change} />
        <Pick
          label="Unit"
          value={shop.unit}
          options={[
            ['mm', 'Millimetres'],
            ['in', 'Inches'],
          ]}
          disabled={fixed}
          onChange={(unit) => change({ ...shop, unit: unit === 'in' ? 'in' : 'mm' })}
        />
        <Pick
          label="Press condition"
          value={shop.condition}
          options={conditionsOf(job).map(({ id, name }) => [id, name] as const)}
          disabled={fixed}
          onChange={(condition) => change({ ...shop, condition })}
        />
      </div>
      {SECTIONS.map(({ name, says, fields }) => (
        <section key={name} aria-label={name} className="grid gap-1.5">
          <h4 className="font-semibold">
            {name} <span className="quiet text-[13px] font-normal">{says}</span>
          </h4>
          <div className={`grid gap-1.5 ${fields.length === KINDS.length ? 'grid-cols-5' : 'grid-cols-3'}`}>
            {fields.map((field) => (
              <SpecField key={field.path} shop={shop} field={field} fixed={fixed} onChange={change} />
            ))}
          </div>
        </section>
      ))}
      <SizeLists shop={shop} fixed={fixed} onChange={change} />
      <Gravity shop={shop} fixed={fixed} onChange={change} />
      <label className="grid gap-0.5">
        <span className="font-semibold">Notes</span>
        <TypedLines
          className="textarea textarea-sm w-full text-[14px]"
          rows={3}
          maxLength={4000}
          said={shop.notes}
          disabled={fixed}
          breaksLines
          onTake={(notes) => change({ ...shop, notes })}
        />
      </label>
    </div>
  );
}

interface PartProps {
  shop: ShopSpec;
  fixed: boolean;
  onChange(to: ShopSpec): void;
}

/** The sizes a shop cuts, one a line; none is any size. */
function SizeLists({ shop, fixed, onChange }: PartProps) {
  return (
    <section aria-label="Sizes" className="grid gap-1.5">
      <h4 className="font-semibold">
        Sizes it cuts <span className="quiet text-[13px] font-normal">One a line; left empty, any size.</span>
      </h4>
      <div className="grid grid-cols-5 gap-1.5">
        {KINDS.map((kind) => (
          <label key={kind} className="grid gap-0.5">
            <span className="quiet text-[13px]">{kind}</span>
            <TypedLines
              className="textarea textarea-sm w-full text-[13px]"
              rows={4}
              aria-label={`Sizes of ${kind}`}
              said={sizesText(shop.sizes[kind], shop.unit)}
              disabled={fixed}
              breaksLines
              refuse={(typed) => {
                const read = readSizes(typed, shop.unit);
                return 'message' in read ? read.message : undefined;
              }}
              onTake={(typed) => {
                const read = readSizes(typed, shop.unit);
                if ('message' in read) return;
                const { [kind]: _old, ...others } = shop.sizes;
                onChange({ ...shop, sizes: read.sizes.length > 0 ? { ...others, [kind]: read.sizes } : others });
              }}
            />
          </label>
        ))}
      </div>
    </section>
  );
}

const ASKS = [...SEVERITIES, 'off'] as const;
const ASK_SAYS = { stop: 'stops the job', warn: 'warns', advise: 'advises', off: 'is not checked' } as const;

/** Checks that a shop takes more or less gravely than others do. */
function Gravity({ shop, fixed, onChange }: PartProps) {
  const asked = Object.entries(shop.asks);
  const nameOf = (id: string): string => ALL_CHECKS.find((check) => check.id === id)?.name ?? id;
  return (
    <section aria-label="How grave" className="grid gap-1.5">
      <h4 className="font-semibold">
        How grave <span className="quiet text-[13px] font-normal">Where it differs from what is usual.</span>
      </h4>
      <ul className="grid grid-cols-2 gap-1.5">
        {asked.map(([id, ask]) => (
          <li key={id} className="flex items-center gap-2 text-[14px]">
            <span className="flex-1">{nameOf(id)}</span>
            <select
              className="select select-xs w-32"
              aria-label={`How grave: ${nameOf(id)}`}
              value={ask}
              disabled={fixed}
              onChange={(event) => {
                const { [id]: _old, ...others } = shop.asks;
                const to = ASKS.find((each) => each === event.target.value);
                onChange({ ...shop, asks: to ? { ...others, [id]: to } : others });
              }}
            >
              {ASKS.map((each) => (
                <option key={each} value={each}>
                  {ASK_SAYS[each]}
                </option>
              ))}
              <option value="">as usual</option>
            </select>
          </li>
        ))}
      </ul>
      {!fixed && (
        <select
          className="select select-sm w-80 text-[14px]"
          aria-label="Another check"
          value=""
          onChange={(event) => {
            const check = ALL_CHECKS.find(({ id }) => id === event.target.value);
            if (check) onChange({ ...shop, asks: { ...shop.asks, [check.id]: check.severity } });
          }}
        >
          <option value="">Another check…</option>
          {ALL_CHECKS.filter(({ id }) => !(id in shop.asks)).map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      )}
    </section>
  );
}
