import { nanoid } from 'nanoid';
import { type Fill, fillPaints } from '../../../core/colour/fill';
import { platesOf, processStandIn } from '../../../core/colour/ink';
import { type Box, bottom, outset, overlaps, type Point } from '../../../core/geometry/box';
import { addAsset, addElement } from '../../../core/job/edits/elements';
import { inkOf } from '../../../core/job/find';
import { makeCode, makePicture, makeRule, makeShape, makeWords } from '../../../core/job/make';
import type { Asset, Element, Paint, Picture } from '../../../core/job/schema';
import { lightnessUnder, luminance } from '../../../core/picture/lightness';
import { pictureBox } from '../../../core/picture/place';
import { imageKey } from '../../../core/scene/device';
import { elementFrame } from '../../../core/scene/face';
import { imageOf } from '../../../core/scene/images';
import { roundIn } from '../../../core/units/length';
import type { Bench } from '../../bench/bench';
import { latestPreviews } from '../../bench/use-previews';
import { act, select } from '../../store/session';

const newId = (): string => nanoid(10);

const put = (bench: Bench, name: string, element: Element): void => {
  act(name, (job) => addElement(job, bench.face.id, element));
  select(element.id);
};

const safeZone = ({ piece, shop }: Bench): Box =>
  outset({ x: 0, y: 0, width: piece.width, height: piece.height }, -shop.safe[piece.kind]);

/** Lighter than this, black words are read on it; darker, words left white. */
const MIDDLE = 0.45;

/** How light the picture is where words will stand; undefined until it has been separated for the stage. */
function lightUnder({ job }: Bench, picture: Picture, box: Box): number | undefined {
  const image = imageOf(picture, job);
  const light = image && latestPreviews().get(imageKey(image))?.light;
  return light && lightnessUnder(light, pictureBox(picture, image.width, image.height), box);
}

/** An ink that can be read on what lies under a box: black on light, paper on dark. */
function readableOn(bench: Bench, box: Box): Paint {
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const under = bench.face.elements.findLast(
    (e) => e.kind !== 'words' && overlaps(elementFrame(e, bench.sources), { ...middle, width: 0.1, height: 0.1 }),
  );
  const light =
    under === undefined || under.kind === 'words'
      ? 1
      : under.kind === 'picture'
        ? // A picture not yet seen is taken as dark: black words on black would not be seen at all.
          (lightUnder(bench, under, box) ?? 0)
        : lightOfFill(bench, under.paint);
  return { ink: light < MIDDLE ? 'paper' : 'black', tint: 1 };
}

/** How light an area is: the middle of what its fill prints; paper where it prints nothing. */
function lightOfFill(bench: Bench, fill: Fill): number {
  const lights = fillPaints(fill).map((paint) => luminance(...lightOf(bench, paint)));
  return lights.length > 0 ? lights.reduce((sum, each) => sum + each, 0) / lights.length : 1;
}

const lightOf = ({ job, press }: Bench, { ink, tint }: Paint): [number, number, number] =>
  press.screen(processStandIn(platesOf(inkOf(job.inks, ink), tint), job.inks)) as [number, number, number];

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
    'Add text',
    makeWords({
      id,
      text,
      x,
      y,
      lettering: { size, paint: readableOn(bench, { x, y, width: text.length * size * 0.5, height: size * 1.2 }) },
    }),
  );
  return id;
}

/** The ink a new shape is filled with: the client's first own ink, or black. */
export const shapePaint = (bench: Bench): Paint => ({
  ink: bench.job.inks.find((ink) => ink.id !== 'paper' && ink.id !== 'black')?.id ?? 'black',
  tint: 1,
});

/** A new blot, each time another. */
export function addBlot(bench: Bench): void {
  const { width, height } = bench.piece;
  const side = Math.min(width, height) / 2;
  const form = {
    kind: 'blot',
    seed: Math.floor(Math.random() * 1_000_000),
    irregularity: 0.5,
    count: 9,
    drops: 5,
  } as const;
  put(
    bench,
    'Add blot',
    makeShape({
      id: newId(),
      x: (width - side) / 2,
      y: (height - side) / 2,
      width: side,
      height: side,
      form,
      paint: shapePaint(bench),
    }),
  );
}

const SHAPES = {
  Rectangle: undefined,
  Ellipse: { kind: 'ellipse' },
  Polygon: { kind: 'polygon', sides: 6 },
  Star: { kind: 'star', points: 5, depth: 0.45 },
} as const;
export type ShapeName = keyof typeof SHAPES;

/** A new shape in the middle of the face, a third of it; all but rectangles are as wide as high. */
export function addShape(bench: Bench, name: ShapeName): void {
  const { width, height } = bench.piece;
  const form = SHAPES[name];
  const side = Math.min(width, height) / 3;
  const size = form ? { width: side, height: side } : { width: width / 3, height: height / 3 };
  put(
    bench,
    `Add ${name.toLowerCase()}`,
    makeShape({
      id: newId(),
      x: (width - size.width) / 2,
      y: (height - size.height) / 2,
      ...size,
      ...(form ? { form } : {}),
      paint: shapePaint(bench),
    }),
  );
}

/** A new QR code is 20 mm wide, where the face has room for that. */
export function addCode(bench: Bench): void {
  const safe = safeZone(bench);
  const side = Math.min(roundIn(bench.unit, 20, 3 / 4), safe.width, safe.height);
  const code = makeCode({
    id: newId(),
    x: safe.x + safe.width - side,
    y: safe.y + safe.height - side,
    width: side,
    height: side,
    text: 'https://www.example',
  });
  put(bench, 'Add code', code);
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
