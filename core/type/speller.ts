import nspell from 'nspell';
import type { Speller } from './spelling';

/** Opening a whole dictionary takes about a second: words are looked up in the parts that can hold them. */

/** So many letters at a word’s head say which part it is in. */
const HEAD = 3;
const headOf = (word: string): string => word.slice(0, HEAD).toLowerCase();

/** What affixes do to the head of a word (Hunspell’s PFX and SFX lines: flag, what is cut off, what is put on). */
function affixesOf(aff: string) {
  const lines = [...aff.matchAll(/^([PS]FX)[ \t]+\S+[ \t]+(\S+)[ \t]+([^\s/]+)\S*[ \t]+\S/gm)];
  const cut = (text: string): string => (text === '0' ? '' : text);
  const prefixes = lines.flatMap(([, kind, off, on]) =>
    kind === 'PFX' ? [{ off: cut(off!), on: cut(on!).toLowerCase() }] : [],
  );
  return { prefixes, longestCut: Math.max(0, ...lines.map(([, , off]) => cut(off!).length)) };
}

/** The lines of a dictionary by the head of their words; under '' those that can lose it, and figures. */
function partsOf(dic: string, longestCut: number): Map<string, string[]> {
  const parts = new Map<string, string[]>();
  for (const line of dic.split('\n').slice(1)) {
    const end = line.indexOf('/');
    const length = end < 0 ? line.length : end;
    const head = length < HEAD + longestCut || /^[\d\\]/.test(line) ? '' : headOf(line);
    const part = parts.get(head);
    if (part) part.push(line);
    else parts.set(head, [line]);
  }
  return parts;
}

/** Opens a Hunspell dictionary; `aff` and `dic` are its files. */
export function createSpeller(files: { aff: Uint8Array; dic: Uint8Array }): Speller {
  const [aff, dic] = [files.aff, files.dic].map((file) => new TextDecoder().decode(file)) as [string, string];
  const { prefixes, longestCut } = affixesOf(aff);
  const parts = partsOf(dic, longestCut);
  const take = (head: string): string => {
    const lines = parts.get(head) ?? [];
    parts.delete(head);
    return lines.length > 0 ? `\n${lines.join('\n')}` : '';
  };
  // Figures and the rules of how they join are all in the first part.
  const spell = nspell({ aff, dic: take('') });
  function read(heads: Iterable<string>): void {
    const text = [...heads].map(take).join('');
    if (text === '') return;
    // The package makes its rules anew of what are rules already.
    const rules = [...spell.compoundRules];
    spell.dictionary(text);
    spell.compoundRules.splice(0, Number.POSITIVE_INFINITY, ...rules);
  }
  return {
    correct(word) {
      const small = word.toLowerCase();
      const without = prefixes.flatMap(({ off, on }) =>
        small.startsWith(on) ? [headOf(off + small.slice(on.length))] : [],
      );
      read([headOf(small), ...without]);
      return spell.correct(word);
    },
    suggest(word) {
      // What was meant can begin with anything.
      read([...parts.keys()]);
      const all = spell.suggest(word);
      // A name is seldom meant where a word was written, nor a word for a name.
      const alike = all.filter((each) => isCapital(each) === isCapital(word));
      return [...alike, ...all.filter((each) => !alike.includes(each))].slice(0, 3);
    },
  };
}

const isCapital = (word: string): boolean => /^\p{Lu}/u.test(word);
