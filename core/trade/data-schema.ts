import * as z from 'zod';
import { lengthOf } from '../units/length';
import { sourceSchema, typedLengthSchema } from './schema';

/** The facts of post, envelopes and letters as their files have them: lengths are written with units, and read as points. */

const length = typedLengthSchema.transform(lengthOf);
const pair = z.tuple([length, length]);

/** Where an area lies on a face: from the edges it names; without a size it runs between them. */
const areaSchema = z.strictObject({
  id: z.string(),
  name: z.string().min(1),
  says: z.string().min(1),
  left: length.optional(),
  right: length.optional(),
  top: length.optional(),
  bottom: length.optional(),
  width: length.optional(),
  height: length.optional(),
  /** The size of a stamp that is drawn in it. */
  stamp: pair.optional(),
  /** The least width of the part of a card that is kept for it. */
  panel: length.optional(),
  /** The share of red light that a flat ground has to throw back for a sorting machine to read on it. */
  light: z.number().min(0).max(1).optional(),
});
export type AreaRule = z.infer<typeof areaSchema>;

/** Sizes are the long side and then the short one. */
export const postRulesSchema = z.strictObject({
  id: z.string().regex(/^[a-z-]+$/),
  name: z.string().min(1),
  source: sourceSchema,
  sizes: z
    .array(
      z.strictObject({
        name: z.string(),
        least: pair,
        most: pair,
        thickness: pair,
        /** Above that size it has to be thicker. */
        thickerAbove: z.strictObject({ size: pair, thickness: length }).optional(),
        postage: z.string(),
        /** The weights at which the next step of the rate begins, grams; the last is the most that it takes. */
        weights: z.array(z.number().positive()).min(1).optional(),
        /** For cards that go without an envelope. */
        openOnly: z.literal(true).optional(),
      }),
    )
    .min(1),
  /** Long side to short side. */
  ratio: z.strictObject({ least: z.number(), most: z.number(), otherwise: z.string() }),
  tooLarge: z.string(),
  tooSmall: z.string(),
  /** The largest radius of its corners that machines take. */
  corner: z.strictObject({ most: length, otherwise: z.string() }).optional(),
  /** What is said of a folded piece without an envelope: its edges have to be closed. */
  folded: z.string().optional(),
  /** How the open edges of a folded piece are closed: a tab's length along the edge and its depth, and how far from its corners. */
  closures: z.strictObject({ tab: pair, inset: length, says: z.string() }).optional(),
  areas: z.array(areaSchema),
});
export type PostRules = z.infer<typeof postRulesSchema>;

const windowSchema = z.strictObject({ name: z.string(), left: length, bottom: length, width: length, height: length });

/** A ready-made envelope, its front as it is addressed. */
export const envelopeSchema = z.strictObject({
  name: z.string().min(1),
  width: length,
  height: length,
  flap: z.strictObject({ edge: z.enum(['long', 'short']), depth: length }),
  /** Where its back is glued together. */
  seams: z.enum(['diagonals', 'sides', 'middle']),
  window: windowSchema.optional(),
  source: sourceSchema,
});
export type Envelope = z.infer<typeof envelopeSchema>;

const boxSchema = z
  .strictObject({ left: length, top: length, width: length, height: length })
  .transform(({ left, top, width, height }) => ({ x: left, y: top, width, height }));

/** How a letter is laid out: where its address stands and where it is folded, from its top. */
export const letterLayoutSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  name: z.string().min(1),
  head: length,
  field: boxSchema,
  /** The part of the field that the recipient's lines stand in. */
  lines: boxSchema,
  folds: z.array(length),
  punch: length.optional(),
  body: length,
  source: sourceSchema,
});
export type LetterLayout = z.infer<typeof letterLayoutSchema>;
