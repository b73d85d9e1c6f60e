import type { KeptPlates } from '../core/checks/kept-plates';
import { layPiece } from '../core/checks/on-plates';
import type { PlateContext } from '../core/checks/plate-check';
import type { ColourEngine, Press } from '../core/colour/engine';
import type { LaidPicture } from '../core/devices/plates/device';
import { laidPicture } from '../core/devices/plates/pictures';
import { isPdfFile } from '../core/files/art-in/kind';
import { laidFile } from '../core/files/separated';
import { pieceOf } from '../core/job/find';
import { typefacesIn } from '../core/job/look';
import { pressConditionOf } from '../core/job/press-of';
import type { Job } from '../core/job/schema';
import { shopIn } from '../core/job/shops-of';
import { LARGE } from '../core/picture/limits';
import { type ImageRef, imageKey } from '../core/scene/device';
import { imagesIn } from '../core/scene/images';
import type { ShopSpec } from '../core/trade/schema';
import { loadJpegDecoder } from './decoders';
import { keepSeparation, keptSeparation } from './kept-separations';
import { shelfBytes } from './shelf-files';
import { shelfKit } from './shelf-kit';
import { smallPixels } from './small-picture';

/** Pieces laid on their plates from the shelf, off the page's thread. */

export interface InkAsked {
  job: Job;
  pieceId: string;
}

/** Separated pictures by condition, as long as they are used: the newest at the end. */
const pictures = new Map<string, Map<string, LaidPicture>>();

async function picturesFor({ job, pieceId }: InkAsked, shop: ShopSpec) {
  const piece = pieceOf(job, pieceId)!;
  const kit = await shelfKit.load();
  const condition = pressConditionOf(job, shop);
  const press = kit.press(condition);
  const key = JSON.stringify(condition);
  const kept = pictures.get(key) ?? new Map<string, LaidPicture>();
  pictures.clear();
  pictures.set(key, kept);
  const wanted = imagesIn(piece.faces, job);
  for (const old of kept.keys()) if (!wanted.has(old)) kept.delete(old);
  for (const [name, image] of wanted) {
    if (kept.has(name)) continue;
    const stored = `${key} ${name}`;
    const before = await keptSeparation(stored);
    if (before) {
      kept.set(name, before);
      continue;
    }
    const bytes = await shelfBytes(image.asset);
    const made = bytes && (await separated(bytes, image, kit.engine, press));
    if (made) kept.set(name, made);
    if (made) await keepSeparation(stored, made);
  }
  return { press, picture: (image: ImageRef) => kept.get(imageKey(image)) };
}

/** As fine as plates are ever looked at: an A3 sheet at more than 150 cells an inch. */
const FINE = 4000;

/** A picture on its plates. Of a large one, as many pixels as plates can tell apart. */
async function separated(bytes: Uint8Array, image: ImageRef, engine: ColourEngine, press: Press): Promise<LaidPicture> {
  await loadJpegDecoder();
  if (isPdfFile(bytes) || image.width * image.height <= LARGE) return laidFile(bytes, image, engine, press);
  return laidPicture(await smallPixels(bytes, FINE), image, engine, press);
}

/** The printed faces of a piece on their plates; none where the job has no such piece. */
export async function layAnew(
  asked: InkAsked,
  { shop: other, ...how }: { ppi?: number; trimOnly?: boolean; shop?: ShopSpec; kept?: KeptPlates } = {},
): Promise<PlateContext[]> {
  const { job, pieceId } = asked;
  const piece = pieceOf(job, pieceId);
  if (!piece) return [];
  const kit = await shelfKit.load();
  await shelfKit.loadProfiles(Object.keys(job.conditions));
  await shelfKit.loadFonts(typefacesIn(job));
  const shop = other ?? shopIn(job, piece.shop);
  const { press, picture } = await picturesFor(asked, shop);
  return layPiece(job, piece, { fonts: kit.fonts, press }, { picture, ...how }, shop);
}
