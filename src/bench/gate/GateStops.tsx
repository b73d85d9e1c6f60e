import { Tick } from '../../parts/Tick';
import type { Gate } from './use-gate';

/** What stops the files, a sentence each; errors can be let go, what is missing cannot. */
export function GateStops({ gate: { checking, stops, sure, setSure } }: { gate: Gate }) {
  const missing = stops.filter(({ key }) => key === undefined);
  const errors = stops.filter(({ key }) => key !== undefined);
  if (checking > 0)
    return (
      <p role="status" className="quiet flex items-center gap-2 text-[14px]">
        <span className="loading loading-spinner loading-xs" aria-hidden="true" />
        {checking === 1 ? 'Checking 1 piece…' : `Checking ${checking} pieces…`}
      </p>
    );
  if (stops.length === 0) return null;
  return (
    <section aria-label="What stops the export" className="rounded bg-warning p-3 text-[14px] text-warning-content">
      {missing.length > 0 && <Sentences title="Cannot be exported" says={missing.map(({ says }) => says)} />}
      {errors.length > 0 && (
        <>
          <Sentences
            title={errors.length === 1 ? '1 open error' : `${errors.length} open errors`}
            says={errors.map(({ says }) => says)}
          />
          {missing.length === 0 && (
            <Tick checked={sure} onChange={setSure}>
              Export anyway
            </Tick>
          )}
        </>
      )}
    </section>
  );
}

function Sentences({ title, says }: { title: string; says: readonly string[] }) {
  return (
    <>
      <b className="font-semibold">{title}</b>
      <ul className="my-1 max-h-28 list-disc overflow-y-auto pl-5">
        {[...new Set(says)].map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
    </>
  );
}
