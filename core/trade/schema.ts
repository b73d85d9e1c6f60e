import { z } from 'zod';
import { parseLength } from '../units/length';

/** Where a row comes from: a published standard, common practice, or a standard quoted from memory. */
export const sourceSchema = z.object({
  kind: z.enum(['standard', 'common practice', 'from memory']),
  name: z.string().optional(),
});
export type Source = z.infer<typeof sourceSchema>;

export const KINDS = ['card', 'letterhead', 'envelope', 'postcard', 'flyer'] as const;
export const kindSchema = z.enum(KINDS);
export type Kind = z.infer<typeof kindSchema>;

/** A length written as a person writes it, with its unit. */
export const typedLengthSchema = z
  .string()
  .regex(/(mm|in)$/, 'a length ends in mm or in')
  .refine((text) => parseLength(text, 'mm').ok, 'not a length');

/** A finished size, written wide or upright as the trade names it. */
export const sizeRowSchema = z.object({
  kind: kindSchema,
  name: z.string().min(1),
  width: typedLengthSchema,
  height: typedLengthSchema,
  source: sourceSchema,
});
export type SizeRow = z.infer<typeof sizeRowSchema>;

const points = z.number().positive().finite();

/** What one print shop asks for. Lengths in points, ppi in pixels an inch. */
export const shopSpecSchema = z.strictObject({
  id: z.string().min(1),
  name: z.string().min(1),
  unit: z.enum(['mm', 'in']),
  /** How far background art runs past the trim, by kind; 0 where the piece is printed without bleed. */
  bleed: z.record(kindSchema, z.number().nonnegative()),
  /** How far words and logos stay inside the trim, by kind. */
  safe: z.record(kindSchema, z.number().nonnegative()),
  /** Art that ends this close to the trim is taken to mean the trim. */
  meetsTrim: z.number().nonnegative(),
  ppi: z.strictObject({ wanted: points, warn: points, stop: points }),
  marks: z.strictObject({ weight: points, length: points, offset: z.number().nonnegative() }),
  condition: z.string().min(1),
  source: sourceSchema,
});
export type ShopSpec = z.infer<typeof shopSpecSchema>;

/** The rendering intents of ICC.1, by the names the trade uses. */
export const INTENTS = ['perceptual', 'relative colorimetric', 'saturation', 'absolute colorimetric'] as const;

/** How a press prints: its profile and the name that goes into the file's output intent. */
export const pressConditionSchema = z.strictObject({
  id: z.string().min(1),
  name: z.string().min(1),
  /** File name below assets/profiles. */
  profile: z.string().endsWith('.icc'),
  /** PDF OutputConditionIdentifier; a condition outside the ICC registry is called Custom. */
  identifier: z.string().min(1),
  intent: z.enum(INTENTS),
  blackPointCompensation: z.boolean(),
  totalInk: z.number().min(1).max(4),
  source: sourceSchema,
});
export type PressCondition = z.infer<typeof pressConditionSchema>;

/** A condition whose profile the user has loaded; its id in a job is the profile's hash. */
export const ownConditionSchema = z.strictObject({
  name: z.string().trim().min(1).max(120),
  intent: z.enum(INTENTS),
  blackPointCompensation: z.boolean(),
  totalInk: z.number().min(1).max(4),
});
export type OwnCondition = z.infer<typeof ownConditionSchema>;
