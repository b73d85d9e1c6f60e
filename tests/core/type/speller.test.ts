import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import fc from 'fast-check';
import nspell from 'nspell';
import { describe, expect, it } from 'vitest';
import { packageFile } from '../../../cli/kit';
import { createSpeller } from '../../../core/type/speller';
import { DICTIONARY_PACKAGES, type Language } from '../../../core/type/spelling';

const filesOf = (language: Language) => {
  const folder = dirname(packageFile(DICTIONARY_PACKAGES[language]));
  return { aff: readFileSync(join(folder, 'index.aff')), dic: readFileSync(join(folder, 'index.dic')) };
};

describe.each(['en-GB', 'en-US'] as const)('a dictionary read by its parts, %s', (language) => {
  const files = filesOf(language);
  const whole = nspell({ aff: files.aff, dic: files.dic });
  const stems = files.dic
    .toString('utf8')
    .split('\n')
    .slice(1)
    .map((line) => line.split('/')[0]!)
    .filter((word) => word.length > 0);
  it('says of every word what the whole one says, in whatever order they are asked for', () => {
    const shape = fc.constantFrom(
      (word: string) => word,
      (word: string) => word.toUpperCase(),
      (word: string) => word[0]!.toUpperCase() + word.slice(1),
      (word: string) => `un${word}`,
      (word: string) => `Re${word}`,
      (word: string) => `dis${word}ing`,
      (word: string) => `${word}s`,
      (word: string) => word.replace(/y$/, 'iest'),
      (word: string) => word.replace(/e$/, 'ing'),
      (word: string) => word.slice(1),
      (word: string) => `${word}th`,
    );
    const asked = fc.tuple(fc.constantFrom(...stems, '1', '21', '113', '42', '3', '102'), shape);
    fc.assert(
      fc.property(fc.array(asked, { minLength: 1, maxLength: 25 }), (words) => {
        const speller = createSpeller(files);
        for (const [word, made] of words)
          expect([made(word), speller.correct(made(word))]).toEqual([made(word), whole.correct(made(word))]);
      }),
      { numRuns: 12 },
    );
  });
  it.each(['disregarding', 'unhappiest', 'rearranged', 'incorrectly', 'deactivated', 'conjoined', 'prorated'])(
    'takes every prefix off: %s',
    (word) => {
      expect(whole.correct(word)).toBe(true);
      const speller = createSpeller(files);
      expect(speller.correct(word)).toBe(true);
      expect(speller.correct(`q${word}`)).toBe(false);
    },
  );
  it('suggests what the whole one suggests', () => {
    const speller = createSpeller(files);
    speller.correct('garden');
    for (const word of ['gardn', 'recieve'])
      for (const each of speller.suggest(word)) expect(whole.suggest(word)).toContain(each);
    expect(speller.suggest('recieve')[0]).toBe('receive');
    expect(speller.correct('22nd')).toBe(true);
    expect(speller.correct('22th')).toBe(false);
  });
});
