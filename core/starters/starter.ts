import type { Box } from '../geometry/box';
import type { Kind } from '../trade/schema';
import type { Pen } from './pen';

/** One way for a whole set to look: each kind of piece drawn for the size and the client it is asked for. */
export interface Look {
  id: string;
  name: string;
  /** What it is like, in one sentence. */
  says: string;
  card(pen: Pen): void;
  /** The first sheet, and those that follow. */
  letterhead(pen: Pen): void;
  /** Within the corner that post leaves free. */
  envelope(pen: Pen, corner: Box): void;
  /** The picture side of a postcard, and the front of a flyer. */
  poster(pen: Pen): void;
  /** The other side of those; `free` is what the rules of post leave. */
  back(pen: Pen, free: Box): void;
}

/** A beginning for a piece: a look on one kind, made of ordinary elements. */
export interface Starter {
  id: string;
  kind: Kind;
  name: string;
  says: string;
  /** What its faces are called. */
  faces: readonly string[];
  look: Look;
}
