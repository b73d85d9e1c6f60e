/**
 * How much of everything a job may hold, in one place: what is kept must open again, and open in bounded time. Chosen
 * well above what real work meets (outlines of a thousand letters, a logo of five thousand parts, a staff of five
 * thousand); no standard asks for them.
 */
export const JOB_LIMITS = {
  pieces: 500,
  /** Printed sides of a piece. */
  faces: 20,
  /** Elements of one face. */
  elements: 20_000,
  /** Groups of one face. */
  groups: 10_000,
  guides: 500,
  people: 10_000,
  logos: 200,
  /** Elements of one logo. */
  logoParts: 10_000,
  inks: 1_000,
  /** Colours of one gradient. */
  stops: 100,
  styles: 1_000,
  shops: 200,
  /** Findings that were accepted. */
  accepted: 20_000,
  /** Letters written on one letterhead. */
  letters: 5_000,
  /** Characters of an outline's path data: some forty a curve. */
  outline: 4_000_000,
  /** Paragraphs of one frame, stretches of one paragraph, characters of one stretch. */
  paragraphs: 20_000,
  spans: 5_000,
  text: 400_000,
  /** Words that a job's spelling knows, and letters of one. */
  spellingWords: 20_000,
  spellingWord: 120,
  /** Tables of a job; columns and rows of one, characters of a cell, cells that were typed over. */
  tables: 100,
  columns: 300,
  rows: 1_000_000,
  cell: 20_000,
  cells: 100_000,
  /** Names of things. */
  name: 120,
} as const;
