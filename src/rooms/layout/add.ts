import { nanoid } from 'nanoid';
import { platesOf, processStandIn } from '../../../core/colour/ink';
import { type Box, bottom, outset, type Point, right } from '../../../core/geometry/box';
import { addAsset, addElement } from '../../../core/job/edits/elements';
import { inkOf } from '../../../core/job/find';
import { makePicture, makeRule, makeShape, makeWords } from '../../../core/job/make';
import type { Asset, Element, Paint } from '../../../core/job/schema';
import { elementFrame } from '../../../core/scene/face';
import { act, select } from '../../store/session';
import type { Bench } from './bench';

const newId = (): string => nanoid(10);

const put = (bench: Bench, name: string, element: Element): void => {
  act(name, (job) => addElement(job, bench.face.id, element));
  select(element.id);
};

const safeZone = ({ piece, shop }: Bench): Box =>
  outset({ x: 0, y: 0, width: piece.width, height: piece.height }, -shop.safe[piece.kind]);

const contains = (box: Box, { x, y }: Point): boolean =>
  x >= box.x && x <= right(box) && y >= box.y && y <= bottom(box);

/** Relative luminance of sRGB bytes, near enough to choose between black words and paper-white ones. */
const luminance = ([r, g, b]: readonly number[]): number => (0.2126 * r! + 0.7152 * g! + 0.0722 * b!) / 255;

/** An ink that can be read on what lies at a point: black on light, paper on dark. */
function readableAt(bench: Bench, at: Point): Paint {
  const under = bench.face.elements.findLast((e) => e.kind !== 'words' && contains(elementFrame(e, bench.sources), at));
  if (!under) return { ink: 'black', tint: 1 };
  // A picture is taken as dark: paper-white words with nothing behind them are seen at once, black ones on black are not.
  if (under.kind === 'picture') return { ink: 'paper', tint: 1 };
  if (under.kind === 'words') return { ink: 'black', tint: 1 };
  const cmyk = processStandIn(platesOf(inkOf(bench.job.inks, under.paint.ink), under.paint.tint), bench.job.inks);
  return { ink: luminance(bench.press.screen(cmyk)) < 0.45 ? 'paper' : 'black', tint: 1 };
}

/** New words land in the safe zone, under the words already there, in an ink that can be read on what lies there. */
export function addWords(bench: Bench, text: string): string {
  const safe = safeZone(bench);
  const frames = bench.face.elements.flatMap((e) => (e.kind === 'words' ? [elementFrame(e, bench.sources)] : []));
  const lowest = frames.length > 0 ? Math.max(...frames.map(bottom)) + 2 : safe.y;
  const size = bench.piece.kind === 'card' ? 9 : 12;
  const y = lowest + size * 1.3 <= bottom(safe) ? lowest : safe.y;
  const x = frames.length > 0 ? Math.max(safe.x, Math.min(...frames.map((f) => f.x))) : safe.x;
  const id = newId();
  put(
    bench,
    'Add words',
    makeWords({
      id,
      text,
      x,
      y,
      lettering: { size, paint: readableAt(bench, { x: x + size * 2, y: y + size / 2 }) },
    }),
  );
  return id;
}

/** The ink a new shape is filled with: the client's first own ink, or black. */
const shapePaint = (bench: Bench): Paint => ({
  ink: bench.job.inks.find((ink) => ink.id !== 'paper' && ink.id !== 'black')?.id ?? 'black',
  tint: 1,
});

export function addRectangle(bench: Bench): void {
  const { width, height } = bench.piece;
  put(
    bench,
    'Add rectangle',
    makeShape({
      id: newId(),
      x: width / 3,
      y: height / 3,
      width: width / 3,
      height: height / 3,
      paint: shapePaint(bench),
    }),
  );
}

/** A new rule runs across the middle of the safe zone, half a point thick. */
export function addRule(bench: Bench): void {
  const safe = safeZone(bench);
  put(
    bench,
    'Add rule',
    makeRule({
      id: newId(),
      x: safe.x,
      y: bench.piece.height / 2,
      width: safe.width,
      height: 0.5,
      paint: shapePaint(bench),
    }),
  );
}

/** A new picture has its full size at the wanted ppi, or as much of it as the safe zone holds; its middle at `at`. */
export function addPicture(bench: Bench, hash: string, asset: Asset, at?: Point): void {
  const safe = safeZone(bench);
  const full = 72 / bench.shop.ppi.wanted;
  const scale = Math.min(full, safe.width / asset.width, safe.height / asset.height);
  const [width, height] = [asset.width * scale, asset.height * scale];
  const middle = at ?? { x: bench.piece.width / 2, y: bench.piece.height / 2 };
  const picture = makePicture({
    id: newId(),
    asset: hash,
    x: middle.x - width / 2,
    y: middle.y - height / 2,
    width,
    height,
  });
  act('Add picture', (job) => addElement(addAsset(job, hash, asset), bench.face.id, picture));
  select(picture.id);
}
