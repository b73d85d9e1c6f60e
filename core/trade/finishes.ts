/** Cyan, magenta, yellow and black, 0 to 1. */
type Cmyk = readonly [number, number, number, number];

/**
 * What is done to a piece besides printing it. Each is a processing step by ISO 19593-1:2018: the group and the type that
 * its layer of a PDF is marked with (from memory of the standard's tables 1 to 8).
 */
export interface FinishFacts {
  /** As the trade calls it; the name of its plate too, unless it is given another. */
  name: string;
  group: 'Structural' | 'Varnish' | 'White';
  /** Varnish and white have a group of their own, and no type. */
  type?: string;
  /** Areas that are covered or pressed, or lines that a tool follows. */
  draws: 'areas' | 'lines';
  /** It may cover the whole side, with its bleed. */
  mayBeWhole?: true;
  /** What it is shown in where its look cannot be. */
  cmyk: Cmyk;
  /** How much of what lies below it lets through when it is shown flat, 0 to 1. */
  shown: number;
  /** What it is for, in a sentence. */
  says: string;
}

export const FINISHES = {
  foil: {
    name: 'Foil',
    group: 'Structural',
    type: 'FoilStamping',
    draws: 'areas',
    cmyk: [0.18, 0.34, 0.78, 0.08],
    shown: 1,
    says: 'Metal or pigment pressed on with a hot die.',
  },
  varnish: {
    name: 'Varnish',
    group: 'Varnish',
    draws: 'areas',
    mayBeWhole: true,
    cmyk: [0.35, 0, 0.12, 0],
    shown: 0.45,
    says: 'A clear coat over some places, or over the whole side.',
  },
  white: {
    name: 'White',
    group: 'White',
    draws: 'areas',
    mayBeWhole: true,
    cmyk: [0.08, 0.04, 0.02, 0.1],
    shown: 0.55,
    says: 'Opaque white below the inks, for coloured, clear or metallic stock.',
  },
  embossing: {
    name: 'Embossing',
    group: 'Structural',
    type: 'Embossing',
    draws: 'areas',
    cmyk: [0.3, 0.2, 0.2, 0.1],
    shown: 0.5,
    says: 'Raised above the sheet by a pair of dies.',
  },
  debossing: {
    name: 'Debossing',
    group: 'Structural',
    type: 'Debossing',
    draws: 'areas',
    cmyk: [0.3, 0.2, 0.2, 0.35],
    shown: 0.5,
    says: 'Pressed into the sheet by a die.',
  },
  'die line': {
    name: 'Die line',
    group: 'Structural',
    type: 'Cutting',
    draws: 'lines',
    cmyk: [0, 0.55, 0.9, 0.25],
    shown: 1,
    says: 'The outline that a die cuts the piece along, instead of the guillotine.',
  },
  crease: {
    name: 'Crease',
    group: 'Structural',
    type: 'Creasing',
    draws: 'lines',
    cmyk: [0.8, 0.3, 0.5, 0.2],
    shown: 1,
    says: 'A groove that heavy stock is folded along.',
  },
  perforation: {
    name: 'Perforation',
    group: 'Structural',
    type: 'Perforating',
    draws: 'lines',
    cmyk: [0.5, 0.7, 0, 0.2],
    shown: 1,
    says: 'A row of small cuts that a part is torn off along.',
  },
  holes: {
    name: 'Punch holes',
    group: 'Structural',
    type: 'Punching',
    draws: 'lines',
    cmyk: [0, 0.2, 0.4, 0.6],
    shown: 1,
    says: 'Holes through the sheet.',
  },
  glue: {
    name: 'Glue',
    group: 'Structural',
    type: 'Gluing',
    draws: 'areas',
    cmyk: [0.1, 0, 0.5, 0.05],
    shown: 0.6,
    says: 'Where glue is laid; nothing may print or shine there.',
  },
} as const satisfies Record<string, FinishFacts>;

export type FinishKind = keyof typeof FINISHES;
export const FINISH_KINDS = Object.keys(FINISHES) as [FinishKind, ...FinishKind[]];
export const finishFacts = (kind: FinishKind): FinishFacts => FINISHES[kind];

/** What foil is made of: what it is shown in flat, and its colour where light falls on it straight, sRGB 0 to 1. */
export const FOILS = {
  gold: { name: 'Gold', cmyk: [0.18, 0.34, 0.78, 0.08], metal: [0.93, 0.74, 0.36] },
  copper: { name: 'Copper', cmyk: [0.1, 0.58, 0.66, 0.12], metal: [0.9, 0.56, 0.4] },
  'rose gold': { name: 'Rose gold', cmyk: [0.06, 0.42, 0.34, 0.06], metal: [0.92, 0.67, 0.6] },
  silver: { name: 'Silver', cmyk: [0.2, 0.14, 0.14, 0.12], metal: [0.8, 0.81, 0.83] },
  black: { name: 'Black gloss', cmyk: [0.4, 0.3, 0.3, 0.9], metal: [0.07, 0.07, 0.08] },
  white: { name: 'White', cmyk: [0.03, 0.02, 0.03, 0.02], metal: [0.97, 0.97, 0.96] },
} as const satisfies Record<string, { name: string; cmyk: Cmyk; metal: readonly [number, number, number] }>;
export type FoilTone = keyof typeof FOILS;
export const FOIL_TONES = Object.keys(FOILS) as [FoilTone, ...FoilTone[]];

/** What varnish looks like. */
export const SHEENS = { gloss: 'Gloss', satin: 'Satin', matt: 'Matt' } as const;
export type Sheen = keyof typeof SHEENS;
