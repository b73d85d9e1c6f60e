import { fromEvenOdd } from '../../../geometry/boolean';
import { IDENTITY, type Matrix, multiply } from '../../../geometry/matrix';
import { boxPath, transformPath } from '../../../geometry/path';
import { Name, Stream, Text, type Value } from '../parsed/syntax';
import { arrayOf, dictOf, nameOf, textOf } from '../parsed/view';
import { fontAt, setState } from './graphics-state';
import { endText, show } from './letters';
import { drawMesh, fillIn, meshIn } from './mesh';
import { painted, strokeLine } from './paint';
import { reachOf } from './shade-reach';
import { shadeOf } from './shades';
import { spaceOf } from './spaces';
import { devicePaint, type How, matrixOf, type Paint, type Running } from './state';
import { drawForm, drawImage } from './xobjects';

/** What each operator of a content does (ISO 32000-1, annex A); those that are left out change nothing that is drawn. */
export type Operator = (running: Running, n: readonly number[], given: readonly Value[]) => void;

const resource = (
  { drawing: { view }, resources }: Running,
  list: string,
  given: readonly Value[],
): Value | undefined => {
  const last = given.at(-1);
  return last instanceof Name ? dictOf(view.file, resources.get(list))?.get(last.name) : undefined;
};

function endPath(running: Running): void {
  const { path, state, clipNext, drawing } = running;
  if (clipNext) {
    const there = transformPath(path, state.ctm);
    drawing.device.beginClip(clipNext === 'evenodd' ? fromEvenOdd(there) : there);
    state.clips++;
  }
  running.clipNext = undefined;
  running.path = [];
}

const close = ({ path }: Running): void => {
  if (path.length > 0) path.push(['Z']);
};

/** Fills and strokes what has been drawn, and ends it. */
const paints =
  (fill: 'nonzero' | 'evenodd' | undefined, strokes: boolean, closes = false): Operator =>
  (running) => {
    if (closes) close(running);
    if (running.path.length > 0) {
      const there = transformPath(running.path, running.state.ctm);
      if (fill) fillIn(running, fill === 'evenodd' ? fromEvenOdd(there) : there);
      if (strokes) strokeLine(running, there);
    }
    endPath(running);
  };

const curves =
  (points: (n: readonly number[], at: Running['at']) => readonly number[]): Operator =>
  (running, n) => {
    const [x1, y1, x2, y2, x, y] = points(n, running.at);
    running.path.push(['C', x1!, y1!, x2!, y2!, x!, y!]);
    running.at = { x: x!, y: y! };
  };

const moves =
  (op: 'M' | 'L'): Operator =>
  (running, [x = 0, y = 0]) => {
    running.path.push([op, x, y]);
    running.at = { x, y };
  };

function nextLine(running: Running, x: number, y: number): void {
  running.line = multiply(running.line, [1, 0, 0, 1, x, y]);
  running.letter = running.line;
}

const textSetting =
  (key: keyof Running['state']['text'], scale = 1): Operator =>
  ({ state }, [n = 0]) => {
    state.text = { ...state.text, [key]: n * scale };
  };

function restore(running: Running): void {
  const before = running.saved.pop();
  if (!before) return;
  for (let i = before.clips; i < running.state.clips; i++) running.drawing.device.endClip();
  running.state = before;
}

/** The colour of an operator's numbers, or the pattern that it names. */
function chosen(running: Running, { space }: Paint, n: readonly number[], given: readonly Value[]): Paint {
  if (!(given.at(-1) instanceof Name)) return { space, colour: running.drawing.inksOf(space, n) };
  const { view } = running.drawing;
  const { home } = running.state;
  const pattern = view.file.get(resource(running, 'Pattern', given));
  if (pattern instanceof Stream) {
    const tileIn = space.under && running.drawing.inksOf(space.under, n);
    return { space, colour: undefined, tile: { stream: pattern, home }, ...(tileIn ? { tileIn } : {}) };
  }
  const dict = dictOf(view.file, pattern);
  const there = multiply(home, matrixOf(view, dict?.get('Matrix')));
  const mesh = meshIn(running.drawing, dict?.get('Shading'));
  if (mesh) return { space, colour: undefined, mesh: { stream: mesh, matrix: there } };
  const shading = dictOf(view.file, dict?.get('Shading'));
  const reach = shading && reachOf(view, shading, there);
  const colour = shading && shadeOf(running.drawing, shading, there, running.resources);
  return { space, colour, ...(reach ? { reach } : {}) };
}

/** The operators that choose colours, for areas or for lines. */
function colourOperators(how: How): Record<string, Operator> {
  const named = (word: string): string => (how === 'fill' ? word : word.toUpperCase());
  const device =
    (name: string): Operator =>
    ({ drawing, state }, n) => {
      state.paint = { ...state.paint, [how]: devicePaint(drawing, name, n) };
    };
  const choose: Operator = (running, n, given) => {
    const { state } = running;
    state.paint = { ...state.paint, [how]: chosen(running, state.paint[how], n, given) };
  };
  return {
    [named('g')]: device('DeviceGray'),
    [named('rg')]: device('DeviceRGB'),
    [named('k')]: device('DeviceCMYK'),
    [named('sc')]: choose,
    [named('scn')]: choose,
    [named('cs')]: ({ drawing, resources, state }, _, given) => {
      const space = spaceOf(drawing.view, given[0], resources);
      if (space) state.paint = { ...state.paint, [how]: { space, colour: drawing.inksOf(space, space.initial) } };
    },
  };
}

