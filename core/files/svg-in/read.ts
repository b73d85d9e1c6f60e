import type { Element } from '@xmldom/xmldom';
import { type Matrix, multiply } from '../../geometry/matrix';
import { boxPath } from '../../geometry/path';
import type { FontBook } from '../../type/font';
import { type Art, cutTo } from '../art-in/art';
import { drawn } from './draw';
import { openSvg, SvgError } from './guard';
import type { Viewport } from './outlines';
import { type Around, children, inherit, openReading, type Style } from './reading';
import { lengthOf, shareOf } from './values';
import { viewBoxOf, viewMatrix } from './viewbox';

export { SvgError } from './guard';

/** Points for each user unit. */
const POINTS = 72 / 96;
/** What a drawing without a size of its own is taken to have, as browsers do. */
const USUAL: Viewport = { width: 300, height: 150 };

/** How large a drawing is, in user units: by its width and height, else by its view box. */
function sizeOf(root: Element, style: Style): Viewport {
  const box = viewBoxOf(root.getAttribute('viewBox'));
  const usual = box ?? USUAL;
  const size = {
    width: lengthOf(style.get('width') ?? '100%', usual.width) ?? usual.width,
    height: lengthOf(style.get('height') ?? '100%', usual.height) ?? usual.height,
  };
  // One side alone takes the other in proportion.
  if (box && style.has('width') && !style.has('height')) size.height = (size.width * box.height) / box.width;
  if (box && style.has('height') && !style.has('width')) size.width = (size.height * box.width) / box.height;
  if (!(size.width > 0 && size.height > 0))
    throw new SvgError('The drawing has no size: give it a width and a height.');
  return size;
}

/** Reads an SVG drawing as areas and lines. Throws SvgError for one that is refused or damaged. */
export function readSvg(bytes: Uint8Array, fonts: FontBook): Art {
  const document = openSvg(bytes);
  const reading = openReading(document, fonts);
  const root = document.documentElement!;
  const style = inherit(reading, root, new Map());
  const size = sizeOf(root, style);
  const box = viewBoxOf(root.getAttribute('viewBox'));
  const toPoints: Matrix = [POINTS, 0, 0, POINTS, 0, 0];
  const inside: Around = {
    style,
    matrix: multiply(toPoints, viewMatrix(box, size, root.getAttribute('preserveAspectRatio'))),
    viewport: box ? { width: box.width, height: box.height } : size,
    opacity: shareOf(style.get('opacity'), 1),
    clip: undefined,
    depth: 0,
    using: [],
  };
  const [width, height] = [size.width * POINTS, size.height * POINTS];
  const frame = boxPath({ x: 0, y: 0, width, height });
  const items = children(root)
    .flatMap((child) => drawn(reading, child, inside))
    .flatMap((item) => cutTo(item, frame));
  if (items.length === 0) throw new SvgError('There is nothing to see in this drawing.');
  const inks = Object.fromEntries(reading.colours.map((hex) => [hex, { kind: 'screen' as const, hex }]));
  return { width, height, items, inks, pictures: {}, notes: [...reading.notes] };
}
