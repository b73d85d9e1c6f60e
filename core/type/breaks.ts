import LineBreaker from 'linebreak';

/** What does not break in the middle although Unicode's rules allow it: addresses and numbers that are dialled. */
const UNBROKEN = [
  // e-mail
  /[\w.+-]+@[\w-]+(?:\.[\w-]+)+/gu,
  // web
  /(?:https?:\/\/|www\.)[^\s]+|\b[\w-]+(?:\.[\w-]+)*\.(?:example|com|org|net|co\.uk|de|eu|uk)(?:\/[^\s]*)?/giu,
  // phone: at least seven digits, grouped by spaces, dots, hyphens, brackets
  /\+?\(?\d[\d ().\u00a0/-]{5,}\d/gu,
];

/** Where e-mail and web addresses and phone numbers stand in a text: from, and up to. */
export const addressesIn = (text: string): (readonly [number, number])[] =>
  UNBROKEN.flatMap((pattern) => [...text.matchAll(pattern)].map((m) => [m.index, m.index + m[0].length] as const));

/**
 * Where an e-mail or web address may be broken that is longer than its whole line: before the sign @, a dot or a slash,
 * so that nobody takes the sign for the end of a sentence.
 */
export const addressBreaks = (text: string): number[] =>
  UNBROKEN.slice(0, 2).flatMap((pattern) =>
    [...text.matchAll(pattern)].flatMap((m) =>
      [...m[0].matchAll(/(?<=.)[@./](?=[^/])/gu)].map(({ index }) => m.index + index),
    ),
  );

/** A place where a line may end: the index of the next line's first character. */
export interface Break {
  at: number;
  /** The line must end here. */
  required: boolean;
}

/** Where lines of a paragraph may end, by Unicode's rules (UAX #14), the end of the text last. */
export function breaksOf(text: string): Break[] {
  const closed = addressesIn(text);
  const breaker = new LineBreaker(text);
  const out: Break[] = [];
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    const { position: at, required } = next;
    if (required || !closed.some(([start, end]) => at > start && at < end))
      out.push({ at, required: required && at < text.length });
  }
  return out;
}
