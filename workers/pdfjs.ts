import pdfUrl from 'pdfjs-dist/legacy/build/pdf.min.mjs?url';
import workerUrl from 'pdfjs-dist/legacy/build/pdf.worker.min.mjs?url';
import { once } from './once';

/** pdf.js, as its package ships it: to bundle it anew takes half a minute, and page and workers would each have their own. */

type Pdfjs = typeof import('pdfjs-dist/legacy/build/pdf.mjs');
const load = (url: string): Promise<unknown> => import(/* @vite-ignore */ url);

/** For the page: it reads in a worker of its own. */
export const pdfjsOfPage = once(async (): Promise<Pdfjs> => {
  const pdf = (await load(pdfUrl)) as Pdfjs;
  pdf.GlobalWorkerOptions.workerPort = new Worker(workerUrl, { type: 'module' });
  return pdf;
});

/** For a worker: with the reading code loaded beside it, it works in that same thread. */
export const pdfjsOfWorker = once(async (): Promise<Pdfjs> => {
  const [pdf] = await Promise.all([load(pdfUrl), load(workerUrl)]);
  return pdf as Pdfjs;
});
