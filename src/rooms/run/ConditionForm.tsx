import X from 'lucide-react/icons/x';
import { type Condition, TESTS, type Test } from '../../../core/job/by-row';
import type { Table } from '../../../core/job/table';
import { conditionSays } from '../../../core/run/condition';
import { Typed } from '../../parts/Typed';

/** When something is there, chosen from lists and read as a sentence; always where it has no tests. */
export function ConditionForm({
  of,
  table,
  condition,
  onChange,
}: {
  /** What it is about, for those who hear the fields. */
  of: string;
  table: Table;
  condition: Condition | undefined;
  onChange(condition: Condition | undefined): void;
}) {
  const tests = condition?.tests ?? [];
  const nameOf = (key: string): string => table.columns.find((column) => column.key === key)?.name ?? key;
  const set = (next: Condition['tests'], every = condition?.every ?? true): void =>
    onChange(next.length === 0 ? undefined : { every, tests: next });
  const change = (at: number, to: Partial<Condition['tests'][number]>): void =>
    set(tests.map((each, i) => (i === at ? { ...each, ...to } : each)));
  return (
    <div className="grid gap-1.5">
      <p className="text-[13px]">{condition ? conditionSays(condition, nameOf) : 'Shown in every row.'}</p>
      {tests.map((each, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a test is known by its place
        <div key={i} className="grid grid-cols-[1fr_auto] gap-1">
          <div className="grid grid-cols-2 gap-1">
            <select
              className="select select-xs w-full"
              aria-label={`${of}: column ${i + 1}`}
              value={each.of}
              onChange={(event) => change(i, { of: event.target.value })}
            >
              {table.columns.map(({ key, name }) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </select>
            <select
              className="select select-xs w-full"
              aria-label={`${of}: test ${i + 1}`}
              value={each.test}
              onChange={(event) => change(i, { test: event.target.value as Test })}
            >
              {Object.keys(TESTS).map((test) => (
                <option key={test} value={test}>
                  {test}
                </option>
              ))}
            </select>
            {TESTS[each.test].needs && (
              <Typed
                className="input input-xs col-span-2 w-full"
                aria-label={`${of}: value ${i + 1}`}
                said={each.to}
                maxLength={400}
                onTake={(to) => change(i, { to })}
              />
            )}
          </div>
          <button
            type="button"
            className="btn btn-ghost btn-xs btn-square"
            aria-label={`${of}: delete test ${i + 1}`}
            onClick={() => set(tests.filter((_, k) => k !== i))}
          >
            <X size={13} />
          </button>
        </div>
      ))}
      <div className="flex gap-1.5">
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => set([...tests, { of: table.columns[0]!.key, test: 'is not empty', to: '' }])}
        >
          {tests.length === 0 ? 'Only if…' : 'Add test'}
        </button>
        {tests.length > 1 && (
          <button type="button" className="btn btn-xs" onClick={() => set(tests, !condition?.every)}>
            {condition?.every ? 'One is enough' : 'All have to hold'}
          </button>
        )}
      </div>
    </div>
  );
}
