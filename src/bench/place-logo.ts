import { nanoid } from 'nanoid';
import { placeLogo } from '../../core/job/edits/logos';
import type { Logo } from '../../core/job/house';
import { act, select } from '../store/session';
import type { Bench } from './bench';
import { placeForLogo } from './free-place';

/** Places a logo on the side that is worked on, where it finds room, and selects it. */
export function placeLogoOn(bench: Bench, logo: Logo): void {
  const ids: string[] = [];
  act('Place logo', (job) => {
    ids.length = 0;
    return placeLogo(job, bench.face.id, logo.id, placeForLogo(bench, logo), () => {
      const id = nanoid(10);
      ids.push(id);
      return id;
    });
  });
  // The first id is the group's.
  select(...ids.slice(1));
}
