import { readFileSync } from 'node:fs';
import { pieceOf } from '../core/job/find';
import type { Job, Piece } from '../core/job/schema';

/** Something the caller can put right; its message is the one line on stderr. */
export class CliError extends Error {}

/** Reads a file the caller named. */
export function readGiven(path: string): Uint8Array {
  try {
    return new Uint8Array(readFileSync(path));
  } catch {
    throw new CliError(`${path} cannot be read. Check its name.`);
  }
}

export function pieceAsked(job: Job, id: string | boolean | undefined): Piece {
  const piece = typeof id === 'string' ? pieceOf(job, id) : undefined;
  if (!piece)
    throw new CliError(`Name a piece with --piece; this job has: ${job.pieces.map((p) => p.id).join(', ') || 'none'}.`);
  return piece;
}
