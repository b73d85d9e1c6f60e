import { PROCESS_PLATES } from '../../colour/ink';
import type { Matrix } from '../../geometry/matrix';
import { joined } from '../../packed/joined';
import { greysFor } from '../../picture/darkness';
import type { Pixels } from '../../picture/decode';
import { keptFile } from '../../picture/keep';
import { PICTURE_LIMITS } from '../../picture/limits';
import { resampled } from '../../picture/resample';
import type { Tone } from '../../scene/device';
import type { ArtPaint } from '../art-in/art';
import { hashOf } from '../hash';
import type { PictureSeen } from '../pdf/drawn/hear';
import { turnedOver } from '../pdf/drawn/images';
import { unpacked } from '../pdf/parsed/filters';
import { Stream } from '../pdf/parsed/syntax';
import { arrayOf, nameOf, type PdfView } from '../pdf/parsed/view';
import type { PictureLayer } from './art-device';
import { blackPaint, type ColourList, paintOfSpot, spotsOfPlates } from './colours';

/** Pictures of a page as files that a job keeps: a JPEG as it is where it can be, else PNG, or for CMYK a TIFF. */

export interface PictureFiles {
  picture(seen: PictureSeen, place: Matrix): PictureLayer[];
  tone(tone: Tone, place: Matrix, colour: ArtPaint): PictureLayer[];
  /** The files by the keys that the layers name. */
  files: Record<string, Uint8Array>;
}

/** Sides that differ by less than this share of their length are the same length: a picture's frame is cropped by that. */
const EVEN = 0.01;
/** More pixels than this are not made anew. */
const MOST_PIXELS = 60_000_000;

const SLANTED = 'A picture that is slanted is laid without its slant.';

/** Whether the sides of a place stand upright on one another. */
const isSquare = ([a, b, c, d]: Matrix): boolean =>
  Math.abs(a * c + b * d) < 0.002 * Math.hypot(a, b) * Math.hypot(c, d);

/** How much wider than high a pixel is where it lies. */
const stretchOf = ({ width, height }: { width: number; height: number }, [a, b, c, d]: Matrix): number =>
  Math.hypot(a, b) / width / (Math.hypot(c, d) / height);

/** A picture whose pixels are square where it lies: the rows or the columns of one that is stretched are made more. */
function evened(pixels: Pixels, place: Matrix): Pixels {
  const ratio = stretchOf(pixels, place);
  if (Math.abs(ratio - 1) < EVEN) return pixels;
  const width = ratio > 1 ? Math.round(pixels.width * ratio) : pixels.width;
  const height = ratio > 1 ? pixels.height : Math.round(pixels.height / ratio);
  if (width * height > MOST_PIXELS || width < 1 || height < 1) return pixels;
  const made = (data: Uint8Array): Uint8Array => {
    const channels = data.length / (pixels.width * pixels.height);
    return resampled({ width: pixels.width, height: pixels.height, channels, data }, width, height).data;
  };
  const { lineArt: _, alpha, ...rest } = pixels;
  return { ...rest, width, height, colour: made(pixels.colour), ...(alpha ? { alpha: made(alpha) } : {}) };
}

/** A picture of fewer pixels a side than the job keeps has each of them several times. */
function enlarged(pixels: Pixels): Pixels {
  const { width, height } = pixels;
  const times = Math.ceil(PICTURE_LIMITS.shortestSide / Math.min(width, height));
  if (times <= 1) return pixels;
  const made = (data: Uint8Array): Uint8Array => {
    const channels = data.length / (width * height);
    const out = new Uint8Array(data.length * times * times);
    for (let y = 0, to = 0; y < height * times; y++)
      for (let x = 0; x < width * times; x++, to += channels) {
        const from = (Math.floor(y / times) * width + Math.floor(x / times)) * channels;
        out.set(data.subarray(from, from + channels), to);
      }
    return out;
  };
  const { alpha, ...rest } = pixels;
  const size = { width: width * times, height: height * times };
  return { ...rest, ...size, colour: made(pixels.colour), ...(alpha ? { alpha: made(alpha) } : {}) };
}

/** A profile in a JPEG, in parts as long as its markers can be (ICC.1, annex B.4). */
function withProfile(jpeg: Uint8Array, profile: Uint8Array): Uint8Array {
  const MOST = 65_519;
  const count = Math.ceil(profile.length / MOST);
  const name = Array.from('ICC_PROFILE\0', (c) => c.charCodeAt(0));
  const parts = Array.from({ length: count }, (_, i) => {
    const data = profile.subarray(i * MOST, (i + 1) * MOST);
    const length = data.length + name.length + 4;
    return [Uint8Array.from([0xff, 0xe2, length >> 8, length & 255, ...name, i + 1, count]), data];
  }).flat();
  return joined([jpeg.subarray(0, 2), ...parts, jpeg.subarray(2)]);
}

/** The profile of a picture's colours, where they are of a screen or grey and it is not the usual one. */
function profileOf({ file }: PdfView, stream: Stream): Uint8Array | undefined {
  const list = arrayOf(file, stream.dict.get('ColorSpace'));
  if (nameOf(file, list[0]) !== 'ICCBased') return undefined;
  const found = file.get(list[1]);
  if (!(found instanceof Stream) || file.get(found.dict.get('N')) !== 3) return undefined;
  const { bytes, left } = unpacked(found, file);
  const isUsual = new TextDecoder('latin1').decode(bytes.subarray(0, 4000)).replaceAll('\0', '').includes('sRGB');
  return left || isUsual || bytes.length < 128 ? undefined : bytes;
}

