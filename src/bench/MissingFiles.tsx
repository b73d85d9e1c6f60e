import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { isPdfFile } from '../../core/files/art-in/kind';
import { hashOf } from '../../core/files/hash';
import { filesOf } from '../../core/files/job-parts';
import type { Job } from '../../core/job/schema';
import { intake } from '../../workers/intake';
import { keepAsset } from '../store/assets';
import { jobIn, useSession } from '../store/session';
import { db } from '../store/shelf';
import { isFontFile } from './own-fonts';

/** What a file of a job is, in words. */
function nameOf(job: Job, hash: string): string {
  const { assets, fonts, conditions } = job;
  if (assets[hash]) return `the ${assets[hash].page ? 'PDF page' : 'picture'} ${assets[hash].name}`;
  if (fonts[hash]) return `the font ${fonts[hash].family} ${fonts[hash].style}`;
  return `the ICC profile ${conditions[hash]?.name ?? ''}`.trim();
}

/** The hashes that a file may be known by: as it is, a packed font as the plain one in it, a collection as its fonts, a PDF as one of its pages. */
async function hashesOf(file: File, bytes: Uint8Array, missing: readonly string[]): Promise<[string, Uint8Array][]> {
  const found: [string, Uint8Array][] = [[hashOf(bytes), bytes]];
  if (isFontFile(file)) {
    const fonts = await intake().fontsInFile(bytes);
    for (let i = 0; i < Math.max(1, fonts.length); i++) {
      const font = await intake().takeInFont(bytes, i);
      found.push([font.hash, font.bytes]);
    }
  }
  if (isPdfFile(bytes)) {
    const page = await intake().pageOfHash(bytes, missing);
    if (page) found.push(page);
  }
  return found;
}

/** Files of the job that this browser has not got any more: named in every room, and taken when they are handed in again. */
export function MissingFiles() {
  const job = useSession(jobIn);
  const wanted = job ? filesOf(job).join() : '';
  const missing = useLiveQuery(async () => {
    const all = wanted === '' ? [] : wanted.split(',');
    const rows = await db.assets.where('hash').anyOf(all).primaryKeys();
    const here = new Set(rows);
    return all.filter((hash) => !here.has(hash));
  }, [wanted]);
  const [message, setMessage] = useState<string>();
  if (!job || !missing || missing.length === 0) return null;
  async function take(files: Iterable<File>): Promise<void> {
    setMessage(undefined);
    const others: string[] = [];
    for (const file of files)
      try {
        const found = await hashesOf(file, new Uint8Array(await file.arrayBuffer()), missing ?? []);
        const fits = found.find(([hash]) => missing?.includes(hash));
        if (fits) await keepAsset(...fits);
        else others.push(`${file.name} is another file.`);
      } catch (error) {
        others.push(`${file.name}: ${(error as Error).message}`);
      }
    if (others.length > 0) setMessage(others.join(' '));
    // What was shown without it is drawn anew.
    else location.reload();
  }
  return (
    <p role="alert" className="notice">
      <span>
        Missing:{' '}
        {missing
          .slice(0, 4)
          .map((hash) => nameOf(job, hash))
          .join(', ')}
        {missing.length > 4 ? ` and ${missing.length - 4} more` : ''}. {message}
      </span>
      <label className="btn btn-xs btn-primary focus-within:outline-2">
        Add files…
        <input
          type="file"
          multiple
          className="sr-only"
          aria-label="Missing files"
          onChange={(event) => {
            void take([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
      </label>
    </p>
  );
}
