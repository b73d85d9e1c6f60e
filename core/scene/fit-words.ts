import { scaledWords } from '../job/edits/words';
import { lookOf, setParagraphsOf, settingOf } from '../job/look';
import type { Words } from '../job/schema';
import { setWords } from '../type/set-words';
import type { TypeSources } from './words';

/** Words are never fitted smaller than this share of their size: they could not be read. */
const LEAST = 0.1;

/** Whether a fixed box holds all its words when they are scaled by `by`. */
function holds(words: Words, by: number, { styles, fonts }: TypeSources): boolean {
  const scaled = scaledWords(words, by, styles);
  const look = lookOf(scaled, styles);
  const paragraphs = setParagraphsOf(scaled).map((paragraph) => ({ paragraph, setting: settingOf(paragraph, look) }));
  return setWords({ paragraphs, lettering: look.lettering, frame: scaled.frame }, fonts).hidden.length === 0;
}

/** The largest scale, at most 1 and to a thousandth, at which a fixed box holds all its words. */
export function fittingScale(words: Words, sources: TypeSources): number {
  let [low, high] = [LEAST, 1];
  if (holds(words, 1, sources)) return 1;
  while (high - low > 0.0005) {
    const middle = (low + high) / 2;
    if (holds(words, middle, sources)) low = middle;
    else high = middle;
  }
  return low;
}
