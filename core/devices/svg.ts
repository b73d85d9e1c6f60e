import { hexOf, type Rgb } from '../colour/engine';
import type { Pen } from '../colour/fill';
import type { Cmyk, Ink } from '../colour/ink';
import { type Plates, processStandIn } from '../colour/ink';
import type { Point } from '../geometry/box';
import type { Matrix } from '../geometry/matrix';
import { type Path, pathData } from '../geometry/path';
import { type Colour, type Coverage, isShade, type Shade } from '../scene/colour';
import { type Device, type GlyphRun, imageKey, type Tone } from '../scene/device';
import type { Grounds } from '../scene/grounds';
import { runData } from '../scene/run-outline';

/** A gradient as SVG has it, in the face's own space. */
export interface SvgShade {
  kind: 'linear' | 'radial';
  matrix: Matrix;
  focus?: Point;
  stops: { at: number; colour: string; opacity?: number }[];
}
export type SvgPaint = string | SvgShade;

/** Something to show on a screen; the stage makes it with React, the SVG file as text. */
export type SvgNode =
  | { kind: 'path'; d: string; fill: SvgPaint }
  | { kind: 'line'; d: string; stroke: SvgPaint; pen: Pen }
  | { kind: 'text'; run: GlyphRun; fill: SvgPaint }
  /** `image` is the key of a separated picture. */
  | { kind: 'image'; image: string; place: Matrix }
  | { kind: 'tone'; tone: Tone; colour: Rgb; place: Matrix }
  /** Things together: inside a clip, as one that is seen through, fading, or printed on what is below. */
  | { kind: 'together'; nodes: SvgNode[]; clip?: string; opacity?: number; fade?: SvgShade; overprint?: true };

export interface SvgElement {
  id: string;
  nodes: SvgNode[];
}

/** How inks look on the screen. */
export interface ScreenInks {
  inks: readonly Ink[];
  screen(cmyk: Cmyk): Rgb;
  /** What overprinting elements lie on, where that is even: their inks are then shown mixed with it, as the plates mix them. */
  grounds?: Grounds;
  /** Which runs stay words; all become outlines where it is left out. */
  asText?(run: GlyphRun, colour: Colour): boolean;
}

/** A path goes on to about this many characters, so that a key in a long letter changes only some of its paths. */
const LONGEST = 25_000;

/** Screens run from colour to colour in a straight line, inks do not: so many steps on the way keep them together. */
const STEPS = 8;

/** Where amounts are looked at between stops. */
function between(stops: Shade['stops']): { at: number; plates: Plates }[] {
  return stops.flatMap(({ at, plates }, i) => {
    const next = stops[i + 1];
    if (!next || next.at <= at) return [{ at, plates }];
    return Array.from({ length: STEPS }, (_, k) => {
      const t = k / STEPS;
      const mixed = Object.entries(plates).map(([name, a]) => [name, a + (next.plates[name]! - a) * t] as const);
      return { at: at + (next.at - at) * t, plates: Object.fromEntries(mixed) };
    });
  });
}

/** A device that makes SVG: one path an element wherever its colour allows. */
export function svgDevice(colours: ScreenInks): Device & { elements: SvgElement[] } {
  const elements: SvgElement[] = [];
  const open: SvgNode[][] = [];
  const nodes = (): SvgNode[] => {
    const inner = open.at(-1);
    if (inner) return inner;
    if (elements.length === 0) elements.push({ id: '', nodes: [] });
    return elements.at(-1)!.nodes;
  };
  let ground: Plates | undefined;
  let overprints = 0;
  const rgb = (plates: Plates): Rgb =>
    colours.screen(processStandIn(overprints && ground ? { ...ground, ...plates } : plates, colours.inks));
  const look = (colour: Colour): SvgPaint =>
    isShade(colour)
      ? {
          kind: colour.kind,
          matrix: colour.matrix,
          ...(colour.focus ? { focus: colour.focus } : {}),
          stops: between(colour.stops).map(({ at, plates }) => ({ at, colour: hexOf(rgb(plates)) })),
        }
      : hexOf(rgb(colour));
  const fading = ({ kind, matrix, focus, stops }: Coverage): SvgShade => ({
    kind,
    matrix,
    ...(focus ? { focus } : {}),
    stops: stops.map(({ at, amount }) => ({ at, colour: '#ffffff', opacity: amount })),
  });
  // Letters go on in one path; other areas do not: where two of opposite ways lie on each other, both would be gone.
  let letters: SvgNode | undefined;
  const showLetters = (d: string, colour: Colour): void => {
    const fill = look(colour);
    const last = nodes().at(-1);
    if (last?.kind === 'path' && last === letters && last.fill === fill && last.d.length < LONGEST) last.d += d;
    else {
      letters = { kind: 'path', d, fill };
      nodes().push(letters);
    }
  };
  const begin = (together: Omit<Extract<SvgNode, { kind: 'together' }>, 'kind' | 'nodes'>): void => {
    const inner: SvgNode[] = [];
    nodes().push({ kind: 'together', nodes: inner, ...together });
    open.push(inner);
  };
  const end = (): void => {
    open.pop();
  };
  return {
    elements,
    beginElement: (id) => {
      elements.push({ id, nodes: [] });
      ground = colours.grounds?.get(id);
    },
    endElement() {
      ground = undefined;
    },
    beginWords() {},
    endWords() {},
    beginClip: (path: Path) => begin({ clip: pathData(path) }),
    beginGlyphClip: (runs) => begin({ clip: runs.map(runData).join('') }),
    endClip: end,
    beginGroup: (opacity) => begin({ opacity }),
    endGroup: end,
    beginFade: (coverage) => begin({ fade: fading(coverage) }),
    endFade: end,
    beginOverprint: () => {
      overprints++;
      if (!ground) begin({ overprint: true });
    },
    endOverprint: () => {
      overprints--;
      if (!ground) end();
    },
    fillPath: (path, colour) => {
      nodes().push({ kind: 'path', d: pathData(path), fill: look(colour) });
    },
    strokePath: (path, pen, colour) => {
      nodes().push({ kind: 'line', d: pathData(path), stroke: look(colour), pen });
    },
    showGlyphs: (run, colour) => {
      if (colours.asText?.(run, colour)) nodes().push({ kind: 'text', run, fill: look(colour) });
      else showLetters(runData(run), colour);
    },
    drawImage: (image, place) => {
      nodes().push({ kind: 'image', image: imageKey(image), place });
    },
    drawTone: (tone, place, colour) => {
      nodes().push({ kind: 'tone', tone, colour: rgb(colour), place });
    },
  };
}

/** The attributes of a line in SVG's own names. */
export const penAttributes = ({ weight, dash, cap = 'flat', join = 'mitre' }: Pen): Record<string, string> => ({
  'stroke-width': `${weight}`,
  'stroke-linecap': cap === 'flat' ? 'butt' : cap,
  'stroke-linejoin': join === 'mitre' ? 'miter' : join,
  'stroke-miterlimit': '4',
  ...(dash ? { 'stroke-dasharray': dash.join(' ') } : {}),
});
