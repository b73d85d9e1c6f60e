import { z } from 'zod';
import { SYMBOLOGY_IDS } from '../codes/symbols';
import { inkSchema, isSpotName } from '../colour/ink';
import { type Paint, paintSchema } from '../colour/paint';
import { CORNER_FORMS } from '../geometry/forms';
import { kindSchema } from '../trade/schema';
import { ownFontSchema } from '../type/own-font';
import { SEPARATOR_SIGNS } from '../type/separators';
import { spellingSchema } from '../type/spelling';
import { namedStyleSchema, paragraphSchema, someLettering, someSetting } from '../type/style';
import { toPoints } from '../units/length';

/** The document. Lengths in points from the trim's top left corner, y down; tints 0 to 1. */

export const JOB_VERSION = 2;

/** A place or distance on a face: within 10 m. */
const FAR = toPoints(10_000, 'mm');
const place = z.number().min(-FAR).max(FAR);
const extent = z.number().min(0).max(FAR);
const id = z.string().regex(/^[\w-]{1,64}$/, 'an id is up to 64 letters, digits, - and _');
const name = z.string().trim().min(1).max(120);

export type { Paint } from '../colour/paint';

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
  x: place,
  y: place,
};

/** A line to lay things out by; upright where `axis` is x. */
export const guideSchema = z.strictObject({ axis: z.enum(['x', 'y']), at: place });
export type Guide = z.infer<typeof guideSchema>;
const guides = z.array(guideSchema).max(200).optional();

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
const outlineData = z.string().min(1).max(200_000);

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

/**
 * Words. `lettering` and `setting` hold what differs from the named style (or from plain words where there is none);
 * spans and paragraphs hold what differs again. `x` is the frame's left edge, or the point that the lines of a frame
 * that grows are aligned to.
 */
export const wordsSchema = z.strictObject({
  ...common,
  kind: z.literal('words'),
  paragraphs: z.array(paragraphSchema).min(1).max(5000),
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
});
/** Mirrored about the middle of its frame: left and right changed over, top and foot, or both. */
const flip = z.enum(['across', 'down', 'both']).optional();

/** A picture covers its frame; what sticks out is cropped. */
export const pictureSchema = z.strictObject({
  ...common,
  kind: z.literal('picture'),
  width: extent,
  height: extent,
  flip,
  asset: z.string(),
});
const corner = z.strictObject({ radius: extent, form: z.enum(CORNER_FORMS) });

/** A form drawn to fill its frame. */
const formSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('ellipse') }),
  z.strictObject({ kind: z.literal('polygon'), sides: z.int().min(3).max(60) }),
  /** `depth` is how far out the notches are, as a share of the points. */
  z.strictObject({ kind: z.literal('star'), points: z.int().min(3).max(60), depth: z.number().min(0.05).max(0.98) }),
]);
export type Form = z.infer<typeof formSchema>;

/**
 * A filled area: a rectangle with corners of its own, a form, or an outline drawn in a unit square; each is stretched
 * to the frame.
 */
