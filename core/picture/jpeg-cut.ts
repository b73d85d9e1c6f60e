import { jpegPixels } from './jpeg-decode';
import { PictureError } from './limits';
import { probePicture } from './probe';

/** JPEGs whose end is missing (ITU-T T.81, B.2.1). */

const END = Uint8Array.of(0xff, 0xd9);

const endsAt = (bytes: Uint8Array): number => bytes.findLastIndex((b, i) => b === 0xff && bytes[i + 1] === 0xd9);
const startsAt = (bytes: Uint8Array): number => bytes.findIndex((b, i) => b === 0xff && bytes[i + 1] === 0xda);

/** Whether the picture data begins and no mark ends it. */
export function isCutShort(bytes: Uint8Array): boolean {
  const from = startsAt(bytes);
  return from >= 0 && endsAt(bytes) < from;
}

/** Bytes that a scan could go on with, none of them a mark. */
const noise = (length: number): Uint8Array => Uint8Array.from({ length }, (_, i) => (i * 167 + 31) % 251);

function withEnd(bytes: Uint8Array, more: Uint8Array): Uint8Array {
  // Half a mark is none.
  const whole = bytes[bytes.length - 1] === 0xff ? bytes.subarray(0, -1) : bytes;
  const out = new Uint8Array(whole.length + more.length + END.length);
  out.set(whole);
  out.set(more, whole.length);
  out.set(END, whole.length + more.length);
  return out;
}

/**
 * The file with its end put on, where all of its rows are there: some cameras leave it off. Whatever would have come next
 * changes only rows that are missing, which is how they are counted. Throws PictureError that says how many are there.
 */
export function withoutCut(bytes: Uint8Array): Uint8Array {
  const whole = withEnd(bytes, new Uint8Array());
  const { width, height, channels } = probePicture(whole);
  const told = (rows: string): never => {
    throw new PictureError(`This JPEG is cut short: ${rows}. Get the file again from where it came from.`);
  };
  if (channels !== 1 && channels !== 3 && channels !== 4) return told('its end is missing');
  const other = withEnd(bytes, noise(Math.min(4_000_000, width * height)));
  let rows = 0;
  try {
    const [one, two] = [jpegPixels(whole, channels).colour, jpegPixels(other, channels).colour];
    const line = width * channels;
    while (rows < height && same(one, two, rows * line, line)) rows++;
  } catch {
    return told('its end is missing');
  }
  if (rows === 0) return told('its finer passes are missing');
  return rows < height ? told(`only ${rows} of its ${height} rows are there`) : whole;
}

function same(a: Uint8Array, b: Uint8Array, from: number, length: number): boolean {
  for (let i = from; i < from + length; i++) if (a[i] !== b[i]) return false;
  return true;
}
