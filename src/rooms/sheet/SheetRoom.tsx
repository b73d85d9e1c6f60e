import { useMemo, useState } from 'react';
import { moveBlock, setSheet } from '../../../core/job/edits/pieces';
import { usualSheet } from '../../../core/job/sheet';
import { asHand } from '../../../core/sheet/by-hand';
import { type Cut, cuttingPlan } from '../../../core/sheet/cutting';
import type { SheetForm } from '../../../core/sheet/form';
import { sheetMarks } from '../../../core/sheet/marks';
import { bleedOn, gapOf, itemsOf, pieceFor, type SheetPlan, trimsOf } from '../../../core/sheet/plan';
import type { WrittenSheets } from '../../../workers/write-work';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import { useGate } from '../../bench/gate/use-gate';
import { PieceRoom } from '../../bench/PieceRoom';
import { PageShot } from '../../parts/PageShot';
import { saveFiles } from '../../parts/save-files';
import { useWriting } from '../../parts/use-writing';
import { loadAssets } from '../../store/assets';
import { act } from '../../store/session';
import { keepHandOff } from '../../store/versions';
import { BlockHandles } from './BlockHandles';
import { CutSteps } from './CutSteps';
import { SheetDrawing, type Side } from './SheetDrawing';
import { SheetFields } from './SheetFields';
import { usePlans } from './use-plans';

/** Where pieces become press sheets, and sheets are cut to pieces again. */
export default function SheetRoom() {
  return (
    <PieceRoom here="sheet" columns="grid-cols-[282px_minmax(0,1fr)_324px]" waiting="Fetching paper…">
      <Sheets />
    </PieceRoom>
  );
}

const SIDES = [
  ['front', 'Front'],
  ['back', 'Back'],
  ['light table', 'Light table'],
] as const;

const EMPTY: SheetForm = { first: [], second: [], run: 0, sheets: 0, each: [] };

function Sheets() {
  const { job, sheet: piece } = useBench();
  const made = piece.sheet ?? usualSheet(piece.unit);
  const { plans, found, problem, searching, stop } = usePlans(job, piece, made);
  const plan = plans[Math.min(made.taken, plans.length - 1)];
  const [side, setSide] = useState<Side>('front');
  const [formAt, setForm] = useState(0);
  const [looked, setLooked] = useState<{ cuts: readonly Cut[]; at: number }>();
  const at = Math.min(formAt, ((made.hand ?? plan)?.forms.length ?? 1) - 1);
  const form = plan?.forms[at];
  // A layout by hand that cannot be printed can still be put right where it lies.
  const shown = problem ? (made.hand ? EMPTY : undefined) : form;
  const cuts = useMemo(
    () =>
      form
        ? cuttingPlan({ x: 0, y: 0, width: found.made.press.width, height: found.made.press.height }, trimsOf(form))
        : [],
    [form, found],
  );
  // A row that goes while the mouse is on it is never left: its cut is forgotten with the others.
  const step = looked?.cuts === cuts ? looked.at : undefined;
  function adjust(): void {
    if (!plan) return;
    const hand = asHand(plan.forms, gapOf(found.made, bleedOn(job, found.items, found.made)));
    act('Edit layout', (now) => setSheet(now, piece.id, { ...made, taken: 0, hand }));
  }
  const take = (taken: number): void => act('Sheet', (now) => setSheet(now, piece.id, { ...made, taken }));
  return (
    <>
      <aside className="overflow-y-auto border-base-300 border-r bg-base-100 p-4" aria-label="What the sheet is">
        <SheetFields made={made} />
      </aside>
      <main className="flex min-h-0 flex-col gap-3 bg-base-200 p-4">
        <div className="flex items-center gap-3">
          <fieldset className="join" aria-label="Side">
            {SIDES.map(([id, says]) => (
              <button
                key={id}
                type="button"
                aria-pressed={side === id}
                className={`btn btn-sm join-item ${side === id ? 'btn-neutral' : ''}`}
                onClick={() => setSide(id)}
              >
                {says}
              </button>
            ))}
          </fieldset>
          {plan && plan.forms.length > 1 && (
            <fieldset className="join" aria-label="Form">
              {plan.forms.map((each, i) => (
                <button
                  // biome-ignore lint/suspicious/noArrayIndexKey: a form is known by its number
                  key={i}
                  type="button"
                  aria-pressed={formAt === i}
                  className={`btn btn-sm join-item ${formAt === i ? 'btn-neutral' : ''}`}
                  onClick={() => setForm(i)}
                >
                  Form {i + 1}, {each.sheets} sheets
                </button>
              ))}
            </fieldset>
          )}
          {searching && (
            <span className="flex items-center gap-2 text-[14px]" role="status">
              Looking for layouts…
              <button type="button" className="btn btn-xs" onClick={stop}>
                Cancel
              </button>
            </span>
          )}
        </div>
        {problem && (
          <p role="alert" className="rounded border border-error bg-base-100 p-3 text-error">
            {problem}
          </p>
        )}
        {shown && (
          <div className="flex min-h-0 flex-1 items-center justify-center">
            <SheetDrawing
              form={shown}
              items={found.items}
              made={found.made}
              side={side}
              cut={step === undefined ? undefined : cuts[step]}
            >
              {made.hand && side === 'front' && step === undefined && (
                <BlockHandles
                  blocks={made.hand.forms[at]?.blocks ?? []}
                  items={found.items}
                  gap={gapOf(made, bleedOn(job, found.items, made))}
                  onMove={(i, by) => act('Move block', (now) => moveBlock(now, piece.id, at, i, by))}
                />
              )}
            </SheetDrawing>
          </div>
        )}
      </main>
      <aside className="flex min-h-0 flex-col border-base-300 border-l bg-base-100" aria-label="Layouts and cuts">
        <div className="min-h-0 flex-1 overflow-y-auto p-4">
          <h2 className="heading mb-2">Layouts</h2>
          <div className="mb-5 grid gap-1" role="radiogroup" aria-label="Layouts">
            {plans.map((each, i) => (
              <LayoutRow
                key={`${each.says} ${each.sheets} ${each.cuts}`}
                plan={each}
                taken={each === plan}
                onTake={() => take(i)}
              />
            ))}
            {plan && !made.hand && (
              <button
                type="button"
                className="btn btn-sm mt-1 justify-self-start"
                disabled={searching}
                onClick={adjust}
              >
                Edit layout
              </button>
            )}
          </div>
          {plan && !problem && (
            <>
              <h2 className="heading mb-1">Cutting plan: {cuts.length} cuts</h2>
              <CutSteps
                cuts={cuts}
                shown={step}
                onShow={(at) => setLooked(at === undefined ? undefined : { cuts, at })}
              />
            </>
          )}
        </div>
        {plan && !problem && !searching && <WriteSheets plan={plan} />}
      </aside>
    </>
  );
}

