import type { Source } from './schema';

/** What type can be read at, and how much of a mixture a piece bears. Sizes in points. */
export const TYPE_LIMITS = {
  /** At most this many families on a card. */
  familiesOnCard: 2,
  /** More sizes than this on one face look like none was chosen. */
  sizesOnFace: 4,
  /** Black words smaller than this print on what is below them instead of being left out of it. */
  blackOverprintsBelow: 12,
} as const;

export const TYPE_SOURCE: Source = { kind: 'common practice' };
