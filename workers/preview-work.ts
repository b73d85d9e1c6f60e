import type { Ink } from '../core/colour/ink';
import { isPdfFile } from '../core/files/art-in/kind';
import { cellsOfWhole, layWhole, openWhole } from '../core/files/pdf-in/whole';
import { type Lightness, lightnessOf } from '../core/picture/lightness';
import { proofPicture, type Separation, separatePicture } from '../core/picture/separate';
import type { PressCondition } from '../core/trade/schema';
import { shelfBytes } from './shelf-files';
import { shelfKit } from './shelf-kit';
import * as small from './small-picture';

/** Pictures as they are seen on the stage, made off the page's thread. */

/** The longest side of a page's first picture, in cells. */
const FIRST = 800;

/** The cells of a page, no more than so many a side. */
function cellsFor(bytes: Uint8Array, longest: number): { width: number; height: number } {
  const { width, height } = cellsOfWhole(openWhole(bytes));
  const scale = Math.min(1, longest / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}

/** A picture in the colours of the screen; undefined where its file is gone. */
export async function firstLook(hash: string): Promise<Blob | undefined> {
  const bytes = await shelfBytes(hash);
  if (!bytes || !isPdfFile(bytes)) return bytes && small.firstLook(bytes);
  return small.inkLook(layWhole(bytes, cellsFor(bytes, FIRST)));
}

/** A picture as the press shows it, small enough for the stage, and how light it is where; undefined where its file is gone. */
export async function preview(
  hash: string,
  printed: { condition: PressCondition; separation: Separation; inks: readonly Ink[] },
): Promise<{ image: Blob; light: Lightness } | undefined> {
  const bytes = await shelfBytes(hash);
  if (!bytes) return undefined;
  await shelfKit.loadProfiles([printed.condition.id]);
  const { engine, press } = await shelfKit.load();
  const on = press(printed.condition);
  const separated = isPdfFile(bytes)
    ? layWhole(bytes, cellsFor(bytes, small.LONGEST_PREVIEW), on.separateAll)
    : separatePicture(await small.smallPixels(bytes), engine, on, printed.separation);
  const rgb = proofPicture(separated, engine, on, printed.inks);
  const { width, height, alpha } = separated;
  const image = new ImageData(width, height);
  for (let i = 0, from = 0, to = 0; i < width * height; i++) {
    image.data[to++] = rgb[from++]!;
    image.data[to++] = rgb[from++]!;
    image.data[to++] = rgb[from++]!;
    image.data[to++] = alpha ? alpha[i]! : 255;
  }
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')!.putImageData(image, 0, 0);
  return { image: await small.packed(canvas, alpha !== undefined), light: lightnessOf(rgb, width, height) };
}
