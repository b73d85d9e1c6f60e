import subsetUrl from 'harfbuzzjs/dist/harfbuzz-subset.wasm?url';
import lcmsUrl from 'lcms-wasm/dist/lcms.wasm?url';
import { type ColourEngine, createColourEngine, createPress, type Press } from '../core/colour/engine';
import { CONDITIONS, conditionOf } from '../core/trade/conditions';
import type { PressCondition } from '../core/trade/schema';
import { createFontBook, type FontBook } from '../core/type/font';
import { ownPart } from '../core/type/own-font';
import { PLAIN } from '../core/type/style';
import { createFontCutter, type FontCutter } from '../core/type/subset';
import { faceBytes } from '../core/type/take-font';
import { typefaceOf } from '../core/type/typefaces';
import { bytesAt } from './fetch';
import { typefaceUrl } from './font-urls';
import { once } from './once';

/** Finds a file of the user's own by its hash: on the browser's shelf, or beside the job that is written. */
export type BytesOf = (hash: string) => Promise<Uint8Array | undefined>;

/** The profiles, the colour engine and the fonts the core is handed in a browser, on the page and in workers alike. */
export interface Kit {
  engine: ColourEngine;
  /** A press by its condition, or by the id of one that ships; the profile of another is loaded first (`loadProfiles`). */
  press(condition: string | PressCondition): Press;
  fonts: FontBook;
}

/** Where a kit comes from, and what is loaded for it when it is needed. */
export interface KitShelf {
  load(): Promise<Kit>;
  /** The kit, where it has been loaded. */
  here(): Kit | undefined;
  loadFonts(ids: Iterable<string>): Promise<void>;
  fontsLoaded(ids: Iterable<string>): boolean;
  fontFile(id: string): Uint8Array | undefined;
  /** Added fonts whose files are gone: they are shown in the plain typeface, and asked for again the next time. */
  lostFonts(): ReadonlySet<string>;
  loadProfiles(hashes: Iterable<string>): Promise<void>;
  /** Whether each has been loaded, or is known to be gone. */
  profilesLoaded(hashes: Iterable<string>): boolean;
  lostProfiles(): ReadonlySet<string>;
}

const PROFILE_URLS = import.meta.glob<string>('/assets/profiles/*.icc', {
  query: '?url',
  import: 'default',
  eager: true,
});

// What ships with the app is the same for every kit of a thread.
export const loadEngine = once(async () => createColourEngine(await bytesAt(lcmsUrl)));
const loadShippedProfiles = once(async () =>
  Object.fromEntries(
    await Promise.all(
      CONDITIONS.map(async ({ id, profile }) => [id, await bytesAt(PROFILE_URLS[`/assets/profiles/${profile}`])]),
    ),
  ),
);
export const loadFontCutter = once(async (): Promise<FontCutter> => createFontCutter(await bytesAt(subsetUrl)));
const shippedFonts = new Map<string, Promise<Uint8Array>>();
function shippedFont(id: string): Promise<Uint8Array> {
  const face = typefaceOf(id) ?? typefaceOf(PLAIN.lettering.typeface)!;
  const found = shippedFonts.get(face.id) ?? bytesAt(typefaceUrl(face));
  shippedFonts.set(face.id, found);
  found.catch(() => shippedFonts.delete(face.id));
  return found;
}

/** A kit whose own fonts and profiles come from `bytesOf`. What could not be found is not taken for loaded. */
export function openKit(bytesOf: BytesOf): KitShelf {
  const fontFiles = new Map<string, Uint8Array>();
  const lost = new Set<string>();
  const ownProfiles = new Map<string, Uint8Array>();
  const lostProfiles = new Set<string>();
  const presses = new Map<string, Press>();
  let kit: Kit | undefined;

  async function loadFont(id: string): Promise<void> {
    const own = ownPart(id);
    const bytes = own && (await bytesOf(own.hash));
    if (own && !bytes) lost.add(id);
    else if (lost.delete(id)) kit?.fonts.forget(id);
    fontFiles.set(id, bytes ? await faceBytes(bytes, own.instance, await loadFontCutter()) : await shippedFont(id));
  }
  async function loadFonts(ids: Iterable<string>): Promise<void> {
    await Promise.all([...ids].filter((id) => !fontFiles.has(id) || lost.has(id)).map(loadFont));
  }
  const load = once(async (): Promise<Kit> => {
    const [engine, profiles] = await Promise.all([
      loadEngine(),
      loadShippedProfiles(),
      loadFonts([PLAIN.lettering.typeface]),
    ]);
    const press = (given: string | PressCondition): Press => {
      const condition = typeof given === 'string' ? conditionOf(given) : given;
      const profile = profiles[condition.id] ?? ownProfiles.get(condition.id);
      if (!profile) throw new Error(`The profile of ${condition.name} is missing. Import it again in Inks.`);
      const key = JSON.stringify(condition);
      const found = presses.get(key) ?? createPress(engine, condition, profile);
      presses.set(key, found);
      return found;
    };
    kit = { engine, press, fonts: createFontBook((id) => fontFiles.get(id)) };
    return kit;
  });
  return {
    load,
    here: () => kit,
    loadFonts,
    fontsLoaded: (ids) => [...ids].every((id) => fontFiles.has(id)),
    fontFile: (id) => fontFiles.get(id),
    lostFonts: () => lost,
    async loadProfiles(hashes) {
      for (const hash of hashes) {
        const bytes = ownProfiles.has(hash) ? undefined : await bytesOf(hash);
        if (bytes) ownProfiles.set(hash, bytes);
        else if (!ownProfiles.has(hash)) lostProfiles.add(hash);
      }
    },
    profilesLoaded: (hashes) => [...hashes].every((hash) => ownProfiles.has(hash) || lostProfiles.has(hash)),
    lostProfiles: () => lostProfiles,
  };
}
