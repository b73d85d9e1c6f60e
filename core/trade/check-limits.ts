import { toPoints } from '../units/length';

/** Numbers of the trade that checks go by and no shop asks for: common practice, all of them. Lengths in points. */
export const CHECK_LIMITS = {
  /** A JPEG saved at less than this, 1 to 100, shows its blocks, or may. */
  jpeg: { warn: 60, advise: 75 },
  /** Letters in a line of running words, and how many lines make running words. */
  line: { letters: 95, lines: 3 },
  /** Closer letters than this, thousandths of their size, touch as ink spreads. */
  tracking: -50,
  /** Two sizes of type nearer than this, or two pieces of a kind, were meant to be one. */
  nearType: 0.5,
  nearPiece: toPoints(1.5, 'mm'),
  /** Smaller than this both ways, a thing is taken for dust. */
  speck: toPoints(0.3, 'mm'),
  /** Margins that differ by less look alike; by more they are meant. */
  uneven: { least: toPoints(0.15, 'mm'), most: toPoints(2, 'mm') },
  /** A background covers at least this share of its face; space beyond the other share at an edge is a design. */
  ground: { covers: 0.6, design: 0.12 },
  /** The margin of a border that is so many times the opposite one is seen by anybody. */
  border: 1.5,
  /** Heavier stock than this, g/m², breaks on a fold that was not scored. */
  scoreAbove: 170,
  /** Up to this weight, g/m², paper folds across its grain as well. */
  grainAbove: 120,
  /** A solid this near a fold lies on it when the fold drifts. */
  solidFold: toPoints(1, 'mm'),
  /** Edges that differ for less than this are not worth a word. */
  unlikeEdges: toPoints(2, 'mm'),
} as const;
