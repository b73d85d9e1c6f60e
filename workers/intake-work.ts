import type { DetailsFound } from '../core/client/details/found';
import type { ColourSpace } from '../core/colour/engine';
import { readPressProfile } from '../core/colour/profile';
import type { Art } from '../core/files/art-in/art';
import { hashOf } from '../core/files/hash';
import { readJobFile } from '../core/files/job-file';
import type { JobBundle } from '../core/files/job-parts';
import { readyPictures } from '../core/files/pdf/drawn/jpx';
import { onePage } from '../core/files/pdf/one-page';
import { openPdf, PdfArtError, type PdfOpened, readPageArt } from '../core/files/pdf-in/page';
import { readWhole } from '../core/files/pdf-in/whole-facts';
import { readSvg } from '../core/files/svg-in/read';
import type { PageIn } from '../core/job/edits/placed';
import type { Asset } from '../core/job/schema';
import type { Column } from '../core/job/table';
import { asKept } from '../core/picture/as-kept';
import { decodePicture, type Pixels } from '../core/picture/decode';
import { LARGE, PictureError } from '../core/picture/limits';
import { isSideways, type PictureFacts, probePicture, refuseTooLong } from '../core/picture/probe';
import { upscaledBy } from '../core/picture/upscaled';
import type { TableAsked, TableRead } from '../core/run/read-table';
import { registeredFor } from '../core/trade/registered-conditions';
import type { OwnCondition } from '../core/trade/schema';
import type { Embedding } from '../core/type/embedding';
import { createFontBook, openFont } from '../core/type/font';
import { namedTypeface } from '../core/type/named-typeface';
import type { OwnFont } from '../core/type/own-font';
import { PLAIN } from '../core/type/style';
import { fontsOfCollection, plainFont, takeFont } from '../core/type/take-font';
import { TYPEFACES, type Typeface } from '../core/type/typefaces';
import { loadJpegDecoder } from './decoders';
import { loadEngine, loadFontCutter, openKit } from './kit';
import { quickHash } from './quick-hash';
import { keepOnShelf, shelfBytes } from './shelf-files';
import { middlePart, pngInPasses, screenPixels, smallPixels } from './small-picture';

/** Files that others made are looked over here, in a worker of its own: one that never ends is stopped with it. */

function lookedAtWhole(bytes: Uint8Array) {
  const pixels = decodePicture(bytes);
  const { width, height, space, alpha } = pixels;
  return { width, height, space, alpha: alpha !== undefined, upscaled: upscaledBy(pixels) };
}

/** How much of a large picture is looked at closely, in pixels a side. */
const PART = 2400;

/** A large picture is decoded by the browser, which tells of damage too; traces of enlargement are in any part of it. */
async function lookedAtInParts(bytes: Uint8Array, { width, height, channels, orientation, type }: PictureFacts) {
  let part: Pixels;
  try {
    part = await middlePart(bytes, PART);
  } catch {
    throw new PictureError('This picture is damaged and cannot be drawn. Save it again from its program.');
  }
  const [w, h] = isSideways(orientation) ? [height, width] : [width, height];
  const space: ColourSpace = channels <= 2 ? 'GRAY' : 'RGB';
  // A JPEG is never see-through: it need not be decoded a second time.
  const alpha = type === 'image/png' && (await smallPixels(bytes, 600)).alpha !== undefined;
  return { width: w, height: h, space, alpha, upscaled: upscaledBy(part) };
}

/** A picture that was taken in, and what of the file that came is not kept, in words. */
export interface TakenIn {
  hash: string;
  asset: Asset;
  told: string[];
}

/** Looks a picture over from head to end, and puts it on the shelf. Throws with words for the user. */
export async function takeIn(file: Blob, name: string): Promise<TakenIn> {
  refuseTooLong(file.size);
  await loadJpegDecoder();
  const came = new Uint8Array(await file.arrayBuffer());
  const { bytes, told } = await asKept(came, { ofScreen: screenPixels, inPasses: pngInPasses });
  const facts = probePicture(bytes);
  const { type, bits, quality, pixelAspect, orientation } = facts;
  const { width, height, space, alpha, upscaled } =
    facts.width * facts.height > LARGE && facts.channels !== 4
      ? await lookedAtInParts(bytes, facts)
      : lookedAtWhole(bytes);
  const hash = await quickHash(bytes);
  await keepOnShelf(hash, bytes);
  return {
    hash,
    told,
    asset: {
      name: name.replace(/\.(jpe?g|png|tiff?|webp|avif|gif|bmp)$/i, '').slice(0, 255),
      type,
      width,
      height,
      space,
      bits: bits as NonNullable<Asset['bits']>,
      ...(alpha ? { alpha: true as const } : {}),
      ...(upscaled === undefined ? {} : { upscaled }),
      ...(quality === undefined ? {} : { quality }),
      ...(pixelAspect === undefined ? {} : { pixelAspect: isSideways(orientation) ? 1 / pixelAspect : pixelAspect }),
    },
  };
}

