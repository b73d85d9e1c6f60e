import { zipSync } from 'fflate';
import type { Job, Piece } from '../job/schema';
import type { Font } from '../type/font';
import { apart, plainName } from './file-names';
import type { Stop } from './gate';
import { provenPackage } from './hand-off/prove-package';
import { writeJobFile } from './job-file';
import { ticketJson, ticketOf, ticketXjdf } from './ticket';

/** Everything of a job that somebody else needs to go on with it, in one zip. */

/** What was found in a piece, as data and as pages. */
export interface PieceReport {
  piece: string;
  json: string;
  pdf: Uint8Array;
}

export interface PackageParts {
  /** Exported files: by the piece each is of. */
  files: readonly { name: string; piece: string; bytes: Uint8Array }[];
  reports: readonly PieceReport[];
  /** Errors that the files left with. */
  letGo?: readonly Stop[];
  /** The bytes of the job's pictures, fonts and profiles, by hash. */
  assets: Readonly<Record<string, Uint8Array>>;
  /** The job's own fonts, for what their makers allow. */
  fontOf(hash: string): Pick<Font, 'embedding' | 'postscriptName'> | undefined;
}

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

/** Packs a package, and opens it again: what is not in it as it was put there is not handed over. Fonts whose makers forbid it are left out, and named in `left-out.txt`. */
export function packageZip(job: Job, pieces: readonly Piece[], parts: PackageParts): Uint8Array {
  const { files, reports, assets, fontOf, letGo } = parts;
  const byPiece: Record<string, string[]> = {};
  for (const { name, piece } of files) byPiece[piece] = [...(byPiece[piece] ?? []), name];
  const ticket = ticketOf(job, pieces, byPiece, letGo);
  const fonts = Object.entries(job.fonts).flatMap(([hash, { family, style }]) => {
    const bytes = assets[hash];
    return bytes ? [{ hash, name: `${family} ${style}`, bytes, font: fontOf(hash) }] : [];
  });
  const kept = fonts.filter(({ font }) => font && font.embedding !== 'forbidden');
  const left = fonts.filter(({ font }) => !font || font.embedding === 'forbidden');
  // The job goes without fonts that may not be passed on: who has them puts them in again.
  const isLeft = (hash: string): boolean => left.some((each) => each.hash === hash);
  const fontsPassed = Object.fromEntries(Object.entries(job.fonts).filter(([hash]) => !isLeft(hash)));
  const passed = Object.fromEntries(Object.entries(assets).filter(([hash]) => !isLeft(hash)));
  const stem = plainName(job.name) || 'job';
  const entries: Record<string, Uint8Array> = {
    [`${stem}.tidyedge`]: writeJobFile({ job: { ...job, fonts: fontsPassed }, assets: passed }),
    'ticket.json': bytesOf(ticketJson(ticket)),
    'ticket.xjdf': bytesOf(ticketXjdf(ticket)),
    ...Object.fromEntries(apart(files).map(({ name, bytes }) => [`print/${name}`, bytes])),
    ...Object.fromEntries(
      apart(reports.map(({ piece, ...report }) => ({ ...report, name: plainName(piece) || 'piece' }))).flatMap(
        ({ name, json, pdf }) => [
          [`findings/${name}.json`, bytesOf(json)],
          [`findings/${name}.pdf`, pdf],
        ],
      ),
    ),
    ...Object.fromEntries(
      apart(
        kept.map(({ bytes, font }) => ({
          name: `${plainName(font!.postscriptName)}.${isCff(bytes) ? 'otf' : 'ttf'}`,
          bytes,
        })),
      ).map(({ name, bytes }) => [`fonts/${name}`, bytes]),
    ),
    ...(left.length > 0
      ? {
          'left-out.txt': bytesOf(
            `The makers of these typefaces do not let them be passed on:\n${left.map(({ name }) => name).join('\n')}\n`,
          ),
        }
      : {}),
  };
  // Job and print files are packed already.
  const isPacked = (name: string): boolean => /^print\/|\.tidyedge$/.test(name);
  const zip = zipSync(
    Object.fromEntries(
      Object.entries(entries).map(([name, bytes]) => [name, isPacked(name) ? [bytes, { level: 0 }] : bytes]),
    ),
    { mtime: new Date(job.changed) },
  );
  return provenPackage(zip, entries);
}

/** OpenType with CFF outlines begins with these letters. */
const isCff = (bytes: Uint8Array): boolean => String.fromCharCode(...bytes.subarray(0, 4)) === 'OTTO';
