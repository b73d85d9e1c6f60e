import subsetUrl from 'harfbuzzjs/dist/harfbuzz-subset.wasm?url';
import lcmsUrl from 'lcms-wasm/dist/lcms.wasm?url';
import { type ColourEngine, createColourEngine, createPress, type Press } from '../core/colour/engine';
import { CONDITIONS, conditionOf } from '../core/trade/conditions';
import type { PressCondition } from '../core/trade/schema';
import { createFontBook, type FontBook } from '../core/type/font';
import { faceBytes, ownPart } from '../core/type/own-font';
import { PLAIN } from '../core/type/style';
import { createFontCutter, type FontCutter } from '../core/type/subset';
import { type ShippedTypeface, typefaceOf } from '../core/type/typefaces';
import { bytesAt } from './fetch';

/** The profiles and the colour engine the core is handed in a browser, on the page and in workers alike. */
export interface Presses {
  engine: ColourEngine;
  /** A press by its condition, or by the id of one that ships; the profile of another is loaded first (`loadProfiles`). */
  press(condition: string | PressCondition): Press;
}
/** The same with the fonts that have been loaded. */
export interface Kit extends Presses {
  fonts: FontBook;
}

const FONT_URLS = import.meta.glob<string>(
  '/node_modules/@expo-google-fonts/*/{400Regular,400Regular_Italic,500Medium,600SemiBold,700Bold,700Bold_Italic}/*.ttf',
  { query: '?url', import: 'default', eager: true, exhaustive: true },
);
const PROFILE_URLS = import.meta.glob<string>('/assets/profiles/*.icc', {
  query: '?url',
  import: 'default',
  eager: true,
});

const byName = async (names: [key: string, url: string | undefined][]): Promise<Record<string, Uint8Array>> =>
  Object.fromEntries(await Promise.all(names.map(async ([key, url]) => [key, await bytesAt(url)] as const)));

type FindOwn = (hash: string) => Promise<Uint8Array | undefined>;

const ownProfiles = new Map<string, Uint8Array>();
let findProfile: FindOwn = async () => undefined;
/** Says where the files of loaded profiles are. */
export function findOwnProfiles(find: FindOwn): void {
  findProfile = find;
}
export const profilesLoaded = (hashes: Iterable<string>): boolean => [...hashes].every((hash) => ownProfiles.has(hash));
/** Loads profiles of the user's own, so that their presses can be used. */
export async function loadProfiles(hashes: Iterable<string>): Promise<void> {
  for (const hash of hashes) {
    const bytes = ownProfiles.has(hash) ? undefined : await findProfile(hash);
    if (bytes) ownProfiles.set(hash, bytes);
  }
}

async function openPresses(): Promise<Presses> {
  const [wasm, profiles] = await Promise.all([
    bytesAt(lcmsUrl),
    byName(CONDITIONS.map((condition) => [condition.id, PROFILE_URLS[`/assets/profiles/${condition.profile}`]])),
  ]);
  const engine = await createColourEngine(wasm);
  const presses = new Map<string, Press>();
  return {
    engine,
    press(given) {
      const condition = typeof given === 'string' ? conditionOf(given) : given;
      const profile = profiles[condition.id] ?? ownProfiles.get(condition.id);
      if (!profile) throw new Error(`The profile of ${condition.name} is not here. Load it again.`);
      const key = JSON.stringify(condition);
      const found = presses.get(key) ?? createPress(engine, condition, profile);
      presses.set(key, found);
      return found;
    },
  };
}

/** Where a shipped typeface's file is, for the list that shows each in its own face. */
export const typefaceUrl = (face: ShippedTypeface): string | undefined => FONT_URLS[`/node_modules/${face.file}`];

const fontFiles = new Map<string, Uint8Array>();
/** Fonts are opened from what has been loaded. A typeface that does not ship is shown in the plain one; a check names it. */
const fonts = createFontBook((id) => fontFiles.get(id));

let findOwn: FindOwn = async () => undefined;
/** Says where the files of added fonts are: in the browser's store, or beside the job in a worker. */
export function findOwnFonts(find: FindOwn): void {
  findOwn = find;
}

/** An added font's face; a font that is not here is shown in the plain one, and a check names it. */
async function fileOf(id: string): Promise<Uint8Array> {
  const own = ownPart(id);
  const bytes = own && (await findOwn(own.hash));
  if (bytes) return faceBytes(bytes, own.instance, await loadFontCutter());
  return bytesAt(typefaceUrl(typefaceOf(id) ?? typefaceOf(PLAIN.lettering.typeface)!));
}

export const fontFile = (id: string): Uint8Array | undefined => fontFiles.get(id);
export const fontsLoaded = (ids: Iterable<string>): boolean => [...ids].every((id) => fontFiles.has(id));

/** Loads the files of some typefaces, so that words can be set in them. */
export async function loadFonts(ids: Iterable<string>): Promise<void> {
  await Promise.all(
    [...ids].map(async (id) => {
      if (!fontFiles.has(id)) fontFiles.set(id, await fileOf(id));
    }),
  );
}

/** Makes something once for each thread; a failure is forgotten, so that it can be tried again. */
function once<T>(make: () => Promise<T>): () => Promise<T> {
  let made: Promise<T> | undefined;
  return () => {
    made ??= make().catch((error) => {
      made = undefined;
      throw error;
    });
    return made;
  };
}

export const loadPresses = once(openPresses);
export const loadKit = once(async (): Promise<Kit> => {
  const [presses] = await Promise.all([loadPresses(), loadFonts([PLAIN.lettering.typeface])]);
  return { ...presses, fonts };
});
export const loadFontCutter = once(async (): Promise<FontCutter> => createFontCutter(await bytesAt(subsetUrl)));
