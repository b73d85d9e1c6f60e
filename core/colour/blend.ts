import { type Cmyk, isProcessPlate } from './ink';

/**
 * How a colour mixes with what lies below it (ISO 32000-1, 11.3.5). The formulas are of light, 0 to
 * 1; inks are its complement.
 */

type OfLight = (below: number, own: number) => number;

const hardLight: OfLight = (below, own) => (own <= 0.5 ? below * 2 * own : 1 - (1 - below) * (2 - 2 * own));
const softLight: OfLight = (below, own) => {
  if (own <= 0.5) return below - (1 - 2 * own) * below * (1 - below);
  const curve = below <= 0.25 ? ((16 * below - 12) * below + 4) * below : Math.sqrt(below);
  return below + (2 * own - 1) * (curve - below);
};

const OF_LIGHT = {
  Multiply: (below, own) => below * own,
  Screen: (below, own) => below + own - below * own,
  Overlay: (below, own) => hardLight(own, below),
  Darken: Math.min,
  Lighten: Math.max,
  ColorDodge: (below, own) => (below === 0 ? 0 : own >= 1 ? 1 : Math.min(1, below / (1 - own))),
  ColorBurn: (below, own) => (below >= 1 ? 1 : own <= 0 ? 0 : 1 - Math.min(1, (1 - below) / own)),
  HardLight: hardLight,
  SoftLight: softLight,
  Difference: (below, own) => Math.abs(below - own),
  Exclusion: (below, own) => below + own - 2 * below * own,
} satisfies Record<string, OfLight>;

type Rgb = readonly [number, number, number];
const lightness = ([r, g, b]: Rgb): number => 0.3 * r + 0.59 * g + 0.11 * b;
const saturation = (colour: Rgb): number => Math.max(...colour) - Math.min(...colour);

/** A colour made as light as that, its hue kept; what does not fit is drawn in towards its grey. */
function atLightness(colour: Rgb, wanted: number): Rgb {
  const step = wanted - lightness(colour);
  const moved = colour.map((part) => part + step) as unknown as Rgb;
  const [grey, low, high] = [lightness(moved), Math.min(...moved), Math.max(...moved)];
  return moved.map((part) => {
    if (low < 0) return grey + ((part - grey) * grey) / (grey - low);
    if (high > 1) return grey + ((part - grey) * (1 - grey)) / (high - grey);
    return part;
  }) as unknown as Rgb;
}

/** A colour made as saturated as that, its hue kept. */
function atSaturation(colour: Rgb, wanted: number): Rgb {
  const low = Math.min(...colour);
  const span = saturation(colour);
  return colour.map((part) => (span === 0 ? 0 : ((part - low) * wanted) / span)) as unknown as Rgb;
}

/** Blends of whole colours (11.3.5.3), and whether black is that of the thing itself and not of what lies below. */
const OF_COLOURS = {
  Hue: { mix: (below, own) => atLightness(atSaturation(own, saturation(below)), lightness(below)), ownBlack: false },
  Saturation: {
    mix: (below, own) => atLightness(atSaturation(below, saturation(own)), lightness(below)),
    ownBlack: false,
  },
  Color: { mix: (below, own) => atLightness(own, lightness(below)), ownBlack: false },
  Luminosity: { mix: (below, own) => atLightness(below, lightness(own)), ownBlack: true },
} satisfies Record<string, { mix(below: Rgb, own: Rgb): Rgb; ownBlack: boolean }>;

export type PlateBlend = keyof typeof OF_LIGHT;
export type ColourBlend = keyof typeof OF_COLOURS;
export type Blend = PlateBlend | ColourBlend;
export const isColourBlend = (name: string): name is ColourBlend => Object.hasOwn(OF_COLOURS, name);
export const isBlend = (name: string): name is Blend => Object.hasOwn(OF_LIGHT, name) || isColourBlend(name);

/** How amounts of the four process inks, 0 to 1, mix as colours. */
export function blendOfColours(blend: ColourBlend): (below: Cmyk, own: Cmyk) => Cmyk {
  const { mix, ownBlack } = OF_COLOURS[blend];
  const lightOf = ([c, m, y]: Cmyk): Rgb => [1 - c, 1 - m, 1 - y];
  return (below, own) => {
    const [r, g, b] = mix(lightOf(below), lightOf(own));
    return [1 - r, 1 - g, 1 - b, ownBlack ? own[3] : below[3]];
  };
}

/** Modes that would lay ink where there is none: spot inks are laid plainly instead (11.7.4.2). */
const LAYS_ON_WHITE: ReadonlySet<PlateBlend> = new Set(['Difference', 'Exclusion']);

/** How amounts of ink on a plate, 0 to 1, mix. */
export function blendOn(plate: string, blend: PlateBlend): (below: number, own: number) => number {
  if (!isProcessPlate(plate) && LAYS_ON_WHITE.has(blend)) return (_below, own) => own;
  const light: OfLight = OF_LIGHT[blend];
  return (below, own) => 1 - light(1 - below, 1 - own);
}
