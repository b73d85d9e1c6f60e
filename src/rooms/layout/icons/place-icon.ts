import { nanoid } from 'nanoid';
import type { Box } from '../../../../core/geometry/box';
import { fullPathData, type Path, transformPath } from '../../../../core/geometry/path';
import { addElement, replaceElement } from '../../../../core/job/edits/elements';
import { framedOutline } from '../../../../core/job/edits/outlines';
import { setIcon } from '../../../../core/job/edits/words';
import { lookOf } from '../../../../core/job/look';
import { makeShape } from '../../../../core/job/make';
import type { Shape, Words } from '../../../../core/job/schema';
import { ICON_INDENT } from '../../../../core/scene/words';
import { roundIn } from '../../../../core/units/length';
import type { Bench } from '../../../bench/bench';
import { act, select } from '../../../store/session';
import { shapePaint } from '../add';
import type { Icon } from './icons';

/** Icons are drawn in a square of this many points (16 user units). */
const SIDE = 12;
/** How large a new one is. */
const newSide = ({ unit }: Bench): number => roundIn(unit, 5, 3 / 16);

/** The icon as one area in points, from its square's top left corner. */
async function outlineOfIcon(icon: Icon, bench: Bench): Promise<Path> {
  const { readSvg } = await import('../../../../core/files/svg-in/read');
  const { items } = readSvg(new TextEncoder().encode(icon.svg), bench.sources.fonts);
  const parts = items.flatMap((item) => (item.kind === 'group' ? item.items : [item]));
  return parts.flatMap((part) => ('path' in part ? part.path : []));
}

const onto = (path: Path, { x, y, width, height }: Box): Path =>
  transformPath(path, [width / SIDE, 0, 0, height / SIDE, x, y]);

/** Lays a new icon in the middle of the face. */
export async function placeIcon(icon: Icon, bench: Bench): Promise<void> {
  const { width, height } = bench.piece;
  const side = newSide(bench);
  const at = { x: (width - side) / 2, y: (height - side) / 2, width: side, height: side };
  const framed = framedOutline(onto(await outlineOfIcon(icon, bench), at));
  if (!framed) return;
  const shape = makeShape({ id: nanoid(10), name: `Icon: ${icon.name}`, ...framed, paint: shapePaint(bench) });
  act('Add icon', (job) => addElement(job, bench.face.id, shape));
  select(shape.id);
}

/** Puts an icon before a line of words, as high as its letters and in their ink. */
export async function iconBefore(icon: Icon, words: Words, paragraph: number, bench: Bench): Promise<void> {
  const unit = transformPath(await outlineOfIcon(icon, bench), [1 / SIDE, 0, 0, 1 / SIDE, 0, 0]);
  const { size } = lookOf(words, bench.sources.styles).lettering;
  const drawn = { name: icon.name, outline: fullPathData(unit) };
  act('Icon before a line', (job) => setIcon(job, words.id, paragraph, drawn, ICON_INDENT * size));
}

/** Puts an icon in the place of a shape: as high, about the same middle, painted as it was. */
export async function swapIcon(icon: Icon, shape: Shape, bench: Bench): Promise<void> {
  const outline = await outlineOfIcon(icon, bench);
  const plain = framedOutline(outline);
  if (!plain) return;
  const side = Math.max(shape.width, shape.height);
  const scale = side / Math.max(plain.width, plain.height);
  const [width, height] = [plain.width * scale, plain.height * scale];
  const { form: _form, corners: _corners, ...rest } = shape;
  const swapped: Shape = {
    ...rest,
    name: `Icon: ${icon.name}`,
    outline: plain.outline,
    x: shape.x + (shape.width - width) / 2,
    y: shape.y + (shape.height - height) / 2,
    width,
    height,
  };
  act('Swap icon', (job) => replaceElement(job, swapped));
}
