import type { Ink } from '../core/colour/ink';
import { readPressProfile } from '../core/colour/profile';
import { separatedPictures } from '../core/devices/plates/pictures';
import { faceImages, type ImageFile, type ImagesAsked } from '../core/files/face-images';
import { hashOf } from '../core/files/hash';
import { type PdfFacts, readBack } from '../core/files/pdf/read-back';
import { OFFICE_TYPEFACE, type PdfAsked, type Progress, writePdf } from '../core/files/pdf/write';
import { pieceOf } from '../core/job/find';
import { typefacesIn } from '../core/job/look';
import { pressConditionOf } from '../core/job/press-of';
import type { Asset, Job } from '../core/job/schema';
import { shopIn } from '../core/job/shops-of';
import { decodePicture } from '../core/picture/decode';
import { type Lightness, lightnessOf } from '../core/picture/lightness';
import { probePicture } from '../core/picture/probe';
import { proofPicture, type Separation, separatePicture } from '../core/picture/separate';
import { upscaledBy } from '../core/picture/upscaled';
import type { OwnCondition, PressCondition } from '../core/trade/schema';
import { type OwnFont, plainFont, takeFont } from '../core/type/own-font';
import { findOwnFonts, findOwnProfiles, loadFontCutter, loadFonts, loadKit, loadPresses, loadProfiles } from './kit';

/** Heavy work, off the page's thread. Errors keep their message when they cross. */

export interface Written {
  bytes: Uint8Array;
  facts: PdfFacts;
}

const LONGEST_PREVIEW = 1800;

/** A picture as the press shows it, small enough for the stage, and how light it is where. */
export async function preview(
  bytes: Uint8Array,
  printed: { condition: PressCondition; separation: Separation; inks: readonly Ink[] },
): Promise<{ image: Blob; light: Lightness }> {
  await loadProfiles([printed.condition.id]);
  const { engine, press } = await loadPresses();
  const on = press(printed.condition);
  const separated = separatePicture(decodePicture(bytes), engine, on, printed.separation);
  const rgb = proofPicture(separated, engine, on, printed.inks);
  const { width, height, alpha } = separated;
  const image = new ImageData(width, height);
  for (let i = 0, from = 0, to = 0; i < width * height; i++) {
    image.data[to++] = rgb[from++]!;
    image.data[to++] = rgb[from++]!;
    image.data[to++] = rgb[from++]!;
    image.data[to++] = alpha ? alpha[i]! : 255;
  }
  const scale = Math.min(1, LONGEST_PREVIEW / Math.max(width, height));
  const canvas = new OffscreenCanvas(Math.round(width * scale), Math.round(height * scale));
  const context = canvas.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(await createImageBitmap(image), 0, 0, canvas.width, canvas.height);
  return { image: await canvas.convertToBlob({ type: 'image/png' }), light: lightnessOf(rgb, width, height) };
}

/** Looks a picture over from head to end before it is taken in. Throws with words for the user. */
export async function takeIn(bytes: Uint8Array, name: string): Promise<{ hash: string; asset: Asset }> {
  const { type, bits, quality } = probePicture(bytes);
  const pixels = decodePicture(bytes);
  const { width, height, space, alpha } = pixels;
  const upscaled = upscaledBy(pixels);
  return {
    hash: hashOf(bytes),
    asset: {
      name: name.replace(/\.(jpe?g|png)$/i, '').slice(0, 255),
      type,
      width,
      height,
      space,
      bits: bits as NonNullable<Asset['bits']>,
      ...(alpha ? { alpha: true as const } : {}),
      ...(upscaled === undefined ? {} : { upscaled }),
      ...(quality === undefined ? {} : { quality }),
    },
  };
}

/** Unpacks a font file and looks it over. Throws with words for the user. */
export async function takeInFont(bytes: Uint8Array): Promise<{ hash: string; bytes: Uint8Array; font: OwnFont }> {
  const plain = await plainFont(bytes, async (packed) => {
    const { default: unpack } = await import('woff2-encoder/decompress');
    return unpack(packed);
  });
  const font = takeFont(plain);
  return { hash: hashOf(plain), bytes: plain, font };
}

/** A profile's ink limit is not written in it: until the shop's is typed in, that of most sheet-fed presses (common practice). */
const USUAL_LIMIT = 3;

/** Looks a press's profile over. Throws with words for the user. */
export async function takeInProfile(bytes: Uint8Array): Promise<{ hash: string; condition: OwnCondition }> {
  const { engine } = await loadPresses();
  const { name } = readPressProfile(bytes, engine);
  return {
    hash: hashOf(bytes),
    condition: {
      name: name.slice(0, 120),
      intent: 'relative colorimetric',
      blackPointCompensation: true,
      totalInk: USUAL_LIMIT,
    },
  };
}

export async function exportPdf(
  job: Job,
  asked: PdfAsked,
  assets: Record<string, Uint8Array>,
  tell: (progress: Progress) => void,
): Promise<Written> {
  const kit = await loadKit();
  findOwnFonts(async (hash) => assets[hash]);
  findOwnProfiles(async (hash) => assets[hash]);
  await loadProfiles(Object.keys(job.conditions));
  await loadFonts([...typefacesIn(job), ...(asked.office ? [OFFICE_TYPEFACE] : [])]);
  const cutter = await loadFontCutter();
  const bytes = await writePdf(
    job,
    asked,
    { ...kit, cutter, press: kit.press(pressConditionOf(job, asked.shop)), assets },
    tell,
  );
  tell({ done: 1, what: 'Reading the file back' });
  // pdf.js looks for its own worker; with the worker's code loaded here it works in this thread.
  await import('pdfjs-dist/legacy/build/pdf.worker.mjs');
  const facts = await readBack(bytes, (await import('pdfjs-dist/legacy/build/pdf.mjs')) as never);
  return { bytes, facts };
}

/** Writes faces as pictures; `tell` hears what is being done. Throws with words for the user. */
export async function exportImages(
  job: Job,
  pieceId: string,
  asked: ImagesAsked,
  assets: Record<string, Uint8Array>,
  tell: (progress: Progress) => void,
): Promise<ImageFile[]> {
  const piece = pieceOf(job, pieceId);
  if (!piece) throw new Error('The piece is not in this job any more.');
  const kit = await loadKit();
  findOwnFonts(async (hash) => assets[hash]);
  findOwnProfiles(async (hash) => assets[hash]);
  await loadProfiles(Object.keys(job.conditions));
  await loadFonts(typefacesIn(job));
  await tell({ done: 0.2, what: 'Laying the plates' });
  const shop = shopIn(job, piece.shop);
  const press = kit.press(pressConditionOf(job, shop));
  const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
  return faceImages(job, piece, shop, asked, { ...kit, press, picture });
}
