import { Encodings } from '@cantoo/pdf-lib/standard-fonts';
import { inWindows } from '../../windows-latin';
import { characterOf, nameOfCharacter, STANDARD_NAMES } from './letter-names';

/** What the codes of a font stand for (ISO 32000-1, annex D). */

/** Adobe's own: the standard names in their order, with gaps (Adobe Technical Note 5176, appendix B). */
const GAPS: readonly (readonly [first: number, last: number])[] = [
  [32, 126],
  [161, 175],
  [177, 180],
  [182, 189],
  [191, 191],
  [193, 200],
  [202, 203],
  [205, 208],
  [225, 225],
  [227, 227],
  [232, 235],
  [241, 241],
  [245, 245],
  [248, 251],
];
const standardCodes = GAPS.flatMap(([first, last]) => Array.from({ length: last - first + 1 }, (_, i) => first + i));
export const STANDARD_ENCODING: ReadonlyMap<number, string> = new Map(
  standardCodes.map((code, i) => [code, STANDARD_NAMES[i + 1]!] as const),
);

const codesOf = ({ supportedCodePoints, encodeUnicodeCodePoint }: (typeof Encodings)['Symbol']) =>
  supportedCodePoints.map((point) => ({ ...encodeUnicodeCodePoint(point), character: String.fromCodePoint(point) }));

const SYMBOLS = codesOf(Encodings.Symbol);
const DINGBATS = codesOf(Encodings.ZapfDingbats);

/** Characters that the letters of mathematics and of ornaments stand for, by their names. */
export const SYMBOL_CHARACTERS: ReadonlyMap<string, string> = new Map(
  // An ohm is a letter of the Greeks.
  [...DINGBATS, ...SYMBOLS].map(({ name, character }) => [name, character.normalize('NFC')] as const),
);

/** The names that two fonts give their codes themselves. */
export const OWN_ENCODINGS: Readonly<Record<string, ReadonlyMap<number, string>>> = {
  Symbol: new Map(SYMBOLS.map(({ code, name }) => [code, name] as const)),
  ZapfDingbats: new Map(DINGBATS.map(({ code, name }) => [code, name] as const)),
};

const MACINTOSH = new TextDecoder('macintosh').decode(Uint8Array.from({ length: 256 }, (_, code) => code));
/** Characters by their codes in the encodings that files name (annex D.2). */
const CHARACTERS_IN: Readonly<Record<string, (code: number) => string>> = {
  // Readers of this character set differ from one another, and some take it for ISO's Latin.
  WinAnsiEncoding: inWindows,
  MacRomanEncoding: (code) => MACINTOSH[code]!,
};

/** The character of a code in an encoding that is named; undefined where that has none, or is not one of those. */
export function characterIn(encoding: string, code: number): string | undefined {
  const character = code < 32 || code > 255 ? undefined : CHARACTERS_IN[encoding]?.(code);
  return character && /\p{C}/u.test(character) ? undefined : character;
}

/** What signs of mathematics have at the end of their names, where there are larger ones. */
const SIZES = /(big|Big|bigg|Bigg|text|display)$/;

/** The character that a letter's name stands for, signs of mathematics and ornaments too. */
export function characterNamed(name: string): string | undefined {
  const plain = name.split('.')[0]!;
  return characterOf(name) ?? SYMBOL_CHARACTERS.get(plain) ?? SYMBOL_CHARACTERS.get(plain.replace(SIZES, ''));
}

/** The letters of a font by their codes, as its encoding names them. */
export interface Named {
  /** The name of a code where the font's dictionary gives it one. */
  given(code: number): string | undefined;
  /** The same, or the one of the font's own encoding where that is known without its program. */
  usual(code: number): string | undefined;
}

/**
 * The names of a font's codes: by its list of differences, by the encoding that it names, and where it names none by its own
 * (table 114). `own` is its base name where its program is not in the file.
 */
export function namesOf(
  encoding: string | undefined,
  differences: ReadonlyMap<number, string>,
  own: string | undefined,
): Named {
  const byEncoding = (code: number): string | undefined => {
    if (encoding === 'StandardEncoding') return STANDARD_ENCODING.get(code);
    const character = encoding === undefined ? undefined : characterIn(encoding, code);
    return character === undefined ? undefined : nameOfCharacter(character);
  };
  const given = (code: number): string | undefined => differences.get(code) ?? byEncoding(code);
  const table = own === undefined ? undefined : (OWN_ENCODINGS[own] ?? STANDARD_ENCODING);
  return { given, usual: (code) => given(code) ?? table?.get(code) };
}
