import * as z from 'zod';
import { inkSchema } from '../colour/ink';
import { printedWithSchema } from '../colour/printed-with';
import { JOB_LIMITS } from '../trade/job-limits';
import { kindSchema, ownConditionSchema, shopSpecSchema } from '../trade/schema';
import { ownFontSchema } from '../type/own-font';
import { spellingSchema } from '../type/spelling';
import { namedStyleSchema } from '../type/style';
import { toPoints } from '../units/length';
import { acceptedSchema } from './accepted';
import { byRowSchema, runSchema } from './by-row';
import { approvalSchema, commentSchema, MOST_APPROVALS, MOST_COMMENTS } from './comments';
import { firmSchema, personSchema } from './details';
import { elementSchema, id, name, place } from './element';
import { finishSchema, MOST_FINISHES } from './finishing';
import { logoSchema, rolesSchema } from './house';
import { kindFacts } from './kinds';
import { orderSchema } from './order';
import { placedPageSchema } from './placed-page';
import { sheetSchema } from './sheet';
import { tableSchema } from './table';
import { underlaySchema } from './underlay';

export * from './element';

/** The document. Lengths in points from the trim's top left corner, y down; tints 0 to 1. */

export const JOB_VERSION = 18;

/** A line to lay things out by; upright where `axis` is x. */
export const guideSchema = z.strictObject({ axis: z.enum(['x', 'y']), at: place });
export type Guide = z.infer<typeof guideSchema>;
const guides = z.array(guideSchema).max(JOB_LIMITS.guides).optional();

/** Elements that are picked up together; `group` is the one it lies in. Its members are those elements that name it. */
export const groupSchema = z.strictObject({
  id,
  name: name.optional(),
  group: id.optional(),
  /** The logo of the house that its members are. */
  logo: id.optional(),
});
export type Group = z.infer<typeof groupSchema>;

/** One printed side; `elements` from the bottom of the stack to its top. */
export const faceSchema = z.strictObject({
  id,
  name,
  elements: z.array(elementSchema).max(JOB_LIMITS.elements),
  groups: z.array(groupSchema).max(JOB_LIMITS.groups).optional(),
  /** Laid out upright on a wide sheet or the other way: its top is at the sheet's right (clockwise) or left. */
  turned: z.enum(['clockwise', 'anticlockwise']).optional(),
  underlay: underlaySchema.optional(),
  guides,
  /** The rows that this side is printed for; all of them where it is left out. */
  byRow: byRowSchema.pick({ shown: true }).optional(),
});
export type Face = z.infer<typeof faceSchema>;

/** The smallest and largest finished side, in points: 10 mm to 2 m. */
export const SIDE_LIMITS = { least: toPoints(10, 'mm'), most: toPoints(2000, 'mm') } as const;
const side = z
  .number()
  .min(SIDE_LIMITS.least - 0.001)
  .max(SIDE_LIMITS.most + 0.001);

export const MOST_FACES = JOB_LIMITS.faces;

/** How far an ink may be spread, in points: 0.02 mm to 0.3 mm. */
export const SPREAD_LIMITS = { least: toPoints(0.02, 'mm') - 1e-6, most: toPoints(0.3, 'mm') + 1e-6 } as const;

export const pieceSchema = z.strictObject({
  id,
  name,
  kind: kindSchema,
  width: side,
  height: side,
  unit: z.enum(['mm', 'in']),
  shop: z.string().min(1).max(64),
  faces: z.array(faceSchema).min(1).max(MOST_FACES),
  /** The plates it is to be printed from; process and spots where it is left out. */
  printedWith: printedWithSchema.optional(),
  /** How far the lighter of two inks that meet is spread over the darker one, points; not at all where it is left out. */
  spread: z.number().min(SPREAD_LIMITS.least).max(SPREAD_LIMITS.most).optional(),
  ...kindFacts,
  /** What is done to it besides printing it. */
  finishing: z.array(finishSchema).max(MOST_FINISHES).optional(),
  order: orderSchema.optional(),
  sheet: sheetSchema.optional(),
  /** Whose details it shows; the first person's where it is left out. */
  person: id.optional(),
  /** The rows of a table that it is printed for, each its own. */
  run: runSchema.optional(),
  /** Guides of all its faces. */
  guides,
});
export type Piece = z.infer<typeof pieceSchema>;

