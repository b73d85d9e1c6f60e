import { nanoid } from 'nanoid';
import { inkBounds } from '../../core/devices/bounds';
import { type Box, outset } from '../../core/geometry/box';
import { freeRoom } from '../../core/geometry/free-room';
import { placeLogo } from '../../core/job/edits/logos';
import type { Logo } from '../../core/job/house';
import { elementBox } from '../../core/scene/face';
import { act, select } from '../store/session';
import type { Bench } from './bench';

/** What covers this much of the safe zone is a ground: things are placed on it. */
const GROUND = 0.6;
/** Sizes that are tried from the widest down to the least. */
const SIZES = 6;

/** Where a logo lies free of everything else with its clear space, as wide as may be; the middle where it nowhere does. */
function placeFor({ piece, face, shop, sources }: Bench, logo: Logo): { x: number; y: number; width: number } {
  const safe = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, -shop.safe[piece.kind]);
  const isGround = ({ width, height }: Box): boolean => width * height > GROUND * safe.width * safe.height;
  const taken = face.elements.flatMap((element) => {
    if (element.hidden) return [];
    const box = inkBounds(element, sources) ?? elementBox(element, sources);
    return isGround(box) ? [] : [box];
  });
  // As large as it was drawn, unless that takes more than a third of the side.
  const widest = Math.max(logo.least, Math.min(logo.width, piece.width / 3));
  // Where its clear space is nowhere to be had, it is at least not laid over anything.
  for (const clear of [logo.clear, 0])
    for (let i = 0; i < SIZES; i++) {
      const width = widest + ((logo.least - widest) * i) / (SIZES - 1);
      const height = (width * logo.height) / logo.width;
      const kept = taken.map((box) => outset(box, clear * height));
      const at = freeRoom(safe, kept, { width, height });
      if (at) return { ...at, width };
    }
  const height = (widest * logo.height) / logo.width;
  return { x: (piece.width - widest) / 2, y: (piece.height - height) / 2, width: widest };
}

/** Places a logo on the side that is worked on, where it finds room, and selects it. */
export function placeLogoOn(bench: Bench, logo: Logo): void {
  const ids: string[] = [];
  act('Place logo', (job) => {
    ids.length = 0;
    return placeLogo(job, bench.face.id, logo.id, placeFor(bench, logo), () => {
      const id = nanoid(10);
      ids.push(id);
      return id;
    });
  });
  // The first id is the group's.
  select(...ids.slice(1));
}
