import type { Typeface } from './typefaces';

const plain = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

/** The typeface that a font's PostScript name means (“SourceSans3-BoldItalic”), by family and style; undefined where none of these has it. */
export function namedTypeface(postscript: string, faces: readonly Typeface[]): Typeface | undefined {
  const wanted = plain(postscript);
  return faces.find(
    ({ family, style }) => wanted === plain(family + style) || (style === 'Regular' && wanted === plain(family)),
  );
}
