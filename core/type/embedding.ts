/** What a font's maker lets be done with it in a document (OpenType specification, OS/2 table, fsType). */
export type Embedding =
  /** A subset may go into a file that is printed. */
  | 'allowed'
  /** It may go in, but only whole. */
  | 'whole'
  /** It may not go in. */
  | 'forbidden';

const USAGE = 0x000f;
const RESTRICTED = 0x0002;
const NO_SUBSETTING = 0x0100;
const BITMAP_ONLY = 0x0200;

/** Reads fsType. Of several usage bits the least restrictive counts; a font without the table says nothing and may be embedded. */
export function embeddingOf(fsType: number): Embedding {
  if ((fsType & USAGE) === RESTRICTED || (fsType & BITMAP_ONLY) !== 0) return 'forbidden';
  return (fsType & NO_SUBSETTING) !== 0 ? 'whole' : 'allowed';
}
