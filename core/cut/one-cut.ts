import { missing, NEAR, type Stretch } from '../geometry/stretches';
import type { FaceDrift } from './drift';
import type { EdgeFacts, Ring } from './edge-facts';

/** One cut: shapes against the trim where it really lies. */

export const EDGES = ['left', 'top', 'right', 'bottom'] as const;
export type EdgeName = (typeof EDGES)[number];

/** How far a point lies inside each edge of a cut; the cut turns about the middle of the trim. */
interface Frame {
  cos: number;
  sin: number;
  dx: number;
  dy: number;
  cx: number;
  cy: number;
}

const frameOf = ({ width, height }: EdgeFacts, { x, y, twist }: FaceDrift): Frame => {
  const angle = (-twist * Math.PI) / 180;
  return { cos: Math.cos(angle), sin: Math.sin(angle), dx: x, dy: y, cx: width / 2, cy: height / 2 };
};

/** A ring as it lies in the cut's own frame, whose corner is the finished piece's. */
function into({ cos, sin, dx, dy, cx, cy }: Frame, ring: Ring): Ring {
  const out = new Float64Array(ring.length);
  for (let i = 0; i < ring.length; i += 2) {
    const x = ring[i]! - cx - dx;
    const y = ring[i + 1]! - cy - dy;
    out[i] = cx + cos * x - sin * y;
    out[i + 1] = cy + sin * x + cos * y;
  }
  return out;
}

/** Where rings cross a line along one axis, sorted: between the first and second it is inside, and so on. */
function crossings(rings: readonly Ring[], axis: 0 | 1, at: number): number[] {
  const found: number[] = [];
  const other = 1 - axis;
  for (const ring of rings) {
    const n = ring.length;
    let ax = ring[n - 2 + axis]!;
    let ay = ring[n - 2 + other]!;
    for (let i = 0; i < n; i += 2) {
      const bx = ring[i + axis]!;
      const by = ring[i + other]!;
      // Half open, so that a corner on the line counts once.
      if (ax < at !== bx < at) found.push(ay + ((at - ax) / (bx - ax)) * (by - ay));
      ax = bx;
      ay = by;
    }
  }
  return found.sort((a, b) => a - b);
}

const stretches = (crossed: readonly number[]): Stretch[] =>
  Array.from({ length: crossed.length >> 1 }, (_, i) => [crossed[2 * i]!, crossed[2 * i + 1]!]);

/** A hair inside an edge, so that art which ends at the trim counts as being at it. Points. */
const INSIDE = 0.01;

const lineOf = (edge: EdgeName, { width, height }: EdgeFacts, inside: number): [axis: 0 | 1, at: number] =>
  edge === 'left'
    ? [0, inside]
    : edge === 'right'
      ? [0, width - inside]
      : edge === 'top'
        ? [1, inside]
        : [1, height - inside];

const lengthOf = (edge: EdgeName, { width, height }: EdgeFacts): number =>
  edge === 'left' || edge === 'right' ? height : width;

/** Where colour should run over each edge: what lies there without any drift, less what may slide along it. */
export type Wanted = Readonly<Record<EdgeName, readonly Stretch[]>>;

/** Stretches along each edge that are to be coloured; `slack` is how far ends that are not corners may move. */
export function wantedColour(facts: EdgeFacts, slack: number): Wanted {
  const of = (edge: EdgeName): Stretch[] => {
    const [axis, at] = lineOf(edge, facts, INSIDE);
    const length = lengthOf(edge, facts);
    return stretches(crossings(facts.colour, axis, at)).flatMap(([from, to]): Stretch[] => {
      const a = from <= INSIDE ? 0 : from + slack;
      const b = to >= length - INSIDE ? length : to - slack;
      return b > a ? [[a, b]] : [];
    });
  };
  return { left: of('left'), top: of('top'), right: of('right'), bottom: of('bottom') };
}

