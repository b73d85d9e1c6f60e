/** How a set on a table is looked at: where from, in what light, on what. Angles in degrees. */
export interface View {
  /** Round the table, and up from it: 90 is straight above. */
  turn: number;
  tilt: number;
  /** How much of the picture the set takes: 1 fills it. */
  near: number;
  /** Where the light comes from, and how large it is: a small one has hard shadows. */
  light: number;
  soft: number;
  table: Table;
}

export const TABLES = {
  chalk: ['Chalk', '#dedbd4'],
  oak: ['Oak', '#b5926b'],
  felt: ['Felt', '#55645a'],
  slate: ['Slate', '#3b4046'],
} as const;
export type Table = keyof typeof TABLES;

export const LIMITS = {
  turn: { least: -180, most: 180 },
  // Lower than this the table would end in the picture.
  tilt: { least: 16, most: 90 },
  near: { least: 0.5, most: 4 },
  light: { least: -180, most: 180 },
  soft: { least: 0, most: 1 },
} as const;

export const FIRST_VIEW: View = { turn: -14, tilt: 46, near: 1, light: -128, soft: 0.5, table: 'oak' };

/** Ready-made places to look from. */
export const PLACES: readonly (readonly [says: string, view: Partial<View>])[] = [
  ['From the chair', { turn: -14, tilt: 46, near: 1 }],
  ['Close', { turn: 18, tilt: 30, near: 1.9 }],
  ['Straight above', { turn: 0, tilt: 90, near: 1 }],
];

const within = (value: number, { least, most }: { least: number; most: number }): number =>
  Math.min(most, Math.max(least, value));

/** A view changed by a hand: turns go round, the rest stays within its limits. */
export function moved(view: View, by: Partial<Record<'turn' | 'tilt', number>> & { near?: number }): View {
  const turn = view.turn + (by.turn ?? 0);
  return {
    ...view,
    turn: turn > 180 ? turn - 360 : turn < -180 ? turn + 360 : turn,
    tilt: within(view.tilt + (by.tilt ?? 0), LIMITS.tilt),
    near: within(view.near * (by.near ?? 1), LIMITS.near),
  };
}

/** A number −1 to 1 and another that fill a square evenly, the more of them the finer: Halton's sequence (Halton 1960). */
export function spread(n: number): { x: number; y: number } {
  const radical = (base: number): number => {
    let [sum, part, left] = [0, 1 / base, n + 1];
    while (left > 0) {
      sum += part * (left % base);
      left = Math.floor(left / base);
      part /= base;
    }
    return 2 * sum - 1;
  };
  return { x: radical(2), y: radical(3) };
}
