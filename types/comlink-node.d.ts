declare module 'comlink/dist/esm/node-adapter.mjs' {
  import type { Endpoint } from 'comlink';

  /** A port of Node's as an endpoint. */
  export default function nodeEndpoint(port: import('node:worker_threads').MessagePort): Endpoint;
}
