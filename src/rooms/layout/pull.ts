import { SYMBOLOGIES } from '../../../core/codes/symbologies';
import { type Box, middleOf, type Point } from '../../../core/geometry/box';
import { apply, turnAbout } from '../../../core/geometry/matrix';
import { HANDLE_AT, type Handle, isCorner, resizeBox } from '../../../core/geometry/resize';
import { moveElement, setFrame } from '../../../core/job/edits/elements';
import { scaleWords, setWordsFrame } from '../../../core/job/edits/words';
import { findElement } from '../../../core/job/find';
import { lookOf } from '../../../core/job/look';
import type { Element, Job, Words } from '../../../core/job/schema';
import { elementFrame } from '../../../core/scene/face';
import type { SceneSources } from '../../../core/scene/sources';

interface How {
  /** Proportions may change. */
  free: boolean;
  /** The step that pulled edges land on, in points. */
  step: number;
  sources: SceneSources;
  /** Which coordinates something has caught: those are exact already. */
  caught?: { x: boolean; y: boolean } | undefined;
}

/** Type sizes by hand land on quarter points. */
const SIZE_STEP = 0.25;

/** Pictures, logos and drawn outlines keep their proportions unless asked not to. */
const keepsProportions = (element: Element): boolean =>
  element.kind === 'picture' ||
  element.logo === true ||
  (element.kind === 'shape' && (element.outline ?? element.form) !== undefined) ||
  (element.kind === 'code' && SYMBOLOGIES[element.symbology].square);

function tidyPull(frame: Box, handle: Handle, by: Point, { step, caught }: How): Point {
  const at = HANDLE_AT[handle];
  const edge = { x: frame.x + at.x * frame.width, y: frame.y + at.y * frame.height };
  const tidy = (start: number, d: number): number => Math.round((start + d) / step) * step - start;
  return { x: caught?.x ? by.x : tidy(edge.x, by.x), y: caught?.y ? by.y : tidy(edge.y, by.y) };
}

/** Words pulled by a corner change size about the opposite corner; by a side, their frame. */
function pullWords(job: Job, words: Words, handle: Handle, by: Point, how: How): Job {
  const { free, sources } = how;
  const frame = elementFrame(words, sources);
  const { behaviour } = words.frame;
  if (words.path && (words.path.along.kind !== 'circle' || !isCorner(handle))) return job;
  if (!isCorner(handle) || (behaviour === 'fixed box' && free)) {
    const { x, y, width, height } = resizeBox(frame, handle, tidyPull(frame, handle, by, how));
    // A frame that grows and is pulled wider has a width from then on.
    const to = behaviour === 'fixed box' ? { width, height } : { behaviour: 'fixed width' as const, width };
    return setWordsFrame(job, words.id, to, { x, y: behaviour === 'fixed box' ? y : words.y });
  }
  const pulled = resizeBox(frame, handle, by, true);
  const { size } = lookOf(words, sources.styles).lettering;
  const tidySize = Math.round((size * pulled.height) / frame.height / SIZE_STEP) * SIZE_STEP;
  const scale = Math.max(1, Math.min(1000, tidySize)) / size;
  const at = HANDLE_AT[handle];
  const left = at.x === 0 ? frame.x + frame.width * (1 - scale) : frame.x;
  const top = at.y === 0 ? frame.y + frame.height * (1 - scale) : frame.y;
  const anchor = left + (words.x - frame.x) * scale;
  return setWordsFrame(scaleWords(job, words.id, scale), words.id, {}, { x: anchor, y: top });
}

/** An element with one handle pulled by `by` points. What is turned is pulled along its own sides. */
export function pullElement(job: Job, element: Element, handle: Handle, by: Point, how: How): Job {
  if (!element.turn) return pullUpright(job, element, handle, by, how);
  const back = apply(turnAbout({ x: 0, y: 0 }, -element.turn), by);
  const pulled = pullUpright(job, element, handle, back, how);
  const after = findElement(pulled, element.id)?.element;
  if (!after) return pulled;
  // It turns about its middle, which has moved: the side that was to stay is brought back to where it was.
  const [from, to] = [element, after].map((e) => middleOf(elementFrame(e, how.sources))) as [Point, Point];
  const moved = { x: to.x - from.x, y: to.y - from.y };
  const turned = apply(turnAbout({ x: 0, y: 0 }, element.turn), moved);
  return moveElement(pulled, element.id, { x: turned.x - moved.x, y: turned.y - moved.y });
}

function pullUpright(job: Job, element: Element, handle: Handle, by: Point, how: How): Job {
  if (element.kind === 'words') return pullWords(job, element, handle, by, how);
  const frame = { x: element.x, y: element.y, width: element.width, height: element.height };
  const keep = keepsProportions(element) && !how.free && isCorner(handle);
  return setFrame(job, element.id, resizeBox(frame, handle, keep ? by : tidyPull(frame, handle, by, how), keep));
}
