import { personOf, showFor } from '../../../core/job/edits/house';
import { useBench } from '../../bench/bench';
import { act } from '../../store/session';

/** Whose details the piece shows. */
export function PersonCard() {
  const { job, piece } = useBench();
  const person = personOf(job, piece);
  if (!person) return null;
  return (
    <label className="grid gap-1 text-base-content">
      <span className="heading">Shown for</span>
      <select
        className="select select-sm w-full text-[15px]"
        value={person.id}
        onChange={(event) => act('Show person', (j) => showFor(j, piece.id, event.target.value))}
      >
        {job.people.map(({ id, name, title }) => (
          <option key={id} value={id}>
            {title ? `${name}, ${title}` : name}
          </option>
        ))}
      </select>
    </label>
  );
}
