import { expect, test } from '@playwright/test';
import { seeded } from '../../core/geometry/blot';
import { isLost, type Killed, killAgain } from '../kill/kill';

/** What the browsers of other tests leave of the machine decides how fast a write is: `npm run kill` asks for 250 ms. */
const HELD = 1000;
const WRITES = 20;
/** A thousand of them are for the deep run. */
const KILLS = 3;

test('a browser killed three times in the middle of the work opens the job again with what was done', async ({
  baseURL,
}) => {
  const all: Killed[] = [];
  await killAgain(baseURL!, seeded(7), KILLS, (killed) => all.push(killed));
  expect(all).toHaveLength(KILLS);
  // A kill that comes before anything was done tells nothing.
  expect(all.some(({ edits }) => edits > 0)).toBe(true);
  expect(all.filter((each) => isLost(each, HELD, WRITES))).toEqual([]);
});
