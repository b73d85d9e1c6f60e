import { joined } from '../packed/joined';
import { aspectOf, readExif } from './exif';
import { PICTURE_LIMITS, PictureError } from './limits';
import { readOwnTiff, type TiffHead } from './tiff-file';

/** What the head of a picture file says, before anything is decoded. */
export interface PictureFacts {
  type: 'image/jpeg' | 'image/png' | 'image/tiff';
  /** Pixels as stored. */
  width: number;
  height: number;
  channels: number;
  /** EXIF orientation, 1 to 8 (CIPA DC-008). */
  orientation: number;
  /** Bits a channel. */
  bits: number;
  /** How well a JPEG was saved, 1 to 100; what cannot be told is left out. */
  quality?: number;
  /** How wide a stored pixel is to its height, where the file says that it is not square. */
  pixelAspect?: number;
  /** The embedded ICC profile, if there is one and it is stored plainly (JPEG, TIFF). */
  icc?: Uint8Array;
}

const startsWith = (bytes: Uint8Array, ...head: number[]): boolean => head.every((b, i) => bytes[i] === b);
const isJpeg = (bytes: Uint8Array): boolean => startsWith(bytes, 0xff, 0xd8, 0xff);
const isPng = (bytes: Uint8Array): boolean => startsWith(bytes, 0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);
const latin = (bytes: Uint8Array, from: number, to: number): string => String.fromCharCode(...bytes.subarray(from, to));

/** Whether bytes begin as a TIFF does, of whatever order of bytes; the large kind for files over 4 GB among them. */
export const isTiff = (bytes: Uint8Array): boolean =>
  (bytes[0] === 0x49 && bytes[1] === 0x49 && (bytes[2] === 42 || bytes[2] === 43) && bytes[3] === 0) ||
  (bytes[0] === 0x4d && bytes[1] === 0x4d && bytes[2] === 0 && (bytes[3] === 42 || bytes[3] === 43));

/** Kinds of picture that browsers draw and presses do not take: they are converted when they come. */
export const SCREEN_KINDS = {
  webp: { name: 'WebP', type: 'image/webp', lossy: true },
  avif: { name: 'AVIF', type: 'image/avif', lossy: true },
  gif: { name: 'GIF', type: 'image/gif', lossy: false },
  bmp: { name: 'BMP', type: 'image/bmp', lossy: false },
} as const;

/** Which of them a file is by its first bytes. */
export function screenKind(bytes: Uint8Array): keyof typeof SCREEN_KINDS | undefined {
  if (latin(bytes, 0, 4) === 'RIFF' && latin(bytes, 8, 12) === 'WEBP') return 'webp';
  // A file of boxes says first which kinds of reader it is for (ISO/IEC 14496-12, 4.3).
  if (latin(bytes, 4, 8) === 'ftyp' && /avi[fs]/.test(latin(bytes, 8, 40))) return 'avif';
  if (/^GIF8[79]a/.test(latin(bytes, 0, 6))) return 'gif';
  return latin(bytes, 0, 2) === 'BM' && bytes.length > 26 ? 'bmp' : undefined;
}

/** A page in PostScript, with a picture of it before it or not (Encapsulated PostScript File Format, 3.0, 5.2). */
const isPostScript = (bytes: Uint8Array): boolean =>
  latin(bytes, 0, 2) === '%!' || startsWith(bytes, 0xc5, 0xd0, 0xd3, 0xc6);

/** Whether a file begins as a picture does that can be read. */
export const isPicture = (bytes: Uint8Array): boolean =>
  isJpeg(bytes) || isPng(bytes) || isTiff(bytes) || screenKind(bytes) !== undefined;

/** How a file that is no picture is saved so that it can be used. */
const saveAs = (bytes: Uint8Array): string =>
  isPostScript(bytes)
    ? 'Open it where it was made, or ask who made it, and save it as PDF or SVG, which keep its lines'
    : 'Save it as JPEG, PNG or TIFF';

/** What a file is by its first bytes, for the message where it is no picture. */
function looksLike(bytes: Uint8Array): string {
  if (latin(bytes, 0, 4) === '%PDF') return 'a PDF';
  if (startsWith(bytes, 0x50, 0x4b)) return 'a zip archive';
  const kind = screenKind(bytes);
  if (kind) return `a ${SCREEN_KINDS[kind].name} picture`;
  if (isTiff(bytes)) return 'a TIFF';
  if (latin(bytes, 4, 8) === 'ftyp' && /hei[cfxsm]|mif1/.test(latin(bytes, 8, 40)))
    return 'a HEIC picture, as phones keep them';
  if (latin(bytes, 0, 4) === '8BPS') return 'a layered file of a picture editor';
  if (isPostScript(bytes)) return 'PostScript (EPS)';
  if (startsWith(bytes, 0, 0, 0, 0x0c, 0x6a, 0x50)) return 'a JPEG 2000';
  if (/^\s*<(\?xml|svg|!doctype)/i.test(latin(bytes, 0, 256))) return 'an SVG drawing or a web page';
  return 'no picture of a kind that is known';
}

