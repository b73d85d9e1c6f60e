/** Western Europe as Windows writes it (WHATWG Encoding, windows-1252); Node's own decoder takes it for ISO's Latin. */

/** Where Windows' Latin differs from ISO's, from 128 on. */
const WINDOWS = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** What a code stands for in Windows' Latin. */
export const inWindows = (code: number): string =>
  code >= 128 && code < 160 ? WINDOWS[code - 128]! : String.fromCharCode(code);
