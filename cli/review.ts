import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { layPiece, platesFound } from '../core/checks/on-plates';
import { platesGoBy } from '../core/checks/plates-go-by';
import { type Review, review } from '../core/checks/review';
import { misspeltIn, wordsToSpell } from '../core/checks/rules/spelling';
import type { Press } from '../core/colour/engine';
import type { LaidPicture } from '../core/devices/plates/device';
import { type Going, passGate, type Stop, stopsOf } from '../core/files/gate';
import { separatedPictures } from '../core/files/separated';
import { ticketWith } from '../core/files/ticket';
import { pressConditionOf } from '../core/job/press-of';
import type { Job, Piece } from '../core/job/schema';
import { shopIn } from '../core/job/shops-of';
import type { ShopSpec } from '../core/trade/schema';
import { kept } from './kept';
import { type Kit, loadSpeller } from './kit';

/** Pieces looked over, and let through the gate, with what a kit and the files of a job give. */

export interface Reviewer {
  review(job: Job, piece: Piece, shop?: ShopSpec): Review;
  /** Lets all of it leave, and gives what was let go; throws GateError with what stops it. */
  pass(going: readonly Going[], anyway: boolean): Stop[];
}

export function openReviewer(kit: Kit, assets: Readonly<Record<string, Uint8Array>>): Reviewer {
  const filesHere = new Set(Object.keys(assets));
  const pictures = new Map<Press, Map<string, LaidPicture>>();
  const separated = (press: Press): Map<string, LaidPicture> => {
    const found = pictures.get(press) ?? new Map<string, LaidPicture>();
    pictures.set(press, found);
    return found;
  };
  const look = (job: Job, piece: Piece, shop = shopIn(job, piece.shop)): Review => {
    const press = kit.press(pressConditionOf(job, shop));
    const plates = kept(['plates', platesGoBy(job, piece, shop, filesHere)], () => {
      const picture = separatedPictures((hash) => assets[hash], kit.engine, press, separated(press));
      return layPiece(job, piece, { fonts: kit.fonts, press }, { picture }, shop).flatMap(platesFound);
    });
    const { language } = job.spelling;
    const words = language === 'none' ? [] : wordsToSpell(piece, job.spelling);
    const misspelt = new Map(
      language === 'none' || words.length === 0
        ? []
        : kept(['spelling', language, words], () => [...misspeltIn(words, loadSpeller(language))]),
    );
    return review(job, piece, { fonts: kit.fonts, press, filesHere, plates, misspelt }, shop);
  };
  return {
    review: look,
    pass: (going, anyway) =>
      passGate(
        going.flatMap((each) => stopsOf(each, look(each.job, each.piece))),
        anyway ? 'all errors' : [],
      ),
  };
}

/** Beside files that left with open errors: the ticket that tells the shop. */
export function writeTicket(job: Job, letGo: readonly Stop[], folder: string): void {
  for (const { name, bytes } of ticketWith(job, letGo)) writeFileSync(join(folder, name), bytes);
}
