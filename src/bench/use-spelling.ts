import { useEffect, useMemo, useState } from 'react';
import { type Misspelt, wordsToSpell } from '../../core/checks/rules/spelling';
import type { Unread } from '../../core/checks/unread';
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

export interface Spelt {
  misspelt: Misspelt;
  missed: readonly Unread[];
}

/** The misspelt words of a piece as far as the dictionary has answered, and why it has not answered for all. */
export function useSpelling(piece: Piece | undefined, spelling: Spelling | undefined): Spelt {
  const language = spelling?.language === 'none' ? undefined : spelling?.language;
  const words = useMemo(
    () => (piece && spelling && language ? wordsToSpell(piece, spelling) : []),
    [piece, spelling, language],
  );
  const [answered, setAnswered] = useState(0);
  const [tries, setTries] = useState(0);
  const [failure, setFailure] = useState<string>();
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
            setFailure(undefined);
          },
          (error: Error) => {
            console.warn(`Spelling could not be checked: ${error.message}`);
            setFailure(error.message);
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
    const answerOf = (word: string) => language && answers.get(key(language, word));
    const misspelt = new Map(
      words.flatMap((word) => {
        const answer = answerOf(word);
        return answer && answer !== 'right' ? [[word, answer] as const] : [];
      }),
    );
    const says = failure
      ? `The spelling could not be checked: ${failure} It is tried again.`
      : 'The spelling is still being checked. Wait a moment.';
    return { misspelt, missed: words.every(answerOf) ? [] : [{ what: 'spelling', says }] };
  }, [words, language, answered, failure]);
}