const covers = (have: readonly Stretch[], want: readonly Stretch[]): boolean => missing(want, have).length === 0;

/** The corners of the piece: which edges meet there, and whether at their beginning or at their end. */
const CORNERS = [
  ['left', 'from', 'top', 'from'],
  ['top', 'to', 'right', 'from'],
  ['left', 'to', 'bottom', 'from'],
  ['right', 'to', 'bottom', 'to'],
] as const;

/**
 * Edges at which some of the wanted colour is missing. A gap round a corner belongs to the edge that it runs along: on
 * the other it is only as long as it is deep.
 */
function whiteEdges(gaps: Record<EdgeName, Stretch[]>, facts: EdgeFacts): EdgeName[] {
  const left = { ...gaps };
  const touching = (edge: EdgeName, end: 'from' | 'to'): Stretch | undefined =>
    gaps[edge].find(([from, to]) => (end === 'from' ? from <= NEAR : to >= lengthOf(edge, facts) - NEAR));
  for (const [a, atA, b, atB] of CORNERS) {
    const [gapA, gapB] = [touching(a, atA), touching(b, atB)];
    if (!gapA || !gapB) continue;
    const longer = gapA[1] - gapA[0] - (gapB[1] - gapB[0]);
    if (longer > NEAR) left[b] = left[b].filter((gap) => gap !== gapB);
    else if (longer < -NEAR) left[a] = left[a].filter((gap) => gap !== gapA);
  }
  return EDGES.filter((edge) => left[edge].length > 0);
}

/** What one cut does to a face. */
export interface CutVerdict {
  /** Edges at which paper shows where colour should be. */
  white: EdgeName[];
  /** Edges at which words, a logo or a code are cut into, and which. */
  touched: { edge: EdgeName; element: string }[];
  /** The worst of the ratios of opposite margins, the wider to the narrower, as against how they were laid out. */
  uneven: number;
}

/** Edges of the finished piece that a ring sticks out of. */
function outOf(ring: Ring, width: number, height: number): EdgeName[] {
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  for (let i = 0; i < ring.length; i += 2) {
    const x = ring[i]!;
    const y = ring[i + 1]!;
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < top) top = y;
    if (y > bottom) bottom = y;
  }
  return [
    ...(left < 0 ? (['left'] as const) : []),
    ...(top < 0 ? (['top'] as const) : []),
    ...(right > width ? (['right'] as const) : []),
    ...(bottom > height ? (['bottom'] as const) : []),
  ];
}

/** Margins less than this, points, count as this: a ratio to nothing says nothing. */
const LEAST_MARGIN = 0.1;
const ratio = (a: number, b: number): number => Math.max(a, LEAST_MARGIN) / Math.max(b, LEAST_MARGIN);

function unevenness({ frames, width, height }: EdgeFacts, frame: Frame): number {
  let worst = 1;
  for (const { box } of frames) {
    const middles = into(
      frame,
      Float64Array.of(
        box.x,
        box.y + box.height / 2,
        box.x + box.width,
        box.y + box.height / 2,
        box.x + box.width / 2,
        box.y,
        box.x + box.width / 2,
        box.y + box.height,
      ),
    );
    const now = [ratio(middles[0]!, width - middles[2]!), ratio(middles[5]!, height - middles[7]!)];
    const laid = [ratio(box.x, width - box.x - box.width), ratio(box.y, height - box.y - box.height)];
    for (const [i, each] of now.entries()) worst = Math.max(worst, each / laid[i]!, laid[i]! / each);
  }
  return worst;
}

function whiteAt(facts: EdgeFacts, wanted: Wanted, frame: Frame): EdgeName[] {
  const colour = facts.colour.map((ring) => into(frame, ring));
  const gaps = (edge: EdgeName): Stretch[] => {
    if (wanted[edge].length === 0) return [];
    const [axis, at] = lineOf(edge, facts, 0);
    return missing(wanted[edge], stretches(crossings(colour, axis, at)));
  };
  return whiteEdges({ left: gaps('left'), top: gaps('top'), right: gaps('right'), bottom: gaps('bottom') }, facts);
}

