import { z } from 'zod';
import { inkSchema, isSpotName } from '../colour/ink';
import { printedWithSchema } from '../colour/printed-with';
import { kindSchema, ownConditionSchema, shopSpecSchema } from '../trade/schema';
import { ownFontSchema } from '../type/own-font';
import { spellingSchema } from '../type/spelling';
import { namedStyleSchema } from '../type/style';
import { toPoints } from '../units/length';
import { acceptedSchema } from './accepted';
import { firmSchema, personSchema } from './details';
import { elementSchema, id, name, paintsOf, place } from './element';
import { logoSchema, rolesSchema } from './house';
import { kindFacts } from './kinds';
import { orderSchema } from './order';
import { sheetSchema } from './sheet';
import { underlaySchema } from './underlay';

export * from './element';

/** The document. Lengths in points from the trim's top left corner, y down; tints 0 to 1. */

export const JOB_VERSION = 7;

/** A line to lay things out by; upright where `axis` is x. */
export const guideSchema = z.strictObject({ axis: z.enum(['x', 'y']), at: place });
export type Guide = z.infer<typeof guideSchema>;
const guides = z.array(guideSchema).max(200).optional();

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
  elements: z.array(elementSchema).max(5000),
  groups: z.array(groupSchema).max(2000).optional(),
  /** Laid out upright on a wide sheet or the other way: its top is at the sheet's right (clockwise) or left. */
  turned: z.enum(['clockwise', 'anticlockwise']).optional(),
  underlay: underlaySchema.optional(),
  guides,
});
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
  /** The plates it is to be printed from; process and spots where it is left out. */
  printedWith: printedWithSchema.optional(),
  ...kindFacts,
  order: orderSchema.optional(),
  sheet: sheetSchema.optional(),
  /** Whose details it shows; the first person's where it is left out. */
  person: id.optional(),
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

const repeated = (values: string[]): string | undefined => values.find((value, i) => values.indexOf(value) !== i);

export const jobSchema = z
  .strictObject({
    format: z.literal('tidyedge'),
    version: z.literal(JOB_VERSION),
    id,
    name,
    /** When the job was last changed, ISO 8601 in UTC; dates in exported files come from here. */
    changed: z.iso.datetime(),
    firm: firmSchema,
    people: z.array(personSchema).max(2000),
    logos: z.array(logoSchema).max(50),
    /** Typefaces by what they do. */
    roles: rolesSchema,
    inks: z.array(inkSchema).max(200),
    styles: z.array(namedStyleSchema).max(200),
    pieces: z.array(pieceSchema).max(200),
    assets: z.record(assetHash, assetSchema),
    spelling: spellingSchema,
    /** Fonts the user has added. */
    fonts: z.record(assetHash, ownFontSchema),
    /** Press conditions made from profiles the user has loaded, by the hash of the profile. */
    conditions: z.record(assetHash, ownConditionSchema),
    /** The press condition of a shop in this job, by the shop's id, where it is not the one of its spec. */
    pressOf: z.record(z.string().min(1).max(64), z.string().min(1).max(80)),
    /** Specs of shops that do not ship with the app. */
    shops: z.array(shopSpecSchema).max(100),
    /** Findings that somebody has looked at and let stand. */
    accepted: z.array(acceptedSchema).max(5000),
  })
  .superRefine((job, context) => {
    const say = (message: string) => context.addIssue({ code: 'custom', message });
    const elements = job.pieces.flatMap((p) => p.faces.flatMap((f) => f.elements));
    const twin = repeated([
      ...job.pieces.map((p) => p.id),
      ...job.pieces.flatMap((p) => p.faces.map((f) => f.id)),
      ...job.pieces.flatMap((p) => p.faces.flatMap((f) => (f.groups ?? []).map((g) => g.id))),
      ...elements.map((e) => e.id),
    ]);
    if (twin) say(`the id ${twin} is used twice`);
    const inkTwin = repeated(job.inks.map((ink) => ink.id));
    if (inkTwin) say(`the ink ${inkTwin} is there twice`);
    for (const ink of job.inks)
      if (ink.kind === 'spot' && !isSpotName(ink.name)) say(`${ink.name} cannot name a spot ink`);
    const styleTwin = repeated(job.styles.map((style) => style.id));
    if (styleTwin) say(`the style ${styleTwin} is there twice`);
    const logoTwin = repeated(job.logos.map((logo) => logo.id));
    if (logoTwin) say(`the logo ${logoTwin} is there twice`);
    const personTwin = repeated(job.people.map((person) => person.id));
    if (personTwin) say(`the person ${personTwin} is there twice`);
    const shopTwin = repeated(job.shops.map((shop) => shop.id));
    if (shopTwin) say(`the shop ${shopTwin} is there twice`);
    const paints = [
      ...elements.flatMap(paintsOf),
      ...job.logos.flatMap((logo) => logo.elements.flatMap(paintsOf)),
      ...job.styles.map((style) => style.lettering.paint),
    ];
    for (const piece of job.pieces)
      for (const ink of piece.printedWith?.inks ?? [])
        if (!job.inks.some((each) => each.id === ink)) say(`the ink ${ink} is missing`);
    for (const piece of job.pieces)
      if (piece.post && !piece.faces.some((face) => face.id === piece.post!.face))
        say(`the address side ${piece.post.face} is not in its piece`);
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
    for (const face of job.pieces.flatMap((p) => p.faces)) {
      const groups = new Map((face.groups ?? []).map((g) => [g.id, g.group]));
      for (const { id: member, group } of [...face.elements, ...(face.groups ?? [])])
        if (group && !groups.has(group)) say(`${member} belongs to the group ${group}, which is not on its face`);
      for (const start of groups.keys()) {
        const seen = new Set<string>();
        for (let at: string | undefined = start; at && !seen.has(at); at = groups.get(at)) seen.add(at);
        if ([...seen].some((each) => groups.get(each) === start)) say(`the group ${start} lies in itself`);
      }
      for (const element of face.elements)
        if (element.kind === 'words' && element.path?.along.kind === 'element') {
          const { id: wanted } = element.path.along;
          if (!face.elements.some((e) => e.id === wanted && e.kind !== 'words'))
            say(`${element.id} stands on ${wanted}, which is not on its face`);
        }
    }
    for (const { name: where, underlay } of job.pieces.flatMap((p) => p.faces))
      if (underlay && !job.assets[underlay.asset]) say(`the underlay of ${where} is missing`);
    for (const { name: whose, picture } of job.people)
      if (picture && !job.assets[picture]) say(`the picture of ${whose} is missing`);
    for (const element of [...elements, ...job.logos.flatMap((logo) => logo.elements)]) {
      if (element.kind === 'picture' && !job.assets[element.asset]) say(`the picture of ${element.id} is missing`);
      if (element.kind === 'words' && element.style && !job.styles.some((style) => style.id === element.style))
        say(`the style ${element.style} is missing`);
    }
  });
export type Job = z.infer<typeof jobSchema>;
