import * as z from 'zod';
import { type Typeface, typefaceOf } from './typefaces';

/** A font that the user has added, kept with the job under the SHA-256 of its unpacked bytes. */
export const ownFontSchema = z.strictObject({
  family: z.string().min(1).max(120),
  style: z.string().min(1).max(120),
  /** A variable font's named instances: where on each axis they are. */
  instances: z
    .array(
      z.strictObject({
        name: z.string().min(1).max(120),
        at: z.record(z.string().regex(/^[ -~]{4}$/), z.number()),
      }),
    )
    .max(200),
});
export type OwnFont = z.infer<typeof ownFontSchema>;

const OWN = 'own/';
/** The id of an added font as a typeface, or of one of its instances. */
export const ownId = (hash: string, instance?: number): string =>
  instance === undefined ? `${OWN}${hash}` : `${OWN}${hash}/${instance}`;

/** The font and the instance that a typeface id names; undefined for one that ships. */
export function ownPart(typeface: string): { hash: string; instance: number | undefined } | undefined {
  if (!typeface.startsWith(OWN)) return undefined;
  const [hash, instance] = typeface.slice(OWN.length).split('/');
  return { hash: hash!, instance: instance === undefined ? undefined : Number(instance) };
}

/** The typefaces that added fonts give: one a font, or one a named instance. */
export const ownTypefaces = (fonts: Readonly<Record<string, OwnFont>>): Typeface[] =>
  Object.entries(fonts).flatMap(([hash, { family, style, instances }]): Typeface[] =>
    instances.length === 0
      ? [{ id: ownId(hash), family, style, sort: 'your own' }]
      : instances.map(({ name }, i) => ({ id: ownId(hash, i), family, style: name, sort: 'your own' })),
  );

/** A typeface that ships or that the user has added. */
export const typefaceIn = (id: string, ownFonts: Readonly<Record<string, OwnFont>>): Typeface | undefined =>
  typefaceOf(id) ?? ownTypefaces(ownFonts).find((face) => face.id === id);

/** What a typeface is called where people read it. */
export const familyName = (id: string, ownFonts: Readonly<Record<string, OwnFont>>): string =>
  typefaceIn(id, ownFonts)?.family ?? (ownPart(id) ? 'An added font' : id);
