import type { PieceAsked } from '../job/make';
import type { Job } from '../job/schema';
import { type Country, countryOf } from '../trade/countries';
import { KINDS, type Kind } from '../trade/schema';
import { measuresOf, sizesOf } from '../trade/sizes';
import type { FontBook } from '../type/font';
import type { PieceUnit } from '../units/length';
import { beginPiece, type Look, starterOf } from './index';

/** What the pieces of a client begin with where nothing else is said. */

export const PIECE_NAMES: Readonly<Record<Kind, string>> = {
  card: 'Business card',
  letterhead: 'Letterhead',
  envelope: 'Envelope',
  postcard: 'Postcard',
  flyer: 'Flyer',
};

/** Envelopes are printed on their front; the rest has two sides, a letterhead two sheets. */
export const usualFaces = (kind: Kind): number => (kind === 'envelope' ? 1 : 2);

export interface UsualSize {
  width: number;
  height: number;
  unit: PieceUnit;
}

/** The usual finished size of a kind in a country, or else the first one that is offered. */
export function usualSize(kind: Kind, country: Country | undefined): UsualSize {
  const rows = sizesOf(kind);
  const row = rows.find(({ name }) => name === country?.sizes[kind]) ?? rows[0]!;
  return measuresOf(row);
}

/** The size of a job's last piece of a kind, or else the one that is usual in its country. */
export function usualSizeIn(job: Pick<Job, 'pieces' | 'country'>, kind: Kind): UsualSize {
  const last = job.pieces.findLast((piece) => piece.kind === kind);
  return last ? { width: last.width, height: last.height, unit: last.unit } : usualSize(kind, countryOf(job.country));
}

/** The shop of a job's last piece, or the one of its country. */
export const usualShop = (job: Pick<Job, 'pieces' | 'country'>): string =>
  job.pieces.at(-1)?.shop ?? countryOf(job.country)?.shop ?? 'metric-offset';

/** A kind that the job has no piece of yet, in the order of a set. */
export const nextKind = ({ pieces }: Pick<Job, 'pieces'>): Kind =>
  KINDS.find((kind) => !pieces.some((piece) => piece.kind === kind)) ?? 'card';

export const usualPiece = (job: Pick<Job, 'pieces' | 'country'>, kind: Kind, id: string): PieceAsked => ({
  id,
  name: PIECE_NAMES[kind],
  kind,
  ...usualSizeIn(job, kind),
  shop: usualShop(job),
  faces: usualFaces(kind),
});

/** Adds one piece of each kind to a job, all in one look. */
export const beginSet = (job: Job, look: Look, kinds: readonly Kind[], newId: () => string, fonts: FontBook): Job =>
  kinds.reduce<Job>(
    (made, kind) => beginPiece(made, usualPiece(job, kind, newId()), starterOf(look, kind), newId, fonts),
    {
      ...job,
      look: look.id,
    },
  );
