import { MessageChannel } from 'node:worker_threads';
import { expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { vi } from 'vitest';

/** A worker in this thread: a port with a worker's own events. */
export function fakeWorker(api: object) {
  const { port1, port2 } = new MessageChannel();
  expose(api, nodeEndpoint(port2));
  const ends = nodeEndpoint(port1);
  const errors = new Set<(event: { message: string }) => void>();
  return {
    ...ends,
    addEventListener: (type: string, listener: never) =>
      type === 'error' ? errors.add(listener) : ends.addEventListener(type, listener),
    terminate: vi.fn(() => port1.close()),
    die: () => {
      for (const listener of errors) listener({ message: 'out of memory' });
    },
  };
}
export type FakeWorker = ReturnType<typeof fakeWorker>;
export const asWorker = (made: FakeWorker): Worker => made as unknown as Worker;
