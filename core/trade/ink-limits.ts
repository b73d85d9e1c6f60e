import type { Source } from './schema';

/** What inks can be trusted to do on paper. Common practice; amounts 0 to 1, lengths in points. */
export const INK_LIMITS = {
  /** A black with other inks under it: deep over an area. 240 %. */
  richBlack: [0.6, 0.4, 0.4, 1],
  /** Black alone looks grey over an area of so many mm²; under so many, rich black gains nothing. */
  blackArea: { large: 600, small: 40 },
  /** All four plates at this or more is the colour of registration marks. */
  registration: 0.99,
  /** Words in rich black below this size, points, show every shift of the plates. */
  richWords: 12,
  /** A line as light as this, CIE L* relative to paper, counts as light. */
  lightLine: 60,
  /** Words and what lies under them, as a difference of CIE L*. */
  contrast: { wanted: 30, stop: 15 },
  /** CIEDE2000 between what was asked and what the press can do. */
  outOfGamut: 5,
  /** A share of a picture out of gamut that is worth a word. */
  farShare: 0.02,
  /** Spot inks nearer than this, CIEDE2000, are one under two names. */
  sameInk: 1,
  /** Inks nearer than this, CIEDE2000, can hardly be told from one another. */
  nearInk: 2.5,
  /** Letters in a tint below this size, points, have edges of dots. */
  screenedWords: 8,
  /** Black lines up to this weight, and areas up to this size both ways, points, are told by their edges: they overprint. */
  thinBlack: { line: 1, area: 9 },
  /** Ink as dense as this, 1 is 100 %, cracks on a fold and comes off on the rollers of a laser printer. */
  dense: 2,
  /** So many mm² of solid ink are too much for a laser printer's heat. */
  laserSolid: 2000,
  /** A place with too much ink, in mm², that is worth a word. */
  wetPlace: 0.5,
  /**
   * Two inks that meet: with as much of one plate on both sides no paper shows between them; one lighter than that density
   * hardly differs from paper; and a shorter edge, points, is not worth a word.
   */
  meeting: { common: 0.2, density: 0.25, length: 2.83 },
  /** How far the lighter of two inks is spread over the other, mm; and how much ink may lie there then, 1 is 100 %. */
  spreads: [0.05, 0.08, 0.1],
  spreadTotal: 2.95,
} as const;

export const INK_SOURCE: Source = { kind: 'common practice' };
