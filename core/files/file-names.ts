import type { Face, Job, Piece } from '../job/schema';
import { formatNumber } from '../units/length';

/** What exported files are called, by a shop's pattern. */

/** Letters of any script and figures, Latin ones without their accents, with dashes between: what every file system takes. */
export const plainName = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/(?<=\p{Script=Latin}[\u0300-\u036f]*)[\u0300-\u036f]/gu, '')
    .normalize('NFC')
    .replace(/&/g, 'and')
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');

/** A name that nobody has yet, whatever its capitals: one that is taken gets a number before its ending. */
export function unlike(name: string, taken: Set<string>): string {
  const [, stem = name, ending = ''] = /^(.*?)(\.[a-z0-9]{1,8})?$/su.exec(name) ?? [];
  let given = name;
  for (let n = 2; taken.has(given.toLowerCase()); n++) given = `${stem}-${n}${ending}`;
  taken.add(given.toLowerCase());
  return given;
}

/** Files under names of their own: none of them takes another's place in a folder or a zip. */
export function apart<T extends { name: string }>(files: readonly T[]): T[] {
  const taken = new Set<string>();
  return files.map((file) => ({ ...file, name: unlike(file.name, taken) }));
}

/** The longest name in bytes that leaves room for an ending and a number on every file system. */
const MOST_BYTES = 200;
function shortened(name: string): string {
  const encoder = new TextEncoder();
  let size = 0;
  return [...name]
    .filter((character) => {
      size += encoder.encode(character).length;
      return size <= MOST_BYTES;
    })
    .join('');
}

/** A file's name without its ending. What a pattern says of a face is left out where there is none. */
export function exportName(
  pattern: string,
  job: Pick<Job, 'name' | 'changed'>,
  piece: Piece,
  face?: Face,
  version = 1,
): string {
  const size = `${formatNumber(piece.width, piece.unit)}x${formatNumber(piece.height, piece.unit)}${piece.unit}`;
  const parts: Record<string, string> = {
    client: plainName(job.name),
    piece: plainName(piece.name),
    size: size.replace(/[^0-9a-z.]+/g, '-'),
    face: face ? plainName(face.name) : '',
    date: job.changed.slice(0, 10),
    version: `v${version}`,
  };
  const named = pattern.replace(/\{(\w+)\}/g, (all, part: string) => parts[part] ?? all);
  const clean = named
    .replace(/[^\p{L}\p{M}\p{N}_.{}-]+/gu, '-')
    .replace(/([-_])[-_]+/g, '$1')
    .replace(/^[-_.]+|[-_.]+$/g, '');
  return shortened(clean) || 'piece';
}
