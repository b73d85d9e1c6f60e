// Made by scripts/install.mjs from the files of this folder.
import international from './international.json' with { type: 'json' };
import us from './us.json' with { type: 'json' };

export const FILES: readonly unknown[] = [international, us];
