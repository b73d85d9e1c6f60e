import demoUrl from '../../demo/hollin-and-fen.tidyedge?url';
import runsUrl from '../../demo/spring-runs.tidyedge?url';
import { keepBundle } from './kept-jobs';
import { db } from './shelf';

/** The jobs that ship with the app; what reads them is fetched when they are laid out. */

export async function layOutDemo(): Promise<void> {
  const { readJobFile } = await import('../../core/files/job-file');
  for (const url of [demoUrl, runsUrl]) {
    const answer = await fetch(url);
    await keepBundle(readJobFile(new Uint8Array(await answer.arrayBuffer())));
  }
  await db.notes.put({ key: 'demo' });
}

/** The demo job is there the first time the app is opened; whether this was it. */
export async function layOutDemoOnce(): Promise<boolean> {
  if (await db.notes.get('demo')) return false;
  await layOutDemo();
  return true;
}