export const shapeSchema = z.strictObject({
  ...common,
  kind: z.literal('shape'),
  width: extent,
  height: extent,
  flip,
  outline: outlineData.optional(),
  form: formSchema.optional(),
  /** Of a rectangle: top left, top right, foot right, foot left. */
  corners: z.tuple([corner, corner, corner, corner]).optional(),
  paint: paintSchema,
});
/** A straight line along the longer side of its frame; the shorter side is its weight. */
export const ruleSchema = z.strictObject({
  ...common,
  kind: z.literal('rule'),
  width: extent,
  height: extent,
  paint: paintSchema,
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

/** One printed side; `elements` from the bottom of the stack to its top. */
export const faceSchema = z.strictObject({ id, name, elements: z.array(elementSchema).max(5000), guides });
export type Face = z.infer<typeof faceSchema>;

/** The smallest and largest finished side, in points: 10 mm to 2 m. */
export const SIDE_LIMITS = { least: toPoints(10, 'mm'), most: toPoints(2000, 'mm') } as const;
const side = z
  .number()
  .min(SIDE_LIMITS.least - 0.001)
  .max(SIDE_LIMITS.most + 0.001);

export const MOST_FACES = 20;

export const pieceSchema = z.strictObject({
  id,
  name,
  kind: kindSchema,
  width: side,
  height: side,
  unit: z.enum(['mm', 'in']),
  shop: z.string().min(1).max(64),
  faces: z.array(faceSchema).min(1).max(MOST_FACES),
  /** Guides of all its faces. */
  guides,
});
export type Piece = z.infer<typeof pieceSchema>;

/** A picture kept with the job under the SHA-256 of its bytes; width and height in upright pixels. */
export const assetSchema = z.strictObject({
  name: z.string().max(255),
  type: z.enum(['image/jpeg', 'image/png']),
  width: z.int().min(1),
  height: z.int().min(1),
});
export type Asset = z.infer<typeof assetSchema>;
export const assetHash = z.string().regex(/^[0-9a-f]{64}$/, 'an asset is named by its SHA-256');

/** The paints an element names itself; words may have more from their style. */
export function paintsOf(element: Element): Paint[] {
  if (element.kind === 'picture') return [];
  if (element.kind !== 'words') return [element.paint];
  return [element.lettering, ...element.paragraphs.flatMap((p) => p.spans)].flatMap(({ paint }) =>
    paint ? [paint] : [],
  );
}

const repeated = (values: string[]): string | undefined => values.find((value, i) => values.indexOf(value) !== i);

export const jobSchema = z
  .strictObject({
    format: z.literal('tidyedge'),
    version: z.literal(JOB_VERSION),
    id,
    name,
    /** When the job was last changed, ISO 8601 in UTC; dates in exported files come from here. */
    changed: z.iso.datetime(),
    inks: z.array(inkSchema).max(200),
    styles: z.array(namedStyleSchema).max(200),
    pieces: z.array(pieceSchema).max(200),
    assets: z.record(assetHash, assetSchema),
    spelling: spellingSchema,
    /** Fonts the user has added. */
    fonts: z.record(assetHash, ownFontSchema),
  })
  .superRefine((job, context) => {
    const say = (message: string) => context.addIssue({ code: 'custom', message });
    const elements = job.pieces.flatMap((p) => p.faces.flatMap((f) => f.elements));
    const twin = repeated([
      ...job.pieces.map((p) => p.id),
      ...job.pieces.flatMap((p) => p.faces.map((f) => f.id)),
      ...elements.map((e) => e.id),
    ]);
    if (twin) say(`the id ${twin} is used twice`);
    const inkTwin = repeated(job.inks.map((ink) => ink.id));
    if (inkTwin) say(`the ink ${inkTwin} is there twice`);
    for (const ink of job.inks)
      if (ink.kind === 'spot' && !isSpotName(ink.name)) say(`${ink.name} cannot name a spot ink`);
    const styleTwin = repeated(job.styles.map((style) => style.id));
    if (styleTwin) say(`the style ${styleTwin} is there twice`);
    const paints = [...elements.flatMap(paintsOf), ...job.styles.map((style) => style.lettering.paint)];
    for (const { ink } of paints) if (!job.inks.some((each) => each.id === ink)) say(`the ink ${ink} is missing`);
    for (const piece of job.pieces) {
      const words = piece.faces.flatMap((f) => f.elements.filter((e) => e.kind === 'words'));
      const going = words.flatMap((w) => w.next ?? []);
      for (const next of going)
        if (!words.some((w) => w.id === next)) say(`words go on in ${next}, which is not in their piece`);
      const taken = repeated(going);
      if (taken) say(`words go on in ${taken} from two frames`);
      // With at most one way into each frame, only a ring has no beginning.
      const reached = new Set<string>();
      for (const head of words.filter((w) => !going.includes(w.id)))
        for (let at: string | undefined = head.id; at && !reached.has(at); at = words.find((w) => w.id === at)?.next)
          reached.add(at);
      const ring = words.find((w) => !taken && w.next && !reached.has(w.id));
      if (ring) say(`words that go on from ${ring.id} come back to it`);
    }
    for (const face of job.pieces.flatMap((p) => p.faces))
      for (const element of face.elements)
        if (element.kind === 'words' && element.path?.along.kind === 'element') {
          const { id: wanted } = element.path.along;
          if (!face.elements.some((e) => e.id === wanted && e.kind !== 'words'))
            say(`${element.id} stands on ${wanted}, which is not on its face`);
        }
    for (const element of elements) {
      if (element.kind === 'picture' && !job.assets[element.asset]) say(`the picture of ${element.id} is missing`);
      if (element.kind === 'words' && element.style && !job.styles.some((style) => style.id === element.style))
        say(`the style ${element.style} is missing`);
    }
  });
export type Job = z.infer<typeof jobSchema>;
