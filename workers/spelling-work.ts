import { type Misspelt, misspeltIn } from '../core/checks/rules/spelling';
import { createSpeller } from '../core/type/speller';
import { DICTIONARY_PACKAGES, type Language, type Speller } from '../core/type/spelling';
import { bytesAt } from './fetch';

const DICTIONARIES = import.meta.glob<string>('/node_modules/{dictionary-en,dictionary-en-gb}/index.{aff,dic}', {
  query: '?url',
  import: 'default',
  eager: true,
  exhaustive: true,
});

const open = new Map<Language, Promise<Speller>>();
async function openSpeller(language: Language): Promise<Speller> {
  const [aff, dic] = await Promise.all(
    ['aff', 'dic'].map((part) => bytesAt(DICTIONARIES[`/node_modules/${DICTIONARY_PACKAGES[language]}/index.${part}`])),
  );
  return createSpeller({ aff: aff!, dic: dic! });
}

/** The misspelt ones of some words. */
export async function misspelt(words: readonly string[], language: Language): Promise<Misspelt> {
  const speller = open.get(language) ?? openSpeller(language);
  open.set(language, speller);
  // One that did not load is loaded anew the next time.
  speller.catch(() => open.delete(language));
  return misspeltIn(words, await speller);
}
