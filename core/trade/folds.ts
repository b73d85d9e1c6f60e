/** Folded pieces: how wide each panel is, and what it is called as it is read. Lengths in points. */

export const FOLDS = {
  half: 'Once, in half',
  rolled: 'In three, one panel tucked in',
  zigzag: 'In three, to and fro',
  gate: 'As a gate: two wings',
} as const;
export type Fold = keyof typeof FOLDS;

export interface Panel {
  name: string;
  /** From the face's left edge. */
  from: number;
  width: number;
}

/** Widths of the panels of the inside from left to right; `less` is what a panel that is tucked in is shorter by. */
function widths(fold: Fold, flat: number, less: number): number[] {
  switch (fold) {
    case 'half':
      return [flat / 2, flat / 2];
    case 'zigzag':
      return [flat / 3, flat / 3, flat / 3];
    case 'rolled': {
      // Two whole ones and one that is shorter.
      const whole = (flat + less) / 3;
      return [whole, whole, whole - less];
    }
    case 'gate': {
      // Each wing stops short of the middle by the allowance.
      const wing = (flat - 2 * less) / 4;
      return [wing, flat - 2 * wing, wing];
    }
  }
}

const NAMES: Readonly<Record<Fold, { outside: readonly string[]; inside: readonly string[] }>> = {
  half: { outside: ['Back, 4', 'Cover, 1'], inside: ['Inside left, 2', 'Inside right, 3'] },
  rolled: {
    outside: ['Tucked panel, 2', 'Back, 6', 'Cover, 1'],
    inside: ['Inside left, 3', 'Inside middle, 4', 'Inside right, 5'],
  },
  zigzag: {
    outside: ['Outside left, 5', 'Back, 6', 'Cover, 1'],
    inside: ['Inside left, 2', 'Inside middle, 3', 'Inside right, 4'],
  },
  gate: {
    outside: ['Right wing, 2', 'Back, 6', 'Left wing, 1'],
    inside: ['Inside left, 3', 'Inside middle, 4', 'Inside right, 5'],
  },
};

/** The panels of one side of a sheet `flat` wide, from left to right. The outside is the inside seen from behind. */
export function panelsOf(fold: Fold, flat: number, less: number, side: 'outside' | 'inside'): Panel[] {
  const inside = widths(fold, flat, less);
  const here = side === 'inside' ? inside : [...inside].reverse();
  let from = 0;
  return here.map((width, i) => {
    const panel = { name: NAMES[fold][side][i]!, from, width };
    from += width;
    return panel;
  });
}

/** Where a side is folded, from its left edge. */
export const foldLines = (panels: readonly Panel[]): number[] => panels.slice(1).map(({ from }) => from);

/** How wide it is once it is folded. */
export const foldedWidth = (fold: Fold, flat: number, less: number): number => Math.max(...widths(fold, flat, less));
