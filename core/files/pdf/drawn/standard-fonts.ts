import { Font, type IFontNames } from '@cantoo/pdf-lib/standard-fonts';

/** The fourteen typefaces that every reader has (ISO 32000-1, 9.6.2.2): files may name them and say nothing of their widths. */

const FAMILIES: readonly (readonly [
  names: RegExp,
  family: string,
  plain: string,
  bold: string,
  italic: string,
  both: string,
])[] = [
  [/^(Helvetica|Arial)/i, 'Helvetica', '', '-Bold', '-Oblique', '-BoldOblique'],
  [/^Times/i, 'Times', '-Roman', '-Bold', '-Italic', '-BoldItalic'],
  [/^Courier/i, 'Courier', '', '-Bold', '-Oblique', '-BoldOblique'],
  [/^Symbol/, 'Symbol', '', '', '', ''],
  [/^ZapfDingbats/, 'ZapfDingbats', '', '', '', ''],
];

/** Which of them a name means, those that are as wide under another name too. */
export function standardFont(name: string): string | undefined {
  const found = FAMILIES.find(([names]) => names.test(name));
  if (!found) return undefined;
  const [, family, plain, bold, italic, both] = found;
  const [isBold, isItalic] = [/bold/i.test(name), /italic|oblique/i.test(name)];
  return family + (isBold && isItalic ? both : isBold ? bold : isItalic ? italic : plain);
}

const WIDTHS = new Map<string, ReadonlyMap<string, number>>();

/** How wide a letter of one of them is, by its name, in thousandths of its size. */
export function standardWidth(font: string, letter: string): number | undefined {
  const known =
    WIDTHS.get(font) ?? new Map(Font.load(font as IFontNames).CharMetrics.map(({ N, WX }) => [N, WX] as const));
  WIDTHS.set(font, known);
  return known.get(letter);
}
