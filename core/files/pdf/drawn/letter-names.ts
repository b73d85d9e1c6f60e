import { inWindows } from '../../windows-latin';

/**
 * Names of letters. The first 229 standard strings of a CFF, in their order (Adobe Technical Note 5176, appendix A; from
 * memory, held against Ghostscript's plates in the tests): a charset names its glyphs by their numbers here.
 */
export const STANDARD_NAMES: readonly string[] = (
  '.notdef space exclam quotedbl numbersign dollar percent ampersand quoteright parenleft parenright asterisk plus comma hyphen ' +
  'period slash zero one two three four five six seven eight nine colon semicolon less equal greater question at A B C D E F G H I ' +
  'J K L M N O P Q R S T U V W X Y Z bracketleft backslash bracketright asciicircum underscore quoteleft a b c d e f g h i j k l m ' +
  'n o p q r s t u v w x y z braceleft bar braceright asciitilde exclamdown cent sterling fraction yen florin section currency ' +
  'quotesingle quotedblleft guillemotleft guilsinglleft guilsinglright fi fl endash dagger daggerdbl periodcentered paragraph ' +
  'bullet quotesinglbase quotedblbase quotedblright guillemotright ellipsis perthousand questiondown grave acute circumflex tilde ' +
  'macron breve dotaccent dieresis ring cedilla hungarumlaut ogonek caron emdash AE ordfeminine Lslash Oslash OE ordmasculine ae ' +
  'dotlessi lslash oslash oe germandbls onesuperior logicalnot mu trademark Eth onehalf plusminus Thorn onequarter divide ' +
  'brokenbar degree thorn threequarters twosuperior registered minus eth multiply threesuperior copyright Aacute Acircumflex ' +
  'Adieresis Agrave Aring Atilde Ccedilla Eacute Ecircumflex Edieresis Egrave Iacute Icircumflex Idieresis Igrave Ntilde Oacute ' +
  'Ocircumflex Odieresis Ograve Otilde Scaron Uacute Ucircumflex Udieresis Ugrave Yacute Ydieresis Zcaron aacute acircumflex ' +
  'adieresis agrave aring atilde ccedilla eacute ecircumflex edieresis egrave iacute icircumflex idieresis igrave ntilde oacute ' +
  'ocircumflex odieresis ograve otilde scaron uacute ucircumflex udieresis ugrave yacute ydieresis zcaron'
).split(' ');

/** Characters that letters' names stand for, where that is not the name itself. */
const CHARACTERS: Readonly<Record<string, string>> = {
  space: ' ',
  exclam: '!',
  quotedbl: '"',
  numbersign: '#',
  dollar: '$',
  percent: '%',
  ampersand: '&',
  quoteright: '’',
  parenleft: '(',
  parenright: ')',
  asterisk: '*',
  plus: '+',
  comma: ',',
  hyphen: '-',
  period: '.',
  slash: '/',
  zero: '0',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  colon: ':',
  semicolon: ';',
  less: '<',
  equal: '=',
  greater: '>',
  question: '?',
  at: '@',
  bracketleft: '[',
  backslash: '\\',
  bracketright: ']',
  asciicircum: '^',
  underscore: '_',
  quoteleft: '‘',
  braceleft: '{',
  bar: '|',
  braceright: '}',
  asciitilde: '~',
  sterling: '£',
  yen: '¥',
  section: '§',
  quotesingle: "'",
  quotedblleft: '“',
  guillemotleft: '«',
  guillemotright: '»',
  fi: 'fi',
  fl: 'fl',
  ff: 'ff',
  ffi: 'ffi',
  ffl: 'ffl',
  endash: '–',
  emdash: '—',
  dagger: '†',
  bullet: '•',
  quotedblright: '”',
  ellipsis: '…',
  germandbls: 'ß',
  AE: 'Æ',
  OE: 'Œ',
  ae: 'æ',
  oe: 'œ',
  Oslash: 'Ø',
  oslash: 'ø',
  dotlessi: 'ı',
  degree: '°',
  copyright: '©',
  registered: '®',
  trademark: '™',
  grave: '`',
  multiply: '×',
  minus: '−',
  periodcentered: '·',
  onehalf: '½',
  onequarter: '¼',
  mu: 'µ',
  Euro: '€',
  nbspace: '\u00a0',
  exclamdown: '¡',
  cent: '¢',
  fraction: '⁄',
  florin: 'ƒ',
  currency: '¤',
  guilsinglleft: '‹',
  guilsinglright: '›',
  daggerdbl: '‡',
  paragraph: '¶',
  quotesinglbase: '‚',
  quotedblbase: '„',
  perthousand: '‰',
  questiondown: '¿',
  acute: '´',
  circumflex: 'ˆ',
  tilde: '˜',
  macron: '¯',
  breve: '˘',
  dotaccent: '˙',
  dieresis: '¨',
  ring: '˚',
  cedilla: '¸',
  hungarumlaut: '˝',
  ogonek: '˛',
  caron: 'ˇ',
  ordfeminine: 'ª',
  ordmasculine: 'º',
  Lslash: 'Ł',
  lslash: 'ł',
  onesuperior: '¹',
  twosuperior: '²',
  threesuperior: '³',
  logicalnot: '¬',
  Eth: 'Ð',
  eth: 'ð',
  plusminus: '±',
  Thorn: 'Þ',
  thorn: 'þ',
  threequarters: '¾',
  divide: '÷',
  brokenbar: '¦',
};

const MARKS: Readonly<Record<string, string>> = {
  acute: '\u0301',
  circumflex: '\u0302',
  dieresis: '\u0308',
  grave: '\u0300',
  ring: '\u030a',
  tilde: '\u0303',
  cedilla: '\u0327',
  caron: '\u030c',
  macron: '\u0304',
  breve: '\u0306',
  dotaccent: '\u0307',
  ogonek: '\u0328',
  hungarumlaut: '\u030b',
  commaaccent: '\u0327',
};

/** The character that a letter's name stands for; undefined for one that is not known. */
export function characterOf(name: string): string | undefined {
  const plain = name.split('.')[0]!;
  const hex = /^uni([0-9A-F]{4})$/.exec(plain)?.[1] ?? /^u([0-9A-F]{4,6})$/.exec(plain)?.[1];
  if (hex) return String.fromCodePoint(Math.min(0x10ffff, Number.parseInt(hex, 16)));
  const known = CHARACTERS[plain] ?? (plain.length === 1 ? plain : undefined);
  const marked = /^([A-Za-z])([a-z]+)$/.exec(plain);
  return known ?? (marked && MARKS[marked[2]!] ? (marked[1]! + MARKS[marked[2]!]!).normalize('NFC') : undefined);
}

const BY_CHARACTER = new Map(
  [...STANDARD_NAMES, 'Euro'].flatMap((name) => {
    const character = characterOf(name);
    return character?.length === 1 ? [[character, name] as const] : [];
  }),
);
/** The standard name of a character, or the one by its number. */
export const nameOfCharacter = (character: string): string =>
  BY_CHARACTER.get(character) ?? `uni${character.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`;

/** The name that a code has where a font says none: ASCII, and beyond it Windows' Latin. */
export function usualName(code: number): string | undefined {
  if (code === 39) return 'quotesingle';
  if (code === 96) return 'grave';
  return BY_CHARACTER.get(inWindows(code));
}
