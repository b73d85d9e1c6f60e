import * as z from 'zod';
import { FOLDS, type Fold } from '../trade/folds';
import { JOB_LIMITS } from '../trade/job-limits';
import { REPLY_KINDS } from '../trade/reply-mail';
import { id } from './element';
import { letterTextSchema } from './letters';

/** What a piece knows of its kind besides its size. Lengths in points. */

const length = z.number().min(0).max(3000);
const sides = z.strictObject({ top: length, right: length, bottom: length, left: length });
const box = z.strictObject({ x: length, y: length, width: length, height: length });

/** The side that is posted: whose rules it goes by, and what is drawn on it. */
export const postSchema = z.strictObject({
  rules: z.string().min(1).max(40),
  /** The face with the address. */
  face: id,
  /** What is drawn for the sender to write in: rules to write on, a stamp box, a line between message and address. */
  lines: z.strictObject({
    count: z.int().min(0).max(8),
    spacing: z.number().min(6).max(100),
    weight: z.number().min(0.1).max(4),
  }),
  stamp: z.boolean(),
  divider: z.boolean(),
  /** Of a folded piece the panel that is addressed, as its panels are read; the back where it is left out. */
  panel: z.int().min(0).max(7).optional(),
  /** It comes back: what it is, and the permit of who pays for it. */
  reply: z.strictObject({ kind: z.enum(REPLY_KINDS), permit: z.string().max(60) }).optional(),
});
export type Post = z.infer<typeof postSchema>;

/** How a ready-made envelope is made; its window from the front's top left corner. */
export const envelopeMadeSchema = z.strictObject({
  flap: z.strictObject({ edge: z.enum(['long', 'short']), depth: length }),
  seams: z.enum(['diagonals', 'sides', 'middle']),
  window: box.optional(),
});
export type EnvelopeMade = z.infer<typeof envelopeMadeSchema>;

export const letterSchema = z.strictObject({
  layout: z.string().min(1).max(40),
  margins: sides,
  /** What an office printer leaves white along each edge. */
  unprintable: length,
  /** Ticks for folding and punching: printed, only shown on the stage, or neither. */
  marks: z.enum(['printed', 'shown', 'none']),
});
export type LetterMade = z.infer<typeof letterSchema>;

export const foldSchema = z.strictObject({
  kind: z.enum(Object.keys(FOLDS) as Fold[]),
  /** What a panel that is tucked in is shorter by, for the stock. */
  less: z.number().min(0).max(40),
  /** The folds lie level, and it opens upwards. */
  level: z.literal(true).optional(),
});
export type FoldMade = z.infer<typeof foldSchema>;

/** How one goes from the front to the back. */
export const TURNS = ['left–right', 'top–bottom'] as const;

export const kindFacts = {
  post: postSchema.optional(),
  envelope: envelopeMadeSchema.optional(),
  letter: letterSchema.optional(),
  letters: z.array(letterTextSchema).max(JOB_LIMITS.letters).optional(),
  fold: foldSchema.optional(),
  turns: z.enum(TURNS).optional(),
  /** The radius that a die gives its corners; square where it is left out. */
  corner: z.number().min(0.5).max(200).optional(),
  /** How thick its stock is. */
  thickness: z.number().min(0.1).max(30).optional(),
};
