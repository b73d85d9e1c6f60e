/** What tabs tell one another of jobs. */
export type News = { job: string; revision: number } | { job: string; gone: true };

const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('tidy-edge');
// In Node a channel would keep a test's process alive.
(channel as { unref?: () => void } | undefined)?.unref?.();

export const announce = (news: News): void => channel?.postMessage(news);
export const hear = (listener: (news: News) => void): void =>
  channel?.addEventListener('message', ({ data }: MessageEvent<News>) => listener(data));
