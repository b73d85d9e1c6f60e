import type { PlateGrid, PlatesAsked } from '../devices/plates/device';
import { copied } from '../devices/plates/layer';
import type { Element } from '../job/schema';
import { imagesIn } from '../scene/images';
import type { CheckContext } from './check';
import type { MarkOn } from './mark-on-plates';
import type { PlateContext } from './plate-check';

/**
 * Faces on their plates, used again from edit to edit: a face that is as it was is not laid again, and of one that is not,
 * what lies below the first change is not, as far as its last picture. The plates are the same, cell by cell.
 */

/** What of a face lies on its plates already: its first so many elements. */
export interface LaidBefore {
  /** What is kept, where it is no more than the first so many elements. */
  within(count: number): { count: number; plates: PlateGrid['plates'] } | undefined;
  /** After how many elements what lies there is kept; 0 for never. */
  keepsAt: number;
  keep(count: number, plates: PlateGrid['plates']): void;
}

type LayFace = (context: CheckContext, asked: PlatesAsked, before?: LaidBefore) => PlateContext;
export type KeptPlates = (context: CheckContext, asked: PlatesAsked, lay: LayFace) => PlateContext;

interface Kept {
  /** All that its plates depend on, but its elements. */
  around: string;
  elements: readonly string[];
  context: PlateContext;
  below: { count: number; plates: Map<string, Float32Array> } | undefined;
  /** How words stand out, by their ids, as far as it was asked. */
  contrasts: Map<string, number | undefined>;
  /** How logos stand out, by the ids of their parts. */
  marks: Map<string, MarkOn | undefined>;
}

/** Pictures take most of the time there is. */
const isSlow = ({ kind }: Element): boolean => kind === 'picture';

/** Keeps the faces of one piece after another. */
export function keepPlates(): KeptPlates {
  const faces = new Map<string, Kept>();
  return (context, asked, lay) => {
    const { job, piece, face, shop, press } = context;
    const { pieces: _pieces, changed: _changed, tables: _tables, accepted: _accepted, ...rest } = job;
    const { faces: _faces, ...sheet } = piece;
    const pictures = [...imagesIn([face], job)].map(([key, image]) => [key, asked.picture(image) !== undefined]);
    const around = JSON.stringify([rest, sheet, shop, press.condition, asked.box, asked.ppi, pictures]);
    const elements = face.elements.map((element) => JSON.stringify(element));
    const known = faces.get(face.id);
    const isSame = known?.around === around;
    if (
      known &&
      isSame &&
      known.elements.length === elements.length &&
      known.elements.every((e, i) => e === elements[i])
    )
      return known.context;
    let alike = 0;
    while (isSame && alike < elements.length && elements[alike] === known.elements[alike]) alike++;
    const keepsAt = face.elements.findLastIndex(isSlow) + 1;
    const same = new Set(face.elements.slice(0, alike).map(({ id }) => id));
    const contrasts = new Map([...(known?.contrasts ?? [])].filter(([id]) => same.has(id)));
    const marks = new Map([...(known?.marks ?? [])].filter(([ids]) => ids.split(' ').every((id) => same.has(id))));
    const now = { below: isSame && known.below && known.below.count <= alike ? known.below : undefined };
    const laid = lay(context, asked, {
      within: (count) => (now.below && now.below.count <= count ? now.below : undefined),
      keepsAt: now.below && now.below.count >= keepsAt ? 0 : keepsAt,
      keep(count, plates) {
        now.below = { count, plates: copied(plates) };
      },
    });
    const made: PlateContext = {
      ...laid,
      contrastOf(words) {
        if (!contrasts.has(words.id)) contrasts.set(words.id, laid.contrastOf(words));
        return contrasts.get(words.id);
      },
      markOn(placed) {
        const ids = [...placed.members].join(' ');
        if (!marks.has(ids)) marks.set(ids, laid.markOn(placed));
        return marks.get(ids);
      },
    };
    // What belongs to another piece, or to what this one was, is let go of.
    if (!isSame) for (const id of [...faces.keys()]) if (!piece.faces.some((each) => each.id === id)) faces.delete(id);
    faces.set(face.id, Object.assign(now, { around, elements, context: made, contrasts, marks }));
    return made;
  };
}