function LayoutRow({ plan, taken, onTake }: { plan: SheetPlan; taken: boolean; onTake(): void }) {
  return (
    <label className={`cursor-pointer rounded px-2 py-1.5 ${taken ? 'bg-base-300' : 'hover:bg-base-200'}`}>
      <span className="flex items-baseline gap-2">
        <input type="radio" name="layout" className="radio radio-xs" checked={taken} onChange={onTake} />
        <b className="font-semibold">{plan.up} up</b>
        <span className="quiet text-[13px]">{plan.says}</span>
      </span>
      <span className="ml-6 block text-[13.5px]">
        {plan.sheets.toLocaleString('en')} sheets, {Math.round(plan.waste * 100)} % waste, {plan.cuts} cuts
      </span>
    </label>
  );
}

function WriteSheets({ plan }: { plan: SheetPlan }) {
  const { job, sheet: piece, shop } = useBench();
  const made = piece.sheet ?? usualSheet(piece.unit);
  const writing = useWriting();
  const [done, setDone] = useState<{ plan: SheetPlan; file: WrittenSheets }>();
  const items = itemsOf(job, piece, made);
  const going = useMemo(
    () => itemsOf(job, piece, made).map((item) => ({ ...pieceFor(job, item), faces: item.faces })),
    [job, piece, made],
  );
  const gate = useGate(going);
  const trims = trimsOf(plan.forms[0]!);
  const plates = ['Cyan', 'Magenta', 'Yellow', 'Black'];
  const { noRoom } = sheetMarks(trims, bleedOn(job, items, made), shop.marks, made, plates, piece.unit);
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const file = await writing.run((room, tell) => room.writeSheetFile(job, piece.id, plan, gate.letGo, assets, tell));
    if (!file) return;
    setDone({ plan, file });
    void keepHandOff(job, [piece.id]);
  }
  const file = done?.plan === plan ? done.file : undefined;
  const against = file?.rules.filter(({ faults }) => faults.length > 0) ?? [];
  return (
    <div className="grid gap-2 border-base-300 border-t p-4">
      {noRoom.length > 0 && <p className="quiet text-[13px]">No room on this sheet for: {noRoom.join('; ')}.</p>}
      {file ? (
        <>
          <p role="status" className={`text-[14px] ${against.length > 0 ? 'text-error' : 'text-success'}`}>
            {against.length > 0
              ? `Against ${against.length} rules of ${shop.standard}: ${against[0]!.says}`
              : `Read back: all ${file.rules.length} rules of ${shop.standard} hold.`}
          </p>
          <div className="flex gap-2">
            {file.pages.map((page, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a page is known by its number
              <PageShot key={i} page={page} says={`Page ${i + 1}`} />
            ))}
          </div>
          <button
            type="button"
            className="btn btn-primary justify-self-start"
            onClick={() => saveFiles([file, ...file.beside], file.name.replace(/\.pdf$/, '.zip'))}
          >
            Save {file.name}
          </button>
        </>
      ) : (
        <ExportRow gate={gate} writing={writing} says="Export sheets" onWrite={() => void write()} />
      )}
    </div>
  );
}
