/** HarfBuzz's subsetter: the package ships its wasm without a front, and it needs no imports. */
interface SubsetExports {
  memory: WebAssembly.Memory;
  _initialize(): void;
  malloc(n: number): number;
  free(p: number): void;
  hb_blob_create(p: number, n: number, mode: number, user: number, destroy: number): number;
  hb_blob_destroy(b: number): void;
  hb_blob_get_length(b: number): number;
  hb_blob_get_data(b: number, len: number): number;
  hb_face_create(b: number, i: number): number;
  hb_face_destroy(f: number): void;
  hb_face_reference_blob(f: number): number;
  hb_set_add(s: number, v: number): void;
  hb_subset_input_create_or_fail(): number;
  hb_subset_input_destroy(i: number): void;
  hb_subset_input_glyph_set(i: number): number;
  hb_subset_input_unicode_set(i: number): number;
  hb_subset_input_set(i: number, which: number): number;
  hb_set_clear(s: number): void;
  hb_set_invert(s: number): void;
  hb_subset_input_set_flags(i: number, f: number): void;
  hb_subset_input_keep_everything(i: number): void;
  hb_subset_input_pin_all_axes_to_default(i: number, face: number): number;
  hb_subset_input_pin_axis_location(i: number, face: number, tag: number, value: number): number;
  hb_subset_or_fail(f: number, i: number): number;
}

export interface FontCutter {
  /** Cuts a font down to some glyphs; they keep their numbers. */
  subset(font: Uint8Array, glyphs: Iterable<number>): Uint8Array;
  /** Cuts a font down to some characters and all that any feature may put in their place; glyphs keep their numbers. */
  closure(font: Uint8Array, codePoints: Iterable<number>): Uint8Array;
  /** The plain font that a variable one is at a place on its axes. */
  instance(font: Uint8Array, at: Readonly<Record<string, number>>): Uint8Array;
}

const WRITABLE = 2;
const NO_HINTING = 1;
const RETAIN_GLYPH_IDS = 2;
const NOTDEF_OUTLINE = 0x40;
/** The set of feature tags among those of an order (hb-subset.h). */
const LAYOUT_FEATURES = 6;

const tagNumber = (tag: string): number =>
  (tag.charCodeAt(0) << 24) | (tag.charCodeAt(1) << 16) | (tag.charCodeAt(2) << 8) | tag.charCodeAt(3);

export async function createFontCutter(wasm: Uint8Array): Promise<FontCutter> {
  const { instance } = await WebAssembly.instantiate(wasm.slice().buffer, {});
  const x = instance.exports as unknown as SubsetExports;
  x._initialize();

  /** Cuts as `ask` writes on the order. */
  function cut(font: Uint8Array, ask: (input: number, face: number) => void): Uint8Array {
    const at = x.malloc(font.byteLength);
    new Uint8Array(x.memory.buffer).set(font, at);
    const blob = x.hb_blob_create(at, font.byteLength, WRITABLE, 0, 0);
    const face = x.hb_face_create(blob, 0);
    x.hb_blob_destroy(blob);
    const input = x.hb_subset_input_create_or_fail();
    try {
      ask(input, face);
      const subset = x.hb_subset_or_fail(face, input);
      if (!subset) throw new Error('This font cannot be cut down to what is in use.');
      const result = x.hb_face_reference_blob(subset);
      const length = x.hb_blob_get_length(result);
      const start = x.hb_blob_get_data(result, 0);
      const out = new Uint8Array(x.memory.buffer).slice(start, start + length);
      x.hb_blob_destroy(result);
      x.hb_face_destroy(subset);
      return out;
    } finally {
      x.hb_subset_input_destroy(input);
      x.hb_face_destroy(face);
      x.free(at);
    }
  }

  return {
    subset: (font, glyphs) =>
      cut(font, (input) => {
        const wanted = x.hb_subset_input_glyph_set(input);
        for (const glyph of glyphs) x.hb_set_add(wanted, glyph);
        x.hb_subset_input_set_flags(input, NO_HINTING | NOTDEF_OUTLINE | RETAIN_GLYPH_IDS);
      }),
    closure: (font, codePoints) =>
      cut(font, (input) => {
        const wanted = x.hb_subset_input_unicode_set(input);
        for (const codePoint of codePoints) x.hb_set_add(wanted, codePoint);
        const features = x.hb_subset_input_set(input, LAYOUT_FEATURES);
        x.hb_set_clear(features);
        x.hb_set_invert(features);
        x.hb_subset_input_set_flags(input, NO_HINTING | NOTDEF_OUTLINE | RETAIN_GLYPH_IDS);
      }),
    instance: (font, place) =>
      cut(font, (input, face) => {
        x.hb_subset_input_keep_everything(input);
        x.hb_subset_input_pin_all_axes_to_default(input, face);
        for (const [tag, value] of Object.entries(place))
          x.hb_subset_input_pin_axis_location(input, face, tagNumber(tag), value);
      }),
  };
}
