import { useEffect, useMemo, useState } from 'react';
import { type Misspelt, wordsToSpell } from '../../core/checks/spelling';
import type { Piece } from '../../core/job/schema';
import type { Language, Spelling } from '../../core/type/spelling';
import { spellingRoom } from '../../workers/spelling';

/** What the dictionaries have said of a word so far: right, or what was perhaps meant. */
const answers = new Map<string, 'right' | readonly string[]>();
const key = (language: Language, word: string): string => `${language} ${word}`;

/** Words are sent when typing pauses, so that half a word is not looked up. */
const PAUSE = 500;
/** A dictionary that did not load is asked again after this, in milliseconds. */
const AGAIN = 3000;

/** The misspelt words of a piece; those the dictionary has not answered for yet are not among them. */
export function useSpelling(piece: Piece | undefined, spelling: Spelling | undefined): Misspelt {
  const language = spelling?.language === 'none' ? undefined : spelling?.language;
  const words = useMemo(
    () => (piece && spelling && language ? wordsToSpell(piece, spelling) : []),
    [piece, spelling, language],
  );
  const [answered, setAnswered] = useState(0);
  const [tries, setTries] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a try that failed is made once more
  useEffect(() => {
    if (!language) return;
    const asked = words.filter((word) => !answers.has(key(language, word)));
    if (asked.length === 0) return;
    let again: ReturnType<typeof setTimeout> | undefined;
    const wait = setTimeout(() => {
      spellingRoom()
        .misspelt(asked, language)
        .then(
          (misspelt) => {
            for (const word of asked) answers.set(key(language, word), misspelt.get(word) ?? 'right');
            setAnswered((n) => n + 1);
          },
          (error: Error) => {
            console.warn(`Spelling could not be checked: ${error.message}`);
            again = setTimeout(() => setTries((n) => n + 1), AGAIN);
          },
        );
    }, PAUSE);
    return () => {
      clearTimeout(wait);
      clearTimeout(again);
    };
  }, [words, language, tries]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the answers live outside; their count tells when to look again
  return useMemo(() => {
    const found = words.flatMap((word) => {
      const answer = language && answers.get(key(language, word));
      return answer && answer !== 'right' ? [[word, answer] as const] : [];
    });
    return new Map(found);
  }, [words, language, answered]);
}
