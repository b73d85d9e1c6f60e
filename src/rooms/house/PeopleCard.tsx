import ArrowDown from 'lucide-react/icons/arrow-down';
import ArrowUp from 'lucide-react/icons/arrow-up';
import Plus from 'lucide-react/icons/plus';
import Trash from 'lucide-react/icons/trash-2';
import { nanoid } from 'nanoid';
import type { Person } from '../../../core/job/details';
import { addPerson, changePerson, orderPeople, removePerson } from '../../../core/job/edits/house';
import { useBench } from '../../bench/bench';
import { act } from '../../store/session';
import { PeopleFiles } from './PeopleFiles';
import { PersonPicture } from './PersonPicture';
import { TextField } from './TextField';

type Column = 'name' | 'title' | 'direct' | 'mail';
const COLUMNS: readonly (readonly [Column, string, wide: string])[] = [
  ['name', 'Name', 'w-[21%]'],
  ['title', 'Job title', 'w-[21%]'],
  ['direct', 'Direct line', 'w-[15%]'],
  ['mail', 'Email', ''],
];

/** Who works there: a piece is shown for one of them at a time. */
export function PeopleCard() {
  const { job } = useBench();
  const { people } = job;
  const add = (): void =>
    act('Add a person', (j) =>
      addPerson(j, { id: nanoid(8), name: `Person ${j.people.length + 1}`, title: '', direct: '', mail: '' }),
    );
  return (
    <section aria-label="People" className="grid gap-3">
      <div className="flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
        <div>
          <h2 className="text-lg font-semibold">People</h2>
          <p className="quiet">A card quotes their details; choose in the Layout room whose card is shown.</p>
        </div>
        <div className="relative flex flex-wrap gap-1.5">
          <PeopleFiles />
          <button type="button" className="btn btn-sm btn-neutral" onClick={add}>
            <Plus size={14} /> Add a person
          </button>
        </div>
      </div>
      {people.length > 0 && (
        <table className="w-full border-separate border-spacing-x-1 border-spacing-y-1">
          <thead>
            <tr className="quiet text-left text-[13px]">
              <th className="w-12 font-normal">Picture</th>
              {COLUMNS.map(([column, name, wide]) => (
                <th key={column} className={`pl-1 font-normal ${wide}`}>
                  {name}
                </th>
              ))}
              <th className="w-24 font-normal">
                <span className="sr-only">Order and delete</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {people.map((person, i) => (
              <PersonRow key={person.id} person={person} index={i} />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function PersonRow({ person, index }: { person: Person; index: number }) {
  const { job } = useBench();
  const ids = job.people.map(({ id }) => id);
  const move = (by: number): void => {
    const order = ids.filter((id) => id !== person.id);
    order.splice(index + by, 0, person.id);
    act('Order of people', (j) => orderPeople(j, order));
  };
  return (
    <tr>
      <td>
        <PersonPicture person={person} />
      </td>
      {COLUMNS.map(([column, name]) => (
        <td key={column}>
          <TextField
            bare
            label={`${name} of ${person.name}`}
            value={person[column]}
            onChange={(value) => {
              if (column === 'name' && value === '') return;
              act(name, (j) => changePerson(j, person.id, { [column]: value }));
            }}
          />
        </td>
      ))}
      <td className="whitespace-nowrap">
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label={`Move ${person.name} up`}
          disabled={index === 0}
          onClick={() => move(-1)}
        >
          <ArrowUp size={14} />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label={`Move ${person.name} down`}
          disabled={index === ids.length - 1}
          onClick={() => move(1)}
        >
          <ArrowDown size={14} />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square"
          aria-label={`Delete ${person.name}`}
          onClick={() => act('Delete a person', (j) => removePerson(j, person.id))}
        >
          <Trash size={14} />
        </button>
      </td>
    </tr>
  );
}
