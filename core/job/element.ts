import * as z from 'zod';
import { SYMBOLOGY_IDS } from '../codes/symbologies';
import { fadeSchema, fillPaints, fillSchema, shadowSchema, strokeSchema } from '../colour/fill';
import { type Paint, paintSchema } from '../colour/paint';
import { CORNER_FORMS } from '../geometry/forms';
import { JOB_LIMITS } from '../trade/job-limits';
import { SEPARATOR_SIGNS } from '../type/separators';
import { paragraphSchema, someLettering, someSetting } from '../type/style';
import { toPoints } from '../units/length';
import { byRowSchema } from './by-row';

/** What lies on a face. Lengths in points from the trim's top left corner, y down; tints 0 to 1. */

/** A place or distance on a face: within 10 m. */
const FAR = toPoints(10_000, 'mm');
export const place = z.number().min(-FAR).max(FAR);
const extent = z.number().min(0).max(FAR);
export const id = z.string().regex(/^[\w-]{1,64}$/, 'an id is up to 64 letters, digits, - and _');
export const name = z.string().trim().min(1).max(JOB_LIMITS.name);

/** What the app draws for a purpose of its own. */
export const PARTS = ['address side', 'fold ticks'] as const;

export type { Paint } from '../colour/paint';

/** What is left of the way from the first to the last of some copies. */
const lastSchema = z.strictObject({
  /** Size and tint of the last, as shares of the first's; how far it is turned, in degrees. */
  size: z.number().min(0.02).max(20),
  tint: z.number().min(0).max(1),
  angle: z.number().min(-3600).max(3600),
});

/** The box that the gaps and the middle of a repeat are measured by, from the element's x and y; its own where it is left out. */
const cellSchema = z.strictObject({ x: place, y: place, width: extent, height: extent });
const MOST_COPIES = 500;
const copies = z.int().min(1).max(MOST_COPIES);

/** Copies of an element that stay alive: the element is the first of them. Lengths in points. */
export const repeatSchema = z.discriminatedUnion('kind', [
  z
    .strictObject({
      kind: z.literal('grid'),
      across: copies,
      down: copies,
      gapAcross: place,
      gapDown: place,
      cell: cellSchema.optional(),
      last: lastSchema.optional(),
    })
    .refine(({ across, down }) => across * down <= MOST_COPIES, `a repeat has at most ${MOST_COPIES} copies`),
  /** Round a circle whose middle is `radius` straight below the first, the whole way round or `sweep` degrees of it. */
  z.strictObject({
    kind: z.literal('ring'),
    count: copies,
    radius: extent,
    sweep: z.number().min(-360).max(360),
    /** Whether each copy stands on the circle, rather than upright. */
    turning: z.boolean(),
    cell: cellSchema.optional(),
    last: lastSchema.optional(),
  }),
]);
export type Repeat = z.infer<typeof repeatSchema>;

const yes = z.literal(true).optional();
const common = {
  id,
  name: name.optional(),
  logo: yes,
  /** Degrees clockwise about the middle of its frame. */
  turn: z.number().gt(-360).lt(360).optional(),
  /** Not to be moved or changed on the face by accident. */
  locked: yes,
  /** Neither shown nor printed. */
  hidden: yes,
  /** Shows how the piece will be used, and is never printed. */
  sample: yes,
  /** The finish of its piece that it belongs to: it lays no ink. */
  finish: z
    .string()
    .regex(/^[\w-]{1,64}$/)
    .optional(),
  /** Drawn by the app for that purpose, and made anew when it changes. */
  part: z.enum(PARTS).optional(),
  /** The group it belongs to, the innermost. */
  group: id.optional(),
  /** How much of what is below it covers; all where it is left out. */
  opacity: z.number().min(0).max(1).optional(),
  shadow: shadowSchema.optional(),
  repeat: repeatSchema.optional(),
  /** What of it follows the row of a table that the piece is printed for. */
  byRow: byRowSchema.optional(),
  /** Whether its inks print on those below it or are left out of them; small black words overprint where it is left out. */
  overprint: z.enum(['overprints', 'knocks out']).optional(),
  x: place,
  y: place,
};

