import type { Job } from '../job/schema';
import type { FontBook } from '../type/font';

/** What a face draws from besides its own elements. */
export interface SceneSources {
  inks: Job['inks'];
  assets: Job['assets'];
  fonts: FontBook;
}
