import type { Box } from '../geometry/box';
import type { Kind } from '../trade/schema';
import type { Pen } from './pen';

/** A beginning for a piece: drawn for the size and the house it is asked for, and made of ordinary elements. */
export interface Starter {
  id: string;
  kind: Kind;
  name: string;
  /** What it is like, in one sentence. */
  says: string;
  /** What its faces are called. */
  faces: readonly string[];
  draw(pen: Pen): void;
  /** Draws the back, where it has sides of its own; words go into `free`, what its rules of post leave. */
  back?(pen: Pen, free: Box): void;
}
