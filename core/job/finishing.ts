import * as z from 'zod';
import { type Ink, isSpotName } from '../colour/ink';
import {
  FINISH_KINDS,
  type FinishFacts,
  type FinishKind,
  FOIL_TONES,
  FOILS,
  finishFacts,
  SHEENS,
  type Sheen,
} from '../trade/finishes';
import type { Element } from './element';

type Face = { id: string; elements: readonly Element[] };

/** What is done to a piece besides printing it: layers of it that lay no ink. */

export const MOST_FINISHES = 12;

export const finishSchema = z.strictObject({
  /** Its kind without spaces, and a number after the first of it: what is pasted elsewhere still says what it is. */
  id: z.string().regex(/^[\w-]{1,64}$/),
  kind: z.enum(FINISH_KINDS),
  /** What its plate is called, where it is not by its kind. */
  name: z
    .string()
    .trim()
    .min(1)
    .max(80)
    .refine(isSpotName, 'is the name of a process plate: choose another')
    .optional(),
  /** What foil it is; gold where it is left out. */
  tone: z.enum(FOIL_TONES).optional(),
  /** How varnish shines; gloss where it is left out. */
  sheen: z.enum(Object.keys(SHEENS) as [Sheen, ...Sheen[]]).optional(),
  /** It covers these sides whole, with their bleed. */
  whole: z
    .array(z.string().regex(/^[\w-]{1,64}$/))
    .max(8)
    .optional(),
});
export type Finish = z.infer<typeof finishSchema>;

export const factsOf = ({ kind }: Pick<Finish, 'kind'>): FinishFacts => finishFacts(kind);

/** The name of its plate. */
export const finishPlate = ({ kind, name }: { kind: FinishKind; name?: string | undefined }): string =>
  name ?? finishFacts(kind).name;

/** What it is in a few words: “Foil, copper”. */
export function finishSays(finish: Finish): string {
  const kind = factsOf(finish).name;
  const more =
    finish.kind === 'foil'
      ? FOILS[finish.tone ?? 'gold'].name.toLowerCase()
      : finish.kind === 'varnish'
        ? SHEENS[finish.sheen ?? 'gloss'].toLowerCase()
        : undefined;
  return more === undefined ? kind : `${kind}, ${more}`;
}

/** The same as inks, for what needs to show their plates: they are never laid as ink. */
export const finishInks = (finishing: readonly Finish[] = []): Ink[] =>
  finishing.map((finish) => ({
    id: `finish-${finish.id}`,
    name: finishPlate(finish),
    kind: 'spot',
    cmyk: [...(finish.kind === 'foil' ? FOILS[finish.tone ?? 'gold'].cmyk : factsOf(finish).cmyk)],
  }));

/** A job whose inks name the finishes of some pieces too: for files that name their plates. */
export const withFinishes = <J extends { inks: Ink[] }>(
  job: J,
  pieces: readonly { finishing?: readonly Finish[] | undefined }[],
): J => {
  const all = pieces.flatMap(({ finishing }) => finishInks(finishing));
  const inks = [...new Map(all.map((ink) => [ink.name, ink])).values()];
  return inks.length === 0 ? job : { ...job, inks: [...job.inks, ...inks] };
};

/** The finish of a piece that an element belongs to, where it lays no ink. */
export const finishOf = (
  { finishing }: { finishing?: readonly Finish[] | undefined },
  { finish }: Pick<Element, 'finish'>,
): Finish | undefined => (finish === undefined ? undefined : finishing?.find(({ id }) => id === finish));

/** The finishes that do something on some sides of a piece, by number. */
export const finishesUsed = (
  { finishing = [], faces }: { finishing?: readonly Finish[] | undefined; faces: readonly Face[] },
  sides: readonly number[] = faces.map((_, i) => i),
): Finish[] =>
  finishing.filter(({ id, whole }) =>
    sides.some((n) => {
      const face = faces[n];
      return face && (whole?.includes(face.id) || face.elements.some((e) => e.finish === id && !e.hidden && !e.sample));
    }),
  );

/** Elements that print: those of no finish. */
export const inked = <E extends Pick<Element, 'finish'>>(elements: readonly E[]): E[] =>
  elements.filter(({ finish }) => finish === undefined);
