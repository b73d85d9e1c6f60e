import { ALL_PLATES } from '../colour/ink';
import type { Box } from '../geometry/box';
import { makeWords } from '../job/make';
import type { Device } from './device';
import { drawElement } from './face';
import { SLUG } from './marks';
import type { SceneSources } from './sources';
import { wordsFrame } from './words';

/** What marks that are read are set in: it ships with the app. */
export const SERVICE_TYPEFACE = 'source-sans-3/regular';

/** A device that prints letters on every plate. */
const onAllPlates = (device: Device): Device => ({
  ...device,
  showGlyphs: (run) => device.showGlyphs(run, { [ALL_PLATES]: 1 }),
});

const MARGIN = 6;
/** Lines that are far too long are set this small, and run on. Points. */
const SMALLEST = 3.5;

/** Lines at the head of the sheet that say what it is, set small enough to stay on it. */
export function drawSlug(
  lines: readonly string[],
  media: Box,
  sources: SceneSources,
  device: Device,
  margin = MARGIN,
): void {
  const words = (size: number) =>
    makeWords({
      id: 'slug',
      text: lines.join('\n'),
      x: media.x + margin,
      y: media.y + margin + size * 0.8,
      lettering: { typeface: SERVICE_TYPEFACE, size },
      setting: { leading: { points: size * 1.2 } },
    });
  const wide = wordsFrame(words(SLUG.size), sources).width;
  const size = Math.max(SMALLEST, Math.min(SLUG.size, (SLUG.size * (media.width - 2 * margin)) / wide));
  drawElement(words(size), sources, onAllPlates(device));
}
