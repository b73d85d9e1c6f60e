import type { ShopSpec } from '../../../core/trade/schema';
import { formatNumber, type PieceUnit, parseLength } from '../../../core/units/length';

type Size = NonNullable<ShopSpec['sizes']['card']>[number];

/** Sizes as they are typed, one a line: `Standard card: 3.5 × 2`. */
export const sizesText = (sizes: readonly Size[] | undefined, unit: PieceUnit): string =>
  (sizes ?? [])
    .map(({ name, width, height }) => `${name}: ${formatNumber(width, unit)} × ${formatNumber(height, unit)}`)
    .join('\n');

/** Sizes out of lines; words for the first line that is none. */
export function readSizes(text: string, unit: PieceUnit): { sizes: Size[] } | { message: string } {
  const sizes: Size[] = [];
  for (const line of text
    .split('\n')
    .map((each) => each.trim())
    .filter(Boolean)) {
    const [name, rest] = line.includes(':') ? line.split(/:(.*)/s) : [line, line];
    const [width, height] = (rest ?? '').split(/[×x]/).map((side) => parseLength(side.trim(), unit));
    if (!width?.ok || !height?.ok || width.points <= 0 || height.points <= 0)
      return { message: `“${line}” is no size. Write it like “Standard card: 85 × 55”.` };
    sizes.push({ name: name!.trim().slice(0, 80), width: width.points, height: height.points });
  }
  return { sizes };
}
