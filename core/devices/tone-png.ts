import { encode as encodePng } from 'fast-png';
import type { Rgb } from '../colour/engine';
import type { Tone } from '../scene/device';
import { dataUrl } from './data-url';

export const pngUrl = (bytes: Uint8Array): string => dataUrl('image/png', bytes);

const kept = new WeakMap<Tone, Map<string, string>>();

/** Amounts of one colour as an address that holds a see-through PNG. */
export function tonePng(tone: Tone, colour: Rgb): string {
  const known = kept.get(tone) ?? new Map<string, string>();
  kept.set(tone, known);
  const name = colour.join(' ');
  const found = known.get(name);
  if (found) return found;
  const { width, height, amounts } = tone;
  const data = new Uint8Array(width * height * 4);
  for (let i = 0; i < amounts.length; i++) data.set([colour[0], colour[1], colour[2], amounts[i]!], i * 4);
  const url = pngUrl(encodePng({ width, height, data, channels: 4 }));
  known.set(name, url);
  return url;
}
