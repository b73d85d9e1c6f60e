import { hexOf, type Rgb } from '../colour/engine';
import type { Cmyk, Ink } from '../colour/ink';
import { type Plates, processStandIn } from '../colour/ink';
import type { Matrix } from '../geometry/matrix';
import { boxPath, type Path, pathData, transformPath } from '../geometry/path';
import type { Device } from '../scene/device';
import { runData } from './run-outline';

/** Something to show on a screen; the stage makes it with React, the SVG file as text. */
export type SvgNode =
  | { kind: 'path'; d: string; fill: string }
  | { kind: 'line'; d: string; stroke: string; weight: number }
  | { kind: 'image'; asset: string; place: Matrix; clip: string };

export interface SvgElement {
  id: string;
  nodes: SvgNode[];
}

/** How inks look on the screen. */
export interface ScreenInks {
  inks: readonly Ink[];
  screen(cmyk: Cmyk): Rgb;
}

/** A path goes on to about this many characters, so that a key in a long letter changes only some of its paths. */
const LONGEST = 25_000;

/** A device that makes SVG: one path an element wherever its colour allows. */
export function svgDevice(colours: ScreenInks): Device & { elements: SvgElement[] } {
  const elements: SvgElement[] = [];
  const clips: Path[] = [];
  const nodes = (): SvgNode[] => {
    if (elements.length === 0) elements.push({ id: '', nodes: [] });
    return elements.at(-1)!.nodes;
  };
  const look = (plates: Plates): string => hexOf(colours.screen(processStandIn(plates, colours.inks)));
  const fill = (d: string, plates: Plates): void => {
    const colour = look(plates);
    const last = nodes().at(-1);
    if (last?.kind === 'path' && last.fill === colour && last.d.length < LONGEST) last.d += d;
    else nodes().push({ kind: 'path', d, fill: colour });
  };
  return {
    elements,
    beginElement: (id) => {
      elements.push({ id, nodes: [] });
    },
    endElement() {},
    beginWords() {},
    endWords() {},
    beginClip: (path) => {
      clips.push(path);
    },
    endClip: () => {
      clips.pop();
    },
    fillPath: (path, plates) => fill(pathData(path), plates),
    strokePath: (path, weight, plates) => {
      nodes().push({ kind: 'line', d: pathData(path), stroke: look(plates), weight });
    },
    showGlyphs: (run, plates) => fill(runData(run), plates),
    drawImage: ({ asset }, place) => {
      const whole = transformPath(boxPath({ x: 0, y: 0, width: 1, height: 1 }), place);
      nodes().push({ kind: 'image', asset, place, clip: pathData(clips.at(-1) ?? whole) });
    },
  };
}
