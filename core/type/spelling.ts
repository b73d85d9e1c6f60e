import * as z from 'zod';
import { JOB_LIMITS } from '../trade/job-limits';
import { addressesIn } from './breaks';

/** The languages that spelling is checked in, with what people call them. */
export const LANGUAGES = { 'en-GB': 'British English', 'en-US': 'American English' } as const;
export type Language = keyof typeof LANGUAGES;

/** The package that each language's dictionary ships in, as `index.aff` and `index.dic`. */
export const DICTIONARY_PACKAGES: Record<Language, string> = { 'en-GB': 'dictionary-en-gb', 'en-US': 'dictionary-en' };

/** How a job is spelt: in which language, if any, and with which words of its own. */
export const spellingSchema = z.strictObject({
  language: z.enum(['en-GB', 'en-US', 'none']),
  words: z.array(z.string().min(1).max(JOB_LIMITS.spellingWord)).max(JOB_LIMITS.spellingWords),
});
export type Spelling = z.infer<typeof spellingSchema>;

export interface Speller {
  correct(word: string): boolean;
  /** Words that were perhaps meant, the likeliest first. */
  suggest(word: string): string[];
}

const SHORTEST = 3;
const LATIN_WORD = /^[\p{Script=Latin}\p{M}']+$/u;

/** The words of a text that a dictionary can know: no addresses, numbers, codes, initials or other scripts. */
export function spellableWords(text: string): string[] {
  let plain = text;
  for (const [start, end] of addressesIn(text))
    plain = plain.slice(0, start) + ' '.repeat(end - start) + plain.slice(end);
  const tokens = plain.replaceAll('’', "'").match(/[\p{L}\p{M}\p{N}']+/gu) ?? [];
  return tokens
    .map((token) => token.replace(/^'+|'+$|'s$/g, ''))
    .filter((token) => token.length >= SHORTEST && LATIN_WORD.test(token));
}