/** The chunk of physical pixel dimensions (PNG specification, 11.3.4.3), which comes before the picture data. */
function pngAspect(bytes: Uint8Array, view: DataView): number | undefined {
  for (let at = 33; at + 20 <= bytes.length; at += 12 + view.getUint32(at)) {
    const type = latin(bytes, at + 4, at + 8);
    if (type === 'pHYs') return aspectOf(view.getUint32(at + 8), view.getUint32(at + 12));
    if (type === 'IDAT') return undefined;
  }
  return undefined;
}

function probePng(bytes: Uint8Array): PictureFacts {
  if (bytes.length < 33 || latin(bytes, 12, 16) !== 'IHDR')
    throw new PictureError('This PNG is cut short: its head is missing. Get the file again from where it came from.');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const channels = { 0: 1, 2: 3, 3: 3, 4: 2, 6: 4 }[bytes[25]!];
  if (!channels)
    throw new PictureError('This PNG has a colour type that does not exist. Save it again from its program.');
  const pixelAspect = pngAspect(bytes, view);
  return {
    type: 'image/png',
    width: view.getUint32(16),
    height: view.getUint32(20),
    channels,
    bits: bytes[24]!,
    orientation: 1,
    ...(pixelAspect === undefined ? {} : { pixelAspect }),
  };
}

/** The densities of a JFIF header (ITU-T T.871, 10.1), or the aspect alone where it gives no unit. */
const jfifAspect = (body: Uint8Array): number | undefined =>
  body.length < 12 ? undefined : aspectOf((body[8]! << 8) | body[9]!, (body[10]! << 8) | body[11]!);

const isFrameHeader = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);

/** The sum of the luminance table of ITU-T T.81, annex K, table K.1. */
const TABLE_SUM = 3688;

/**
 * The quality that the first table of a JPEG was made with, by the scale most writers use: 50 is the table of annex K
 * itself, at 100 all its steps are 1. Undefined for tables of 16 bits.
 */
function qualityOf(body: Uint8Array): number | undefined {
  if (body.length < 65 || body[0]! >> 4 !== 0) return undefined;
  const percent = (100 * body.subarray(1, 65).reduce((a, b) => a + b, 0)) / TABLE_SUM;
  const quality = percent <= 100 ? 100 - percent / 2 : 5000 / percent;
  return Math.max(1, Math.min(100, Math.round(quality)));
}

const CUT_SHORT = 'This JPEG is cut short: its end is missing. Get the file again from where it came from.';

/** A progressive picture comes in some ten passes; thousands of them only keep a decoder busy. */
const MOST_SCANS = 100;
const DAMAGED = 'This JPEG is damaged. Save it again from its program.';
/** Kinds of JPEG that printers and browsers do not draw, by the mark of their frame (table B.1). */
const UNUSUAL: Readonly<Record<number, string>> = {
  195: 'packed without loss in the old way',
  199: 'packed without loss in the old way',
  ...Object.fromEntries([201, 202, 203, 205, 206, 207].map((marker) => [marker, 'packed by arithmetic coding'])),
};

const isRestart = (marker: number): boolean => marker >= 0xd0 && marker <= 0xd7;
const hasLength = (marker: number): boolean => marker >= 0xc0 && marker !== 0xd8 && !isRestart(marker);

/**
 * Walks the picture data from its first scan on, to where it ends. A size that is given anew after the head (a second
 * frame, or a number of lines, B.2.5) is how a small picture becomes a huge one.
 */
function walkScans(bytes: Uint8Array, from: number, height: number): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let scans = 0;
  for (let at = from; ; ) {
    at = bytes.indexOf(0xff, at);
    if (at < 0 || at + 1 >= bytes.length) return;
    const marker = bytes[at + 1]!;
    if (marker === 0xd9) return;
    if (marker === 0xff) at += 1;
    else if (!hasLength(marker)) at += 2;
    else {
      if (at + 4 > bytes.length) return;
      const lines = marker === 0xdc && at + 6 <= bytes.length ? view.getUint16(at + 4) : height;
      if (isFrameHeader(marker) || lines !== height)
        throw new PictureError('This JPEG changes its size after its head. Save it again from its program.');
      if (marker === 0xda && ++scans > MOST_SCANS) throw new PictureError(DAMAGED);
      at += 2 + Math.max(2, view.getUint16(at + 2));
    }
  }
}

