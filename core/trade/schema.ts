import * as z from 'zod';
import { parseLength } from '../units/length';
import { FINISH_KINDS } from './finishes';
import { pricesSchema } from './prices';
import { REGISTERED } from './registered-conditions';

/** Where a row comes from: a published standard, common practice, or a standard quoted from memory. */
export const sourceSchema = z.object({
  kind: z.enum(['standard', 'common practice', 'from memory']),
  name: z.string().max(400).optional(),
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

/** No length of a piece, and none that a shop asks for, is longer than the largest page of a PDF (ISO 32000-1, annex C). */
const LONGEST = 14_400;
const points = z.number().positive().max(LONGEST);
const distance = z.number().nonnegative().max(LONGEST);
/** Pixels an inch. */
const ppi = z.number().positive().max(100_000);
const label = z.string().min(1).max(120);

export const SEVERITIES = ['stop', 'warn', 'advise'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** What a shop's plates and paper can hold. Lines and type in points, pictures in ppi, tints and inks 0 to 1. */
const limitsSchema = z.strictObject({
  /** The thinnest line, and the thinnest that is light, tinted or left out of a ground. */
  line: z.strictObject({ any: points, light: points }),
  /** Type: hard to read below `warn`, refused below `stop`; from several plates or left out of a ground at least this. */
  type: z.strictObject({ warn: points, stop: points, severalInks: points }),
  /** Pictures of black and white alone. */
  lineArt: z.strictObject({ warn: ppi, stop: ppi }),
  /** More pixels than this, ppi, only make the file heavy. */
  heavy: ppi,
  /** Lighter tints do not hold, darker ones fill in. */
  tint: z.strictObject({ least: z.number().min(0).max(1), most: z.number().min(0).max(1) }),
  /** A line along the cut, nearer to it than this, shows how far the guillotine drifts. */
  frame: distance,
  /** Words nearer to a fold than this crack or are swallowed. */
  fold: distance,
  /** What its tools for finishing hold, by kind: the thinnest line, the narrowest gap, the nearest to the edge; common practice where it does not say. */
  finishing: z
    .partialRecord(
      z.enum(FINISH_KINDS),
      z.strictObject({ line: points.optional(), gap: points.optional(), edge: distance.optional() }),
    )
    .optional(),
  /** The most ink at a point, 1 to 4; that of the press condition where it is left out. */
  totalInk: z.number().min(1).max(4).optional(),
});

/** How far the guillotine drifts: 19 cuts of 20 lie within this. Lengths in points, the twist in degrees. */
const toleranceSchema = z.strictObject({
  x: distance,
  y: distance,
  twist: z.number().min(0).max(5),
  /** How far the back's print lies from the front's. */
  backs: distance,
});

/** Sheets that are printed beyond those ordered: so many to make a form ready, and a share for each pass and finishing step. */
const oversSchema = z.strictObject({
  makeReady: z.int().min(0).max(10_000),
  pass: z.number().min(0).max(1),
  finishing: z.number().min(0).max(1),
});

export const STANDARDS = ['PDF/X-4', 'PDF/X-1a:2001', 'PDF/X-1a:2003'] as const;

/** A size that a shop cuts, points, named as the shop does. */
export const shopSizeSchema = z.strictObject({ name: z.string().min(1).max(80), width: points, height: points });

/** What one print shop asks for. Lengths in points, ppi in pixels an inch. */
export const shopSpecSchema = z.strictObject({
  id: label,
  name: label,
  unit: z.enum(['mm', 'in']),
  /** How far background art runs past the trim, by kind; 0 where the piece is printed without bleed. */
  bleed: z.record(kindSchema, distance),
  /** How far words and logos stay inside the trim, by kind. */
  safe: z.record(kindSchema, distance),
  /** Art that ends this close to the trim is taken to mean the trim. */
  meetsTrim: distance,
  ppi: z.strictObject({ wanted: ppi, warn: ppi, stop: ppi }),
  marks: z.strictObject({ weight: points, length: points, offset: distance }),
  condition: label,
  limits: limitsSchema,
  tolerance: toleranceSchema,
  /** What it prints beyond what is ordered; five in a hundred where it does not say. */
  overs: oversSchema.optional(),
  /** The sizes it cuts, by kind; any size of a kind that is left out. */
  sizes: z.partialRecord(kindSchema, z.array(shopSizeSchema).min(1).max(200)),
  /** The plates it prints from: the four process inks or black alone, and how many spots besides. */
  plates: z.strictObject({ process: z.enum(['four', 'black', 'none']), spots: z.int().min(0).max(12) }),
  standard: z.enum(STANDARDS),
  /** What files are called: {client}, {piece}, {size}, {face}, {date}, {version} stand for what they say. */
  fileName: z.string().min(1).max(120),
  files: z.enum(['one', 'one a face']),
  /** How finishing comes with a file: as layers of its pages, on pages of its own, in files of its own; layers where it does not say. */
  finishing: z.enum(['layers', 'pages', 'files']).optional(),
  /** What it charges, where it says so. */
  prices: pricesSchema.optional(),
  notes: z.string().max(4000),
  /** Checks that this shop takes more or less gravely than others do, or not at all, by their ids. */
  asks: z.record(z.string().max(60), z.enum([...SEVERITIES, 'off'])),
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
  /** Looked at without the tinge that its black measures. */
  neutralBlack: z.literal(true).optional(),
  source: sourceSchema,
});
export type PressCondition = z.infer<typeof pressConditionSchema>;

/** A condition whose profile the user has loaded; its id in a job is the profile's hash. */
export const ownConditionSchema = z.strictObject({
  name: z.string().trim().min(1).max(120),
  intent: z.enum(INTENTS),
  blackPointCompensation: z.boolean(),
  totalInk: z.number().min(1).max(4),
  /** The name that the condition is registered by, where it is. */
  registered: z.enum(REGISTERED.map(({ name }) => name)).optional(),
});
export type OwnCondition = z.infer<typeof ownConditionSchema>;

/** How a stock looks beside white paper, as a screen shows it: `#c9a66b`. */
export const stockColourSchema = z.string().regex(/^#[0-9a-f]{6}$/);
