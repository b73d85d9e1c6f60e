import Moon from 'lucide-react/icons/moon';
import Sun from 'lucide-react/icons/sun';
import type { ReactNode } from 'react';
import { setTheme, useSettings } from '../store/settings';

export function Mark() {
  return (
    <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
      <path d="M3 3h16v10l-6 6H3z" className="fill-primary" />
      <path d="M13 22v-3M22 13h-3" stroke="currentColor" strokeWidth="1.4" />
    </svg>
  );
}

function ThemeSwitch() {
  const theme = useSettings((settings) => settings.theme);
  const dark = theme === 'bench-night';
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      aria-label={dark ? 'Use the light theme' : 'Use the dark theme'}
      title={dark ? 'Light theme' : 'Dark theme'}
      onClick={() => setTheme(dark ? 'bench' : 'bench-night')}
    >
      {dark ? <Sun size={16} /> : <Moon size={16} />}
    </button>
  );
}

/** The bar at the head of every room: where one is, and what one can do there. */
export function TopBar({ crumb, children }: { crumb?: ReactNode; children?: ReactNode }) {
  return (
    <header className="flex min-h-13 shrink-0 items-center gap-x-4 gap-y-1 max-[999px]:flex-wrap border-b border-base-300 bg-base-200 px-4">
      <a href="/" className="flex items-center gap-2 whitespace-nowrap font-semibold" aria-label="Tidy Edge: all jobs">
        <Mark /> <span className="max-[1300px]:sr-only">Tidy Edge</span>
      </a>
      <div className="quiet min-w-0 truncate">{crumb}</div>
      <div className="ml-auto flex shrink-0 items-center gap-2 max-[999px]:shrink max-[999px]:flex-wrap max-[999px]:py-1">
        {children}
        <ThemeSwitch />
      </div>
    </header>
  );
}