/** Walks the segments of a JPEG (ITU-T T.81, annex B) up to its picture data. */
function probeJpeg(bytes: Uint8Array): PictureFacts {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let size: Pick<PictureFacts, 'width' | 'height' | 'channels'> | undefined;
  let orientation = 1;
  let pixelAspect: number | undefined;
  const profile: Uint8Array[] = [];
  let quality: number | undefined;
  let at = 2;
  for (;;) {
    while (bytes[at] === 0xff && bytes[at + 1] === 0xff) at++;
    if (at + 4 > bytes.length) throw new PictureError(CUT_SHORT);
    if (bytes[at] !== 0xff) throw new PictureError(DAMAGED);
    const marker = bytes[at + 1]!;
    const length = view.getUint16(at + 2);
    const body = bytes.subarray(at + 4, at + 2 + length);
    if (at + 2 + length > bytes.length) throw new PictureError(CUT_SHORT);
    if (isFrameHeader(marker)) {
      if (body.length < 6 || size) throw new PictureError(DAMAGED);
      const kind = UNUSUAL[marker] ?? (body[0] === 12 ? 'of 12 bits a channel' : undefined);
      if (kind)
        throw new PictureError(`This JPEG is ${kind}. Save it again from its program as a usual JPEG of 8 bits.`);
      size = { height: (body[1]! << 8) | body[2]!, width: (body[3]! << 8) | body[4]!, channels: body[5]! };
    } else if (marker === 0xe0 && latin(body, 0, 4) === 'JFIF') pixelAspect ??= jfifAspect(body);
    else if (marker === 0xe1 && latin(body, 0, 4) === 'Exif') {
      const exif = readExif(body.subarray(6));
      orientation = exif.orientation;
      pixelAspect ??= exif.pixelAspect;
    } else if (marker === 0xdb) quality ??= qualityOf(body);
    else if (marker === 0xe2 && latin(body, 0, 11) === 'ICC_PROFILE') profile[body[12]! - 1] = body.subarray(14);
    else if (marker === 0xda) break;
    at += 2 + length;
  }
  if (!size) throw new PictureError('This JPEG does not say how large it is. Save it again from its program.');
  const end = bytes.findLastIndex((b, i) => b === 0xff && bytes[i + 1] === 0xd9);
  if (end < at) throw new PictureError(CUT_SHORT);
  walkScans(bytes, at, size.height);
  const chunks = profile.filter(Boolean);
  return {
    type: 'image/jpeg',
    ...size,
    bits: 8,
    orientation,
    ...(quality === undefined ? {} : { quality }),
    ...(pixelAspect === undefined ? {} : { pixelAspect }),
    ...(chunks.length > 0 ? { icc: joined(chunks) } : {}),
  };
}

const megapixels = (n: number): string => `${Math.round(n / 1e6)} million`;

/** Refuses a file of more bytes than a picture may have, before it is read. */
export function refuseTooLong(bytes: number): void {
  if (bytes > PICTURE_LIMITS.mostBytes)
    throw new PictureError('This file is over 200 MB. Save the picture at the size it prints.');
}

/** CMYK that was taken in is kept as a TIFF of the app's own kind. */
const tiffFacts = ({ width, height, channels, profile }: TiffHead): PictureFacts => ({
  type: 'image/tiff',
  width,
  height,
  channels,
  bits: 8,
  orientation: 1,
  ...(profile ? { icc: profile } : {}),
});

/** Refuses a picture that is too large to be held, or too small to be printed. */
export function refuseSize(width: number, height: number): void {
  if (width * height > PICTURE_LIMITS.mostPixels || Math.max(width, height) > PICTURE_LIMITS.longestSide)
    throw new PictureError(
      `This picture is ${width} × ${height} pixels, ${megapixels(width * height)} in all; at most ${megapixels(PICTURE_LIMITS.mostPixels)} and ${PICTURE_LIMITS.longestSide} a side can be used. Save it smaller: 300 pixels an inch is enough.`,
    );
  if (Math.min(width, height) < PICTURE_LIMITS.shortestSide)
    throw new PictureError(
      `This picture is ${width} × ${height} pixels: too small to print at any size. Choose the full-size picture.`,
    );
}

/**
 * Reads the head of a JPEG or PNG and refuses what cannot be printed from: other formats, cut-short files,
 * pictures larger or smaller than PICTURE_LIMITS. Throws PictureError with words for the user.
 */
export function probePicture(bytes: Uint8Array): PictureFacts {
  if (bytes.length === 0) throw new PictureError('This file is empty. Get it again from where it came from.');
  refuseTooLong(bytes.length);
  const ofPixels = isJpeg(bytes) ? probeJpeg : isPng(bytes) ? probePng : undefined;
  const ownTiff = ofPixels ? undefined : readOwnTiff(bytes);
  const facts = ofPixels ? ofPixels(bytes) : ownTiff && tiffFacts(ownTiff);
  if (!facts) throw new PictureError(`This is ${looksLike(bytes)}. ${saveAs(bytes)}.`);
  refuseSize(facts.width, facts.height);
  return facts;
}

/** Whether an EXIF orientation lays the picture on its side. */
export const isSideways = (orientation: number): boolean => orientation >= 5;
