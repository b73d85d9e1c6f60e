import type { Pen } from '../../colour/fill';
import { isUprightBox, partWithin } from '../../geometry/boolean';
import { type Box, overlaps } from '../../geometry/box';
import { boxAround, type Matrix } from '../../geometry/matrix';
import { boxPath, type Path, pathBounds, transformPath } from '../../geometry/path';
import { type Colour, type Coverage, isShade } from '../../scene/colour';
import type { Device, Tone } from '../../scene/device';
import {
  type ArtArea,
  type ArtItem,
  type ArtLine,
  type ArtPaint,
  type ArtPicture,
  areaOfLine,
  cutArea,
  fitsIn,
} from '../art-in/art';
import type { GlyphSeen } from '../pdf/drawn/hear';
import { amountAt, type ColourList, layersOf } from './colours';

/** What is drawn on a page, kept as things instead of as ink. */

/** A letter that nothing cuts; its area is empty where its font is not in the file. */
export interface Letter {
  kind: 'letter';
  seen: GlyphSeen;
  area: ArtArea;
}
export type Kept = ArtItem | Letter;

/** One of the pictures that a picture of the page becomes: one an ink where it is printed in inks of its own. */
export interface PictureLayer {
  picture: string;
  place: Matrix;
  ink?: ArtPaint;
}

/** Where what is drawn goes. */
export interface Keeping {
  colours: ColourList;
  note(text: string): void;
  picture(name: string, place: Matrix): PictureLayer[];
  tone(tone: Tone, place: Matrix, colour: ArtPaint): PictureLayer[];
}

export interface ArtDevice extends Device {
  /** The letter that is drawn next; and that it is drawn. */
  letter(seen: GlyphSeen): void;
  lettered(): void;
  /** A letter that nothing is drawn for. */
  unseen(seen: GlyphSeen): void;
  items: Kept[];
}

/** The frame that a picture is seen in. */
const UNIT = boxPath({ x: 0, y: 0, width: 1, height: 1 });

const boxOf = (item: Kept): Box | undefined => {
  if (item.kind === 'letter') return pathBounds(item.area.path);
  if (item.kind === 'picture') return boxAround({ x: 0, y: 0, width: 1, height: 1 }, item.place);
  return item.kind === 'area' || item.kind === 'line' ? pathBounds(item.path) : undefined;
};

/** Whether any two of some things share room. */
function anyMeet(items: readonly Kept[]): boolean {
  const boxes = items.flatMap((item) => boxOf(item) ?? []);
  return boxes.some((box, i) => boxes.slice(0, i).some((other) => overlaps(box, other)));
}

/** More than so many in a group are not asked whether they meet. */
const FEW = 300;

const runsAlike = (colour: Colour, cover: Coverage): boolean =>
  isShade(colour) &&
  colour.kind === cover.kind &&
  colour.matrix.every((n, i) => Math.abs(n - cover.matrix[i]!) < 1e-3 * Math.max(1, Math.abs(n)));

/** Whether a coverage only goes from all to nothing, as a picture's own fade does. */
const isPlainFade = (cover: Coverage): boolean =>
  [0, 0.25, 0.5, 0.75, 1].every((at) => Math.abs(amountAt(cover, at) - (1 - at)) < 0.02);

