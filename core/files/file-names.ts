import type { Face, Job, Piece } from '../job/schema';
import { formatNumber } from '../units/length';

/** What exported files are called, by a shop's pattern. */

/** Words that every file system takes. */
export const plainName = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/&/g, 'and')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

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
    .replace(/[^\w.{}-]+/g, '-')
    .replace(/([-_])[-_]+/g, '$1')
    .replace(/^[-_.]+|[-_.]+$/g, '');
  return (clean || 'piece').slice(0, 120);
}