/** How a frame holds its words: it grows with them, is as wide as it is told, or is a box of a fixed size. */
export const wordsFrameSchema = z.strictObject({
  behaviour: z.enum(['grows', 'fixed width', 'fixed box']),
  width: extent,
  height: extent,
  inset: z.number().min(0).max(2000),
  vertical: z.enum(['top', 'middle', 'bottom']),
});
export type WordsFrame = z.infer<typeof wordsFrameSchema>;

/** SVG path data. */
const outlineData = z.string().min(1).max(JOB_LIMITS.outline);

/** The line that words stand on, and how. Lengths in points; `start` is measured along the line. */
const wordsPathSchema = z.strictObject({
  along: z.discriminatedUnion('kind', [
    /** A circle whose frame has its top left corner at the words' x and y; it begins at the top. */
    z.strictObject({ kind: z.literal('circle'), radius: z.number().min(1).max(20_000) }),
    /** The outline of another element of the face. */
    z.strictObject({ kind: z.literal('element'), id }),
    /** A line of its own, drawn from the words' x and y. */
    z.strictObject({ kind: z.literal('outline'), outline: outlineData }),
  ]),
  start: place,
  side: z.enum(['outside', 'inside']),
  backwards: z.boolean(),
  lift: z.number().min(-2000).max(2000),
});
export type WordsPath = z.infer<typeof wordsPathSchema>;

export const STROKE_PLACES = ['outside', 'centred', 'inside'] as const;
/** A line along the edges of letters: outside of them, half and half, or within. Weight in points, as it is seen. */
export const lettersStrokeSchema = z.strictObject({
  paint: paintSchema,
  weight: z.number().min(0.01).max(200),
  place: z.enum(STROKE_PLACES),
});
export type LettersStroke = z.infer<typeof lettersStrokeSchema>;

/**
 * Words. `lettering` and `setting` hold what differs from the named style (or from plain words where there is none);
 * spans and paragraphs hold what differs again. `x` is the frame's left edge, or the point that the lines of a frame
 * that grows are aligned to.
 */
export const wordsSchema = z.strictObject({
  ...common,
  kind: z.literal('words'),
  paragraphs: z.array(paragraphSchema).min(1).max(JOB_LIMITS.paragraphs),
  style: id.optional(),
  lettering: someLettering,
  setting: someSetting,
  frame: wordsFrameSchema,
  /** The words of the piece whose frame holds what this one, a fixed box, has no room for. */
  next: id.optional(),
  /** Each paragraph is a detail, and all of them are one row with this between. */
  row: z.enum(SEPARATOR_SIGNS).optional(),
  /** On a line instead of in lines. */
  path: wordsPathSchema.optional(),
  /** Fills all the letters of the frame instead of their own paints. */
  fill: fillSchema.optional(),
  stroke: lettersStrokeSchema.optional(),
});
/** Mirrored about the middle of its frame: left and right changed over, top and foot, or both. */
const flip = z.enum(['across', 'down', 'both']).optional();

const corner = z.strictObject({ radius: extent, form: z.enum(CORNER_FORMS) });

/** A form drawn to fill its frame. */
const formSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('ellipse') }),
  z.strictObject({ kind: z.literal('polygon'), sides: z.int().min(3).max(60) }),
  /** `depth` is how far out the notches are, as a share of the points. */
  z.strictObject({ kind: z.literal('star'), points: z.int().min(3).max(60), depth: z.number().min(0.05).max(0.98) }),
  /** An irregular splash; the same seed makes the same one. */
  z.strictObject({
    kind: z.literal('blot'),
    seed: z.int().min(0).max(999_999),
    irregularity: z.number().min(0).max(1),
    count: z.int().min(3).max(40),
    drops: z.int().min(0).max(30),
  }),
]);
export type Form = z.infer<typeof formSchema>;

/** The outline of a frame: a rectangle unless it says otherwise, with corners of its own. */
const outlined = {
  /** SVG path data in a unit square that is stretched to the frame. */
  outline: outlineData.optional(),
  form: formSchema.optional(),
  /** Of a rectangle: top left, top right, foot right, foot left. */
  corners: z.tuple([corner, corner, corner, corner]).optional(),
};

/** How a picture lies in its frame. What sticks out is cropped. */
export const viewSchema = z.strictObject({
  /** Fills the frame, is whole in it, or has a scale of its own. */
  fit: z.enum(['fill', 'whole', 'exact']),
  /** Enlarges what fit gives; with `exact`, points for each pixel. */
  zoom: z.number().min(0.001).max(1000),
  /** Which point of the picture lies at the same point of the frame, 0 to 1 each way: 0.5 is the middle of both. */
  at: z.strictObject({ x: z.number().min(-20).max(21), y: z.number().min(-20).max(21) }),
});
export type PictureView = z.infer<typeof viewSchema>;

