import { create } from 'zustand';

/** Whether a newer version of the app is here, and how to go over to it. */
export const useNewer = create<{ takeOver: (() => void) | undefined }>(() => ({ takeOver: undefined }));

/** What the room needs comes first, in milliseconds. */
const LATER = 4000;

function offer(waiting: ServiceWorker): void {
  useNewer.setState({
    takeOver() {
      navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
      waiting.postMessage('take over');
    },
  });
}

async function register(): Promise<void> {
  const found = await navigator.serviceWorker.register('/sw.js');
  // Without a controller this is the first one, and nothing older is on the page.
  const seen = (worker: ServiceWorker | null): void => {
    if (worker?.state === 'installed' && navigator.serviceWorker.controller) offer(worker);
  };
  seen(found.waiting);
  found.addEventListener('updatefound', () => {
    const { installing } = found;
    installing?.addEventListener('statechange', () => seen(installing));
  });
}

/** Keeps the app for when its server is not there. Where the browser cannot, it works as long as the server does. */
export function keepOffline(): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  setTimeout(() => void register().catch((error: Error) => console.warn(`Not kept offline: ${error.message}`)), LATER);
}
