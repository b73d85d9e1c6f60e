import type { Plates } from '../../colour/ink';
import type { Coverage, Shade } from '../../scene/colour';
import type { ImageRef, Tone } from '../../scene/device';
import type { Font } from '../../type/font';
import type { Patch } from '../flat/patch';

/** A font as a document uses it: its glyphs, each with the words it stands for. */
export interface FontUse {
  key: string;
  typeface: string;
  font: Font;
  glyphs: Map<number, string>;
  /** Whether all glyphs that may come are there already: none is added, so that the file does not depend on what is drawn first. */
  isWhole?: true;
}

/** What the pages of one document share; the writer makes PDF objects of it. Keys are resource names. */
export interface PdfUses {
  fonts: Map<string, FontUse>;
  /** With the fewest pixels an inch that any of them is drawn at. */
  images: Map<string, { key: string; image: ImageRef; ppi: number }>;
  /** Separations by plate name; `All` among them. */
  plates: Map<string, string>;
  /** Spaces of several plates that one colour mixes, by the plates' names. */
  mixtures: Map<string, { key: string; plates: Plates }>;
  patches: { key: string; patch: Patch }[];
  /** Colour that runs, by what it is written as. What overprints names no plate but its own. */
  shades: Map<string, { key: string; shade: Shade | Coverage; overprints: boolean }>;
  tones: Map<Tone, { key: string; colour: Plates; overprints: boolean }[]>;
  /** Contents drawn as one thing. An inner one comes before the one it lies in. */
  forms: PdfForm[];
  /** Graphics states, by what they set. */
  states: Map<string, { key: string; state: PdfState }>;
}

/** What a graphics state sets: an amount that covers, a form whose grey says how much shows, or whether inks overprint. */
export type PdfState = { opacity: number } | { mask: string } | { overprint: boolean };

/** A piece of content with the names it uses. A grey one is a mask; a shared one is drawn at several places as it is. */
export interface PdfForm {
  key: string;
  content: string;
  names: ReadonlySet<string>;
  isMask: boolean;
  shared?: boolean;
  /** Its own sheet's, points. */
  size: { width: number; height: number };
}

export const noUses = (): PdfUses => ({
  fonts: new Map(),
  images: new Map(),
  plates: new Map(),
  mixtures: new Map(),
  patches: [],
  shades: new Map(),
  tones: new Map(),
  forms: [],
  states: new Map(),
});

/** What stands under `key`, made where it is new. */
export function kept<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const found = map.get(key) ?? make();
  map.set(key, found);
  return found;
}
