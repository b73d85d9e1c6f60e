import { platesOf } from '../colour/ink';
import type { Box } from '../geometry/box';
import { boxPath } from '../geometry/path';
import { inkOf } from '../job/find';
import { lookOf, settingOf } from '../job/look';
import type { Words } from '../job/schema';
import type { SetRun } from '../type/set-line';
import { type SetWords, setWords } from '../type/set-words';
import type { Device } from './device';
import type { SceneSources } from './sources';

/** What words are set from: the house's styles and the fonts. */
export type TypeSources = Pick<SceneSources, 'styles' | 'fonts'>;

// Edits never change an element in place, so words once set stay right for as long as they and the styles live.
const kept = new WeakMap<Words, { styles: TypeSources['styles']; set: SetWords }>();

/** The words set in lines, relative to the element's x and y. */
export function wordsSet(words: Words, { styles, fonts }: TypeSources): SetWords {
  const found = kept.get(words);
  if (found?.styles === styles) return found.set;
  const look = lookOf(words, styles);
  const paragraphs = words.paragraphs.map((paragraph) => ({ paragraph, setting: settingOf(paragraph, look) }));
  const set = setWords({ paragraphs, lettering: look.lettering, frame: words.frame }, fonts);
  kept.set(words, { styles, set });
  return set;
}

/** The frame of some words on the face, in points. */
export function wordsFrame(words: Words, sources: TypeSources): Box {
  const { frame } = wordsSet(words, sources);
  return { ...frame, x: words.x + frame.x, y: words.y + frame.y };
}

/** The rule under a run, as the font asks for it. */
function underline({ font, lettering, width }: SetRun, x: number, baseline: number): Box {
  const scale = lettering.size / font.upem;
  const thickness = font.underline.thickness * scale;
  return { x, y: baseline - font.underline.position * scale - thickness / 2, width, height: thickness };
}

export function drawWords(words: Words, sources: SceneSources, device: Device): void {
  for (const line of wordsSet(words, sources).lines)
    for (const run of line.runs) {
      const { lettering, font, text, glyphs } = run;
      if (glyphs.length === 0) continue;
      const plates = platesOf(inkOf(sources.inks, lettering.paint.ink), lettering.paint.tint);
      const x = words.x + line.x + run.x;
      const baseline = words.y + line.baseline - lettering.shift;
      device.showGlyphs(
        { typeface: lettering.typeface, font, size: lettering.size, text, glyphs, x, baseline },
        plates,
      );
      if (lettering.underline) device.fillPath(boxPath(underline(run, x, baseline)), plates);
    }
}
