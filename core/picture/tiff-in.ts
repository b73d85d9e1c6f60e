import { addDecoder, BaseDecoder, fromArrayBuffer, type GeoTIFFImage } from 'geotiff';
import { type FaxKind, unpackFax } from '../packed/fax';
import { TooMuchPacked, unpackWithin } from '../packed/inflate';
import { joined } from '../packed/joined';
import { unpackLzw } from '../packed/lzw';
import { unpackRuns } from '../packed/run-length';
import type { Pixels } from './decode';
import { aspectOf as pixelAspectOf } from './exif';
import { jpegPixels } from './jpeg-decode';
import { PictureError } from './limits';
import { refuseSize } from './probe';

/** TIFF files of other makes (TIFF 6.0 with its supplements), as pixels of 8 bits a channel. */

/** A picture that was read, and what is not kept of its file, in words. */
export interface TiffIn extends Pixels {
  /** How it is to be turned upright, 1 to 8. */
  orientation: number;
  /** How wide a pixel is to its height, where the file says that it is not square. */
  pixelAspect?: number;
  told: string[];
}

const SAVE = 'Save it again from its program as RGB, CMYK or grey, with LZW or no compression.';
const DAMAGED = 'This TIFF is damaged or cut short. Get the file again, or save it again from its program.';

/** Ways of packing that cannot be read, by the name that people know them by. */
const UNREAD: Readonly<Record<number, string>> = {
  6: 'as JPEG in the old way',
  34712: 'as JPEG 2000',
  34887: 'by LERC',
  50000: 'by Zstandard',
  50001: 'as WebP',
};
const FAX = [2, 3, 4];
const READ = [1, ...FAX, 5, 7, 8, 32773, 32946];

const PHOTOMETRIC = { whiteIsZero: 0, blackIsZero: 1, rgb: 2, palette: 3, separated: 5, yCbCr: 6 } as const;
const SEPARATE_PLANES = 2;
const LOW_FIRST = 2;

/** What a block of rows or a tile is decoded by. */
interface Block {
  tileWidth: number;
  tileHeight: number;
  bitsPerSample: ArrayLike<number> | number;
  planarConfiguration: number;
  rowsInAll?: number;
  /** How a fax has it. */
  compression?: number;
  faxOptions?: number;
  fillOrder?: number;
  /** Tables that all JPEG blocks of a file share, and what their three or four channels are. */
  tables?: Uint8Array;
  photometric?: number;
}

const bitsOf = ({ bitsPerSample }: Block): number[] =>
  typeof bitsPerSample === 'number' ? [bitsPerSample] : Array.from(bitsPerSample);

/** The bytes that a block holds; the last one of rows may hold fewer. */
function sizeOf(block: Block): number {
  const bits = bitsOf(block);
  const deep = block.planarConfiguration === SEPARATE_PLANES ? bits[0]! : bits.reduce((a, b) => a + b, 0);
  return Math.ceil((block.tileWidth * deep) / 8) * block.tileHeight;
}

/** A copy of its own: what Node reads shares its memory, and so does a slice of it. */
const own = (bytes: Uint8Array): ArrayBuffer => new Uint8Array(bytes).buffer;

/** A decoder whose blocks may not grow beyond what they hold. */
const bounded = (unpack: (packed: Uint8Array, most: number, block: Block) => Uint8Array) =>
  class extends BaseDecoder {
    override decodeBlock(buffer: ArrayBufferLike): ArrayBuffer {
      const block = this.parameters as unknown as Block;
      return own(unpack(new Uint8Array(buffer), sizeOf(block), block));
    }
  };

const START = Uint8Array.of(0xff, 0xd8);
/** Says what the channels of a JPEG are: 1 that they are brightness and colour differences, 0 that they are as they are. */
const adobeMarker = (transform: 0 | 1): Uint8Array =>
  Uint8Array.of(0xff, 0xee, 0, 14, ...[0x41, 0x64, 0x6f, 0x62, 0x65], 0, 100, 0, 0, 0, 0, transform);

