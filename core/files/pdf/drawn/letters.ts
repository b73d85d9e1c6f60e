import type { Box } from '../../../geometry/box';
import { boxAround, type Matrix, multiply } from '../../../geometry/matrix';
import { type Path, pathBounds, transformPath } from '../../../geometry/path';
import type { FontRead } from './fonts';
import { fillIn } from './mesh';
import { fillFlat, strokeLine } from './paint';
import type { Running } from './state';

/** Letters (ISO 32000-1, 9.4): where each stands, what it stands for, and its outline on the device. */

/** Modes of text (table 106): what is done with a letter's outline. */
const FILLS = [0, 2, 4, 6];
const STROKES = [1, 2, 5, 6];
const CLIPS = [4, 5, 6, 7];

/** What the letter stands for: what is told of several of them goes with the first. */
function saidOf({ told }: Running, font: FontRead, code: number): string {
  const holder = told.findIndex((each) => each !== undefined);
  if (holder < 0) return font.unicode(code) ?? '';
  const said = told[holder]!;
  told[holder] = '';
  return said;
}

/** A letter that is a content itself. */
function drawProcedure(running: Running, font: FontRead, code: number, matrix: Matrix): void {
  const { drawing, resources, state, deep } = running;
  const { type3 } = font;
  const proc = type3?.contentOf(code);
  if (!type3 || !proc) return;
  const own = type3.resources.size > 0 ? type3.resources : resources;
  const from = { ...state, ctm: multiply(matrix, type3.matrix), clips: 0 };
  drawing.lettering++;
  drawing.run(proc, own, from, deep + 1);
  drawing.lettering--;
}

function drawOutline(running: Running, font: FontRead, outline: Path | undefined, onto: Matrix): void {
  const { drawing, state } = running;
  const { mode } = state.text;
  if (!outline) drawing.hear.unread?.(`letters of ${font.name}`);
  if (!outline || outline.length === 0) return;
  const shape: Path = transformPath(outline, onto);
  const { colour, tile, mesh } = state.paint.fill;
  if (FILLS.includes(mode)) {
    if (tile || mesh) fillIn(running, shape);
    else if (colour) fillFlat(running, shape, colour);
  }
  if (STROKES.includes(mode)) strokeLine(running, shape);
  if (CLIPS.includes(mode)) running.letters.push(shape);
}

const bounds = new WeakMap<Path, Box | undefined>();
const boundsOf = (outline: Path): Box | undefined => {
  if (!bounds.has(outline)) bounds.set(outline, pathBounds(outline));
  return bounds.get(outline);
};

/** What an outline lies in once it is laid: of one that is turned askew, itself is looked at. */
function inkOf(outline: Path | undefined, matrix: Matrix): Box | undefined {
  const own = outline && boundsOf(outline);
  if (!own) return undefined;
  const isUpright = (matrix[1] === 0 && matrix[2] === 0) || (matrix[0] === 0 && matrix[3] === 0);
  return isUpright ? boxAround(own, matrix) : pathBounds(transformPath(outline, matrix));
}

/** Shows a string, and moves the pen past it. */
export function show(running: Running, text: string): void {
  const { drawing, state } = running;
  const { font, size } = state;
  if (!font) return;
  const { char, word, wide, mode, rise } = state.text;
  for (const { code, isSpace } of font.codes(text)) {
    const line = multiply(state.ctm, running.letter);
    const matrix = multiply(line, [size * wide, 0, 0, size, 0, rise]);
    const onto = multiply(matrix, [1 / font.upem, 0, 0, 1 / font.upem, 0, 0]);
    const glyph = font.glyph(code);
    const outline = font.type3 ? undefined : font.outline(glyph);
    // What is not read may well have a shape.
    const hasShape = font.type3 ? font.type3.contentOf(code) !== undefined : outline?.length !== 0;
    const advance = ((font.width(code) / 1000) * size + char + (isSpace ? word : 0)) * wide;
    drawing.hear.glyph?.({
      font,
      glyph,
      text: saidOf(running, font, code),
      x: matrix[4],
      y: matrix[5],
      size: Math.hypot(matrix[2], matrix[3]) * font.em,
      angle: (Math.atan2(matrix[1], matrix[0]) * 180) / Math.PI,
      advance: advance * Math.hypot(line[0], line[1]),
      colour: state.paint[mode === 1 ? 'stroke' : 'fill'].colour,
      overprints: state.overprint.fill,
      ink: inkOf(outline, onto),
      seen: mode !== 3 && mode !== 7 && hasShape,
    });
    if (font.type3) drawProcedure(running, font, code, matrix);
    else if (mode !== 3) drawOutline(running, font, outline, onto);
    drawing.hear.lettered?.();
    running.letter = multiply(running.letter, [1, 0, 0, 1, advance, 0]);
  }
}

/** Letters whose outlines were to clip do so once the text ends. */
export function endText(running: Running): void {
  if (running.letters.length > 0) {
    running.drawing.device.beginClip(running.letters.flat());
    running.state.clips++;
  }
  running.letters = [];
}
