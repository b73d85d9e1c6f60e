import type { ShippedTypeface } from '../core/type/typefaces';

const FONT_URLS = import.meta.glob<string>(
  '/node_modules/@expo-google-fonts/*/{400Regular,400Regular_Italic,500Medium,600SemiBold,700Bold,700Bold_Italic}/*.ttf',
  { query: '?url', import: 'default', eager: true, exhaustive: true },
);

/** Where a shipped typeface's file is. */
export const typefaceUrl = (face: ShippedTypeface): string | undefined => FONT_URLS[`/node_modules/${face.file}`];
