import type { Press } from '../colour/engine';
import { inkBounds } from '../devices/bounds';
import { cellsCovered, coverOf } from '../devices/plates/cover';
import { type PlateGrid, toGridOf } from '../devices/plates/device';
import { platesAtCell } from '../devices/plates/readings';
import { contains } from '../geometry/box';
import { transformPath } from '../geometry/path';
import type { Element } from '../job/schema';
import { seenArea } from '../scene/seen-area';
import type { SceneSources } from '../scene/sources';
import { lightnessOfPlates } from './words-on-plates';

/** Cells of a mark that are looked at, at most. */
const MOST = 2000;
/** The share of a mark that may be lost: more of it, and it is another mark. */
const LOST = 0.25;
/** Parts that are less of a mark than this are not what it is read by. */
const MATTERS = 0.1;

/** What a mark is read by: all of it but the grounds that others of its parts lie on, as letters do on a badge. */
function readBy(members: readonly Element[], sources: SceneSources): Element[] {
  const boxes = members.map((element) => inkBounds(element, sources));
  return members.filter((_, i) => {
    const box = boxes[i];
    return !box || !boxes.slice(i + 1).some((other) => other && contains(box, other));
  });
}

export interface MarkOn {
  /**
   * How far it stands out: the difference of CIE L* between the plates before and after it is drawn, that all but a quarter
   * of its area reach; or all but a quarter of what it is read by, where that stands out from the mark’s own grounds.
   */
  contrast: number;
  /** The CIE L* of what lies under it, at the middle. */
  ground: number;
}

const at = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))]!;

/** How a mark of several elements stands out from what lies under it; undefined where none of it lies on the plates. */
export function markOn(
  members: readonly Element[],
  below: PlateGrid,
  above: PlateGrid,
  sources: SceneSources,
  press: Press,
): MarkOn | undefined {
  const toGrid = toGridOf(below);
  const lightness = lightnessOfPlates(sources, press);
  /** Cells of some elements, as many as are looked at, and how many there are. */
  function cellsOf(elements: readonly Element[]): { size: number; cells: number[] } {
    const path = elements.flatMap((element) => seenArea(element, sources));
    const inked = cellsCovered(coverOf(transformPath(path, toGrid), below.width, below.height), below.width, 0.5);
    const step = Math.ceil(inked.length / MOST);
    return { size: inked.length, cells: inked.filter((_, n) => n % step === 0) };
  }
  const under = (cell: number): number => lightness(platesAtCell(below, cell));
  const seen = (cell: number): number => lightness(platesAtCell(above, cell));
  const differs = (cell: number): number => Math.abs(seen(cell) - under(cell));
  const whole = cellsOf(members);
  if (whole.size === 0) return undefined;
  const contrast = at(whole.cells.map(differs), LOST);
  const ground = at(whole.cells.map(under), 0.5);
  const read = readBy(members, sources);
  const parts = cellsOf(read);
  if (read.length === members.length || parts.size < MATTERS * whole.size) return { contrast, ground };
  const own = at(cellsOf(members.filter((each) => !read.includes(each))).cells.map(seen), 0.5);
  const ofParts = parts.cells.map((cell) => Math.max(differs(cell), Math.abs(seen(cell) - own)));
  return { contrast: Math.max(contrast, at(ofParts, LOST)), ground };
}
