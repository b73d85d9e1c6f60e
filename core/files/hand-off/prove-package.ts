import { sameBytes } from '../../picture/separate';
import { readJobFile } from '../job-file';
import { readZip } from '../zip-in';
import type { Row } from './comparison';
import { refuseDiffering, unreadable } from './read-back-error';

const row = (what: string, right: boolean, read: string): Row => ({
  what,
  asked: 'as it was packed',
  read: right ? 'the same' : read,
  right,
});

/** Whether a job file opens, with all that it names. */
function opens(bytes: Uint8Array): boolean {
  try {
    readJobFile(bytes);
    return true;
  } catch {
    return false;
  }
}

function rowsOf(zip: Uint8Array, entries: Readonly<Record<string, Uint8Array>>): Row[] {
  const total = Object.values(entries).reduce((sum, { length }) => sum + length, 0);
  const limits = {
    entries: 2 * Object.keys(entries).length,
    total,
    most: (name: string) => entries[name]?.length ?? 0,
  };
  const found = readZip(zip, () => true, limits);
  return [
    row('Files', Object.keys(found).sort().join() === Object.keys(entries).sort().join(), 'others'),
    ...Object.entries(entries).flatMap(([name, bytes]) => {
      const read = found[name];
      const same = row(name, read !== undefined && sameBytes(read, bytes), read ? 'other bytes' : 'missing');
      return /\.tidyedge$/.test(name) && read
        ? [same, row(`${name}, opened`, opens(read), 'a job that does not open')]
        : [same];
    }),
  ];
}

/** Opens a zip again by another reader than packed it, and the job in it. Throws ReadBackError where something is not as it was. */
export function provenPackage(zip: Uint8Array, entries: Readonly<Record<string, Uint8Array>>): Uint8Array {
  let rows: Row[];
  try {
    rows = rowsOf(zip, entries);
  } catch {
    rows = unreadable('The package', 'as it was packed', 'a zip that cannot be read');
  }
  refuseDiffering('The package', rows);
  return zip;
}
