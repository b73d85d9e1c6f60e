import type { Element } from '@xmldom/xmldom';
import { boxPath, linePath, type Path, readPath, type Segment } from '../../geometry/path';
import { lengthOf, numbersOf } from './values';

/** The size that percentages are of. */
export interface Viewport {
  width: number;
  height: number;
}

const QUARTER = (4 / 3) * (Math.SQRT2 - 1);

function roundedBox(x: number, y: number, w: number, h: number, rx: number, ry: number): Path {
  const [kx, ky] = [rx * (1 - QUARTER), ry * (1 - QUARTER)];
  return [
    ['M', x + rx, y],
    ['L', x + w - rx, y],
    ['C', x + w - kx, y, x + w, y + ky, x + w, y + ry],
    ['L', x + w, y + h - ry],
    ['C', x + w, y + h - ky, x + w - kx, y + h, x + w - rx, y + h],
    ['L', x + rx, y + h],
    ['C', x + kx, y + h, x, y + h - ky, x, y + h - ry],
    ['L', x, y + ry],
    ['C', x, y + ky, x + kx, y, x + rx, y],
    ['Z'],
  ];
}

/** An ellipse from its right, clockwise: where SVG lets dashes begin. */
function ring(cx: number, cy: number, rx: number, ry: number): Path {
  const [kx, ky] = [rx * QUARTER, ry * QUARTER];
  return [
    ['M', cx + rx, cy],
    ['C', cx + rx, cy + ky, cx + kx, cy + ry, cx, cy + ry],
    ['C', cx - kx, cy + ry, cx - rx, cy + ky, cx - rx, cy],
    ['C', cx - rx, cy - ky, cx - kx, cy - ry, cx, cy - ry],
    ['C', cx + kx, cy - ry, cx + rx, cy - ky, cx + rx, cy],
    ['Z'],
  ];
}

const polyline = (text: string | null, closed: boolean): Path => {
  const n = numbersOf(text ?? '');
  const points = Array.from(
    { length: Math.floor(n.length / 2) },
    (_, i): Segment => [i === 0 ? 'M' : 'L', n[2 * i]!, n[2 * i + 1]!],
  );
  return closed && points.length > 0 ? [...points, ['Z']] : points;
};

/** The outline of a basic shape or a path, in its own units; undefined for an element that has none. */
export function outlineOfSvg(
  element: Element,
  style: ReadonlyMap<string, string>,
  { width, height }: Viewport,
): Path | undefined {
  const diagonal = Math.hypot(width, height) / Math.SQRT2;
  const across = (name: string): number => lengthOf(style.get(name), width) ?? 0;
  const down = (name: string): number => lengthOf(style.get(name), height) ?? 0;
  const round = (name: string): number | undefined => lengthOf(style.get(name), diagonal);
  switch (element.localName) {
    case 'path': {
      const data = (style.get('d') ?? '').replace(/^path\(["']?|["']?\)$/g, '');
      // As browsers do: a path is drawn up to its fault.
      return data.trim() === '' ? [] : readPath(data).path;
    }
    case 'rect': {
      const [w, h] = [across('width'), down('height')];
      if (w <= 0 || h <= 0) return [];
      const given = { rx: round('rx'), ry: round('ry') };
      const rx = Math.min(given.rx ?? given.ry ?? 0, w / 2);
      const ry = Math.min(given.ry ?? given.rx ?? 0, h / 2);
      const box = { x: across('x'), y: down('y'), width: w, height: h };
      return rx > 0 && ry > 0 ? roundedBox(box.x, box.y, w, h, rx, ry) : boxPath(box);
    }
    case 'circle':
    case 'ellipse': {
      const r = round('r') ?? 0;
      const rx =
        element.localName === 'circle'
          ? r
          : (lengthOf(style.get('rx'), width) ?? lengthOf(style.get('ry'), height) ?? 0);
      const ry = element.localName === 'circle' ? r : (lengthOf(style.get('ry'), height) ?? rx);
      if (rx <= 0 || ry <= 0) return [];
      return ring(across('cx'), down('cy'), rx, ry);
    }
    case 'line':
      return linePath({ x: across('x1'), y: down('y1') }, { x: across('x2'), y: down('y2') });
    case 'polyline':
      return polyline(element.getAttribute('points'), false);
    case 'polygon':
      return polyline(element.getAttribute('points'), true);
    default:
      return undefined;
  }
}
