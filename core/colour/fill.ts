import * as z from 'zod';
import { JOB_LIMITS } from '../trade/job-limits';
import { type Paint, paintSchema } from './paint';

/** A place in a frame: 0 at its left or top, 1 at its right or foot; a fill may begin and end outside it. */
const share = z.number().min(-1000).max(1000);

/**
 * Lays the gradient's own space on the frame's unit square. In its own space a linear one runs from x = 0 to x = 1, a
 * radial one from the origin to the unit circle. Order as in SVG and PDF.
 */
const placeSchema = z.tuple([share, share, share, share, share, share]);

/** A place inside the unit circle. */
const focusSchema = z
  .strictObject({ x: z.number(), y: z.number() })
  .refine(({ x, y }) => Math.hypot(x, y) < 1, 'a gradient begins inside its circle');

export const MOST_STOPS = JOB_LIMITS.stops;
const stopSchema = paintSchema.extend({
  at: z.number().min(0).max(1),
  /** How much it covers what lies below; all of it where it is left out. */
  cover: z.number().min(0).max(1).optional(),
});

/** Colour that runs from stop to stop. */
export const gradientSchema = z.strictObject({
  kind: z.enum(['linear', 'radial']),
  place: placeSchema,
  /** Where a radial one begins, in its own space: at its middle where it is left out. */
  focus: focusSchema.optional(),
  /** In order of `at`; each is an ink at a tint. */
  stops: z.array(stopSchema).min(2).max(MOST_STOPS),
});
export type Gradient = z.infer<typeof gradientSchema>;

/** One flat colour on each side of a line, drawn as two areas: nothing runs into anything. */
export const splitSchema = z.strictObject({
  kind: z.literal('split'),
  /** The line goes through `through`; `angle` degrees clockwise from a line that runs across. */
  through: z.strictObject({ x: share, y: share }),
  angle: z.number().min(-360).max(360),
  /** Above the line (left of it, where it stands upright), and below. */
  first: paintSchema,
  second: paintSchema,
});
export type Split = z.infer<typeof splitSchema>;

export const MOTIFS = ['stripes', 'dots', 'grid', 'waves'] as const;
export type Motif = (typeof MOTIFS)[number];

/** Closer together than this, in points, no press holds a motif apart. */
export const LEAST_SPACING = 2;

/** A motif that repeats, drawn as areas; `spacing` and `weight` in points, `angle` in degrees clockwise. */
export const patternSchema = z.strictObject({
  kind: z.literal('pattern'),
  motif: z.enum(MOTIFS),
  spacing: z.number().min(LEAST_SPACING).max(2000),
  /** Of a line, or the width of a dot. */
  weight: z.number().min(0.05).max(2000),
  angle: z.number().min(-360).max(360),
  paint: paintSchema,
  /** What lies under the motif; paper shows through where it is left out. */
  ground: paintSchema.optional(),
});
export type Pattern = z.infer<typeof patternSchema>;

export const noneSchema = z.strictObject({ kind: z.literal('none') });

/** What fills an area. A flat one is just its paint. */
export const fillSchema = z.union([paintSchema, noneSchema, gradientSchema, splitSchema, patternSchema]);
export type Fill = z.infer<typeof fillSchema>;

export const isFlat = (fill: Fill): fill is Paint => !('kind' in fill);

export const isGradient = (fill: Fill): fill is Gradient =>
  !isFlat(fill) && (fill.kind === 'linear' || fill.kind === 'radial');

/** Whether what lies below is seen through a part of a fill. */
export const isSeenThrough = (fill: Fill): boolean => isGradient(fill) && fill.stops.some(({ cover = 1 }) => cover < 1);

/** The paints that a fill prints. */
export function fillPaints(fill: Fill): Paint[] {
  if (isFlat(fill)) return [fill];
  if (fill.kind === 'none') return [];
  if (fill.kind === 'split') return [fill.first, fill.second];
  if (fill.kind === 'pattern') return [fill.paint, ...(fill.ground ? [fill.ground] : [])];
  return fill.stops.map(({ ink, tint }) => ({ ink, tint }));
}

/** The fill with each of its paints changed. */
export function mapPaints(fill: Fill, change: (paint: Paint) => Paint): Fill {
  if (isFlat(fill)) return change(fill);
  if (fill.kind === 'none') return fill;
  if (fill.kind === 'split') return { ...fill, first: change(fill.first), second: change(fill.second) };
  if (fill.kind === 'pattern')
    return { ...fill, paint: change(fill.paint), ...(fill.ground ? { ground: change(fill.ground) } : {}) };
  return { ...fill, stops: fill.stops.map(({ ink, tint, ...rest }) => ({ ...rest, ...change({ ink, tint }) })) };
}

/** The paint that stands for a fill where just one can be shown or kept: its first. */
export const mainPaint = (fill: Fill): Paint | undefined => fillPaints(fill)[0];

/** A line's weight in points, its dashes and how it ends and turns. */
export const penSchema = z.strictObject({
  weight: z.number().min(0.01).max(1000),
  /** Lengths of dashes and gaps by turns, in points. */
  dash: z.array(z.number().min(0).max(2000)).min(1).max(8).optional(),
  cap: z.enum(['flat', 'round', 'square']).optional(),
  join: z.enum(['mitre', 'round', 'bevel']).optional(),
});
export type Pen = z.infer<typeof penSchema>;

/** The outline of a shape, drawn along its middle. */
export const strokeSchema = penSchema.extend({ paint: paintSchema });
export type Stroke = z.infer<typeof strokeSchema>;

/** A soft shadow in one ink; lengths in points. `blur` is how far the edge is spread to either side. */
export const shadowSchema = paintSchema.extend({
  x: z.number().min(-500).max(500),
  y: z.number().min(-500).max(500),
  blur: z.number().min(0).max(200),
});
export type Shadow = z.infer<typeof shadowSchema>;

/** How a picture fades to paper: whole at the gradient's beginning, gone at its end. */
export const fadeSchema = z.strictObject({ kind: z.enum(['linear', 'radial']), place: placeSchema });
export type Fade = z.infer<typeof fadeSchema>;
