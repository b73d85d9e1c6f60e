import type { Finish } from '../job/finishing';
import type { Job, Piece } from '../job/schema';
import type { FontBook } from '../type/font';

/** What a face draws from besides its own elements. */
export interface SceneSources {
  inks: Job['inks'];
  styles: Job['styles'];
  assets: Job['assets'];
  /** The fonts the user has added, by hash: for their names. */
  ownFonts: Job['fonts'];
  fonts: FontBook;
  /** The finishes of the piece that is shown, where its finishing is shown too. */
  finishing?: readonly Finish[] | undefined;
  /** How the stock of the piece that is shown looks beside white paper; white where it is left out. */
  stock?: string | undefined;
}

/** A job's own part of them, with the fonts beside it. */
export const sourcesOf = ({ inks, styles, assets, fonts: ownFonts }: Job, fonts: FontBook): SceneSources => ({
  inks,
  styles,
  assets,
  ownFonts,
  fonts,
});

/** The same for one piece: with the colour of its stock. */
export const sourcesFor = (job: Job, { order }: Pick<Piece, 'order'>, fonts: FontBook): SceneSources => ({
  ...sourcesOf(job, fonts),
  stock: order?.colour,
});