/** Larger than any page; points. */
const EVERYWHERE = boxPath({ x: -20_000, y: -20_000, width: 40_000, height: 40_000 });

const showNext: Operator = (running, _, given) => {
  const text = given.at(-1);
  nextLine(running, 0, -running.state.text.leading);
  if (text instanceof Text) show(running, text.text);
};

export const OPERATORS: Readonly<Record<string, Operator>> = {
  q: ({ saved, state }) => void saved.push({ ...state }),
  Q: restore,
  cm: ({ state }, n) => {
    if (n.length === 6) state.ctm = multiply(state.ctm, n as unknown as Matrix);
  },
  w: ({ state }, [n = 0]) => {
    state.weight = n;
  },
  J: ({ state }, [n = 0]) => {
    state.cap = n;
  },
  j: ({ state }, [n = 0]) => {
    state.join = n;
  },
  d: ({ drawing, state }, _, given) => {
    state.dash = arrayOf(drawing.view.file, given[0]).map(Number);
  },
  gs: (running, _, given) => {
    const dict = dictOf(running.drawing.view.file, resource(running, 'ExtGState', given));
    if (dict) setState(running, dict);
  },

  m: moves('M'),
  l: moves('L'),
  c: curves((n) => n),
  v: curves((n, { x, y }) => [x, y, ...n]),
  y: curves(([a = 0, b = 0, x = 0, y = 0]) => [a, b, x, y, x, y]),
  h: close,
  re: (running, [x = 0, y = 0, w = 0, h = 0]) => {
    running.path.push(['M', x, y], ['L', x + w, y], ['L', x + w, y + h], ['L', x, y + h], ['Z']);
    running.at = { x, y };
  },
  W: (running) => {
    running.clipNext = 'nonzero';
  },
  'W*': (running) => {
    running.clipNext = 'evenodd';
  },
  n: endPath,
  f: paints('nonzero', false),
  F: paints('nonzero', false),
  'f*': paints('evenodd', false),
  S: paints(undefined, true),
  s: paints(undefined, true, true),
  B: paints('nonzero', true),
  'B*': paints('evenodd', true),
  b: paints('nonzero', true, true),
  'b*': paints('evenodd', true, true),
  sh: (running, _, given) => {
    const { drawing, resources, state } = running;
    const shading = resource(running, 'Shading', given);
    const mesh = meshIn(drawing, shading);
    if (mesh) {
      drawMesh(running, mesh, state.ctm);
      return;
    }
    const shade = shadeOf(drawing, shading, state.ctm, resources);
    const within = reachOf(drawing.view, dictOf(drawing.view.file, shading) ?? new Map(), state.ctm)?.(EVERYWHERE);
    if (shade) painted(running, 'fill', () => drawing.device.fillPath(within ?? EVERYWHERE, shade));
  },
  ...colourOperators('fill'),
  ...colourOperators('stroke'),

  Do: (running, _, given) => {
    const { file } = running.drawing.view;
    const found = file.get(resource(running, 'XObject', given));
    if (!(found instanceof Stream)) return;
    if (nameOf(file, found.dict.get('Subtype')) === 'Image') drawImage(running, found);
    else drawForm(running, found);
  },
  ID: (running, _, [picture]) => {
    if (picture instanceof Stream) drawImage(running, picture);
  },

  BT: (running) => {
    running.letter = IDENTITY;
    running.line = IDENTITY;
    running.letters = [];
  },
  ET: endText,
  Tc: textSetting('char'),
  Tw: textSetting('word'),
  Tz: textSetting('wide', 0.01),
  TL: textSetting('leading'),
  Tr: textSetting('mode'),
  Ts: textSetting('rise'),
  Tf: (running, [n = 0], given) => {
    running.state.font = fontAt(running.drawing, resource(running, 'Font', given.slice(0, 1)));
    running.state.size = n;
  },
  Td: (running, [x = 0, y = 0]) => nextLine(running, x, y),
  TD: (running, [x = 0, y = 0]) => {
    running.state.text = { ...running.state.text, leading: -y };
    nextLine(running, x, y);
  },
  Tm: (running, n) => {
    if (n.length !== 6) return;
    running.line = n as unknown as Matrix;
    running.letter = running.line;
  },
  'T*': (running) => nextLine(running, 0, -running.state.text.leading),
  Tj: (running, _, [text]) => {
    if (text instanceof Text) show(running, text.text);
  },
  TJ: (running, _, given) => {
    const { state } = running;
    for (const each of arrayOf(running.drawing.view.file, given[0])) {
      if (each instanceof Text) show(running, each.text);
      else if (typeof each === 'number')
        running.letter = multiply(running.letter, [1, 0, 0, 1, (-each / 1000) * state.size * state.text.wide, 0]);
    }
  },
  "'": showNext,
  '"': (running, [word = 0, char = 0], given) => {
    running.state.text = { ...running.state.text, word, char };
    showNext(running, [], given);
  },
  BDC: (running, _, given) => {
    const { file } = running.drawing.view;
    const properties = given[1] instanceof Name ? resource(running, 'Properties', given) : given[1];
    running.told.push(textOf(file, dictOf(file, properties)?.get('ActualText')));
  },
  BMC: ({ told }) => void told.push(undefined),
  EMC: ({ told }) => void told.pop(),
};
