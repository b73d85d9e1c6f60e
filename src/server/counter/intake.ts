import { spawn } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { OrderAsked } from '../../../core/files/counter/order';
import { type FileSaid, type Manner, verdictOn } from '../../../core/files/counter/verdict';
import { writeShop } from '../../../core/files/shop-file';
import type { ShopSpec } from '../../../core/trade/schema';
import { shopOf } from '../../../core/trade/shops';

/** A file held against a shop's spec by the reader of any PDF, in a process of its own: what hangs or eats memory is ended. */

/** The shops that have a counter here, and how each is. */
export const COUNTERS: Readonly<Record<string, { manner: Manner }>> = {
  'metric-offset': { manner: 'strict' },
  'inch-mail-order': { manner: 'strict' },
  'metric-digital': { manner: 'lenient' },
  letterpress: { manner: 'strict' },
};

/** How long a look may take, in milliseconds, and how much memory it may have, in megabytes. */
export const LOOK = { time: 120_000, memory: 1500, said: 40_000_000 };

/** What the reader says of a file. */
function look(path: string, shop: ShopSpec): Promise<FileSaid> {
  const spec = `${path}.shop.json`;
  writeFileSync(spec, writeShop(shop));
  return new Promise((done) => {
    const tidy = join(process.cwd(), 'build/tidy.js');
    const args = [`--max-old-space-size=${LOOK.memory}`, tidy, 'inspect', path, '--shop', spec, '--json'];
    const child = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'pipe'] });
    const parts: Buffer[] = [];
    let size = 0;
    let problem = '';
    const end = setTimeout(() => child.kill('SIGKILL'), LOOK.time);
    child.stdout.on('data', (part: Buffer) => {
      size += part.length;
      if (size > LOOK.said) child.kill('SIGKILL');
      else parts.push(part);
    });
    child.stderr.on('data', (part: Buffer) => {
      problem = (problem + part.toString()).slice(-2000);
    });
    child.on('close', (code) => {
      clearTimeout(end);
      rmSync(spec, { force: true });
      if (code === null)
        return done({ problem: 'The file is too large or too intricate for us. Make it simpler, then send it again.' });
      try {
        done(JSON.parse(Buffer.concat(parts).toString()) as FileSaid);
      } catch {
        const said = problem.trim().split('\n').at(-1)?.replace(path, 'The file');
        done({ problem: said || 'The file cannot be opened.' });
      }
    });
  });
}

/** What the counter of a shop says of a file. */
async function takeIn(path: string, asked: OrderAsked): Promise<ReturnType<typeof verdictOn>> {
  const shop = shopOf(asked.shop);
  return verdictOn(await look(path, shop), asked, shop, COUNTERS[asked.shop]?.manner ?? 'strict');
}

/** Whoever stands at the counter. */
export const DESK = { takeIn };
