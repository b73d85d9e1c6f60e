import { nanoid } from 'nanoid';
import { useState } from 'react';
import { PeopleFileError, type PersonRead } from '../../../core/files/people';
import { takePeople } from '../../../core/job/edits/house';
import { useBench } from '../../bench/bench';
import { download, fileName } from '../../parts/download';
import { FileChooser } from '../../parts/FileChooser';
import { act } from '../../store/session';

/** A file larger than this is no list of people. */
const MOST_BYTES = 8_000_000;

async function peopleIn(file: File): Promise<PersonRead[]> {
  if (file.size > MOST_BYTES)
    throw new PeopleFileError('This file is too large for a list of people. Save them without their pictures.');
  const text = await file.text();
  if (/\.(vcf|vcard)$/i.test(file.name) || /^\uFEFF?BEGIN:VCARD/i.test(text)) {
    const { readPeopleVcards } = await import('../../../core/files/people-vcard');
    return readPeopleVcards(text);
  }
  const { readPeopleCsv } = await import('../../../core/files/people-csv');
  return readPeopleCsv(text);
}

/** People in and out as contact cards or as a table. */
export function PeopleFiles() {
  const { job } = useBench();
  const [told, setTold] = useState<{ text: string; bad: boolean }>();
  async function take(file: File): Promise<void> {
    try {
      const people = await peopleIn(file);
      act('Take in people', (j) => takePeople(j, people, () => nanoid(8)));
      setTold({ text: people.length === 1 ? 'One person taken in.' : `${people.length} people taken in.`, bad: false });
    } catch (error) {
      if (!(error instanceof PeopleFileError)) throw error;
      setTold({ text: error.message, bad: true });
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
      <FileChooser label="A file of people" accept=".vcf,.vcard,.csv,.txt" onFile={(file) => void take(file)}>
        Take in…
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
        vCard
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
        CSV
      </button>
    </>
  );
}
