import { openKit } from '../../workers/kit';
import { bytesOf } from '../store/assets';

/** The kit of the page and the workers it shares, all from the one shelf. */

export const {
  load: loadKit,
  here: kitHere,
  loadFonts,
  fontsLoaded,
  fontFile,
  lostFonts,
  loadProfiles,
  lostProfiles,
  profilesLoaded,
} = openKit(bytesOf);

export { inkRoom as plateRoom } from '../../workers/ink-room';
export { sharedPressRoom as pressRoom } from '../../workers/press-room';
