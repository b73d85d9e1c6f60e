import { platesOf } from '../colour/ink';
import type { Box } from '../geometry/box';
import { inkOf } from '../job/find';
import type { Words } from '../job/schema';
import type { FontBook } from '../type/font';
import { type SetWords, setWords } from '../type/set-words';
import type { Device } from './device';
import type { SceneSources } from './sources';

// Edits never change an element in place, so words once set stay right for as long as the element lives.
const kept = new WeakMap<Words, SetWords>();

/** The words set in lines, relative to the element's x and y. */
export function wordsSet(words: Words, fonts: FontBook): SetWords {
  const found = kept.get(words) ?? setWords(words, fonts.font(words.typeface));
  kept.set(words, found);
  return found;
}

/** The frame of some words on the face, in points. */
export function wordsFrame(words: Words, fonts: FontBook): Box {
  const { frame } = wordsSet(words, fonts);
  return { ...frame, x: words.x + frame.x, y: words.y + frame.y };
}

export function drawWords(words: Words, { inks, fonts }: SceneSources, device: Device): void {
  const plates = platesOf(inkOf(inks, words.paint.ink), words.paint.tint);
  const font = fonts.font(words.typeface);
  for (const { text, glyphs, x, baseline } of wordsSet(words, fonts).lines) {
    if (glyphs.length === 0) continue;
    device.showGlyphs(
      { typeface: words.typeface, font, size: words.size, text, glyphs, x: words.x + x, baseline: words.y + baseline },
      plates,
    );
  }
}
