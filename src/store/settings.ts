import { create } from 'zustand';

export const THEMES = ['bench', 'bench-night'] as const;
type Theme = (typeof THEMES)[number];

const stored = (): Theme =>
  typeof localStorage !== 'undefined' && localStorage.getItem('theme') === 'bench-night' ? 'bench-night' : 'bench';

/** How far an arrow key moves things, in points; undefined for the unit's own step. */
function storedNudge(): number | undefined {
  const kept =
    typeof localStorage === 'undefined' ? Number.NaN : Number.parseFloat(localStorage.getItem('nudge') ?? '');
  return kept > 0 ? kept : undefined;
}

export function setNudge(nudge: number): void {
  localStorage.setItem('nudge', String(nudge));
  useSettings.setState({ nudge });
}

/** What a person sets once for all jobs. */
export const useSettings = create<{ theme: Theme; nudge: number | undefined }>(() => ({
  theme: stored(),
  nudge: storedNudge(),
}));

export function setTheme(theme: Theme): void {
  localStorage.setItem('theme', theme);
  document.documentElement.dataset['theme'] = theme;
  useSettings.setState({ theme });
}
