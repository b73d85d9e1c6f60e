import type { PathD, PathsD } from 'clipper2-ts';
import type { Plates } from '../colour/ink';
import { type Box, intersection } from '../geometry/box';
import { combinedRings, unitedRings } from '../geometry/clipping';
import { flatten } from '../geometry/flatten';
import { strokeOutline } from '../geometry/offset';
import { boxPath, type Path, pathBounds, transformPath } from '../geometry/path';
import type { Element } from '../job/schema';
import { type Colour, isShade } from './colour';
import { type Device, UNHEARD } from './device';
import { drawElement } from './face';
import { runOutline } from './run-outline';
import type { SceneSources } from './sources';

/** What lies on a face, area by area, from the bottom of its stack to the top. */

export interface LaidArea {
  element: Element;
  /** Around all of it. */
  box: Box;
  /** Its outline, worked out when it is first asked for: rings that do not cross. */
  rings(): PathsD;
  /** The one colour it lays; undefined where it runs, or is a picture. */
  plates: Plates | undefined;
  /** Hides what is below it, prints on it, or is seen through. */
  lies: 'over' | 'overprinting' | 'see-through';
}

/** Curves become straight pieces within this, points. */
const TOLERANCE = 0.01;

const ringsOf = (path: Path): PathsD => unitedRings(flatten(path, TOLERANCE).map(({ points }) => points as PathD));

function areasDevice(element: Element): Device & { areas: LaidArea[] } {
  const areas: LaidArea[] = [];
  const clips: Path[] = [];
  let seeThrough = 0;
  let overprints = 0;
  function lay(path: Path, plates: Plates | undefined, isSoft = false): void {
    const within = [...clips];
    let box = pathBounds(path);
    for (const clip of within) {
      const around = pathBounds(clip);
      box = box && around && intersection(box, around);
    }
    if (!box) return;
    let rings: PathsD | undefined;
    areas.push({
      element,
      box,
      rings() {
        rings ??= within.reduce((left, clip) => combinedRings('intersection', left, ringsOf(clip)), ringsOf(path));
        return rings;
      },
      plates: seeThrough > 0 ? undefined : plates,
      lies: isSoft || seeThrough > 0 ? 'see-through' : overprints > 0 ? 'overprinting' : 'over',
    });
  }
  const flat = (colour: Colour): Plates | undefined => (isShade(colour) ? undefined : colour);
  const unit = boxPath({ x: 0, y: 0, width: 1, height: 1 });
  return {
    ...UNHEARD,
    areas,
    beginClip: (path) => void clips.push(path),
    beginGlyphClip: (runs) => void clips.push(runs.flatMap(runOutline)),
    endClip: () => void clips.pop(),
    beginGroup() {
      seeThrough++;
    },
    endGroup() {
      seeThrough--;
    },
    beginFade() {
      seeThrough++;
    },
    endFade() {
      seeThrough--;
    },
    beginOverprint() {
      overprints++;
    },
    endOverprint() {
      overprints--;
    },
    fillPath: (path, colour) => lay(path, flat(colour)),
    strokePath: (path, pen, colour) => lay(strokeOutline(path, pen), flat(colour)),
    showGlyphs: (run, colour) => lay(runOutline(run), flat(colour)),
    drawImage: (_image, place) => lay(transformPath(unit, place), undefined),
    drawTone: (_tone, place) => lay(transformPath(unit, place), undefined, true),
  };
}

/** The areas that an element lays, in the order it does. */
export function laidAreas(element: Element, sources: SceneSources): readonly LaidArea[] {
  const device = areasDevice(element);
  drawElement(element, sources, device);
  return device.areas;
}
