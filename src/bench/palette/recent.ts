import { create } from 'zustand';
import type { Paint } from '../../../core/job/schema';

/** Paints that were chosen last, the newest first, as long as the app is open. */
const useRecent = create<{ job: string; paints: readonly Paint[] }>(() => ({ job: '', paints: [] }));

const MOST = 8;

export function rememberPaint(job: string, { ink, tint }: Paint): void {
  useRecent.setState((before) => {
    const others = before.job === job ? before.paints.filter((p) => p.ink !== ink || p.tint !== tint) : [];
    return { job, paints: [{ ink, tint }, ...others].slice(0, MOST) };
  });
}

const NONE: readonly Paint[] = [];
export const useRecentPaints = (job: string): readonly Paint[] =>
  useRecent((state) => (state.job === job ? state.paints : NONE));
