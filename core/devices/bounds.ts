import { type Box, intersection, unionOf } from '../geometry/box';
import { boxAround } from '../geometry/matrix';
import { strokeOutline } from '../geometry/offset';
import { pathBounds } from '../geometry/path';
import type { Element } from '../job/schema';
import { type Device, type GlyphRun, runMatrix, UNHEARD } from '../scene/device';
import { drawElement } from '../scene/face';
import type { SceneSources } from '../scene/sources';

/** Where the ink of a run of glyphs lies: their outlines, not their frame. A turned glyph counts with the box around its own. */
function runInk(run: GlyphRun): Box | undefined {
  const { font, size, glyphs } = run;
  const scale = size / font.upem;
  const boxes: Box[] = [];
  let pen = 0;
  for (const glyph of glyphs) {
    const ink = font.ink(glyph.id);
    if (ink)
      boxes.push({
        x: pen + (glyph.dx + ink.x) * scale,
        y: -(glyph.dy + ink.y + ink.height) * scale,
        width: ink.width * scale,
        height: ink.height * scale,
      });
    pen += glyph.advance * scale;
  }
  if (run.angle) return unionOf(boxes.map((box) => boxAround(box, runMatrix(run))));
  const ink = unionOf(boxes);
  return ink && { ...ink, x: ink.x + run.x, y: ink.y + run.baseline };
}

const NOTHING: Box = { x: 0, y: 0, width: 0, height: 0 };
const UNIT: Box = { x: 0, y: 0, width: 1, height: 1 };

/** A device that finds the box around everything that prints, clips included. */
export function boundsDevice(): Device & { bounds(): Box | undefined } {
  const clips: Box[] = [];
  const boxes: Box[] = [];
  const mark = (box: Box | undefined): void => {
    const seen = clips.reduce<Box | undefined>((left, clip) => left && intersection(left, clip), box);
    if (seen) boxes.push(seen);
  };
  return {
    ...UNHEARD,
    bounds: () => unionOf(boxes),
    beginClip(path) {
      clips.push(pathBounds(path) ?? NOTHING);
    },
    beginGlyphClip(runs) {
      clips.push(unionOf(runs.flatMap((run) => runInk(run) ?? [])) ?? NOTHING);
    },
    endClip() {
      clips.pop();
    },
    fillPath: (path) => mark(pathBounds(path)),
    strokePath: (path, pen) => mark(pathBounds(strokeOutline(path, pen))),
    showGlyphs: (run) => mark(runInk(run)),
    drawImage: (_image, place) => mark(boxAround(UNIT, place)),
    drawTone: (_tone, place) => mark(boxAround(UNIT, place)),
  };
}

// By element: edits never change one in place. Beside the element only the named styles move ink.
const kept = new WeakMap<Element, { styles: SceneSources['styles']; box: Box | undefined }>();

/** The box around what an element prints, in points; undefined when it prints nothing. */
export function inkBounds(element: Element, sources: SceneSources): Box | undefined {
  const found = kept.get(element);
  if (found?.styles === sources.styles) return found.box;
  const device = boundsDevice();
  drawElement(element, sources, device);
  const box = device.bounds();
  kept.set(element, { styles: sources.styles, box });
  return box;
}
