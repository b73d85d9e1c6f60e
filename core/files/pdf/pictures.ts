import type { PDFContext, PDFRef } from '@cantoo/pdf-lib';
import type { ColourEngine, Press } from '../../colour/engine';
import type { Ink } from '../../colour/ink';
import type { LaidPicture } from '../../devices/plates/device';
import { decodePicture, type Pixels } from '../../picture/decode';
import { probePicture } from '../../picture/probe';
import { resampled } from '../../picture/resample';
import { keepsNumbers, type SeparatedPicture, type Separation, separatePicture } from '../../picture/separate';
import { type ImageRef, imageKey } from '../../scene/device';
import { isPdfFile } from '../art-in/kind';
import { openWhole } from '../pdf-in/whole';
import { separatedFile } from '../separated';
import { ExportError, type PicturesAsked } from './asked';
import { embedPage } from './embed-page';
import { embedJpeg, embedLineArt, embedPicture, embedPlainJpeg } from './images';

/** Pictures on their way into a file: each is decoded and separated once. */
export interface PictureDesk {
  separated(image: ImageRef): LaidPicture;
  embed(image: ImageRef, ppi: number): PDFRef;
}

interface DeskKit {
  engine: ColourEngine;
  press: Press;
  assets: Readonly<Record<string, Uint8Array>>;
  nameOf(hash: string): string | undefined;
}

/** Pictures with fewer pixels than this on a side gain nothing by losing some. */
const LEAST_SIDE = 16;

function withFewer(picture: SeparatedPicture, ppi: number, { fewer }: PicturesAsked): SeparatedPicture {
  if (!fewer || ppi <= fewer.above || fewer.to >= ppi) return picture;
  const { width, height, plates, amounts, alpha } = picture;
  const sides = [width, height].map((side) => Math.max(LEAST_SIDE, Math.round((side * fewer.to) / ppi)));
  const [wide, high] = sides as [number, number];
  if (wide >= width || high >= height) return picture;
  const less = (data: Uint8Array, channels: number): Uint8Array =>
    resampled({ width, height, channels, data }, wide, high).data;
  return {
    width: wide,
    height: high,
    plates,
    amounts: less(amounts, plates.length),
    ...(alpha ? { alpha: less(alpha, 1) } : {}),
  };
}

/** Whether every pixel has all of its ink, or none: a tint of it is screened after all. */
const isBilevel = (amounts: Uint8Array): boolean => amounts.every((amount) => amount === 0 || amount === 255);

/** A CMYK JPEG whose numbers go to the press as they are: its file can too, untouched. */
function passes(bytes: Uint8Array, pixels: Pixels, separation: Separation, kit: DeskKit): boolean {
  const { type, orientation } = probePicture(bytes);
  return type === 'image/jpeg' && orientation === 1 && keepsNumbers(pixels, kit.engine, kit.press, separation);
}

/** Opens a desk for the pictures of one file. Throws ExportError for one that is missing, PictureError for a broken one. */
export function pictureDesk(
  context: PDFContext,
  inks: readonly Ink[],
  plateRef: (plate: string) => PDFRef,
  kit: DeskKit,
  asked: PicturesAsked = {},
): PictureDesk {
  const spots = new Set(inks.flatMap(({ kind, name }) => (kind === 'spot' ? [name] : [])));
  const kept = new Map<string, SeparatedPicture & { bytes: Uint8Array; passes: boolean }>();
  const open = (image: ImageRef) => {
    const found = kept.get(imageKey(image));
    if (found) return found;
    const bytes = kit.assets[image.asset];
    if (!bytes)
      throw new ExportError(`The picture ${kit.nameOf(image.asset) ?? image.asset} is missing. Put it in again.`);
    const pixels = isPdfFile(bytes) ? undefined : decodePicture(bytes);
    const made = {
      ...(pixels
        ? separatePicture(pixels, kit.engine, kit.press, image.separation)
        : separatedFile(bytes, image, kit.engine, kit.press)),
      bytes,
      passes: pixels !== undefined && passes(bytes, pixels, image.separation, kit),
    };
    kept.set(imageKey(image), made);
    return made;
  };
  return {
    separated: open,
    embed(image, ppi) {
      const bytes = kit.assets[image.asset];
      const page = bytes && isPdfFile(bytes) ? openWhole(bytes) : undefined;
      if (page?.isOfInks) return embedPage(context, page, (ink) => (spots.has(ink) ? plateRef(ink) : undefined));
      const whole = open(image);
      // Its cells keep the edges of its words: nothing is packed with loss, and none is dropped.
      if (page) return embedPicture(context, whole, inks, plateRef);
      if (whole.lineArt && whole.plates.length === 1 && isBilevel(whole.amounts))
        return embedLineArt(context, whole, plateRef);
      // Line art that prints as a tint keeps its edges too.
      const picture = whole.lineArt ? whole : withFewer(whole, ppi, asked);
      if (whole.passes && picture === whole) return embedPlainJpeg(context, whole.bytes, whole);
      return asked.quality === undefined
        ? embedPicture(context, picture, inks, plateRef)
        : embedJpeg(context, picture, asked.quality, inks, plateRef);
    },
  };
}
