import type { Ink } from '../core/colour/ink';
import { type Lightness, lightnessOf } from '../core/picture/lightness';
import { proofPicture, type Separation, separatePicture } from '../core/picture/separate';
import type { PressCondition } from '../core/trade/schema';
import { shelfBytes } from './shelf-files';
import { shelfKit } from './shelf-kit';
import * as small from './small-picture';

/** Pictures as they are seen on the stage, made off the page's thread. */

/** A picture in the colours of the screen; undefined where its file is gone. */
export async function firstLook(hash: string): Promise<Blob | undefined> {
  const bytes = await shelfBytes(hash);
  return bytes && small.firstLook(bytes);
}

/** A picture as the press shows it, small enough for the stage, and how light it is where; undefined where its file is gone. */
export async function preview(
  hash: string,
  printed: { condition: PressCondition; separation: Separation; inks: readonly Ink[] },
): Promise<{ image: Blob; light: Lightness } | undefined> {
  const bytes = await shelfBytes(hash);
  if (!bytes) return undefined;
  await shelfKit.loadProfiles([printed.condition.id]);
  const [{ engine, press }, pixels] = await Promise.all([shelfKit.load(), small.smallPixels(bytes)]);
  const on = press(printed.condition);
  const separated = separatePicture(pixels, engine, on, printed.separation);
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
