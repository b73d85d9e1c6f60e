/**
 * A plate's name as this library takes names: bytes of UTF-8 (ISO 32000-1, 7.3.5), one character a byte, each `#` as the
 * escape that it is in a file. So two plates never become one, whatever script they are named in.
 */
export const plateName = (plate: string): string =>
  [...new TextEncoder().encode(plate)].map((byte) => (byte === 0x23 ? '#23' : String.fromCharCode(byte))).join('');
