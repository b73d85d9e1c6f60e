import { existsSync } from 'node:fs';
import { measuredAndWanted } from '../core/checks/measure-words';
import { hashOf } from '../core/files/hash';
import { readShop, ShopFileError } from '../core/files/shop-file';
import { unpackJobFile } from '../core/files/unpack-job';
import { findElement, pieceOf, titleOf } from '../core/job/find';
import type { ShopSpec } from '../core/trade/schema';
import { SHOPS } from '../core/trade/shops';
import type { Command } from './command';
import { CliError, pieceAsked, readGiven } from './given';
import { keptLater } from './kept';
import type { Looked } from './looked';

/** A shop that ships, by its id; or the shop spec in a file, checked. */
export function shopGiven(path: string): ShopSpec {
  const shipped = SHOPS.find(({ id }) => id === path);
  if (shipped) return shipped;
  if (!existsSync(path))
    throw new CliError(
      `There is no shop ${path}, and no file of that name. Shops: ${SHOPS.map(({ id }) => id).join(', ')}.`,
    );
  try {
    return readShop(new TextDecoder().decode(readGiven(path)));
  } catch (error) {
    if (error instanceof ShopFileError) throw new CliError(`${path}: ${error.message}`);
    throw error;
  }
}

export const check: Command = {
  help: `check JOB.tidyedge [--piece ID] [--shop SHOP] [--json]   prints the findings that nobody has accepted, and what could not be read
Exit 1 where there is an error (severity "stop") or something could not be read, 0 otherwise. --shop takes the id of a shop, or a file with its spec as JSON.`,
  options: { piece: { type: 'string' }, shop: { type: 'string' }, json: { type: 'boolean' } },
  async run(path, { piece: id, shop, json }) {
    const bytes = readGiven(path);
    const bundle = unpackJobFile(bytes);
    const { job } = bundle;
    const spec = typeof shop === 'string' ? shopGiven(shop) : undefined;
    const only = id === undefined ? undefined : pieceAsked(job, id).id;
    // What looks is loaded only where nothing was kept.
    const { found, unread, unused } = await keptLater<Looked>(['check', hashOf(bytes), only, spec], async () =>
      (await import('./look-over')).lookOver(bundle, only, spec),
    );
    if (json) {
      const rows = found.map(({ piece, finding, fix }) => ({ piece, ...finding, ...(fix ? { fix } : {}) }));
      const inks = unused.map((ink) => ({ check: 'unused-ink', severity: 'advise', problem: `Nothing uses ${ink}` }));
      const missed = unread.map(({ piece, what, says }) => ({ piece, what, says }));
      console.log(JSON.stringify({ findings: [...rows, ...inks], unread: missed }, null, 1));
    } else {
      for (const { piece, says } of unread) console.log(`not read  ${piece}: ${says}`);
      for (const { piece: at, finding } of found) {
        const piece = pieceOf(job, at)!;
        const element = findElement(job, finding.element)?.element;
        const numbers = measuredAndWanted(finding, piece.unit);
        const face = piece.faces.find((f) => f.id === finding.face)!;
        console.log(
          `${finding.severity}  ${piece.id}, ${face.name}: ${element ? `${titleOf(element, job.assets)}. ` : ''}${finding.problem}${numbers ? ` (${numbers})` : ''}`,
        );
      }
      for (const ink of unused) console.log(`advise  inks: ${ink}. Nothing uses it`);
      if (found.length + unused.length + unread.length === 0) console.log('Nothing found.');
    }
    return unread.length > 0 || found.some(({ finding }) => finding.severity === 'stop') ? 1 : 0;
  },
};
