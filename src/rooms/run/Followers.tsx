import ChevronDown from 'lucide-react/icons/chevron-down';
import { useState } from 'react';
import type { ByRow } from '../../../core/job/by-row';
import { setByRow, setFaceShown } from '../../../core/job/edits/runs';
import { titleOf } from '../../../core/job/find';
import { lookOf } from '../../../core/job/look';
import type { Element } from '../../../core/job/schema';
import type { Table } from '../../../core/job/table';
import { toPoints } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { NumberField } from '../../parts/NumberField';
import { Pick } from '../../parts/Pick';
import { Tick } from '../../parts/Tick';
import { Typed } from '../../parts/Typed';
import { act, select, useSession } from '../../store/session';
import { ConditionForm } from './ConditionForm';

const KINDS: Record<Element['kind'], string> = {
  words: 'Text',
  picture: 'Picture',
  shape: 'Shape',
  rule: 'Rule',
  code: 'Code',
};

/** The elements of the side, and what of each follows the row; the side itself too. */
export function Followers({ table }: { table: Table }) {
  const { job, sheet, face } = useBench();
  const own = sheet.faces.find(({ id }) => id === face.id) ?? face;
  const open = useSession(({ selected }) => selected[0]);
  const [faceOpen, setFaceOpen] = useState(false);
  return (
    <section aria-label="By row" className="grid grid-cols-[minmax(0,1fr)] gap-1">
      <h2 className="heading">By row: {own.name}</h2>
      {sheet.faces.length > 1 && (
        <div className="rounded border border-base-300">
          <Head
            says="The whole side"
            kind={own.byRow ? 'Only for some rows' : 'Every row'}
            isOpen={faceOpen}
            onClick={() => setFaceOpen(!faceOpen)}
          />
          {faceOpen && (
            <div className="border-base-300 border-t p-2">
              <ConditionForm
                of={own.name}
                table={table}
                condition={own.byRow?.shown}
                onChange={(shown) => act('Side by row', (now) => setFaceShown(now, own.id, shown))}
              />
            </div>
          )}
        </div>
      )}
      {[...own.elements].reverse().map((element) => {
        const isOpen = open === element.id;
        return (
          <div key={element.id} className={`rounded border ${isOpen ? 'border-neutral' : 'border-base-300'}`}>
            <Head
              says={titleOf(element, job.assets)}
              kind={element.byRow ? `${KINDS[element.kind]}, by row` : KINDS[element.kind]}
              isOpen={isOpen}
              onClick={() => select(...(isOpen ? [] : [element.id]))}
            />
            {isOpen && <ByRowFields element={element} table={table} />}
          </div>
        );
      })}
    </section>
  );
}

function Head({ says, kind, isOpen, onClick }: { says: string; kind: string; isOpen: boolean; onClick(): void }) {
  return (
    <button
      type="button"
      className="flex w-full items-center gap-2 px-2 py-1 text-left text-[14px]"
      aria-expanded={isOpen}
      onClick={onClick}
    >
      <span className="min-w-0 flex-1">
        <span className="block truncate">{says}</span>
        <span className="quiet block text-[12.5px]">{kind}</span>
      </span>
      <ChevronDown size={14} className={isOpen ? 'rotate-180' : ''} />
    </button>
  );
}

function ByRowFields({ element, table }: { element: Element; table: Table }) {
  const { job, unit } = useBench();
  const by = element.byRow ?? {};
  const set = (to: { [K in keyof ByRow]?: ByRow[K] | undefined }): void =>
    act('By row', (now) => setByRow(now, element.id, to));
  const columns = table.columns.map(({ key, name }) => [key, name] as const);
  const title = titleOf(element, job.assets);
  return (
    <div className="grid gap-2.5 border-base-300 border-t p-2">
      {(element.kind === 'code' || element.kind === 'picture') && (
        <Pick
          label={element.kind === 'code' ? 'Holds' : 'File named by'}
          value={by.from ?? ''}
          options={[['', 'The same in every row'], ...columns]}
          onChange={(from) => set({ from: from === '' ? undefined : from })}
        />
      )}
      {element.kind === 'words' && <FitFields element={element} by={by} unit={unit} onChange={set} />}
      <ConditionForm of={title} table={table} condition={by.shown} onChange={(shown) => set({ shown })} />
      {element.kind !== 'picture' && <InkFields by={by} columns={columns} onChange={set} />}
    </div>
  );
}

