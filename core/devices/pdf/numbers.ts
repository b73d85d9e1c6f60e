import type { Font } from '../../type/font';

/** A number as PDF writes it, to a ten-thousandth. */
export const pdfNumber = (n: number): string => {
  const text = (Math.round(n * 10_000) / 10_000).toFixed(4).replace(/\.?0+$/, '');
  return text === '-0' ? '0' : text;
};
export const numbers = (...n: number[]): string => n.map(pdfNumber).join(' ');
export const hex4 = (n: number): string => n.toString(16).padStart(4, '0').toUpperCase();

/** Words as a PDF hexadecimal string in UTF-16BE. */
export const utf16Hex = (text: string): string =>
  Array.from({ length: text.length }, (_, i) => hex4(text.charCodeAt(i))).join('');

/** The width of a glyph in thousandths of the size, as the font's W array has it. */
export const pdfWidth = (font: Font, glyph: number): number => Math.round((font.advance(glyph) * 1000) / font.upem);
