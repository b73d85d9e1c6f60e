import subsetUrl from 'harfbuzzjs/dist/harfbuzz-subset.wasm?url';
import lcmsUrl from 'lcms-wasm/dist/lcms.wasm?url';
import { type ColourEngine, createColourEngine, createPress, type Press } from '../core/colour/engine';
import { CONDITIONS } from '../core/trade/conditions';
import { createFontBook, type FontBook } from '../core/type/font';
import { createSubsetter, type Subsetter } from '../core/type/subset';
import { TYPEFACES } from '../core/type/typefaces';

/** The profiles and the colour engine the core is handed in a browser, on the page and in workers alike. */
export interface Presses {
  engine: ColourEngine;
  press(condition: string): Press;
}
/** The same with the fonts. */
export interface Kit extends Presses {
  fonts: FontBook;
}

const FONT_URLS = import.meta.glob<string>(
  '/node_modules/@expo-google-fonts/{cormorant-garamond,alegreya,source-sans-3}/{400Regular,400Regular_Italic,500Medium,600SemiBold,700Bold}/*.ttf',
  { query: '?url', import: 'default', eager: true, exhaustive: true },
);
const PROFILE_URLS = import.meta.glob<string>('/assets/profiles/*.icc', {
  query: '?url',
  import: 'default',
  eager: true,
});

async function bytesAt(url: string | undefined): Promise<Uint8Array> {
  if (!url) throw new Error('A part of the app is missing. Run npm start again.');
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`${url} did not load (${answer.status}). Reload the page.`);
  return new Uint8Array(await answer.arrayBuffer());
}

const byName = async (names: [key: string, url: string | undefined][]): Promise<Record<string, Uint8Array>> =>
  Object.fromEntries(await Promise.all(names.map(async ([key, url]) => [key, await bytesAt(url)] as const)));

async function openPresses(): Promise<Presses> {
  const [wasm, profiles] = await Promise.all([
    bytesAt(lcmsUrl),
    byName(CONDITIONS.map((condition) => [condition.id, PROFILE_URLS[`/assets/profiles/${condition.profile}`]])),
  ]);
  const engine = await createColourEngine(wasm);
  const presses = new Map(
    CONDITIONS.map((condition) => [condition.id, createPress(engine, condition, profiles[condition.id]!)]),
  );
  return {
    engine,
    press(id) {
      const press = presses.get(id);
      if (!press) throw new Error(`No press condition is called ${id}.`);
      return press;
    },
  };
}

const openFonts = async (): Promise<FontBook> =>
  createFontBook(await byName(TYPEFACES.map((face) => [face.id, FONT_URLS[`/node_modules/${face.file}`]])));

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
  const [presses, fonts] = await Promise.all([loadPresses(), openFonts()]);
  return { ...presses, fonts };
});
export const loadSubsetter = once(async (): Promise<Subsetter> => createSubsetter(await bytesAt(subsetUrl)));
