import { strokeOutline } from '../geometry/offset';
import type { Path } from '../geometry/path';
import { boxPath, transformPath } from '../geometry/path';
import { type Device, UNHEARD } from './device';
import { runOutline } from './run-outline';

/** A device that gathers the outline of all that is drawn, whatever its colour. A clip counts as a whole. */
export function silhouetteDevice(): Device & { path(): Path } {
  const out: Path[number][] = [];
  let clips = 0;
  const add = (path: Path): void => {
    if (clips === 0) out.push(...path);
  };
  return {
    ...UNHEARD,
    path: () => out,
    beginClip(path) {
      add(path);
      clips++;
    },
    beginGlyphClip(runs) {
      for (const run of runs) add(runOutline(run));
      clips++;
    },
    endClip() {
      clips--;
    },
    fillPath: add,
    strokePath: (path, pen) => add(strokeOutline(path, pen)),
    showGlyphs: (run) => add(runOutline(run)),
    drawImage: (_image, place) => add(transformPath(boxPath({ x: 0, y: 0, width: 1, height: 1 }), place)),
    drawTone() {},
  };
}
