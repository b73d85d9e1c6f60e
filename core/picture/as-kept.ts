import { writtenOf } from '../colour/srgb';
import { decodePicture, type Pixels } from './decode';
import { isCutShort, withoutCut } from './jpeg-cut';
import { keptFile } from './keep';
import { PictureError } from './limits';
import { isAnimated, pngWishes, soundPng } from './png-chunks';
import { isTiff, probePicture, refuseTooLong, SCREEN_KINDS, screenKind } from './probe';

/** A picture file as it is kept, and what is different from the one that came, in words. */
export interface AsKept {
  bytes: Uint8Array;
  told: string[];
}

/** Ways to read pictures that this thread has to be given. */
export interface Readers {
  /** A picture of a kind that browsers draw and print shops do not take, as the screen has it; throws where it cannot. */
  ofScreen(bytes: Uint8Array, type: string): Promise<Pixels>;
  /** A PNG whose rows come in passes. */
  inPasses(bytes: Uint8Array): Promise<Pixels>;
}

/** An amount of light that is written by a power, as sRGB writes it (IEC 61966-2-1): 0 to 255 each. */
function asSrgb(gamma: number): Uint8Array {
  return Uint8Array.from({ length: 256 }, (_, i) => {
    return Math.round(255 * writtenOf((i / 255) ** (1 / gamma)));
  });
}

async function pngAsKept(bytes: Uint8Array, { inPasses }: Readers): Promise<AsKept> {
  const { gamma, orientation, hasPasses } = pngWishes(bytes);
  const facts = probePicture(bytes);
  const still = isAnimated(bytes) ? ['It moves; its first picture was imported.'] : [];
  // Of fewer bits in passes, pixels do not lie where the usual decoder looks for them.
  const isWoven = hasPasses && facts.bits < 8;
  if (gamma === undefined && orientation === 1 && !isWoven) return { bytes, told: still };
  const pixels = isWoven ? await inPasses(soundPng(bytes, facts)) : decodePicture(bytes);
  const curve = gamma === undefined ? undefined : asSrgb(gamma);
  const colour = curve ? pixels.colour.map((value) => curve[value]!) : pixels.colour;
  // Line art of two levels has no gamma to speak of.
  const kept = keptFile(pixels.lineArt ? pixels : { ...pixels, colour }, orientation, facts.pixelAspect);
  return { bytes: kept.bytes, told: [...still, ...kept.told] };
}

/**
 * A picture that came from outside as the app keeps pictures: JPEG and PNG as they are, TIFF, WebP, AVIF, GIF and BMP
 * converted, so that all that print needs of them is kept. Throws PictureError with words for the user.
 */
export async function asKept(bytes: Uint8Array, readers: Readers): Promise<AsKept> {
  refuseTooLong(bytes.length);
  if (isTiff(bytes)) {
    // Only who brings one needs what reads them.
    const { readTiff } = await import('./tiff-in');
    const { orientation, pixelAspect, told, ...pixels } = await readTiff(bytes);
    const kept = keptFile(pixels, orientation, pixelAspect);
    return { bytes: kept.bytes, told: [...told, ...kept.told] };
  }
  const kind = screenKind(bytes);
  if (kind) {
    const { name, type, lossy } = SCREEN_KINDS[kind];
    let pixels: Pixels;
    try {
      pixels = await readers.ofScreen(bytes, type);
    } catch (error) {
      if (error instanceof PictureError) throw error;
      throw new PictureError(
        `This ${name} picture is damaged, or this browser does not draw them. Save it as JPEG or PNG.`,
      );
    }
    const kept = keptFile(pixels, 1);
    const loses = lossy ? ' What its packing may have lost stays lost: ask for the picture it was made from.' : '';
    return { bytes: kept.bytes, told: [`A ${name} picture, made for screens, was converted to PNG in sRGB.${loses}`] };
  }
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && isCutShort(bytes))
    return { bytes: withoutCut(bytes), told: ['Its end mark was missing and was put on; all its rows are there.'] };
  if (probePicture(bytes).type === 'image/png') return pngAsKept(bytes, readers);
  return { bytes, told: [] };
}
