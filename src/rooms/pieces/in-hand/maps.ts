import { DataTexture, LinearFilter, LinearMipmapLinearFilter, RGBAFormat, SRGBColorSpace, type Texture } from 'three';
import type { Surface } from '../../../../core/devices/light/surface';

/** A side of a finished piece as what a renderer asks of a surface: its colour, how rough and how much of metal it is, and how it leans. */
export interface Maps {
  colour: Texture;
  /** Roughness in green, metal in blue: the channels that three.js reads them from. */
  made: Texture;
  lean: Texture;
}

/** How rough things are, 0 to 1: paper scatters, a gloss coat mirrors. */
const ROUGH = { paper: 0.92, foil: 0.3, gloss: 0.12, satin: 0.4, matt: 0.7 } as const;
/** What stands out is seen from further off than in the hand's light: its slopes are shown steeper. */
const STEEPER = 1.6;

function textureOf(data: Uint8ClampedArray<ArrayBuffer>, width: number, height: number, sharp: number): Texture {
  const texture = new DataTexture(data, width, height, RGBAFormat);
  texture.generateMipmaps = true;
  texture.minFilter = LinearMipmapLinearFilter;
  texture.magFilter = LinearFilter;
  texture.anisotropy = sharp;
  texture.needsUpdate = true;
  return texture;
}

/** `sharp` is the most anisotropy that the renderer has. */
export function mapsOf(surface: Surface, sharp: number): Maps {
  const { width, height, rgba, coat, cover, coats, leanX, leanY } = surface;
  const count = width * height;
  const colour = new Uint8ClampedArray(rgba);
  const made = new Uint8ClampedArray(4 * count);
  const lean = new Uint8ClampedArray(4 * count);
  for (let i = 0, at = 0; i < count; i++, at += 4) {
    const share = cover[i]! / 255;
    const top = share > 0 ? coats[coat[i]! - 1] : undefined;
    const rough = top ? (top.kind === 'foil' ? ROUGH.foil : ROUGH[top.sheen]) : ROUGH.paper;
    if (top?.kind === 'foil')
      for (let k = 0; k < 3; k++) colour[at + k] = colour[at + k]! * (1 - share) + 255 * top.metal[k]! * share;
    // What is cut away has an outline of its own: it must not be seen through here.
    colour[at + 3] = 255;
    made[at + 1] = 255 * (ROUGH.paper + (rough - ROUGH.paper) * share);
    made[at + 2] = top?.kind === 'foil' ? 255 * share : 0;
    made[at + 3] = 255;
    const [x, y] = [STEEPER * leanX[i]!, STEEPER * leanY[i]!];
    const long = Math.sqrt(x * x + y * y + 1);
    lean[at] = 127.5 * (1 + x / long);
    lean[at + 1] = 127.5 * (1 + y / long);
    lean[at + 2] = 127.5 * (1 + 1 / long);
    lean[at + 3] = 255;
  }
  const print = textureOf(colour, width, height, sharp);
  print.colorSpace = SRGBColorSpace;
  return { colour: print, made: textureOf(made, width, height, sharp), lean: textureOf(lean, width, height, sharp) };
}

export function freeMaps({ colour, made, lean }: Maps): void {
  for (const texture of [colour, made, lean]) texture.dispose();
}
