import { areNear, type Plates } from '../../colour/ink';
import type { Point } from '../../geometry/box';
import { isInRings } from '../../geometry/contour';
import { setSheet } from '../../job/edits/pieces';
import { type LaidArea, laidAreas } from '../../scene/laid-areas';
import { CHECK_LIMITS } from '../../trade/check-limits';
import { toPoints } from '../../units/length';
import type { Check, CheckContext } from '../check';
import { foundOnFace } from '../found';

/** What lies at a place: the plates of its colour, `undefined` for what runs or is a picture. */
type Seen = { plates: Plates | undefined };

const seenAt = (at: Point, areas: readonly LaidArea[]): Seen => {
  const top = areas.findLast((area) => area.lies !== 'overprinting' && isInRings(at, area.rings()));
  return { plates: top ? top.plates : {} };
};

/** Amounts that differ by less look alike. */
const HARDLY = 0.05;
const areAlike = ({ plates: a }: Seen, { plates: b }: Seen): boolean =>
  a !== undefined && b !== undefined && areNear(a, b, HARDLY);

/** How far apart places along an edge are that are looked at, and how far inside it they lie; points. */
const STEP = toPoints(1, 'mm');
const INSIDE = toPoints(0.2, 'mm');

/** How much of two opposite edges is unlike, points. */
function unlike(
  one: (along: number) => Point,
  other: (along: number) => Point,
  length: number,
  areas: readonly LaidArea[],
): number {
  const count = Math.max(1, Math.floor(length / STEP));
  const places = Array.from({ length: count }, (_, i) => ((i + 0.5) * length) / count);
  return places.filter((at) => !areAlike(seenAt(one(at), areas), seenAt(other(at), areas))).length * (length / count);
}

function unlikeEdges({ piece: { width, height }, face, sources }: CheckContext): number {
  const areas = face.elements.flatMap((element) => laidAreas(element, sources));
  const across = unlike(
    (y) => ({ x: INSIDE, y }),
    (y) => ({ x: width - INSIDE, y }),
    height,
    areas,
  );
  const down = unlike(
    (x) => ({ x, y: INSIDE }),
    (x) => ({ x, y: height - INSIDE }),
    width,
    areas,
  );
  return across + down;
}

export const edgesUnlike: Check = {
  id: 'edges-unlike',
  name: 'No gutter between unlike edges',
  protects: 'Cut apart by one cut, each piece shows a hair of its neighbour: where their edges differ, it is seen.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) => {
    const { piece } = context;
    const { sheet } = piece;
    if (sheet?.gutter !== 'none') return [];
    const length = unlikeEdges(context);
    if (length < CHECK_LIMITS.unlikeEdges) return [];
    return [
      foundOnFace(edgesUnlike, context, {
        problem: 'Laid without a gutter, edges of different colours are cut apart by one cut',
        measured: { value: length, kind: 'length' },
        fix: {
          label: 'Leave a gutter',
          apply: (job) => setSheet(job, piece.id, { ...sheet, gutter: 'twice the bleed' }),
        },
      }),
    ];
  },
};