/** A device that keeps what it is told to draw. Lengths in points, as everywhere. */
export function artDevice({ colours, note, picture, tone }: Keeping): ArtDevice {
  const items: Kept[] = [];
  const clips: Path[] = [];
  const covers: Coverage[] = [];
  const groups: { opacity: number; from: number }[] = [];
  let printsOver = 0;
  let lettering: GlyphSeen | undefined;

  const state = () => ({
    name: undefined,
    opacity: groups.reduce((all, { opacity }) => all * opacity, 1),
    ...(printsOver > 0 ? { overprints: true } : {}),
  });
  /** What the clips leave of an area or a line. */
  const cut = (item: ArtArea | ArtLine): (ArtArea | ArtLine)[] =>
    clips.reduce<(ArtArea | ArtLine)[]>(
      (left, clip) => left.flatMap((each) => (isUprightBox(clip) && fitsIn(each, clip) ? [each] : cutArea(each, clip))),
      [item],
    );
  const isCut = (item: ArtArea): boolean => !clips.every((clip) => isUprightBox(clip) && fitsIn(item, clip));
  /** The coverage that a colour is seen through, where that can be kept with it. */
  function coverFor(colour: Colour): Coverage | undefined {
    const cover = covers.at(-1);
    if (covers.length > 1) note('Of two fades over one another the inner one is kept.');
    if (!cover || !isShade(colour) || runsAlike(colour, cover)) return cover;
    note('A gradient that fades in another direction than it runs does not fade.');
    return undefined;
  }
  function area(path: Path, colour: Colour): void {
    for (const [i, each] of layersOf(colours, colour, coverFor(colour)).entries()) {
      const item: ArtArea = { kind: 'area', ...state(), path, colour: each, ...(i > 0 ? { overprints: true } : {}) };
      if (lettering && i === 0 && !isCut(item)) items.push({ kind: 'letter', seen: lettering, area: item });
      else items.push(...cut(item));
    }
  }
  function line(path: Path, pen: Pen, colour: Colour): void {
    for (const [i, each] of layersOf(colours, colour, coverFor(colour)).entries()) {
      const item: ArtLine = {
        kind: 'line',
        ...state(),
        path,
        pen,
        colour: each,
        ...(i > 0 ? { overprints: true } : {}),
      };
      // Only a line in one paint is a line of the app's own, with dashes that it can hold.
      const isPlain = each.kind === 'flat' && (pen.dash?.length ?? 0) <= 8;
      const { pen: _, ...rest } = item;
      items.push(...cut(isPlain ? item : { ...rest, kind: 'area', path: areaOfLine(item) }));
    }
  }
  function layers(all: readonly PictureLayer[]): void {
    const cover = covers.at(-1);
    if (cover && !isPlainFade(cover)) note('A picture fades otherwise than from whole to nothing: it is kept whole.');
    for (const [i, layer] of all.entries()) {
      const frame = transformPath(UNIT, layer.place);
      const window = clips.reduce((left, clip) => partWithin(left, clip), frame);
      if (window.length === 0) continue;
      const item: ArtPicture = {
        kind: 'picture',
        ...state(),
        ...layer,
        ...(window === frame ? {} : { window }),
        ...(cover && isPlainFade(cover) ? { fade: { kind: cover.kind, matrix: cover.matrix } } : {}),
        ...(i > 0 ? { overprints: true } : {}),
      };
      items.push(item);
    }
  }

  return {
    items,
    letter: (seen) => {
      lettering = seen;
    },
    lettered: () => {
      lettering = undefined;
    },
    unseen(seen) {
      const [colour] = seen.colour ? layersOf(colours, seen.colour) : [];
      if (colour) items.push({ kind: 'letter', seen, area: { kind: 'area', ...state(), path: [], colour } });
    },
    beginElement() {},
    endElement() {},
    beginWords() {},
    endWords() {},
    showGlyphs() {},
    beginGlyphClip() {},
    beginClip: (path) => void clips.push(path),
    endClip: () => void clips.pop(),
    beginGroup: (opacity) => void groups.push({ opacity, from: items.length }),
    endGroup() {
      const group = groups.pop();
      const inside = items.slice(group?.from);
      if (group && group.opacity < 1 && inside.length > 1 && (inside.length > FEW || anyMeet(inside)))
        note('A group that is seen through is seen through piece by piece.');
    },
    beginFade: (cover) => void covers.push(cover),
    endFade: () => void covers.pop(),
    beginOverprint: () => {
      printsOver++;
    },
    endOverprint: () => {
      printsOver--;
    },
    fillPath: area,
    strokePath: line,
    drawImage: ({ asset }, place) => layers(picture(asset, place)),
    drawTone(amounts, place, plates) {
      const all = layersOf(colours, plates).flatMap((each) => (each.kind === 'flat' ? tone(amounts, place, each) : []));
      layers(all);
    },
  };
}
