import { create } from 'zustand';

export const THEMES = ['bench', 'bench-night'] as const;
type Theme = (typeof THEMES)[number];

const stored = (): Theme =>
  typeof localStorage !== 'undefined' && localStorage.getItem('theme') === 'bench-night' ? 'bench-night' : 'bench';

/** What a person sets once for all jobs. */
export const useSettings = create<{ theme: Theme }>(() => ({ theme: stored() }));

export function setTheme(theme: Theme): void {
  localStorage.setItem('theme', theme);
  document.documentElement.dataset['theme'] = theme;
  useSettings.setState({ theme });
}