/** Opens a job file, off the page's thread: all of it is looked over. Throws with words for the user. */
export const openJobFile = async (bytes: Uint8Array): Promise<JobBundle> => readJobFile(bytes);

const unpackedFont = (bytes: Uint8Array): Promise<Uint8Array> =>
  plainFont(bytes, async (packed) => {
    const { default: unpack } = await import('woff2-encoder/decompress');
    return unpack(packed);
  });

/** The fonts that a collection holds, by name; none for a file of one font. Throws with words for the user. */
export const fontsInFile = async (bytes: Uint8Array): Promise<string[]> =>
  fontsOfCollection(await unpackedFont(bytes)).map(({ name }) => name);

/** What a font's maker asks of whoever puts it into files, said when it comes in and not only when a file is to leave. */
const ASKED_OF_FILES: Readonly<Record<Embedding, string | undefined>> = {
  allowed: undefined,
  whole: 'Its maker wants it whole in every exported file, which makes those larger.',
  forbidden:
    'Its maker does not let it go into exported files: words in it stop the export. Choose another, or get a licence that lets it.',
};

/** Unpacks a font file, or one font of a collection, and looks it over. Throws with words for the user. */
export async function takeInFont(
  bytes: Uint8Array,
  which = 0,
): Promise<{ hash: string; bytes: Uint8Array; font: OwnFont; told: string | undefined }> {
  const unpacked = await unpackedFont(bytes);
  const plain = fontsOfCollection(unpacked)[which]?.file() ?? unpacked;
  // A font that cannot be cut down would only fail when it is exported.
  const font = takeFont(plain, await loadFontCutter());
  return { hash: hashOf(plain), bytes: plain, font, told: ASKED_OF_FILES[openFont(plain).embedding] };
}

/** A profile's ink limit is not written in it: until the shop's is typed in, that of most sheet-fed presses (common practice). */
const USUAL_LIMIT = 3;

/** Looks a press's profile over. Throws with words for the user. */
export async function takeInProfile(bytes: Uint8Array): Promise<{ hash: string; condition: OwnCondition }> {
  const engine = await loadEngine();
  const { name, characterisation } = readPressProfile(bytes, engine);
  const registered = registeredFor(characterisation, name);
  return {
    hash: hashOf(bytes),
    condition: {
      name: name.slice(0, 120),
      intent: 'relative colorimetric',
      blackPointCompensation: true,
      totalInk: USUAL_LIMIT,
      ...(registered ? { registered: registered.name } : {}),
    },
  };
}

/** The plain typeface, in which a drawing's words are outlined. */
const WORDS_IN = ['source-sans-3/regular', 'source-sans-3/bold'];
export const kit = openKit(shelfBytes);
const book = createFontBook((id) => kit.fontFile(id));

/** Reads an SVG drawing. Throws with words for the user. */
export async function readDrawing(bytes: Uint8Array): Promise<Art> {
  await kit.loadFonts(WORDS_IN);
  return readSvg(bytes, book);
}

/** A page of a PDF as art, or why it cannot be; and how many pages there are. */
export interface PageTaken {
  pages: number;
  art?: Art;
  problem?: string;
}

/** Reads a page of a PDF, 0 first, and puts its pictures on the shelf; `added` are the job's own typefaces. */
export async function readPage(bytes: Uint8Array, page: number, added: readonly Typeface[]): Promise<PageTaken> {
  const faces = [...TYPEFACES, ...added];
  const opened = openPdf(bytes);
  const { pages } = opened;
  const here = opened.fonts.flatMap((name) => namedTypeface(name, faces)?.id ?? []);
  await Promise.all([loadJpegDecoder(), kit.loadFonts([...here, PLAIN.lettering.typeface])]);
  try {
    await readyPictures(opened.view, page);
    const { files, ...art } = readPageArt(opened, page, {
      type: { styles: [], fonts: book },
      typefaceOf: (name) => namedTypeface(name, faces)?.id,
      plain: PLAIN.lettering.typeface,
    });
    const pictures: Art['pictures'] = {};
    const notes = new Set(art.notes);
    for (const [key, file] of Object.entries(files)) {
      const { hash, asset, told } = await takeIn(new Blob([file as BlobPart]), 'From a PDF');
      pictures[key] = { hash, asset };
      for (const each of told) notes.add(`A picture: ${each}`);
    }
    return { pages, art: { ...art, pictures, notes: [...notes] } };
  } catch (error) {
    // Another page may be sound: it is known how many there are.
    if (error instanceof PdfArtError) return { pages, problem: error.message };
    throw error;
  }
}