/** A block that is a JPEG of its own, but for tables that the file keeps once (TIFF Technical Note 2). */
function unpackJpeg(packed: Uint8Array, _most: number, block: Block): Uint8Array {
  const { tables, photometric } = block;
  const channels = block.planarConfiguration === SEPARATE_PLANES ? 1 : bitsOf(block).length;
  if (channels !== 1 && channels !== 3 && channels !== 4) throw new PictureError(DAMAGED);
  const marker = channels === 1 ? new Uint8Array() : adobeMarker(photometric === PHOTOMETRIC.yCbCr ? 1 : 0);
  const shared = tables && tables.length > 4 ? tables.subarray(2, -2) : new Uint8Array();
  const { colour, width, height } = jpegPixels(joined([START, marker, shared, packed.subarray(2)]), channels);
  // Decoders take CMYK after an Adobe marker for turned over, as photographs for print have it; in TIFF it is not.
  if (channels === 4) for (let i = 0; i < colour.length; i++) colour[i] = 255 - colour[i]!;
  if (width === block.tileWidth) return colour;
  throw new PictureError(height > 0 ? DAMAGED : SAVE);
}

/** By the number of its packing: in one dimension from byte to byte, with or without the row above, and by that row only. */
const BY_FAX: Record<number, (options: number) => Pick<FaxKind, 'k' | 'aligned'>> = {
  2: () => ({ k: 0, aligned: true }),
  3: (options) => ({ k: options & 1, aligned: false }),
  4: () => ({ k: -1, aligned: false }),
};

function unpackFaxBlock(packed: Uint8Array, _most: number, block: Block): Uint8Array {
  const { tileWidth, tileHeight, compression, faxOptions, fillOrder } = block;
  if (bitsOf(block).length !== 1 || bitsOf(block)[0] !== 1) throw new PictureError(DAMAGED);
  const kind = BY_FAX[compression ?? 4]!(faxOptions ?? 0);
  const { bytes, rows } = unpackFax(packed, {
    columns: tileWidth,
    rows: tileHeight,
    ...kind,
    lowFirst: fillOrder === LOW_FIRST,
  });
  // Only the last one of several blocks may hold fewer.
  if (rows === 0 || (tileHeight === block.rowsInAll && rows < tileHeight)) throw new PictureError(DAMAGED);
  return bytes;
}

/** What else than its bytes a block is decoded by. */
async function blockOf(directory: GeoTIFFImage['fileDirectory']): Promise<never> {
  const one = async (name: string, usual = 0): Promise<number> =>
    Number((await directory.loadValue(name as never)) ?? usual);
  const rows = await one('ImageLength');
  const block: Block & { predictor: 1 } = {
    tileWidth: (await one('TileWidth')) || (await one('ImageWidth')),
    // A file of one block may say that it has any number of rows.
    tileHeight: (await one('TileLength')) || Math.min((await one('RowsPerStrip')) || rows, rows),
    planarConfiguration: await one('PlanarConfiguration', 1),
    bitsPerSample: ((await directory.loadValue('BitsPerSample')) as ArrayLike<number>) ?? [1],
    predictor: 1,
    tables: (await directory.loadValue('JPEGTables' as never)) as Uint8Array,
    photometric: await one('PhotometricInterpretation'),
    compression: await one('Compression'),
    faxOptions: await one('T4Options'),
    fillOrder: await one('FillOrder', 1),
    rowsInAll: rows,
  };
  return block as never;
}

let isOpen = false;
function openDecoders(): void {
  if (isOpen) return;
  isOpen = true;
  addDecoder(5, async () => bounded((packed, most) => unpackLzw(packed, most)));
  addDecoder([8, 32946], async () => bounded((packed, most) => unpackWithin(packed, 'zlib', most)));
  addDecoder(32773, async () => bounded((packed, most) => unpackRuns(packed, most, 'TIFF')));
  addDecoder(7, async () => bounded(unpackJpeg), blockOf);
  addDecoder(FAX, async () => bounded(unpackFaxBlock), blockOf);
}

/** The tags of one picture of a file. */
interface Tags {
  width: number;
  height: number;
  samples: number;
  bits: number;
  compression: number;
  photometric: number;
  isReduced: boolean;
  extra: readonly number[];
}

