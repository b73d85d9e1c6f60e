import * as z from 'zod';
import { paintSchema } from '../colour/paint';
import { JOB_LIMITS } from '../trade/job-limits';

/** How letters look. Sizes and shifts in points, tracking in thousandths of the size. */
export const letteringSchema = z.strictObject({
  typeface: z.string().min(1).max(120),
  size: z.number().min(1).max(1000),
  paint: paintSchema,
  tracking: z.number().min(-500).max(2000),
  /** Above the baseline, below it where negative. */
  shift: z.number().min(-1000).max(1000),
  letterCase: z.enum(['as typed', 'capitals', 'lower case', 'small capitals']),
  underline: z.boolean(),
  /** OpenType features by tag: on, off, or the number of the alternative. */
  features: z.record(z.string().regex(/^[ -~]{4}$/), z.int().min(0).max(100)),
  /** The gaps between letters: as the font kerns them, unkerned, or made to look alike. */
  spacing: z.enum(['kerned', 'unkerned', 'even']),
});
export type Lettering = z.infer<typeof letteringSchema>;

export const ALIGNMENTS = ['left', 'centre', 'right', 'justified'] as const;
export type Alignment = (typeof ALIGNMENTS)[number];
export const TAB_ALIGNMENTS = ['left', 'centre', 'right'] as const;

const points = z.number().min(-20_000).max(20_000);

/** How a paragraph is set. Lengths in points. */
export const settingSchema = z.strictObject({
  align: z.enum(ALIGNMENTS),
  /** From baseline to baseline: a share of the largest size in the line (1.2 is 120 %), or exact points. */
  leading: z.union([
    z.strictObject({ share: z.number().min(0.5).max(5) }),
    z.strictObject({ points: z.number().min(0.5).max(5000) }),
  ]),
  before: points,
  after: points,
  /** From the frame's sides; `first` is added for the first line only. */
  indent: z.strictObject({ left: points, right: points, first: points }),
  tabs: z.array(z.strictObject({ at: points, align: z.enum(TAB_ALIGNMENTS) })).max(40),
});
export type Setting = z.infer<typeof settingSchema>;

export const someLettering = letteringSchema.partial();
export const someSetting = settingSchema.partial();

/** A stretch of letters that look alike, by what differs from its frame. A quote's text is what the detail says. */
export const spanSchema = z.strictObject({
  text: z.string().max(JOB_LIMITS.text),
  /** The detail of the house that the text is quoted from. */
  quote: z.string().max(64).optional(),
  /** While the detail is empty, its name holds the place. */
  ask: z.literal(true).optional(),
  ...someLettering.shape,
});
export type Span = z.infer<typeof spanSchema>;

/** A drawing before the first line of a paragraph: SVG path data in a unit square, as high as the letters' size. */
export const iconSchema = z.strictObject({
  name: z.string().min(1).max(80),
  outline: z.string().min(1).max(JOB_LIMITS.outline),
});
export type Icon = z.infer<typeof iconSchema>;

/** A paragraph; a line break in it is written as U+2028. */
export const paragraphSchema = z.strictObject({
  spans: z.array(spanSchema).max(JOB_LIMITS.spans),
  icon: iconSchema.optional(),
  ...someSetting.shape,
});
export type Paragraph = z.infer<typeof paragraphSchema>;

/** A named style of the house: change it once, all words in it follow. */
export const namedStyleSchema = z.strictObject({
  id: z.string().regex(/^[\w-]{1,64}$/),
  name: z.string().trim().min(1).max(JOB_LIMITS.name),
  lettering: letteringSchema,
  setting: settingSchema,
});
export type NamedStyle = z.infer<typeof namedStyleSchema>;

/** What words look like where nothing else is said. */
export const PLAIN: { lettering: Lettering; setting: Setting } = {
  lettering: {
    typeface: 'source-sans-3/regular',
    size: 9,
    paint: { ink: 'black', tint: 1 },
    tracking: 0,
    shift: 0,
    letterCase: 'as typed',
    underline: false,
    features: {},
    spacing: 'kerned',
  },
  setting: {
    align: 'left',
    leading: { share: 1.2 },
    before: 0,
    after: 0,
    indent: { left: 0, right: 0, first: 0 },
    tabs: [],
  },
};

/** The space between two baselines for a line whose largest letters are `size` points. */
export const leadingOf = ({ leading }: Setting, size: number): number =>
  'points' in leading ? leading.points : leading.share * size;
