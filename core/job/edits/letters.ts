import type { Condition } from '../by-row';
import type { LetterText } from '../letters';
import type { Job } from '../schema';
import { changePiece } from './change-piece';

/** Edits of the letters that are written on a letterhead, the newest first. */

const change = (job: Job, pieceId: string, recipe: (letters: LetterText[]) => LetterText[]): Job =>
  changePiece(job, pieceId, (piece) => {
    const letters = recipe(piece.letters ?? []).sort((a, b) => (a.changed < b.changed ? 1 : -1));
    if (letters.length > 0) piece.letters = letters;
    else delete piece.letters;
  });

export const addLetter = (job: Job, pieceId: string, letter: LetterText): Job =>
  change(job, pieceId, (letters) => [letter, ...letters]);

/** Where lines were typed or taken away, conditions stay with the lines they are of: what is alike at both ends is the same. */
export function movedConditions(
  shown: LetterText['shown'],
  before: string,
  after: string,
): { line: number; when: Condition }[] | undefined {
  if (!shown || shown.length === 0) return undefined;
  const [old, now] = [before.split('\n'), after.split('\n')];
  let head = 0;
  while (head < old.length && head < now.length && old[head] === now[head]) head++;
  let tail = 0;
  while (tail < old.length - head && tail < now.length - head && old.at(-1 - tail) === now.at(-1 - tail)) tail++;
  const shift = now.length - old.length;
  const kept = shown.flatMap(({ line, when }) => {
    if (line < head) return [{ line, when }];
    if (line >= old.length - tail) return [{ line: line + shift, when }];
    // A line that was typed in is still that line.
    return line < now.length - tail ? [{ line, when }] : [];
  });
  return kept.length > 0 ? kept : undefined;
}

/** A letter with other words; what only some rows get stays with its paragraphs. */
function rewritten(letter: LetterText, to: Partial<Omit<LetterText, 'id'>>): LetterText {
  const { shown, ...next } = { ...letter, ...to };
  const kept = 'shown' in to || to.body === undefined ? shown : movedConditions(shown, letter.body, to.body);
  return kept && kept.length > 0 ? { ...next, shown: kept } : next;
}

export const changeLetter = (job: Job, pieceId: string, letterId: string, to: Partial<Omit<LetterText, 'id'>>): Job =>
  change(job, pieceId, (letters) => letters.map((each) => (each.id === letterId ? rewritten(each, to) : each)));

/** The rows that a paragraph of a letter is for, by its line; all of them where nothing is said. */
export const setParagraphShown = (
  job: Job,
  pieceId: string,
  letterId: string,
  line: number,
  when: Condition | undefined,
): Job =>
  change(job, pieceId, (letters) =>
    letters.map((letter) => {
      if (letter.id !== letterId) return letter;
      const { shown = [], ...rest } = letter;
      const kept = [...shown.filter((each) => each.line !== line), ...(when ? [{ line, when }] : [])];
      return kept.length > 0 ? { ...rest, shown: kept.sort((a, b) => a.line - b.line) } : rest;
    }),
  );

/** Deletes a letter; a run that wrote it to its rows prints the sheet by itself. */
export const removeLetter = (job: Job, pieceId: string, letterId: string): Job =>
  changePiece(
    change(job, pieceId, (letters) => letters.filter(({ id }) => id !== letterId)),
    pieceId,
    (piece) => {
      if (piece.run?.letter === letterId) delete piece.run.letter;
    },
  );
