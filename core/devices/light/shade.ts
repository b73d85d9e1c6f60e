import type { Coat, Surface } from './surface';

/**
 * Light on a surface: what is rough scatters it (Lambert's cosine law), what is smooth throws it back around the mirrored way
 * (Blinn's half vector). One lamp, seen from straight above.
 */
export interface Lamp {
  /** Where it hangs, as shares of the surface's width and height, and how high, as a share of its width. */
  x: number;
  y: number;
  height: number;
}

/** How much light comes from everywhere, and how much from the lamp. */
const LIGHT = { around: 0.62, lamp: 0.4 };
/** How narrowly each throws light back, and how much of it. */
const SHINE = {
  gloss: { power: 70, share: 0.62 },
  satin: { power: 22, share: 0.26 },
  matt: { power: 5, share: 0.05 },
  foil: { power: 18, share: 0.78 },
} as const;
/** What a matt coat takes from the depth of what lies below it. */
const MATT_VEIL = 0.05;
/** How dark metal is where nothing shines in it. */
const METAL_DARK = 0.36;
const STEPS = 1024;
/** Cells in a row that get their light from the same way. */
const ALIKE = 4;

/** Powers of numbers from 0 to 1, in steps that no eye tells apart. */
const powersOf = (power: number): Float32Array =>
  Float32Array.from({ length: STEPS + 1 }, (_, i) => (i / STEPS) ** power);
const POWERS = {
  gloss: powersOf(SHINE.gloss.power),
  satin: powersOf(SHINE.satin.power),
  matt: powersOf(SHINE.matt.power),
  foil: powersOf(SHINE.foil.power),
};

const shineOf = (coat: Coat): keyof typeof SHINE => (coat.kind === 'foil' ? 'foil' : coat.sheen);

/** What a coat makes of the colour below it: so much of that is kept, and a colour and its glints come on top, 0 to 255. */
interface Look {
  powers: Float32Array;
  /** How bright a glint is. */
  glint: number;
  keep: number;
  veil: number;
  /** Metal takes the place of what lies below: its colour, at least so bright. */
  metal: readonly [number, number, number] | undefined;
}
const lookOf = (coat: Coat): Look => {
  const kind = shineOf(coat);
  const isMatt = kind === 'matt';
  return {
    powers: POWERS[kind],
    glint: 255 * SHINE[kind].share,
    // A gloss coat deepens what it covers, a matt one veils it.
    keep: isMatt ? 1 - MATT_VEIL : 0.96,
    veil: isMatt ? 255 * MATT_VEIL : 0,
    metal: coat.kind === 'foil' ? coat.metal : undefined,
  };
};

/** Brighter than this metal shows the lamp itself, in white. */
const WHITE_ABOVE = 0.6;
const WHITE_BY = 260;

/** A byte of a colour that may have come out too bright. */
const byte = (value: number): number => (value >= 255 ? 255 : value | 0);

/**
 * The surface under a lamp, a whole number a cell, written into `out`: red lowest, as the bytes of a picture lie. Plain numbers
 * alone: it is done for each movement.
 */
export function shade(surface: Surface, lamp: Lamp, out: Uint32Array): void {
  const { width, height, rgba, coat, cover, coats, leanX, leanY, upright } = surface;
  const lampX = lamp.x * width;
  const lampY = lamp.y * height;
  const lampZ = Math.max(1, lamp.height * width);
  const looks = coats.map(lookOf);
  for (let y = 0, i = 0, at = 0; y < height; y++) {
    const dy = lampY - y;
    const dyz = dy * dy + lampZ * lampZ;
    // Light comes from nearly the same way all along a few cells: it is worked out for the first of them.
    let lx = 0;
    let ly = 0;
    let lz = 1;
    let half = 0.5;
    for (let x = 0; x < width; x++, i++, at += 4) {
      if (x % ALIKE === 0) {
        const dx = lampX - x - ALIKE / 2;
        const far = 1 / Math.sqrt(dx * dx + dyz);
        lx = dx * far;
        ly = dy * far;
        lz = lampZ * far;
        // The half vector between lamp and eye, which looks straight down, has the length of the root of 2 + 2 lz.
        half = 1 / Math.sqrt(2 + 2 * lz);
      }
      const alpha = rgba[at + 3]!;
      if (alpha === 0) {
        out[i] = 0;
        continue;
      }
      const towards = leanX[i]! * lx + leanY[i]! * ly + lz;
      const covered = cover[i]!;
      const scale = upright[i]!;
      const cosine = towards * scale;
      const diffuse = cosine > 0 ? LIGHT.around + LIGHT.lamp * cosine : LIGHT.around;
      let r = rgba[at]! * diffuse;
      let g = rgba[at + 1]! * diffuse;
      let b = rgba[at + 2]! * diffuse;
      // Bare paper throws no light back that could be told from what it scatters.
      if (covered > 0) {
        const facing = (towards + 1) * scale * half;
        const step = facing <= 0 ? 0 : facing >= 1 ? STEPS : (facing * STEPS) | 0;
        const share = covered / 255;
        const look = looks[coat[i]! - 1]!;
        const glint = look.glint * look.powers[step]!;
        const metal = look.metal;
        if (metal) {
          const bright = 255 * METAL_DARK + glint;
          const white = glint > 255 * WHITE_ABOVE ? (glint / 255 - WHITE_ABOVE) * WHITE_BY : 0;
          r += (metal[0] * bright + white - r) * share;
          g += (metal[1] * bright + white - g) * share;
          b += (metal[2] * bright + white - b) * share;
        } else {
          const more = look.veil + glint;
          r += (r * look.keep + more - r) * share;
          g += (g * look.keep + more - g) * share;
          b += (b * look.keep + more - b) * share;
        }
      }
      out[i] = (alpha << 24) | (byte(b) << 16) | (byte(g) << 8) | byte(r);
    }
  }
}
