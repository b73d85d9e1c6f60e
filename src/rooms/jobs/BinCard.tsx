import { useLiveQuery } from 'dexie-react-hooks';
import { BIN_DAYS, binned, emptyBin, restore } from '../../store/bin';

const KINDS = { job: 'Job', piece: 'Piece', letter: 'Letter', template: 'Template' } as const;
const day = (iso: string): string => new Date(iso).toLocaleDateString(undefined, { dateStyle: 'medium' });

/** What was deleted, and can come back. */
export function BinCard({ onProblem }: { onProblem(message: string): void }) {
  const all = useLiveQuery(binned);
  if (!all || all.length === 0) return null;
  return (
    <details className="mt-8 rounded border border-base-300 bg-base-100 px-5 py-3">
      <summary className="cursor-pointer font-semibold">Bin ({all.length})</summary>
      <p className="quiet mt-2 text-[14px]">What was deleted stays here for {BIN_DAYS} days.</p>
      <ul className="mt-2" aria-label="Bin">
        {all.map((each) => (
          <li key={each.id} className="flex items-center gap-3 border-t border-base-300 py-1.5">
            <span className="min-w-0 flex-1 truncate">
              <b className="font-semibold">{each.name}</b>{' '}
              <span className="quiet">
                {KINDS[each.kind]}
                {'jobName' in each ? ` of ${each.jobName}` : ''}, deleted {day(each.at)}
              </span>
            </span>
            <button
              type="button"
              className="btn btn-sm"
              aria-label={`Restore ${each.name}`}
              onClick={() => restore(each).catch((error: Error) => onProblem(error.message))}
            >
              Restore
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-ghost btn-sm mt-2"
        onClick={() => {
          if (confirm('Delete everything in the bin for good?')) void emptyBin();
        }}
      >
        Empty bin
      </button>
    </details>
  );
}
