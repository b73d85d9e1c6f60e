import Plus from 'lucide-react/icons/plus';
import X from 'lucide-react/icons/x';
import { pieceOf } from '../../../core/job/find';
import { MOST_ORDERED } from '../../../core/job/order';
import type { Job } from '../../../core/job/schema';
import type { SheetMade } from '../../../core/job/sheet';
import { NumberField } from '../../parts/NumberField';

type Also = SheetMade['also'];
const USUAL = 250;

/** Other pieces, and this one for other people, that share its sheets. */
export function SharedWith({
  made: { also },
  job,
  main,
  onChange,
}: {
  made: SheetMade;
  job: Job;
  main: string;
  onChange(also: Also): void;
}) {
  const shown = pieceOf(job, main)?.person ?? job.people[0]?.id;
  const offers = [
    ...job.people
      .filter(({ id }) => id !== shown)
      .map(({ id, name }) => ({ value: `${main} ${id}`, says: `the same for ${name}` })),
    ...job.pieces.filter(({ id }) => id !== main).map(({ id, name }) => ({ value: id, says: name })),
  ];
  const nameOf = ({ piece, person }: Also[number]): string => {
    const found = job.people.find(({ id }) => id === person);
    return found ? `For ${found.name}` : (pieceOf(job, piece)?.name ?? 'A piece that is gone');
  };
  return (
    <>
      {also.map((each, i) => (
        <div key={`${each.piece} ${each.person ?? ''}`} className="flex items-center gap-1">
          <div className="flex-1">
            <NumberField
              label={nameOf(each)}
              name={`Quantity, ${nameOf(each)}`}
              value={each.quantity}
              least={1}
              most={MOST_ORDERED}
              onChange={(quantity) =>
                onChange(also.map((other, k) => (k === i ? { ...other, quantity: Math.round(quantity) } : other)))
              }
            />
          </div>
          <button
            type="button"
            className="btn btn-ghost btn-xs btn-square"
            aria-label={`Without ${nameOf(each)}`}
            onClick={() => onChange(also.filter((_, k) => k !== i))}
          >
            <X size={14} />
          </button>
        </div>
      ))}
      <label className="flex items-center gap-2 text-[14px]">
        <Plus size={15} />
        <select
          className="select select-sm flex-1 text-[14px]"
          aria-label="Add to the sheet"
          value=""
          onChange={(event) => {
            const [piece, person] = event.target.value.split(' ');
            if (piece) onChange([...also, { piece, ...(person ? { person } : {}), quantity: USUAL }]);
          }}
        >
          <option value="">Share the sheet with…</option>
          {offers
            .filter(({ value }) => !also.some(({ piece, person }) => (person ? `${piece} ${person}` : piece) === value))
            .map(({ value, says }) => (
              <option key={value} value={value}>
                {says}
              </option>
            ))}
        </select>
      </label>
    </>
  );
}
