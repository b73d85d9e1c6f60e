import type { Press } from '../colour/engine';
import type { Plates } from '../colour/ink';
import type { Box } from '../geometry/box';
import { pieceOf } from '../job/find';
import type { Face, Job, Piece } from '../job/schema';
import { asFace } from '../job/turned';
import type { SceneSources } from '../scene/sources';
import type { Envelope } from '../trade/data-schema';
import type { Severity, ShopSpec, Source } from '../trade/schema';
import type { FontBook } from '../type/font';

export type { Severity } from '../trade/schema';

/**
 * A measured value: points for lengths and type, pixels an inch for ppi, how many for counts, 1 for 100 % of ink, CIE L*
 * for lightness, CIEDE2000 for differences, g/m² for stock.
 */
export interface Measure {
  value: number;
  /** An area is in square millimetres. */
  kind:
    | 'length'
    | 'area'
    | 'ratio'
    | 'type'
    | 'ppi'
    | 'count'
    | 'ink'
    | 'lightness'
    | 'difference'
    | 'grammage'
    | 'weight';
}

/** A change that mends a finding and nothing else. */
export interface Fix {
  label: string;
  apply(job: Job): Job;
}

/** What a check has found: where, what was measured, what is wanted. */
export interface Finding {
  check: string;
  severity: Severity;
  face: string;
  element: string;
  /** The place on the face, in points from the trim's corner. */
  place: Box;
  /** What of the element it is about, where its check can find several things in one: an ink, a word, an area. */
  of?: string;
  /** In a few words, without the numbers. */
  problem: string;
  measured: Measure;
  wanted: Measure;
  fix?: Fix;
  /** The rule it goes against, with where that comes from, where a check has many. */
  rule?: string;
  /** What is on the plates there, where that is what was read: amounts 0 to 1. */
  amounts?: Plates;
  /** Another way to be rid of it. */
  orElse?: Fix;
}

/** Tells one finding from all others of a piece, however it is worded. */
export const findingKey = ({ check, face, element, of = '' }: Finding): string => `${check} ${face} ${element} ${of}`;

/** What checks work with besides the job. */
export interface CheckKit {
  fonts: FontBook;
  press: Press;
  /** The files of pictures that are here, by their hashes; all of them where it is left out. */
  filesHere?: ReadonlySet<string> | undefined;
}

/** What a check looks at. */
export interface CheckContext {
  piece: Piece;
  face: Face;
  shop: ShopSpec;
  sources: SceneSources;
  press: Press;
  filesHere?: CheckKit['filesHere'];
  /** All of the job, for what has to agree across it. */
  job: Job;
  /** The logos of the house. */
  logos: Job['logos'];
  /** The envelopes of the job, as they are made. */
  envelopes: readonly Envelope[];
}

export interface Check {
  id: string;
  name: string;
  /** What it protects from, in one sentence. */
  protects: string;
  source: Source;
  /** How grave its findings are, unless one is graver or the shop asks otherwise. */
  severity: Severity;
  /** What of the shop's spec it goes by. */
  limits?: readonly (keyof ShopSpec)[];
  run(context: CheckContext): Finding[];
}

/** The piece of a context with the sides of its sheet: for a turned face those of `piece` are changed over. */
export const laidOut = ({ piece, face }: Pick<CheckContext, 'piece' | 'face'>): Piece => asFace(piece, face);

/** The piece as it is kept: what is folded or lies on a sheet goes by that, whichever way a face is turned. */
export const wholePiece = ({ job, piece }: Pick<CheckContext, 'job' | 'piece'>): Piece =>
  pieceOf(job, piece.id) ?? piece;

/** The face as it is worked on, with what is hidden and what is a sample: `face` is only what prints. */
export const workedOn = ({ piece, face }: Pick<CheckContext, 'piece' | 'face'>): Face =>
  piece.faces.find(({ id }) => id === face.id) ?? face;

export const trimOf = (piece: Piece): Box => ({ x: 0, y: 0, width: piece.width, height: piece.height });

/** Rounding that must not make a finding: a thousandth of a point. */
export const HAIR = 0.001;
