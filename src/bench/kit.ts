import { inkRoom } from '../../workers/ink-room';
import { openKit } from '../../workers/kit';
import { sharedPressRoom } from '../../workers/press-room';
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

export const pressRoom = () => sharedPressRoom(bytesOf);
export const plateRoom = () => inkRoom(bytesOf);
