import type { Quote } from '../../job/details';
import { learnWord } from '../../job/edits/job';
import { replaceWord } from '../../job/edits/words';
import { plainText } from '../../job/look';
import type { Piece, Words } from '../../job/schema';
import { elementFrame } from '../../scene/face';
import type { TypeSources } from '../../scene/words';
import { type Speller, type Spelling, spellableWords } from '../../type/spelling';
import type { Check, Finding } from '../check';

/** Told like the checks, but run beside them: a dictionary takes its time, so its answers come from a worker. */
export const spelling: Omit<Check, 'run'> = {
  id: 'spelling',
  name: 'A word that no dictionary knows',
  protects: 'A misspelt word is the one fault that every reader sees.',
  source: { kind: 'common practice' },
  severity: 'advise',
};

const wordsElements = (piece: Piece): { face: string; element: Words }[] =>
  piece.faces.flatMap((face) =>
    face.elements.flatMap((element) => (element.kind === 'words' ? [{ face: face.id, element }] : [])),
  );

/** Details that are made of words; the others are names, addresses and numbers, which no dictionary has. */
const WORDED: readonly Quote[] = ['firm.line', 'person.title'];

/** What of some text is words: all that is typed, and some details it quotes. */
const spelt = ({ paragraphs }: Words, isQuoted: (quote: string | undefined) => boolean): string[] =>
  spellableWords(
    plainText({
      paragraphs: paragraphs.map(({ spans, ...own }) => ({
        ...own,
        spans: spans.map((span) => (isQuoted(span.quote) ? span : { ...span, text: ' ' })),
      })),
    }),
  );
const isWorded = (quote: string | undefined): boolean => !quote || WORDED.includes(quote as Quote);

/** Every word of a piece that a dictionary should know, once, without those of the job's own list. */
export function wordsToSpell(piece: Piece, { words: own }: Spelling): string[] {
  const known = new Set(own);
  const all = wordsElements(piece).flatMap(({ element }) => spelt(element, isWorded));
  return [...new Set(all)].filter((word) => !known.has(word));
}

/** What a dictionary says: each misspelt word with those that were perhaps meant. */
export type Misspelt = ReadonlyMap<string, readonly string[]>;

export const misspeltIn = (words: readonly string[], speller: Speller): Misspelt =>
  new Map(words.filter((word) => !speller.correct(word)).map((word) => [word, speller.suggest(word)]));

/** A finding for each misspelt word of each element. */
export function spellingFindings(piece: Piece, own: Spelling, misspelt: Misspelt, sources: TypeSources): Finding[] {
  const known = new Set(own.words);
  return wordsElements(piece).flatMap(({ face, element }) => {
    const typed = new Set(spelt(element, (quote) => !quote));
    return [...new Set(spelt(element, isWorded))].flatMap((word): Finding[] => {
      const meant = misspelt.get(word);
      if (!meant || known.has(word)) return [];
      const [best] = meant;
      return [
        {
          check: spelling.id,
          severity: 'advise',
          face,
          element: element.id,
          place: elementFrame(element, sources),
          of: word,
          problem: `“${word}” is in no dictionary${meant.length > 0 ? `; perhaps ${meant.join(', ')}` : ''}`,
          measured: { value: 1, kind: 'count' },
          wanted: { value: 0, kind: 'count' },
          // What is quoted is written elsewhere.
          ...(best && typed.has(word)
            ? { fix: { label: `Change to ${best}`, apply: (job) => replaceWord(job, element.id, word, best) } }
            : {}),
          orElse: { label: `Keep ${word}`, apply: (job) => learnWord(job, word) },
        },
      ];
    });
  });
}