/** A page of a PDF that is to be placed as one thing, with how many pages its file has. */
export interface WholeTaken extends PageIn {
  pages: number;
}

/** A page by itself: its file as it is where it has no other. */
const pageByItself = async ({ view, pages }: PdfOpened, bytes: Uint8Array, page: number): Promise<Uint8Array> =>
  pages === 1 ? bytes : onePage(view, Math.min(page, pages - 1));

/** More pages of a file than this are not looked through for one that is missing. */
const MOST_SOUGHT = 200;

/** A page of a PDF by itself, as it was placed: the one with that hash, if there is one. */
export async function pageOfHash(
  bytes: Uint8Array,
  hashes: readonly string[],
): Promise<[string, Uint8Array] | undefined> {
  const opened = openPdf(bytes);
  for (let n = 0; n < Math.min(opened.pages, MOST_SOUGHT); n++) {
    const own = await pageByItself(opened, bytes, n);
    const hash = await quickHash(own);
    if (hashes.includes(hash)) return [hash, own];
  }
  return undefined;
}

/** Puts a page of a PDF, 0 first, on the shelf as it is, by itself where it has others beside it. Throws with words for the user. */
export async function takeWhole(bytes: Uint8Array, page: number, name: string): Promise<WholeTaken> {
  const opened = openPdf(bytes);
  const own = await pageByItself(opened, bytes, page);
  await loadJpegDecoder();
  const { width, height, facts, unread, spots } = readWhole(own);
  if (unread.length > 0)
    throw new PictureError(
      `This page cannot be placed whole, since not all of it can be shown: ${unread.join(', ')}. Import its elements instead, or export it again with its typefaces in it.`,
    );
  const hash = await quickHash(own);
  await keepOnShelf(hash, own);
  return {
    hash,
    asset: { name: name.slice(0, 255), type: 'application/pdf', width, height, page: facts },
    spots,
    pages: opened.pages,
  };
}

/** What a text tells of a client. Its tables of numbers and names come when they are first asked for. */
export async function readDetails(text: string, told?: string, isChosen = false): Promise<DetailsFound> {
  const { readDetails: read } = await import('../core/client/details/read-details');
  return read(text, told, isChosen);
}

/** A bitmap as drawn areas in a few colours. Throws with words for the user. */
export async function traceLogo(file: Blob, colours: number): Promise<Art> {
  refuseTooLong(file.size);
  await loadJpegDecoder();
  const came = new Uint8Array(await file.arrayBuffer());
  const { bytes } = await asKept(came, { ofScreen: screenPixels, inPasses: pngInPasses });
  const { width, height } = probePicture(bytes);
  const pixels = width * height > LARGE ? await smallPixels(bytes, 2000) : decodePicture(bytes);
  const { traceArt } = await import('../core/client/trace-logo');
  return traceArt(pixels, colours, book);
}

/** A table as it was read, and the file of its rows that is kept: comma-separated UTF-8, whatever it came as. */
export interface TableTaken extends Omit<TableRead, 'cells'> {
  hash: string;
  rows: number;
  columns: Column[];
  /** The first rows, to be looked at before it is taken. */
  sample: string[][];
}

/** Reads a table and puts its rows on the shelf. Throws with words for the user. */
export async function takeTable(file: Blob, asked: TableAsked, before: readonly Column[]): Promise<TableTaken> {
  const { readTable, columnsFor } = await import('../core/run/read-table');
  const { tableFile } = await import('../core/run/rows');
  const { cells, ...read } = await readTable(new Uint8Array(await file.arrayBuffer()), asked);
  const bytes = tableFile(read.heads, cells);
  const hash = await quickHash(bytes);
  await keepOnShelf(hash, bytes);
  const sample = cells.slice(0, 6).map((row) => [...row]);
  return { ...read, hash, rows: cells.length, columns: columnsFor({ heads: read.heads, cells }, before), sample };
}

/** Pictures out of a zip, or single files, under their file names. Those that cannot be used are told of. */
export async function takeRowPictures(
  files: readonly File[],
): Promise<{ pictures: { file: string; hash: string; asset: Asset }[]; told: string[] }> {
  const { unzipPictures } = await import('../core/run/zip-pictures');
  const pictures: { file: string; hash: string; asset: Asset }[] = [];
  const told: string[] = [];
  for (const given of files) {
    const isZip = /\.zip$/i.test(given.name);
    const found = isZip
      ? unzipPictures(new Uint8Array(await given.arrayBuffer()))
      : [{ name: given.name, bytes: new Uint8Array(await given.arrayBuffer()) }];
    for (const { name, bytes } of found)
      try {
        const { hash, asset } = await takeIn(new Blob([bytes as BlobPart]), name);
        pictures.push({ file: name, hash, asset });
      } catch (error) {
        told.push(`${name}: ${(error as Error).message}`);
      }
  }
  return { pictures, told };
}