async function tagsOf(image: GeoTIFFImage): Promise<Tags> {
  const { fileDirectory } = image;
  const list = async (name: string): Promise<number[]> => {
    const value = (await fileDirectory.loadValue(name as never)) as ArrayLike<number> | number | undefined;
    return value === undefined ? [] : typeof value === 'number' ? [value] : Array.from(value);
  };
  const number = async (name: string, usual: number): Promise<number> => (await list(name))[0] ?? usual;
  return {
    width: image.getWidth(),
    height: image.getHeight(),
    samples: image.getSamplesPerPixel(),
    bits: Math.max(...(await list('BitsPerSample')), 1),
    compression: await number('Compression', 1),
    photometric: await number('PhotometricInterpretation', -1),
    isReduced: ((await number('NewSubfileType', 0)) & 1) === 1,
    extra: await list('ExtraSamples'),
  };
}

function refuse({ width, height, bits, compression, photometric, samples }: Tags, format: number, fill: number): void {
  refuseSize(width, height);
  if (!READ.includes(compression))
    throw new PictureError(
      `This TIFF is packed ${UNREAD[compression] ?? `in a way of its own (${compression})`}, which cannot be read. ${SAVE}`,
    );
  if (photometric === 8 || photometric === 9) throw new PictureError(`This TIFF is in Lab colours. ${SAVE}`);
  if (!Object.values<number>(PHOTOMETRIC).includes(photometric))
    throw new PictureError(`This TIFF has colours of a kind that cannot be read. ${SAVE}`);
  if (photometric === PHOTOMETRIC.yCbCr && compression !== 7)
    throw new PictureError(`This TIFF has its colours as differences, without JPEG. ${SAVE}`);
  if (![1, 2, 4, 8, 16].includes(bits) || (format !== 1 && format !== 4))
    throw new PictureError(`This TIFF has ${bits} bits a channel; up to 16 can be read. Save it with 8 or 16.`);
  if (samples > 16 || (fill === LOW_FIRST && !FAX.includes(compression)))
    throw new PictureError(`This TIFF is of an unusual kind. ${SAVE}`);
}

/** Samples as amounts of 8 bits, white or solid 255. */
function eightBits(samples: ArrayLike<number>, bits: number): Uint8Array {
  const most = 2 ** bits - 1;
  if (bits === 8) return samples instanceof Uint8Array ? samples : Uint8Array.from(samples);
  return Uint8Array.from({ length: samples.length }, (_, i) => Math.round((samples[i]! * 255) / most));
}

/** The channels `from` on of pixels that have `of`. */
function channelsOf(data: Uint8Array, of: number, from: number, count: number): Uint8Array {
  if (of === count) return data;
  const pixels = data.length / of;
  const out = new Uint8Array(pixels * count);
  for (let i = 0; i < pixels; i++) for (let c = 0; c < count; c++) out[i * count + c] = data[i * of + from + c]!;
  return out;
}

/** Colours that were multiplied by how much they cover, as they were before. */
function withoutCover(colour: Uint8Array, alpha: Uint8Array): void {
  const channels = colour.length / alpha.length;
  for (let i = 0; i < colour.length; i++) {
    const cover = alpha[Math.floor(i / channels)]!;
    if (cover > 0) colour[i] = Math.min(255, Math.round((colour[i]! * 255) / cover));
  }
}

const ASSOCIATED = 1;
const UNASSOCIATED = 2;

async function aspectOf(image: GeoTIFFImage): Promise<number | undefined> {
  const resolution = async (name: string): Promise<number> => {
    const value = (await image.fileDirectory.loadValue(name as never)) as ArrayLike<number> | undefined;
    return value && value.length === 2 ? value[0]! / value[1]! : Number.NaN;
  };
  return pixelAspectOf(await resolution('XResolution'), await resolution('YResolution'));
}