/** A picture fills its frame from the middle, unless its view says otherwise; it is cropped by the frame's outline. */
export const pictureSchema = z.strictObject({
  ...common,
  kind: z.literal('picture'),
  /** It is the picture of the person that the piece is shown for. */
  quote: z.literal('person.picture').optional(),
  width: extent,
  height: extent,
  flip,
  ...outlined,
  asset: z.string(),
  view: viewSchema.optional(),
  /** Quarter turns clockwise inside the frame. */
  quarter: z.literal([1, 2, 3]).optional(),
  fade: fadeSchema.optional(),
  /** Its greys printed in one ink or in two, each at so much of its own tint, instead of in the four process inks. */
  inks: z.array(paintSchema).min(1).max(2).optional(),
  /** The numbers of a CMYK picture are made anew for the press, instead of being kept; greys print in four inks, not in black. */
  reseparate: yes,
  /** The picture's most ink at a point, 1 to 4: darker places are separated again to stay under it. */
  inkLimit: z.number().min(1).max(4).optional(),
});

/** An area, its outline stretched to its frame; it may have a line along its outline. */
export const shapeSchema = z.strictObject({
  ...common,
  kind: z.literal('shape'),
  width: extent,
  height: extent,
  flip,
  ...outlined,
  paint: fillSchema,
  stroke: strokeSchema.optional(),
});
export const RULE_ENDS = ['flat', 'round', 'arrow', 'arrows'] as const;

/** A straight line along the longer side of its frame; the shorter side is its weight. */
export const ruleSchema = z.strictObject({
  ...common,
  kind: z.literal('rule'),
  width: extent,
  height: extent,
  paint: fillSchema,
  /** Lengths of a dash and a gap, points. */
  dash: z.tuple([z.number().min(0).max(2000), z.number().min(0.05).max(2000)]).optional(),
  /** Flat where it is left out; an arrow at the far end, or at both. */
  ends: z.enum(RULE_ENDS).optional(),
});

/** A code that machines read, with its quiet zone in its frame. */
export const codeSchema = z.strictObject({
  ...common,
  kind: z.literal('code'),
  width: extent,
  height: extent,
  symbology: z.enum(SYMBOLOGY_IDS),
  text: z.string().min(1).max(3000),
  paint: paintSchema,
});

export const elementSchema = z.discriminatedUnion('kind', [
  wordsSchema,
  pictureSchema,
  shapeSchema,
  ruleSchema,
  codeSchema,
]);
export type Words = z.infer<typeof wordsSchema>;
export type Picture = z.infer<typeof pictureSchema>;
export type Shape = z.infer<typeof shapeSchema>;
export type Rule = z.infer<typeof ruleSchema>;
export type Code = z.infer<typeof codeSchema>;
export type Element = z.infer<typeof elementSchema>;
/** Elements that carry a frame of their own. */
export type Framed = Exclude<Element, Words>;

/** The paints an element names itself; words may have more from their style. */
export function paintsOf(element: Element): Paint[] {
  const byRow = (element.byRow?.ink?.inks ?? []).map(({ ink }) => ({ ink, tint: 1 }));
  return [...byRow, ...plainPaints(element)];
}

function plainPaints(element: Element): Paint[] {
  const shadow = element.shadow ? [{ ink: element.shadow.ink, tint: element.shadow.tint }] : [];
  if (element.kind === 'picture') return [...shadow, ...(element.inks ?? [])];
  if (element.kind === 'code') return [...shadow, element.paint];
  if (element.kind === 'rule') return [...shadow, ...fillPaints(element.paint)];
  if (element.kind === 'shape')
    return [...shadow, ...fillPaints(element.paint), ...(element.stroke ? [element.stroke.paint] : [])];
  const spans = [element.lettering, ...element.paragraphs.flatMap((p) => p.spans)];
  return [
    ...shadow,
    ...(element.fill ? fillPaints(element.fill) : []),
    ...(element.stroke ? [element.stroke.paint] : []),
    ...spans.flatMap(({ paint }) => (paint ? [paint] : [])),
  ];
}