/** A JPEG that is a whole picture by itself, as it is in the file. */
function ownJpeg(view: PdfView, { stream, read, partly }: PictureSeen): Uint8Array | undefined {
  const { file } = view;
  if (partly || Math.min(read.width, read.height) < PICTURE_LIMITS.shortestSide) return undefined;
  if (['SMask', 'Decode', 'Mask'].some((key) => stream.dict.has(key))) return undefined;
  if (!/^(DeviceRGB|ICCBased, RGB|CalRGB)$/.test(read.space)) return undefined;
  const { bytes, left } = unpacked(stream, file);
  if ((left !== 'DCTDecode' && left !== 'DCT') || bytes[0] !== 0xff || bytes[1] !== 0xd8) return undefined;
  const profile = profileOf(view, stream);
  return profile ? withProfile(bytes, profile) : bytes;
}

/** One plate of some that are laid together. */
const plateOf = (amounts: Uint8Array, count: number, at: number): Uint8Array =>
  Uint8Array.from({ length: amounts.length / count }, (_, i) => amounts[i * count + at]!);

/** Greys of one ink: white where there is none of it. */
const greys = (
  amounts: Uint8Array,
  { width, height }: { width: number; height: number },
  alpha?: Uint8Array,
): Pixels => ({
  width,
  height,
  space: 'GRAY',
  colour: greysFor(amounts),
  ...(alpha ? { alpha } : {}),
});

export function pictureFiles(view: PdfView, colours: ColourList, note: (text: string) => void): PictureFiles {
  const files: Record<string, Uint8Array> = {};
  const made = new Map<Stream, Map<number, PictureLayer[]>>();
  const keep = (bytes: Uint8Array): string => {
    const key = hashOf(bytes);
    files[key] = bytes;
    return key;
  };
  const keepPixels = (pixels: Pixels, place: Matrix): string => {
    const { bytes, told } = keptFile(enlarged(evened(pixels, place)), 1);
    for (const each of told) note(`A picture: ${each}`);
    return keep(bytes);
  };

  function layersOf(seen: PictureSeen, place: Matrix): PictureLayer[] {
    const { read } = seen;
    const isEven = Math.abs(stretchOf(read, place) - 1) < EVEN;
    const jpeg = isEven ? ownJpeg(view, seen) : undefined;
    if (jpeg) return [{ picture: keep(jpeg), place }];
    const { laid } = read;
    if (!laid) return [];
    const { width, height, plates, amounts, alpha } = laid;
    const size = { width, height };
    const profile = profileOf(view, seen.stream);
    if (/RGB/.test(read.space)) {
      const pixels: Pixels = {
        ...size,
        space: 'RGB',
        colour: turnedOver(amounts),
        ...(alpha ? { alpha } : {}),
        ...(profile ? { icc: profile } : {}),
      };
      return [{ picture: keepPixels(pixels, place), place }];
    }
    if (read.space.includes('Lab')) note('A picture in Lab colours is imported as its greys.');
    const spots = spotsOfPlates(plates);
    const process = PROCESS_PLATES.filter((plate) => plates.includes(plate));
    const layers: PictureLayer[] = [];
    const line = read.bits === 1 && !alpha ? { lineArt: true as const } : {};
    if (process.length === 1 && process[0] === 'Black') {
      const black = plates.length === 1 ? amounts : plateOf(amounts, plates.length, plates.indexOf('Black'));
      layers.push({
        picture: keepPixels({ ...greys(black, size, alpha), ...line }, place),
        place,
        ink: blackPaint(colours),
      });
    } else if (process.length > 0) {
      const at = PROCESS_PLATES.map((plate) => plates.indexOf(plate));
      const isPlain = plates.length === 4 && at.every((n, i) => n === i);
      const colour = isPlain
        ? amounts
        : Uint8Array.from({ length: 4 * width * height }, (_, i) =>
            at[i & 3]! < 0 ? 0 : amounts[(i >> 2) * plates.length + at[i & 3]!]!,
          );
      layers.push({
        picture: keepPixels({ ...size, space: 'CMYK', colour, ...(alpha ? { alpha } : {}) }, place),
        place,
      });
    }
    for (const name of spots) {
      const plate = plateOf(amounts, plates.length, plates.indexOf(name));
      // Where another ink has made the ground already, an ink without any on it changes nothing.
      if (layers.length > 0 && plate.every((amount) => amount === 0)) continue;
      const picture = keepPixels({ ...greys(plate, size, alpha), ...(plates.length === 1 ? line : {}) }, place);
      layers.push({ picture, place, ink: paintOfSpot(colours, name) });
    }
    return layers;
  }

  return {
    files,
    picture(seen, place) {
      if (!isSquare(place)) note(SLANTED);
      const [a, b, c, d] = place;
      const shape = Math.round((1000 * Math.hypot(a, b)) / Math.max(1e-9, Math.hypot(c, d)));
      const shapes = made.get(seen.stream) ?? new Map<number, PictureLayer[]>();
      made.set(seen.stream, shapes);
      const found = shapes.get(shape) ?? layersOf(seen, place);
      shapes.set(shape, found);
      return found.map((layer) => ({ ...layer, place }));
    },
    tone({ width, height, amounts }, place, colour) {
      if (!isSquare(place)) note(SLANTED);
      // One colour that is there as much as the amounts say: black that is seen through, printed in that colour.
      const pixels: Pixels = { width, height, space: 'GRAY', colour: new Uint8Array(width * height), alpha: amounts };
      return [{ picture: keepPixels(pixels, place), place, ink: colour }];
    },
  };
}
