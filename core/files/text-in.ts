import { inWindows } from './windows-latin';

/** Text of files that do not say how it is written. */

/** Ways of writing that tables come in, by the name that browsers know (WHATWG Encoding), and what people call them. */
export const ENCODINGS = [
  ['utf-8', 'Unicode (UTF-8)'],
  ['utf-16le', 'Unicode (UTF-16)'],
  ['utf-16be', 'Unicode (UTF-16, other order)'],
  ['windows-1252', 'Western Europe (Windows)'],
  ['macintosh', 'Western Europe (older Macs)'],
  ['windows-1250', 'Central Europe'],
  ['windows-1251', 'Cyrillic'],
  ['windows-1253', 'Greek'],
  ['windows-1254', 'Turkish'],
  ['windows-1257', 'Baltic'],
  ['windows-1258', 'Vietnamese'],
  ['shift_jis', 'Japanese'],
  ['gb18030', 'Chinese'],
  ['big5', 'Chinese, traditional'],
  ['euc-kr', 'Korean'],
] as const;
export type Encoding = (typeof ENCODINGS)[number][0];

export interface TextRead {
  text: string;
  encoding: Encoding;
  /** Whether the file leaves no doubt about it; else it is a guess to be looked at. */
  isSure: boolean;
}

/** Bytes that are looked at for where their zeros stand. */
const SAMPLE = 4000;

/** UTF-16 without its mark: in Latin text every other byte is none. */
function zerosSay(bytes: Uint8Array): Encoding | undefined {
  const zeros = [0, 0];
  const sample = bytes.subarray(0, SAMPLE);
  sample.forEach((byte, i) => {
    if (byte === 0) zeros[i % 2]!++;
  });
  const [even, odd] = zeros as [number, number];
  const many = sample.length / 8;
  return odd > many && even < many / 8 ? 'utf-16le' : even > many && odd < many / 8 ? 'utf-16be' : undefined;
}

function guessed(bytes: Uint8Array): { encoding: Encoding; isSure: boolean } {
  const [a, b, c] = bytes;
  if (a === 0xef && b === 0xbb && c === 0xbf) return { encoding: 'utf-8', isSure: true };
  if (a === 0xff && b === 0xfe) return { encoding: 'utf-16le', isSure: true };
  if (a === 0xfe && b === 0xff) return { encoding: 'utf-16be', isSure: true };
  const wide = zerosSay(bytes);
  if (wide) return { encoding: wide, isSure: true };
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return { encoding: 'utf-8', isSure: true };
  } catch {
    return { encoding: 'windows-1252', isSure: false };
  }
}

/** The text of a file: as its marks and bytes tell, as it is said, or by a guess at what Western Europe writes. */
export function readText(bytes: Uint8Array, said?: Encoding): TextRead {
  const { encoding, isSure } = said ? { encoding: said, isSure: true } : guessed(bytes);
  const text = new TextDecoder(encoding).decode(bytes).replace(/^\uFEFF/, '');
  // Where Windows has letters, a decoder that takes it for ISO's Latin leaves what nobody writes.
  const whole = encoding === 'windows-1252' ? text.replace(/[\x80-\x9f]/g, (c) => inWindows(c.charCodeAt(0))) : text;
  return { text: whole, encoding, isSure };
}