function FitFields({
  element,
  by,
  unit,
  onChange,
}: {
  element: Extract<Element, { kind: 'words' }>;
  by: ByRow;
  unit: 'mm' | 'in';
  onChange(to: { fit?: ByRow['fit'] | undefined }): void;
}) {
  const { job } = useBench();
  const { size } = lookOf(element, job.styles).lettering;
  const grows = element.frame.behaviour === 'grows';
  const { fit } = by;
  return (
    <div className="grid gap-1.5">
      <Tick
        checked={fit !== undefined}
        onChange={(on) =>
          onChange({
            fit: on
              ? {
                  least: Math.max(5, Math.round(size * 0.75)),
                  lines: 1,
                  ...(grows ? { width: toPoints(unit === 'mm' ? 40 : 1.5, unit) } : {}),
                }
              : undefined,
          })
        }
      >
        Make long text fit
      </Tick>
      {fit && (
        <>
          <NumberField
            label="Smallest size, pt"
            value={fit.least}
            least={3}
            most={size}
            step={0.5}
            onChange={(least) => onChange({ fit: { ...fit, least } })}
          />
          <Tick checked={fit.lines === 2} onChange={(two) => onChange({ fit: { ...fit, lines: two ? 2 : 1 } })}>
            Then on two lines
          </Tick>
          {grows && (
            <NumberField
              label={`Widest, ${unit}`}
              value={Math.round(((fit.width ?? 0) / toPoints(1, unit)) * 100) / 100}
              least={1}
              most={500}
              step={unit === 'mm' ? 1 : 0.125}
              onChange={(width) => onChange({ fit: { ...fit, width: toPoints(width, unit) } })}
            />
          )}
        </>
      )}
    </div>
  );
}

function InkFields({
  by,
  columns,
  onChange,
}: {
  by: ByRow;
  columns: readonly (readonly [string, string])[];
  onChange(to: { ink?: ByRow['ink'] | undefined }): void;
}) {
  const { job } = useBench();
  const { ink } = by;
  const first = job.inks[0]!.id;
  return (
    <div className="grid gap-1.5">
      <Pick
        label="Ink by"
        value={ink?.of ?? ''}
        options={[['', 'The same in every row'], ...columns]}
        onChange={(of) =>
          onChange({ ink: of === '' ? undefined : { of, inks: ink?.inks ?? [{ is: '', ink: first }] } })
        }
      />
      {ink?.inks.map((each, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a pair is known by its place
        <div key={i} className="grid grid-cols-2 gap-1">
          <Typed
            className="input input-xs w-full"
            aria-label={`Cell ${i + 1}`}
            said={each.is}
            placeholder="says"
            onTake={(is) =>
              onChange({ ink: { ...ink, inks: ink.inks.map((pair, k) => (k === i ? { ...pair, is } : pair)) } })
            }
          />
          <select
            className="select select-xs w-full"
            aria-label={`Ink ${i + 1}`}
            value={each.ink}
            onChange={(event) =>
              onChange({
                ink: {
                  ...ink,
                  inks: ink.inks.map((pair, k) => (k === i ? { ...pair, ink: event.target.value } : pair)),
                },
              })
            }
          >
            {job.inks.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </div>
      ))}
      {ink && (
        <button
          type="button"
          className="btn btn-xs justify-self-start"
          onClick={() => onChange({ ink: { ...ink, inks: [...ink.inks, { is: '', ink: first }] } })}
        >
          Add value
        </button>
      )}
    </div>
  );
}