/** A picture kept with the job under the SHA-256 of its bytes; width and height in upright pixels. */
export const assetSchema = z.strictObject({
  name: z.string().max(255),
  type: z.enum(['image/jpeg', 'image/png', 'image/tiff', 'application/pdf']),
  /** Of a page of a PDF, whose width and height are the cells that its plates are looked at in. */
  page: placedPageSchema.optional(),
  width: z.int().min(1),
  height: z.int().min(1),
  /** What its numbers are; unknown of those taken in by older versions. */
  space: z.enum(['RGB', 'CMYK', 'GRAY']).optional(),
  /** Bits a channel; 1 is black and white alone. */
  bits: z.literal([1, 2, 4, 8, 16]).optional(),
  /** It has parts that can be seen through. */
  alpha: z.literal(true).optional(),
  /** It had been made so many times larger before it was taken in. */
  upscaled: z.number().min(1.5).max(8).optional(),
  /** How well a JPEG was saved, 1 to 100, by its tables. */
  quality: z.int().min(1).max(100).optional(),
  /** How wide a pixel, upright, is to its height, where the file says that it is not square. */
  pixelAspect: z.number().positive().optional(),
});
export type Asset = z.infer<typeof assetSchema>;
export const assetHash = z.string().regex(/^[0-9a-f]{64}$/, 'an asset is named by its SHA-256');

export const jobShape = z.strictObject({
  format: z.literal('tidyedge'),
  version: z.literal(JOB_VERSION),
  id,
  name,
  /** When the job was last changed, ISO 8601 in UTC; dates in exported files come from here. */
  changed: z.iso.datetime(),
  /** Where the client is, ISO 3166-1 alpha-2: how addresses are written, and what a new piece begins with. */
  country: z
    .string()
    .regex(/^[A-Z]{2}$/)
    .optional(),
  /** The look its pieces were begun in. */
  look: z.string().min(1).max(40).optional(),
  firm: firmSchema,
  people: z.array(personSchema).max(JOB_LIMITS.people),
  logos: z.array(logoSchema).max(JOB_LIMITS.logos),
  /** Typefaces by what they do. */
  roles: rolesSchema,
  inks: z.array(inkSchema).max(JOB_LIMITS.inks),
  styles: z.array(namedStyleSchema).max(JOB_LIMITS.styles),
  pieces: z.array(pieceSchema).max(JOB_LIMITS.pieces),
  assets: z.record(assetHash, assetSchema),
  spelling: spellingSchema,
  /** Fonts the user has added. */
  fonts: z.record(assetHash, ownFontSchema),
  /** Black is looked at without a tinge, whatever a profile measures. */
  neutralBlack: z.literal(true).optional(),
  /** Press conditions made from profiles the user has loaded, by the hash of the profile. */
  conditions: z.record(assetHash, ownConditionSchema),
  /** The press condition of a shop in this job, by the shop's id, where it is not the one of its spec. */
  pressOf: z.record(z.string().min(1).max(64), z.string().min(1).max(80)),
  /** Specs of shops that do not ship with the app. */
  shops: z.array(shopSpecSchema).max(JOB_LIMITS.shops),
  /** Tables that pieces are printed from. */
  tables: z.array(tableSchema).max(JOB_LIMITS.tables),
  /** Findings that somebody has looked at and let stand. */
  accepted: z.array(acceptedSchema).max(JOB_LIMITS.accepted),
  /** What a client has said of its pieces. */
  comments: z.array(commentSchema).max(MOST_COMMENTS).optional(),
  approvals: z.array(approvalSchema).max(MOST_APPROVALS).optional(),
});
export type Job = z.infer<typeof jobShape>;
