/** How many bits of a word are set. */
function bitsOf(word: number): number {
  const pairs = word - ((word >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

/** Every colour of 8 bits a channel has one bit. */
const WORDS = (1 << 24) / 32;

/**
 * Converts an RGB picture by its distinct colours: a photograph has far fewer of them than pixels. `convert` gets them
 * in order, three bytes each, and gives `out` bytes for each.
 */
export function byDistinctColours(rgb: Uint8Array, out: number, convert: (rgb: Uint8Array) => Uint8Array): Uint8Array {
  const count = rgb.length / 3;
  const seen = new Int32Array(WORDS);
  const colourAt = (at: number): number => (rgb[at]! << 16) | (rgb[at + 1]! << 8) | rgb[at + 2]!;
  for (let at = 0; at < rgb.length; at += 3) {
    const colour = colourAt(at);
    seen[colour >>> 5]! |= 1 << (colour & 31);
  }
  /** How many colours come before those of each word. */
  const before = new Int32Array(WORDS);
  let known = 0;
  for (let word = 0; word < WORDS; word++) {
    before[word] = known;
    known += bitsOf(seen[word]!);
  }
  const distinct = new Uint8Array(known * 3);
  for (let word = 0, to = 0; word < WORDS; word++)
    for (let bits = seen[word]!; bits !== 0; bits &= bits - 1) {
      const colour = (word << 5) | (31 - Math.clz32(bits & -bits));
      distinct[to++] = colour >>> 16;
      distinct[to++] = (colour >>> 8) & 255;
      distinct[to++] = colour & 255;
    }
  const converted = convert(distinct);
  const placeAt = (at: number): number => {
    const colour = colourAt(at);
    const word = colour >>> 5;
    return before[word]! + bitsOf(seen[word]! & ((1 << (colour & 31)) - 1));
  };
  const result = new Uint8Array(count * out);
  if (out === 4) {
    // Four bytes at once: most pictures go to CMYK.
    const [source, target] = [new Int32Array(converted.slice().buffer), new Int32Array(result.buffer)];
    for (let at = 0, to = 0; at < rgb.length; at += 3) target[to++] = source[placeAt(at)]!;
    return result;
  }
  for (let at = 0, to = 0; at < rgb.length; at += 3) {
    const from = placeAt(at) * out;
    for (let c = 0; c < out; c++) result[to++] = converted[from + c]!;
  }
  return result;
}
