import type { Finding } from '../core/checks/check';
import { platesFound } from '../core/checks/on-plates';
import { platesGoBy } from '../core/checks/plates-go-by';
import { type Review, review } from '../core/checks/review';
import { type Misspelt, wordsToSpell } from '../core/checks/rules/spelling';
import type { Unread } from '../core/checks/unread';
import { type Going, type LetGo, passGate, type Stop, stopsOf } from '../core/files/gate';
import { typefacesIn } from '../core/job/look';
import { pressConditionOf } from '../core/job/press-of';
import type { Job, Piece } from '../core/job/schema';
import { shopIn } from '../core/job/shops-of';
import { CONDITIONS } from '../core/trade/conditions';
import { keptFindings } from './kept-findings';
import { layAnew } from './lay';
import { shelfHashes } from './shelf-files';
import { shelfKit } from './shelf-kit';
import { misspelt } from './spelling-work';

/** Pieces looked over whole, off the page's thread, with the files of the shelf. */

/** What something comes to, or what is known without it and why it failed. */
const tried = async <T>(
  what: Unread['what'],
  work: () => Promise<T>,
  without: T,
  says: string,
): Promise<{ read: T; missed: Unread[] }> =>
  work().then(
    (read) => ({ read, missed: [] }),
    (error: Error) => ({ read: without, missed: [{ what, says: `${says}: ${error.message} Try again.` }] }),
  );

async function spellingOf({ spelling }: Job, piece: Piece): Promise<Misspelt> {
  const { language } = spelling;
  const words = language === 'none' ? [] : wordsToSpell(piece, spelling);
  return language === 'none' || words.length === 0 ? new Map() : misspelt(words, language);
}

/** How a piece of a job stands. Its findings are plain data, without fixes: they can cross to the page. */
export async function reviewed(job: Job, piece: Piece, shop = shopIn(job, piece.shop)): Promise<Review> {
  const [{ fonts, press }, filesHere] = await Promise.all([
    shelfKit.load(),
    shelfHashes(),
    shelfKit.loadProfiles(Object.keys(job.conditions)),
    shelfKit.loadFonts(typefacesIn(job)),
  ]);
  const condition = pressConditionOf(job, shop);
  // A profile that is gone is named; the rest is looked at for a press that ships.
  const lost = shelfKit.lostProfiles().has(condition.id);
  const [plates, spelt] = await Promise.all([
    tried(
      'plates',
      () =>
        keptFindings(platesGoBy(job, piece, shop, filesHere), async () =>
          (await layAnew({ job, pieceId: piece.id }, { shop })).flatMap(platesFound),
        ),
      [],
      `The plates of ${piece.name} could not be read`,
    ),
    tried('spelling', () => spellingOf(job, piece), new Map(), `The spelling of ${piece.name} could not be checked`),
  ]);
  const { open, standing, unread } = review(
    job,
    piece,
    {
      fonts,
      press: press(lost ? CONDITIONS[0]! : condition),
      filesHere,
      plates: plates.read,
      misspelt: spelt.read,
      missed: [...plates.missed, ...spelt.missed],
    },
    shop,
  );
  const plain = ({ fix: _fix, orElse: _else, ...rest }: Finding): Finding => rest;
  return {
    open: open.map(plain),
    standing: standing.map((each) => ({ ...each, finding: plain(each.finding) })),
    unread,
  };
}

/** What was let go of what passed the gate, and how each piece of it stands. */
export interface Passed {
  letGo: Stop[];
  reviews: ReadonlyMap<Piece, Review>;
}

/** Lets all of it leave, each piece looked over once; throws GateError with what stops it. */
export async function passAll(going: readonly Going[], letGo: LetGo): Promise<Passed> {
  const reviews = new Map<Piece, Review>();
  for (const { job, piece, shop } of going)
    if (!reviews.has(piece)) reviews.set(piece, await reviewed(job, piece, shop));
  return {
    letGo: passGate(
      going.flatMap((each) => stopsOf(each, reviews.get(each.piece)!)),
      letGo,
    ),
    reviews,
  };
}
