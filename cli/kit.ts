import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type ColourEngine, createColourEngine, createPress, type Press } from '../core/colour/engine';
import { lendJpx } from '../core/packed/jpx';
import { openJpegDecoder } from '../core/picture/jpeg-decode';
import { conditionOf } from '../core/trade/conditions';
import type { PressCondition } from '../core/trade/schema';
import { createFontBook, type FontBook } from '../core/type/font';
import { ownPart } from '../core/type/own-font';
import { createSpeller } from '../core/type/speller';
import { DICTIONARY_PACKAGES, type Language, type Speller } from '../core/type/spelling';
import { PLAIN } from '../core/type/style';
import { createFontCutter, type FontCutter } from '../core/type/subset';
import { faceBytes } from '../core/type/take-font';
import { typefaceOf } from '../core/type/typefaces';

/** The fonts, profiles and wasm the core is handed when it runs outside the browser. */
export interface Kit {
  engine: ColourEngine;
  fonts: FontBook;
  cutter: FontCutter;
  press(condition: string | PressCondition): Press;
}

const require = createRequire(import.meta.url);
export const packageFile = (name: string): string => require.resolve(name);
export const profileFile = (name: string): string =>
  fileURLToPath(new URL(`../assets/profiles/${name}`, import.meta.url));

/** A file as plain bytes: a slice of a Buffer is no copy. */
const bytesOf = (path: string): Uint8Array => new Uint8Array(readFileSync(path));

/** `assets` holds the files of a job's own fonts and profiles. */
export async function loadKit(assets: Readonly<Record<string, Uint8Array>> = {}): Promise<Kit> {
  const cutter = await createFontCutter(readFileSync(packageFile('harfbuzzjs/dist/harfbuzz-subset.wasm')));
  const engine = await createColourEngine(readFileSync(packageFile('lcms-wasm/dist/lcms.wasm')));
  openJpegDecoder(readFileSync(packageFile('@jsquash/jpeg/codec/dec/mozjpeg_dec.wasm')));
  lendJpx(async () => bytesOf(packageFile('pdfjs-dist/wasm/openjpeg.wasm')));
  const presses = new Map<string, Press>();
  return {
    engine,
    cutter,
    fonts: createFontBook((id) => {
      const own = ownPart(id);
      const bytes = own && assets[own.hash];
      if (bytes) return faceBytes(bytes, own.instance, cutter);
      // A typeface that does not ship is set in the plain one; a check names it.
      const face = typefaceOf(id) ?? typefaceOf(PLAIN.lettering.typeface)!;
      return bytesOf(packageFile(face.file));
    }),
    press(given) {
      const condition = typeof given === 'string' ? conditionOf(given) : given;
      const key = JSON.stringify(condition);
      const found =
        presses.get(key) ??
        createPress(engine, condition, assets[condition.id] ?? bytesOf(profileFile(condition.profile)));
      presses.set(key, found);
      return found;
    },
  };
}

export function loadSpeller(language: Language): Speller {
  const folder = dirname(packageFile(DICTIONARY_PACKAGES[language]));
  return createSpeller({ aff: readFileSync(join(folder, 'index.aff')), dic: readFileSync(join(folder, 'index.dic')) });
}
