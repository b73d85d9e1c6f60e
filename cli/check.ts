import { asShopAsks, checkPiece } from '../core/checks';
import { letStand } from '../core/checks/let-stand';
import { measuredAndWanted } from '../core/checks/measure-words';
import { checkPlates, layPiece, withFixes } from '../core/checks/on-plates';
import { misspeltIn, spellingFindings, wordsToSpell } from '../core/checks/spelling';
import { unusedInks } from '../core/checks/unused-ink';
import type { Press } from '../core/colour/engine';
import type { LaidPicture } from '../core/devices/plates/device';
import { separatedPictures } from '../core/devices/plates/pictures';
import { readShop, ShopFileError } from '../core/files/shop-file';
import { findElement, inkOf, titleOf } from '../core/job/find';
import { pressConditionOf } from '../core/job/press-of';
import { shopIn } from '../core/job/shops-of';
import { sourcesOf } from '../core/scene/sources';
import type { ShopSpec } from '../core/trade/schema';
import type { Command } from './command';
import { CliError, openJob, pieceAsked, readGiven } from './given';
import { kept } from './kept';
import { loadKit, loadSpeller } from './kit';

/** The shop spec in a file, checked. */
export function shopGiven(path: string): ShopSpec {
  try {
    return readShop(new TextDecoder().decode(readGiven(path)));
  } catch (error) {
    if (error instanceof ShopFileError) throw new CliError(`${path}: ${error.message}`);
    throw error;
  }
}

export const check: Command = {
  help: `check JOB.tidyedge [--piece ID] [--shop FILE] [--json]   prints the findings that nobody has let stand
Exit 1 where a finding would make the shop stop (severity "stop"), 0 otherwise. --shop takes a shop spec as JSON.`,
  options: { piece: { type: 'string' }, shop: { type: 'string' }, json: { type: 'boolean' } },
  async run(path, { piece: id, shop, json }) {
    const { job, assets } = openJob(path);
    const { engine, fonts, press } = await loadKit(assets);
    const spec = typeof shop === 'string' ? shopGiven(shop) : undefined;
    const pieces = id === undefined ? job.pieces : [pieceAsked(job, id)];
    const { language } = job.spelling;
    const pictures = new Map<Press, Map<string, LaidPicture>>();
    const separated = (press: Press): Map<string, LaidPicture> => {
      const found = pictures.get(press) ?? new Map<string, LaidPicture>();
      pictures.set(press, found);
      return found;
    };
    const found = pieces.flatMap((piece) => {
      const on = spec ?? shopIn(job, piece.shop);
      const kit = { fonts, press: press(pressConditionOf(job, on)) };
      // Files are told by their hashes, which the job names.
      const { pieces: _pieces, changed: _changed, accepted: _accepted, ...house } = job;
      const onPlates = kept(['plates', house, piece, on, kit.press.condition], () => {
        const picture = separatedPictures((hash) => assets[hash], engine, kit.press, separated(kit.press));
        return layPiece(job, piece, kit, { picture }, on).flatMap(checkPlates);
      });
      const words = language === 'none' ? [] : wordsToSpell(piece, job.spelling);
      const misspelt = new Map(
        language === 'none' || words.length === 0
          ? []
          : kept(['spelling', language, words], () => [...misspeltIn(words, loadSpeller(language))]),
      );
      const all = [
        ...checkPiece(job, piece, kit, on),
        ...asShopAsks(withFixes(onPlates, piece, { sources: sourcesOf(job, fonts), press: kit.press }), on),
        ...asShopAsks(spellingFindings(piece, job.spelling, misspelt, sourcesOf(job, fonts)), on),
      ];
      return letStand(all, job, piece).open.map((finding) => ({ piece, finding }));
    });
    // Of the whole job, not of a piece.
    const unused = id === undefined ? unusedInks(job).map((ink) => inkOf(job.inks, ink).name) : [];
    if (json) {
      const rows = found.map(({ piece, finding: { fix, orElse: _else, ...rest } }) => ({
        piece: piece.id,
        ...rest,
        ...(fix ? { fix: fix.label } : {}),
      }));
      const inks = unused.map((ink) => ({ check: 'unused-ink', severity: 'advise', problem: `Nothing uses ${ink}` }));
      console.log(JSON.stringify({ findings: [...rows, ...inks] }, null, 1));
    } else {
      for (const { piece, finding } of found) {
        const element = findElement(job, finding.element)?.element;
        const numbers = measuredAndWanted(finding, piece.unit);
        const face = piece.faces.find((f) => f.id === finding.face)!;
        console.log(
          `${finding.severity}  ${piece.id}, ${face.name}: ${element ? `${titleOf(element, job.assets)}. ` : ''}${finding.problem}${numbers ? ` (${numbers})` : ''}`,
        );
      }
      for (const ink of unused) console.log(`advise  inks: ${ink}. Nothing uses it`);
      if (found.length + unused.length === 0) console.log('Nothing found.');
    }
    return found.some(({ finding }) => finding.severity === 'stop') ? 1 : 0;
  },
};
