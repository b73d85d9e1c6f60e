import type { Job } from '../job/schema';
import type { FontBook } from '../type/font';

/** What a face draws from besides its own elements. */
export interface SceneSources {
  inks: Job['inks'];
  styles: Job['styles'];
  assets: Job['assets'];
  fonts: FontBook;
}

/** A job's own part of them, with the fonts beside it. */
export const sourcesOf = ({ inks, styles, assets }: Job, fonts: FontBook): SceneSources => ({
  inks,
  styles,
  assets,
  fonts,
});
