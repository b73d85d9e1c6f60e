import type { Shadow } from '../colour/fill';
import type { Plates } from '../colour/ink';
import { ontoBox } from '../geometry/matrix';
import { type Path, pathBounds, pathData, transformPath } from '../geometry/path';
import { blurred, coverageOf } from '../geometry/raster';
import type { Device, Tone } from './device';
import { silhouetteDevice } from './silhouette';

/** Cells an inch of a shadow that is hardly spread: as fine as a picture should be (common practice). */
const PPI = 300;
/** A spread edge needs no finer cells than this share of its spread. */
const CELLS_A_SIGMA = 6;
const MOST_CELLS = 12_000_000;

interface Cast {
  tone: Tone;
  /** From the outline's top left corner, points. */
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The shadow of an outline, its edge spread by `blur` to either side. The Gaussian's sigma is half of that. */
function cast(
  path: Path,
  corner: { x: number; y: number },
  size: { width: number; height: number },
  blur: number,
): Cast {
  const sigma = blur / 2;
  const fine = Math.min(PPI, sigma > 0 ? (72 * CELLS_A_SIGMA) / sigma : PPI);
  const margin = 3 * sigma + 72 / fine;
  const [wide, high] = [size.width + 2 * margin, size.height + 2 * margin];
  const coarse = Math.sqrt(MOST_CELLS / (wide * high)) * 72;
  const scale = Math.min(fine, coarse) / 72;
  const [width, height] = [Math.ceil(wide * scale), Math.ceil(high * scale)];
  const inCells = transformPath(path, [scale, 0, 0, scale, (margin - corner.x) * scale, (margin - corner.y) * scale]);
  const spread = blurred(coverageOf(inCells, width, height), width, height, sigma * scale);
  const amounts = Uint8Array.from(spread, (share) => Math.round(255 * Math.min(1, share)));
  return {
    tone: { width, height, amounts },
    x: -margin,
    y: -margin,
    width: width / scale,
    height: height / scale,
  };
}

const kept = new Map<string, Cast>();
const MOST_KEPT = 40;

/** A shadow is cast once for each outline, wherever it lies: dragging something does not blur it anew. */
function castOnce(path: Path, blur: number): (Cast & { at: { x: number; y: number } }) | undefined {
  const box = pathBounds(path);
  if (!box) return undefined;
  const key = `${blur} ${pathData(transformPath(path, [1, 0, 0, 1, -box.x, -box.y]))}`;
  const found = kept.get(key) ?? cast(path, box, box, blur);
  kept.delete(key);
  kept.set(key, found);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return { ...found, at: { x: box.x, y: box.y } };
}

/** The soft shadow of whatever `draw` draws, in one ink. */
export function drawShadow(shadow: Shadow, draw: (device: Device) => void, colour: Plates, device: Device): void {
  const outline = silhouetteDevice();
  draw(outline);
  const found = castOnce(outline.path(), shadow.blur);
  if (!found) return;
  const { tone, x, y, width, height, at } = found;
  const place = ontoBox({ x: at.x + x + shadow.x, y: at.y + y + shadow.y, width, height });
  device.drawTone(tone, place, colour);
}
