import { describe, expect, it } from 'vitest';
import { ENCODINGS, readText } from '../../../core/files/text-in';

const utf16 = (text: string, isBig: boolean, mark: boolean): Uint8Array => {
  const out = new DataView(new ArrayBuffer(2 * text.length + (mark ? 2 : 0)));
  const all = mark ? `\uFEFF${text}` : text;
  for (let i = 0; i < all.length; i++) out.setUint16(2 * i, all.charCodeAt(i), !isBig);
  return new Uint8Array(out.buffer);
};
const TEXT = 'Name;Title\r\nZoë Ågren;Gärtnerin';

describe('text of a file', () => {
  it.each([
    ['UTF-8', new TextEncoder().encode(TEXT), 'utf-8'],
    ['UTF-8 with its mark', new TextEncoder().encode(`\uFEFF${TEXT}`), 'utf-8'],
    ['UTF-16', utf16(TEXT, false, true), 'utf-16le'],
    ['UTF-16 of the other order', utf16(TEXT, true, true), 'utf-16be'],
    ['UTF-16 without its mark', utf16(TEXT, false, false), 'utf-16le'],
    ['UTF-16 of the other order without its mark', utf16(TEXT, true, false), 'utf-16be'],
  ] as const)('in %s is read without a doubt', (_, bytes, encoding) => {
    expect(readText(bytes)).toEqual({ text: TEXT, encoding, isSure: true });
  });
  // Windows-1252: ë is EB, Å is C5, ä is E4; Windows-1250: ł is B3 (WHATWG Encoding).
  it('in no Unicode is a guess, and read as it is said', () => {
    const western = Uint8Array.from('Zo\xEB \xC5gren', (c) => c.charCodeAt(0));
    expect(readText(western)).toEqual({ text: 'Zoë Ågren', encoding: 'windows-1252', isSure: false });
    // Letters that ISO's Latin has not got: by the table of the WHATWG's Encoding standard.
    expect(readText(Uint8Array.from([0x80, 0x92, 0x96, 0x8a, 0xe9])).text).toBe('€’–Šé');
    const polish = Uint8Array.from('Pawe\xB3', (c) => c.charCodeAt(0));
    expect(readText(polish).text).toBe('Pawe³');
    expect(readText(polish, 'windows-1250').text).toBe('Paweł');
  });
  it('can be read in every way that is offered', () => {
    for (const [encoding] of ENCODINGS) expect(readText(Uint8Array.of(65, 66), encoding).encoding).toBe(encoding);
  });
});
