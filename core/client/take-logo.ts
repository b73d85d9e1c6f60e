import { colourDifference } from '../colour/difference';
import type { Press } from '../colour/engine';
import type { Ink } from '../colour/ink';
import { inkBounds } from '../devices/bounds';
import type { Art } from '../files/art-in/art';
import { elementsOfArt } from '../files/art-in/elements';
import { inkFor, newInkFor, shownArtInk, shownInk } from '../files/art-in/inks';
import { unionOf } from '../geometry/box';
import { addAsset } from '../job/edits/elements';
import { addInk, mapElementPaints } from '../job/edits/inks';
import { keepLogo } from '../job/edits/logos';
import type { Element, Job, Paint } from '../job/schema';
import { sourcesOf } from '../scene/sources';
import type { FontBook } from '../type/font';

/** A colour of a logo and the ink that prints it; `off` is their difference, CIEDE2000. */
export interface LogoInk {
  ink: string;
  name: string;
  off: number;
  /** How it looks where it comes from and as the press prints it, sRGB 0 to 255. */
  was: readonly number[];
  is: readonly number[];
}

/** Inks are named for what they do until the client names them. */
const NAMES = ['Brand colour', 'Second colour', 'Third colour', 'Fourth colour'] as const;

const freeName = (inks: readonly Ink[]): string => {
  const taken = new Set(inks.map(({ name }) => name));
  return NAMES.find((name) => !taken.has(name)) ?? `Colour ${inks.length - 1}`;
};

/** Takes the art of a file in as the logo of a job: its colours become inks, its parts stay drawings. */
export function takeLogo(
  job: Job,
  art: Art,
  name: string,
  { press, fonts, newId }: { press: Press; fonts: FontBook; newId: () => string },
): { job: Job; colours: LogoInk[]; notes: readonly string[] } | undefined {
  const paints = new Map<string, Paint>();
  const colours: LogoInk[] = [];
  let inked = job;
  for (const [key, ink] of Object.entries(art.inks)) {
    let id = inkFor(ink, inked.inks, press);
    if (!id) {
      const own = newInkFor(ink, newId(), inked.inks, press);
      inked = addInk(inked, own.kind === 'spot' ? own : { ...own, name: freeName(inked.inks) });
      id = own.id;
    }
    paints.set(key, { ink: id, tint: 1 });
    const found = inked.inks.find((each) => each.id === id)!;
    const [was, is] = [shownArtInk(ink, press), shownInk(found, inked.inks, press)];
    if (id !== 'paper') colours.push({ ink: id, name: found.name, off: colourDifference(was, is), was, is });
  }
  const pictured = Object.values(art.pictures).reduce((j, { hash, asset }) => addAsset(j, hash, asset), inked);
  const at = { x: 0, y: 0, width: art.width, height: art.height };
  const { elements } = elementsOfArt(art, { paints, at, type: { styles: job.styles, fonts }, newId, name });
  const sources = sourcesOf(pictured, fonts);
  const box = unionOf(elements.flatMap((each) => inkBounds(each, sources) ?? []));
  if (!box || box.width < 0.5 || box.height < 0.5) return undefined;
  const kept = keepLogo(pictured, elements, box, { id: newId(), name });
  const white = reversed(elements);
  const both = white ? keepLogo(kept, white, box, { id: newId(), name: `${name}, reversed`, use: 'reversed' }) : kept;
  return { job: both, colours, notes: art.notes };
}

/** A logo in one ink alone is its own reversed version, printed in paper; others have to be drawn for dark grounds. */
function reversed(elements: readonly Element[]): Element[] | undefined {
  const used = new Set<string>();
  for (const each of elements) {
    if (each.kind === 'picture') return undefined;
    mapElementPaints(each, [], (paint) => {
      used.add(paint.ink);
      return paint;
    });
  }
  if (used.size !== 1 || used.has('paper')) return undefined;
  return elements.map((each) => mapElementPaints(each, [], (paint) => ({ ...paint, ink: 'paper', tint: 1 })));
}