/** How far a cut may fall outside and inside each edge with colour along all of it; no need to look at shapes then. */
export type Room = Readonly<Record<EdgeName, { out: number; in: number }>>;

export function roomFor(facts: EdgeFacts, wanted: Wanted): Room {
  const of = (edge: EdgeName) => ({
    out: colourBeyond(facts, wanted, edge) ?? Infinity,
    in: colourBeyond(facts, wanted, edge, true) ?? Infinity,
  });
  return { left: of('left'), top: of('top'), right: of('right'), bottom: of('bottom') };
}

/** Whether all four corners of a cut fall where every edge has room. */
function isRoomy(room: Room, { width, height }: EdgeFacts, { x, y, twist }: FaceDrift): boolean {
  const angle = (Math.abs(twist) * Math.PI) / 180;
  const [w, h] = [width / 2, height / 2];
  // How far the ends of upright and of level edges swing out.
  const across = Math.abs(w * Math.cos(angle) + h * Math.sin(angle) - w);
  const down = Math.abs(h * Math.cos(angle) + w * Math.sin(angle) - h);
  const swing = { x: Math.max(across, h * Math.sin(angle)), y: Math.max(down, w * Math.sin(angle)) };
  const fits = (edge: EdgeName, out: number, by: number): boolean =>
    out + by < room[edge].out && by - out < room[edge].in;
  return (
    fits('left', -x, swing.x) && fits('right', x, swing.x) && fits('top', -y, swing.y) && fits('bottom', y, swing.y)
  );
}

/** What a cut that lies so does to a face. */
export function cutFace(
  facts: EdgeFacts,
  wanted: Wanted,
  drift: FaceDrift,
  room: Room = roomFor(facts, wanted),
): CutVerdict {
  const frame = frameOf(facts, drift);
  const { width, height } = facts;
  const white = isRoomy(room, facts, drift) ? [] : whiteAt(facts, wanted, frame);
  // No point of the cut lies further from where it should be than this.
  const most = Math.hypot(drift.x, drift.y) + (Math.abs(drift.twist) * Math.PI * Math.hypot(width, height)) / 360;
  const touched = facts.whole.flatMap(({ element, hull, inside }) =>
    inside > most ? [] : outOf(into(frame, hull), width, height).map((edge) => ({ edge, element })),
  );
  return { white, touched, uneven: unevenness(facts, frame) };
}

/** Colour is followed no further than this from an edge, points. */
const FURTHEST = 60;

/** How far past an edge the colour that runs over it lasts, or how far inside it; points. Undefined where none does. */
export function colourBeyond(facts: EdgeFacts, wanted: Wanted, edge: EdgeName, inwards = false): number | undefined {
  if (wanted[edge].length === 0) return undefined;
  const lasts = (by: number): boolean => {
    const [axis, at] = lineOf(edge, facts, inwards ? by : -by);
    return covers(stretches(crossings(facts.colour, axis, at)), wanted[edge]);
  };
  let [low, high] = [0, FURTHEST];
  for (let i = 0; i < 24; i++) {
    const middle = (low + high) / 2;
    if (lasts(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** How far inside an edge the nearest of what is to stay whole lies, points. */
export function wholeInside(facts: EdgeFacts, edge: EdgeName): number | undefined {
  const axis = edge === 'left' || edge === 'right' ? 0 : 1;
  const side = axis === 0 ? facts.width : facts.height;
  const isNear = edge === 'left' || edge === 'top';
  const inside = facts.whole.map(({ hull }) => {
    const along = hull.filter((_, i) => i % 2 === axis);
    return isNear ? Math.min(...along) : side - Math.max(...along);
  });
  return inside.length > 0 ? Math.min(...inside) : undefined;
}
