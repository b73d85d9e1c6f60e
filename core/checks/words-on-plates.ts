import type { Press } from '../colour/engine';
import { isProcessPlate, type Plates, processStandIn } from '../colour/ink';
import { lightnessOn } from '../colour/stock';
import { cellsCovered, coverOfEdges } from '../devices/plates/cover';
import { type PlateGrid, toGridOf } from '../devices/plates/device';
import { letterEdges } from '../devices/plates/letters';
import { platesAtCell } from '../devices/plates/readings';
import type { Words } from '../job/schema';
import { isShade } from '../scene/colour';
import { type Device, type GlyphRun, UNHEARD } from '../scene/device';
import { drawElement } from '../scene/face';
import type { SceneSources } from '../scene/sources';

/** What a run of letters prints, and whether on what is below it. */
interface Lettered {
  run: GlyphRun;
  colour: Plates;
  overprints: boolean;
}

/** The runs of some words in flat colours. */
function letteredIn(words: Words, sources: SceneSources): Lettered[] {
  const found: Lettered[] = [];
  let overprints = 0;
  const device: Device = {
    ...UNHEARD,
    beginOverprint: () => void overprints++,
    endOverprint: () => void overprints--,
    beginClip() {},
    beginGlyphClip() {},
    endClip() {},
    fillPath() {},
    strokePath() {},
    showGlyphs: (run, colour) => {
      if (!isShade(colour)) found.push({ run, colour, overprints: overprints > 0 });
    },
    drawImage() {},
    drawTone() {},
  };
  drawElement(words, sources, device);
  return found;
}

/** What is printed where a letter is: its own inks, with those below that it leaves there. */
function over(below: Plates, { colour, overprints }: Lettered, opacity: number): Plates {
  const names = new Set([...Object.keys(below), ...Object.keys(colour)]);
  return Object.fromEntries(
    [...names].map((plate) => {
      const under = below[plate] ?? 0;
      const own = colour[plate] ?? 0;
      const stays = overprints && (!(plate in colour) || (own === 0 && isProcessPlate(plate)));
      return [plate, stays ? under : under + (own - under) * opacity] as const;
    }),
  );
}

/** Cells of letters looked at for each run, at most. */
const MOST = 300;
/** The share of letters that may be worse than what is told: edges of what lies under them. */
const WORST = 0.1;

/** The CIE L* of plates on a stock. */
export const lightnessOfPlates =
  (sources: SceneSources, press: Press) =>
  (plates: Plates): number => {
    // Whole percents are near enough for lightness, and few enough to be remembered.
    const [c, m, y, k] = processStandIn(plates, sources.inks).map((a) => Math.round(a * 100) / 100);
    return lightnessOn(sources.stock, press, [c!, m!, y!, k!]);
  };

/**
 * How far some words stand out from what is on the plates before they are drawn: the difference of CIE L*, at the tenth
 * of their letters where it is least; undefined where no letter lies on the grid.
 */
export function contrastOf(words: Words, below: PlateGrid, sources: SceneSources, press: Press): number | undefined {
  const toGrid = toGridOf(below);
  const lightness = lightnessOfPlates(sources, press);
  const known = new Map<string, number>();
  /** Most letters lie on even ground: each ground is measured once. */
  const differenceAt = (lettered: Lettered, under: Plates): number => {
    const key = JSON.stringify([under, lettered.colour, lettered.overprints]);
    const found = known.get(key) ?? Math.abs(lightness(over(under, lettered, words.opacity ?? 1)) - lightness(under));
    known.set(key, found);
    return found;
  };
  const differences = letteredIn(words, sources).flatMap((lettered) => {
    const cover = coverOfEdges(letterEdges(lettered.run, toGrid), below.width, below.height);
    const inked = cellsCovered(cover, below.width, 0.2);
    const step = Math.max(1, Math.floor(inked.length / MOST));
    return inked.filter((_, n) => n % step === 0).map((cell) => differenceAt(lettered, platesAtCell(below, cell)));
  });
  return differences.sort((a, b) => a - b)[Math.floor(WORST * (differences.length - 1))];
}
