import type { Pen } from '../../../colour/fill';
import { apply, invert, type Matrix, multiply } from '../../../geometry/matrix';
import type { Path } from '../../../geometry/path';
import type { Colour } from '../../../scene/colour';
import type { MayBlend } from '../../../scene/device';
import { operationsOf } from '../parsed/file';
import { contentsOf } from '../parsed/filters';
import { dictOf, numbersOf } from '../parsed/view';
import { firstState, type How, matrixOf, type Paint, type Running, type State } from './state';

/** Areas and lines on the device, in what a state says of them. */

const CAPS = ['flat', 'round', 'square'] as const;
const JOINS = ['mitre', 'round', 'bevel'] as const;
/** A line without width is the thinnest that a device draws; points. */
const THINNEST = 0.01;
const MOST_TILES = 4000;

/** Draws one thing: how much of it shows, how much it covers, and whether it prints over. */
export function painted({ drawing: { device }, state }: Running, how: How, draw: () => void): void {
  const overprints = state.overprint[how];
  asWhole(device, state, state.opacity[how], () => {
    if (overprints) device.beginOverprint();
    draw();
    if (overprints) device.endOverprint();
  });
}

/** Draws what is one thing to its mask, its opacity and its blend. */
export function asWhole(
  device: MayBlend,
  { mask, blend }: Pick<State, 'mask' | 'blend'>,
  opacity: number,
  draw: () => void,
): void {
  const { blending } = device;
  // A blend is the outermost: what it mixes is what of the thing shows.
  if (blend) blending?.beginBlend(blend);
  if (mask && 'cells' in mask) blending?.beginLight(mask);
  else if (mask) device.beginFade(mask);
  if (opacity < 1) device.beginGroup(opacity);
  draw();
  if (opacity < 1) device.endGroup();
  if (mask && 'cells' in mask) device.endGroup();
  else if (mask) device.endFade();
  if (blend) device.endGroup();
}

export function fillArea(running: Running, path: Path): void {
  const { drawing, state } = running;
  const { colour, tile } = state.paint.fill;
  if (tile) layTiles(running, tile, path);
  if (!colour) return;
  drawing.hear.path?.({
    path,
    pen: undefined,
    colour,
    overprints: state.overprint.fill,
    lettering: drawing.lettering > 0,
  });
  fillFlat(running, path, colour);
}

/** Fills an area in a colour, as far as that reaches. */
export function fillFlat(running: Running, path: Path, colour: Colour): void {
  const { device } = running.drawing;
  const within = running.state.paint.fill.reach?.(path);
  painted(running, 'fill', () => {
    if (within) device.beginClip(within);
    device.fillPath(path, colour);
    if (within) device.endClip();
  });
}

const scaleOf = ([a, b, c, d]: Matrix): number => Math.sqrt(Math.abs(a * d - b * c));

function penOf({ ctm, weight, cap, join, dash }: State): Pen {
  const scale = scaleOf(ctm);
  return {
    weight: weight * scale,
    cap: CAPS[cap] ?? 'flat',
    join: JOINS[join] ?? 'mitre',
    ...(dash.some((n) => n > 0) ? { dash: dash.map((n) => n * scale) } : {}),
  } as Pen;
}

export function strokeLine(running: Running, path: Path): void {
  const { drawing, state } = running;
  const { colour, tile, mesh } = state.paint.stroke;
  if (tile || mesh) drawing.hear.unread?.('a line in a pattern');
  if (!colour) return;
  const pen = penOf(state);
  drawing.hear.path?.({ path, pen, colour, overprints: state.overprint.stroke, lettering: drawing.lettering > 0 });
  painted(running, 'stroke', () =>
    drawing.device.strokePath(path, { ...pen, weight: Math.max(THINNEST, pen.weight) }, colour),
  );
}

/** The first and the last tile of a row that a stretch of it needs. */
const spanOf = (places: readonly number[], low: number, high: number, step: number): [number, number] => [
  Math.floor((Math.min(...places) - high) / step),
  Math.ceil((Math.max(...places) - low) / step),
];

type Tile = NonNullable<Paint['tile']>;

/** A tile laid side by side over an area (8.7.3). */
function layTiles({ drawing, resources, state, deep }: Running, { stream, home }: Tile, path: Path): void {
  const { view, device, hear } = drawing;
  const { dict } = stream;
  const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = numbersOf(view, dict.get('BBox'));
  const across = Math.abs(Number(view.file.get(dict.get('XStep'))));
  const down = Math.abs(Number(view.file.get(dict.get('YStep'))));
  const placed = multiply(home, matrixOf(view, dict.get('Matrix')));
  const back = invert(placed);
  const numbers = path.flatMap(([, ...rest]) => rest as number[]);
  if (!back || !(across > 0 && down > 0) || numbers.length === 0) return;
  const xs = numbers.filter((_, i) => i % 2 === 0);
  const ys = numbers.filter((_, i) => i % 2 === 1);
  const corners = [Math.min(...xs), Math.max(...xs)].flatMap((x) =>
    [Math.min(...ys), Math.max(...ys)].map((y) => apply(back, { x, y })),
  );
  const [fromX, toX] = spanOf(
    corners.map(({ x }) => x),
    x0,
    x1,
    across,
  );
  const [fromY, toY] = spanOf(
    corners.map(({ y }) => y),
    y0,
    y1,
    down,
  );
  if ((toX - fromX + 1) * (toY - fromY + 1) > MOST_TILES) {
    hear.unread?.('a pattern of very many tiles');
    return;
  }
  const inTile = dictOf(view.file, dict.get('Resources')) ?? resources;
  const content = operationsOf(contentsOf(stream, view.file));
  // A tile without colours of its own is drawn in the colour that is chosen with it.
  const { space, tileIn } = state.paint.fill;
  const own: Paint = { space: space.under ?? space, colour: tileIn };
  const paint = tileIn ? { fill: own, stroke: own } : firstState(drawing).paint;
  device.beginClip(path);
  for (let i = fromX; i <= toX; i++)
    for (let j = fromY; j <= toY; j++) {
      const ctm = multiply(placed, [1, 0, 0, 1, i * across, j * down]);
      drawing.run(content, inTile, { ...state, ctm, home: ctm, paint, clips: 0 }, deep + 1);
    }
  device.endClip();
}
