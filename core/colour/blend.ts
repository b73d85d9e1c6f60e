import { isProcessPlate } from './ink';

/**
 * How a colour mixes with what lies below it (ISO 32000-1, 11.3.5.2, separable blend modes). The formulas are of light, 0 to
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

export type Blend = keyof typeof OF_LIGHT;
export const isBlend = (name: string): name is Blend => Object.hasOwn(OF_LIGHT, name);

/** Modes that would lay ink where there is none: spot inks are laid plainly instead (11.7.4.2). */
const LAYS_ON_WHITE: ReadonlySet<Blend> = new Set(['Difference', 'Exclusion']);

/** How amounts of ink on a plate, 0 to 1, mix. */
export function blendOn(plate: string, blend: Blend): (below: number, own: number) => number {
  if (!isProcessPlate(plate) && LAYS_ON_WHITE.has(blend)) return (_below, own) => own;
  const light: OfLight = OF_LIGHT[blend];
  return (below, own) => 1 - light(1 - below, 1 - own);
}
