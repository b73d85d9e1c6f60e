import type { Ink } from '../core/colour/ink';
import { type Lightness, lightnessOf } from '../core/picture/lightness';
import { proofPicture, type Separation, separatePicture } from '../core/picture/separate';
import type { PressCondition } from '../core/trade/schema';
import { type BytesOf, type KitShelf, openKit } from './kit';
import { packed, smallPixels } from './small-picture';

/** Pictures as they are seen on the stage, made off the page's thread. */

let shelf: KitShelf = openKit(async () => undefined);
/** Says where the files of the user's own profiles are, for pictures. */
export function openShelf(find: BytesOf): void {
  shelf = openKit(find);
}

/** A picture in the colours of the screen. */
export { firstLook } from './small-picture';

/** A picture as the press shows it, small enough for the stage, and how light it is where. */
export async function preview(
  bytes: Uint8Array,
  printed: { condition: PressCondition; separation: Separation; inks: readonly Ink[] },
): Promise<{ image: Blob; light: Lightness }> {
  await shelf.loadProfiles([printed.condition.id]);
  const [{ engine, press }, pixels] = await Promise.all([shelf.load(), smallPixels(bytes)]);
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
  return { image: await packed(canvas, alpha !== undefined), light: lightnessOf(rgb, width, height) };
}
