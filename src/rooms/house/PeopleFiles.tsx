import { nanoid } from 'nanoid';
import { useState } from 'react';
import type { PersonRead } from '../../../core/files/people';
import { ENCODINGS, type Encoding } from '../../../core/files/text-in';
import { takePeople } from '../../../core/job/edits/house';
import { intake } from '../../../workers/intake';
import { useBench } from '../../bench/bench';
import { download, fileName } from '../../parts/download';
import { FileChooser } from '../../parts/FileChooser';
import { act } from '../../store/session';

/** People that were read, of a file that left a doubt about how it is written: they are looked at first. */
interface Doubtful {
  file: File;
  encoding: Encoding;
  people: PersonRead[];
}

/** The first names of some people, those with letters beyond the plain ones first: they show whether the rest is right. */
const namesOf = (people: readonly PersonRead[]): string =>
  people
    .map(({ name }) => name)
    .sort((a, b) => Number(/[^ -~]/.test(b)) - Number(/[^ -~]/.test(a)))
    .slice(0, 3)
    .join(', ');

/** People in and out as contact cards or as a table. */
export function PeopleFiles() {
  const { job } = useBench();
  const [told, setTold] = useState<{ text: string; bad: boolean }>();
  const [doubtful, setDoubtful] = useState<Doubtful>();
  function add(people: PersonRead[]): void {
    act('Import people', (j) => takePeople(j, people, () => nanoid(8)));
    setTold({ text: people.length === 1 ? 'One person imported.' : `${people.length} people imported.`, bad: false });
    setDoubtful(undefined);
  }
  async function take(file: File, said?: Encoding): Promise<void> {
    setTold(undefined);
    try {
      const { isSure, ...read } = await intake().readPeople(file, file.name, said);
      if (isSure && !said) add(read.people);
      else setDoubtful({ ...read, file });
    } catch (error) {
      setTold({ text: (error as Error).message, bad: true });
    }
  }
  const name = fileName(job.name);
  const save = (text: string, end: string, type: string): void =>
    download(new TextEncoder().encode(text), `${name}-people.${end}`, type);
  return (
    <>
      {told && (
        <p
          role={told.bad ? 'alert' : 'status'}
          className={`self-center text-[14px] ${told.bad ? 'text-error' : 'quiet'}`}
        >
          {told.text}
        </p>
      )}
      {doubtful && (
        <div className="absolute top-full right-0 z-10 mt-1.5 flex items-center gap-2 rounded border border-base-300 bg-base-100 p-2 text-[14px] shadow-lg">
          <label className="flex items-center gap-1.5 whitespace-nowrap">
            Letters as in
            <select
              className="select select-sm w-auto"
              value={doubtful.encoding}
              onChange={(event) => void take(doubtful.file, event.target.value as Encoding)}
            >
              {ENCODINGS.map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <span className="quiet truncate">{namesOf(doubtful.people)}</span>
          <button type="button" className="btn btn-sm btn-neutral" onClick={() => add(doubtful.people)}>
            Import {doubtful.people.length}
          </button>
          <button type="button" className="btn btn-sm" onClick={() => setDoubtful(undefined)}>
            Cancel
          </button>
        </div>
      )}
      <FileChooser
        label="A file of people"
        accept=".vcf,.vcard,.csv,.txt,.xlsx,.ods,.xls"
        onFile={(file) => void take(file)}
      >
        Import people…
      </FileChooser>
      <button
        type="button"
        className="btn btn-sm"
        disabled={job.people.length === 0}
        onClick={() =>
          void import('../../../core/files/people-vcard').then(({ writePeopleVcards }) =>
            save(writePeopleVcards(job.people, job.firm), 'vcf', 'text/vcard'),
          )
        }
      >
        Export vCard
      </button>
      <button
        type="button"
        className="btn btn-sm"
        disabled={job.people.length === 0}
        onClick={() =>
          void import('../../../core/files/people-csv').then(({ writePeopleCsv }) =>
            save(writePeopleCsv(job.people), 'csv', 'text/csv'),
          )
        }
      >
        Export CSV
      </button>
    </>
  );
}
