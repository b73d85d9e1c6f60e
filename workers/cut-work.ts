import { type LowerRisk, lowerRisk } from '../core/cut/lower';
import { type CutRisk, simulateCuts } from '../core/cut/simulate';
import { pieceOf } from '../core/job/find';
import { typefacesIn } from '../core/job/look';
import type { Job } from '../core/job/schema';
import { shopIn } from '../core/job/shops-of';
import { shelfKit } from './shelf-kit';

/** What many cuts of a piece come to, and which changes would spare the most: told apart by their labels and elements. */
export interface CutTest {
  risk: CutRisk;
  lower: Omit<LowerRisk, 'apply'>[];
}

/** Cuts a piece many times, off the page's thread. Throws where the job has no such piece. */
export async function testCuts({ job, pieceId }: { job: Job; pieceId: string }): Promise<CutTest> {
  const piece = pieceOf(job, pieceId);
  if (!piece) throw new Error('The piece is not in this job any more.');
  const { fonts } = await shelfKit.load();
  await shelfKit.loadFonts(typefacesIn(job));
  const shop = shopIn(job, piece.shop);
  const risk = simulateCuts(job, piece, shop, fonts);
  return { risk, lower: lowerRisk(job, piece, shop, fonts, risk).map(({ apply: _apply, ...told }) => told) };
}
