import type { Box } from '../../geometry/box';
import { IDENTITY, type Matrix } from '../../geometry/matrix';
import type { Viewport } from './outlines';
import { numbersOf } from './values';

const ALIGN: Record<string, number> = { Min: 0, Mid: 0.5, Max: 1 };

/** A viewBox attribute; undefined for none, or one of no extent. */
export function viewBoxOf(text: string | null | undefined): Box | undefined {
  const [x, y, width, height] = numbersOf(text ?? '');
  return height !== undefined && width! > 0 && height > 0 ? { x: x!, y: y!, width: width!, height } : undefined;
}

/** What lays a view box in a viewport, as preserveAspectRatio says (SVG 1.1, 7.8). */
export function viewMatrix(box: Box | undefined, { width, height }: Viewport, keep: string | null | undefined): Matrix {
  if (!box) return IDENTITY;
  const [sx, sy] = [width / box.width, height / box.height];
  const [align = 'xMidYMid', fit = 'meet'] = (keep ?? '').trim().split(/\s+/).filter(Boolean);
  if (align === 'none') return [sx, 0, 0, sy, -box.x * sx, -box.y * sy];
  const scale = fit === 'slice' ? Math.max(sx, sy) : Math.min(sx, sy);
  const found = /^x(Min|Mid|Max)Y(Min|Mid|Max)$/.exec(align);
  const [ax, ay] = [ALIGN[found?.[1] ?? 'Mid']!, ALIGN[found?.[2] ?? 'Mid']!];
  const x = (width - box.width * scale) * ax - box.x * scale;
  const y = (height - box.height * scale) * ay - box.y * scale;
  return [scale, 0, 0, scale, x, y];
}