async function pixelsOf(image: GeoTIFFImage, tags: Tags, told: string[]): Promise<Pixels> {
  const { width, height, samples, bits, photometric, extra } = tags;
  const rasters = (await image.readRasters({ interleave: true })) as unknown as ArrayLike<number>;
  if (rasters.length !== width * height * samples) throw new PictureError(DAMAGED);
  const isIndexed = photometric === PHOTOMETRIC.palette;
  const channels = photometric === PHOTOMETRIC.separated ? 4 : photometric <= 1 || isIndexed ? 1 : 3;
  if (samples < channels) throw new PictureError(DAMAGED);
  const data = isIndexed ? Uint8Array.from(rasters) : eightBits(rasters, bits);
  let colour = channelsOf(data, samples, 0, channels);
  const alphaKind = extra[0] === ASSOCIATED || extra[0] === UNASSOCIATED ? extra[0] : undefined;
  const alpha = samples > channels && alphaKind ? channelsOf(data, samples, channels, 1) : undefined;
  const left = samples - channels - (alpha ? 1 : 0);
  if (left > 0)
    told.push(
      left === 1
        ? 'One channel more than its colours was left out.'
        : `${left} channels more than its colours were left out.`,
    );
  if (bits === 16) told.push('It had 16 bits a channel and was imported with 8, as it is printed.');
  if (photometric === PHOTOMETRIC.whiteIsZero) colour = colour.map((value) => 255 - value);
  if (isIndexed) {
    const map = (await image.fileDirectory.loadValue('ColorMap')) as ArrayLike<number> | undefined;
    const entries = 2 ** bits;
    if (!map || map.length < 3 * entries) throw new PictureError(DAMAGED);
    const indices = colour;
    colour = Uint8Array.from({ length: 3 * indices.length }, (_, i) =>
      Math.round((map[indices[Math.floor(i / 3)]! + (i % 3) * entries]! * 255) / 65535),
    );
  }
  if (alpha && alphaKind === ASSOCIATED) withoutCover(colour, alpha);
  const icc = (await image.fileDirectory.loadValue(34675)) as ArrayLike<number> | undefined;
  return {
    width,
    height,
    space: channels === 4 ? 'CMYK' : channels === 3 || isIndexed ? 'RGB' : 'GRAY',
    colour,
    ...(alpha?.some((cover) => cover < 255) ? { alpha } : {}),
    ...(icc && icc.length > 128 ? { icc: Uint8Array.from(icc) } : {}),
    ...(bits === 1 && channels === 1 && !isIndexed ? { lineArt: true as const } : {}),
  };
}

/** Pictures that are looked through for one that is not a small copy of another. */
const MOST_PAGES = 40;

/**
 * Reads the first whole picture of a TIFF: RGB, CMYK, grey, palette or line art of 1 to 16 bits, in strips or tiles, plain or
 * packed by LZW, Deflate, PackBits, JPEG or as a fax; the JPEG decoder has to be open. Throws PictureError with words for the user.
 */
export async function readTiff(bytes: Uint8Array): Promise<TiffIn> {
  openDecoders();
  try {
    const file = await fromArrayBuffer(own(bytes));
    const count = Math.min(MOST_PAGES, await file.getImageCount());
    let [image, tags] = [await file.getImage(0), await tagsOf(await file.getImage(0))];
    for (let i = 1; i < count && tags.isReduced; i++) {
      image = await file.getImage(i);
      tags = await tagsOf(image);
    }
    const directory = image.fileDirectory;
    const one = async (name: string, usual: number): Promise<number> => {
      const value = (await directory.loadValue(name as never)) as ArrayLike<number> | number | undefined;
      return (typeof value === 'object' ? value[0] : value) ?? usual;
    };
    refuse(tags, await one('SampleFormat', 1), await one('FillOrder', 1));
    const told: string[] = [];
    const pixels = await pixelsOf(image, tags, told);
    const pages = count > 1 && !tags.isReduced ? count : 1;
    if (pages > 1) told.push(`It has ${pages} pages or copies; the first was imported.`);
    const orientation = await one('Orientation', 1);
    const pixelAspect = await aspectOf(image);
    return {
      ...pixels,
      orientation: orientation >= 1 && orientation <= 8 ? orientation : 1,
      ...(pixelAspect === undefined ? {} : { pixelAspect }),
      told,
    };
  } catch (error) {
    if (error instanceof PictureError) throw error;
    if (error instanceof TooMuchPacked)
      throw new PictureError('This TIFF unpacks to far more than its size. Save it again from its program.');
    throw new PictureError(DAMAGED);
  }
}
