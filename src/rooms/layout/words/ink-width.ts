import type { Box } from '../../../../core/geometry/box';
import { scaleWords, setWordsFrame } from '../../../../core/job/edits/words';
import type { Job, Words } from '../../../../core/job/schema';

/** Words made so large that what prints of them is `width` points wide; their visible left edge stays where it is. */
export function setInkWidth(job: Job, words: Words, ink: Box, width: number): Job {
  const by = width / ink.width;
  // Everything left of the visible edge grows by the same share.
  return setWordsFrame(scaleWords(job, words.id, by), words.id, {}, { x: ink.x + (words.x - ink.x) * by });
}
