import { scaleWords } from '../job/edits/words';
import { pieceOf } from '../job/find';
import type { Job, Words } from '../job/schema';
import { fittingScale } from '../scene/fit-words';
import { type SceneSources, sourcesOf } from '../scene/sources';
import { wordsSet } from '../scene/words';
import type { FontBook } from '../type/font';

/** A hair smaller, so that rounding does not hide a line. */
const CLOSE = 0.995;

/** The scale at which all of some words show in their box: no line longer than it, none below it. */
function scaleOf(words: Words, sources: SceneSources): number {
  const { lines, hidden } = wordsSet(words, sources);
  const longest = Math.max(1, ...[...lines, ...hidden].map(({ width }) => width));
  const across = Math.min(1, words.frame.width / longest);
  const down = fittingScale(words, sources);
  return across < 1 || down < 1 ? Math.min(across, down) * CLOSE : 1;
}

/** Makes the words of a piece that are too large for their boxes small enough: names and addresses are of any length. */
export function fitPiece(job: Job, pieceId: string, fonts: FontBook): Job {
  const sources = sourcesOf(job, fonts);
  const words = pieceOf(job, pieceId)!.faces.flatMap((face) => face.elements.filter((e) => e.kind === 'words'));
  return words.reduce((now, each) => {
    if (each.frame.behaviour !== 'fixed box') return now;
    const by = scaleOf(each, sources);
    return by < 1 ? scaleWords(now, each.id, by, false) : now;
  }, job);
}
