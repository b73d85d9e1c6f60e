import { readSfnt } from './sfnt';

/** How a font's letters stand in a PDF: as its TrueType or CFF program, or as a program made of their outlines. */
export type Program = 'truetype' | 'cff' | 'outlines';

const ROS = 30;
const ESCAPE = 12;

/** Whether a CFF font is CID-keyed: its Top DICT then names a registry (Adobe Technical Note 5176, section 18). */
function isCidKeyed(cff: Uint8Array): boolean {
  const view = new DataView(cff.buffer, cff.byteOffset, cff.byteLength);
  const offset = (at: number, size: number): number => {
    let n = 0;
    for (let i = 0; i < size; i++) n = n * 256 + view.getUint8(at + i);
    return n;
  };
  // The index of names comes first; the one of Top DICTs after it.
  const nameIndex = view.getUint8(2);
  const names = view.getUint16(nameIndex);
  const size = view.getUint8(nameIndex + 2);
  const data = nameIndex + 3 + (names + 1) * size;
  const dictIndex = data - 1 + offset(nameIndex + 3 + names * size, size);
  const dictSize = view.getUint8(dictIndex + 2);
  const start = dictIndex + 3 + (view.getUint16(dictIndex) + 1) * dictSize - 1 + offset(dictIndex + 3, dictSize);
  const end = start - 1 + offset(dictIndex + 3 + dictSize, dictSize);
  for (let at = start; at < end; ) {
    const byte = view.getUint8(at);
    if (byte === ESCAPE) {
      if (view.getUint8(at + 1) === ROS) return true;
      at += 2;
    } else if (byte <= 21) at += 1;
    else if (byte === 28) at += 3;
    else if (byte === 29) at += 5;
    else if (byte === 30) {
      at += 1;
      while (at < end && (view.getUint8(at) & 0x0f) !== 0x0f) at += 1;
      at += 1;
    } else at += byte >= 247 ? 2 : 1;
  }
  return false;
}

/**
 * How a font is put in a PDF. Glyphs are named by number, which only a CFF font without CIDs of its own keeps; of the
 * others, and of CFF2, which no PDF holds, a program is made.
 */
export function programOf(bytes: Uint8Array): Program {
  const { tables } = readSfnt(bytes);
  if (tables.has('glyf')) return 'truetype';
  const cff = tables.get('CFF ');
  try {
    return cff && !isCidKeyed(cff) ? 'cff' : 'outlines';
  } catch {
    return 'outlines';
  }
}
