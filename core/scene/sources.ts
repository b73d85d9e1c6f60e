import type { Finish } from '../job/finishing';
import type { Job } from '../job/schema';
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
}

/** A job's own part of them, with the fonts beside it. */
export const sourcesOf = ({ inks, styles, assets, fonts: ownFonts }: Job, fonts: FontBook): SceneSources => ({
  inks,
  styles,
  assets,
  ownFonts,
  fonts,
});
