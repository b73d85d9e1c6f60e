import { encode as encodePng } from 'fast-png';
import type { Rgb } from '../colour/engine';
import type { Tone } from '../scene/device';

function base64(bytes: Uint8Array): string {
  let binary = '';
  for (let i = 0; i < bytes.length; i += 0x8000) binary += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(binary);
}

export const pngUrl = (bytes: Uint8Array): string => `data:image/png;base64,${base64(bytes)}`;

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
