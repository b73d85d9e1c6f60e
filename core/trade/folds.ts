/** Folded pieces: how wide each panel is, and what it is called as it is read. Lengths in points. */

export const FOLDS = {
  half: 'Half fold',
  rolled: 'Letter fold',
  zigzag: 'Z-fold',
  gate: 'Gate fold',
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
    outside: ['Outside left, 5', 'Outside middle, 6', 'Cover, 1'],
    inside: ['Inside left, 2', 'Inside middle, 3', 'Back, 4'],
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

/** A panel as it is seen: which, of which side, and where its left edge lies. */
export interface PanelSeen {
  side: 'outside' | 'inside';
  panel: number;
  at: number;
}

/** What is seen of a folded piece at one moment, the undermost panel first. */
export interface FoldedView {
  says: string;
  seen: readonly PanelSeen[];
}

/** A folded piece in the order in which one opens it, from closed to flat, and its back. */
export function foldedViews(fold: Fold, flat: number, less: number): FoldedView[] {
  const inside = widths(fold, flat, less);
  const last = inside.length - 1;
  /** Some of the inside's panels, as they lie beside one another. */
  const open = (count: number): PanelSeen[] =>
    Array.from({ length: count }, (_, panel) => ({
      side: 'inside' as const,
      panel,
      at: inside.slice(0, panel).reduce((a, b) => a + b, 0),
    }));
  /** The outside of an inside panel, folded over so that its free edge lies at `at`. */
  const over = (panel: number, at: number): PanelSeen => ({ side: 'outside', panel: last - panel, at });
  const whole: FoldedView = { says: 'Opened flat', seen: open(inside.length) };
  switch (fold) {
    case 'half':
      return [{ says: 'Closed', seen: [over(0, 0)] }, whole, { says: 'The back', seen: [over(1, 0)] }];
    case 'rolled':
      return [
        { says: 'Closed', seen: [over(0, 0)] },
        { says: 'The cover opened', seen: [...open(2), over(2, inside[0]! + inside[1]! - inside[2]!)] },
        whole,
        { says: 'The back', seen: [over(1, 0)] },
      ];
    case 'zigzag':
      return [
        { says: 'Closed', seen: [over(0, 0)] },
        { says: 'The cover opened', seen: open(2) },
        whole,
        { says: 'The back', seen: [{ side: 'inside', panel: 2, at: 0 }] },
        { says: 'Turned over, flat', seen: [over(2, 0), over(1, inside[2]!), over(0, inside[2]! + inside[1]!)] },
      ];
    case 'gate':
      return [
        { says: 'Closed', seen: [{ side: 'inside', panel: 1, at: 0 }, over(0, 0), over(2, inside[1]! - inside[2]!)] },
        whole,
        { says: 'The back', seen: [over(1, 0)] },
      ];
  }
}
