import { create } from 'zustand';

export const THEMES = ['bench', 'bench-night'] as const;
type Theme = (typeof THEMES)[number];

/** What the page was begun in: what was chosen, or else what the system prefers. */
const shown = (): Theme =>
  typeof document !== 'undefined' && document.documentElement.dataset['theme'] === 'bench-night'
    ? 'bench-night'
    : 'bench';

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

/** Sentences that have been read and put away, by what they teach. */
function storedTaught(): readonly string[] {
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem('taught');
  return kept ? kept.split(' ') : [];
}

/** What a person sets once for all jobs. */
export const useSettings = create<{ theme: Theme; nudge: number | undefined; taught: readonly string[] }>(() => ({
  theme: shown(),
  nudge: storedNudge(),
  taught: storedTaught(),
}));

/** Puts a sentence away for good. */
export function putAway(lesson: string): void {
  const taught = [...new Set([...storedTaught(), lesson])];
  localStorage.setItem('taught', taught.join(' '));
  useSettings.setState({ taught });
}

export function setTheme(theme: Theme): void {
  localStorage.setItem('theme', theme);
  document.documentElement.dataset['theme'] = theme;
  useSettings.setState({ theme });
}
