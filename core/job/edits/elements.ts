import { produce } from 'immer';
import { symbolOf } from '../../codes/symbols';
import type { Fill, Shadow, Stroke } from '../../colour/fill';
import type { Box, Point } from '../../geometry/box';
import { findElement, findFace } from '../find';
import { pruneGroups } from '../groups';
import type {
  Asset,
  Code,
  Element,
  Face,
  Form,
  Framed,
  Job,
  LettersStroke,
  Paint,
  Repeat,
  Rule,
  Shape,
} from '../schema';
import { setLettering } from './words';

/** Edits of elements, found by id anywhere in the job; an id that is not there changes nothing. */

const change = (job: Job, id: string, recipe: (element: Element) => void): Job =>
  produce(job, (draft) => {
    const found = findElement(draft, id);
    if (found) recipe(found.element);
  });

/** Lays an element on top of a face's stack. */
export const addElement = (job: Job, faceId: string, element: Element): Job =>
  produce(job, (draft) => {
    findFace(draft, faceId)?.elements.push(element);
  });

/** Lays an element right under another; nothing where one of its id is there already. */
export const layUnder = (job: Job, id: string, element: Element): Job =>
  produce(job, (draft) => {
    const found = findElement(draft, id);
    if (found && !findElement(draft, element.id)) found.face.elements.splice(found.index, 0, element);
  });

/** Lays an element right over another; nothing where one of its id is there already. */
export const layOver = (job: Job, id: string, element: Element): Job =>
  produce(job, (draft) => {
    const found = findElement(draft, id);
    if (found && !findElement(draft, element.id)) found.face.elements.splice(found.index + 1, 0, element);
  });

/** Puts an element in the place of the one that has its id. */
export const replaceElement = (job: Job, element: Element): Job =>
  produce(job, (draft) => {
    const found = findElement(draft, element.id);
    if (found) found.face.elements[found.index] = element;
  });

/** Keeps a picture with the job, under the hash of its bytes. */
export const addAsset = (job: Job, hash: string, asset: Asset): Job => ({
  ...job,
  assets: { ...job.assets, [hash]: asset },
});

/** Words that stood on its outline are straight again; words that went on in it go on where it went on. */
export const removeElement = (job: Job, id: string): Job =>
  produce(job, (draft) => {
    const found = findElement(draft, id);
    if (!found) return;
    found.face.elements.splice(found.index, 1);
    const { element: gone } = found;
    const before = found.piece.faces.flatMap((f) => f.elements).find((e) => e.kind === 'words' && e.next === id);
    if (before?.kind === 'words') {
      if (gone.kind === 'words' && gone.next) before.next = gone.next;
      else delete before.next;
    }
    for (const element of found.face.elements)
      if (element.kind === 'words' && element.path?.along.kind === 'element' && element.path.along.id === id)
        delete element.path;
    pruneGroups(found.face);
  });

/** Moves by a distance in points. */
export const moveElement = (job: Job, id: string, by: { x: number; y: number }): Job =>
  change(job, id, (element) => {
    element.x += by.x;
    element.y += by.y;
  });

/** A list with some of its things changed; the same list where none is. */
function mapSome<T>(list: readonly T[], change: (each: T) => T): T[] {
  const changed = list.map(change);
  return changed.every((each, i) => each === list[i]) ? (list as T[]) : changed;
}

/** Moves several at once, each by its own distance in points. By hand: a drag does this for each frame. */
export function moveElements(job: Job, moves: ReadonlyMap<string, Point>): Job {
  const moved = (element: Element): Element => {
    const by = moves.get(element.id);
    return by ? { ...element, x: element.x + by.x, y: element.y + by.y } : element;
  };
  const inFace = (face: Face): Face => {
    const elements = mapSome(face.elements, moved);
    return elements === face.elements ? face : { ...face, elements };
  };
  const pieces = mapSome(job.pieces, (piece) => {
    const faces = mapSome(piece.faces, inFace);
    return faces === piece.faces ? piece : { ...piece, faces };
  });
  return pieces === job.pieces ? job : { ...job, pieces };
}

export const removeElements = (job: Job, ids: readonly string[]): Job => ids.reduce(removeElement, job);

/** Locks, hides or marks as samples; or takes that off. */
export const markElements = (
  job: Job,
  ids: readonly string[],
  mark: 'locked' | 'hidden' | 'sample',
  on: boolean,
): Job =>
  produce(job, (draft) => {
    for (const id of ids) {
      const element = findElement(draft, id)?.element;
      if (!element) continue;
      if (on) element[mark] = true;
      else delete element[mark];
    }
  });

/** Gives a picture, shape or rule a new frame, in points. */
export const setFrame = (job: Job, id: string, frame: Box): Job =>
  change(job, id, (element) => {
    if (element.kind !== 'words') Object.assign(element, frame);
  });

const HUNDREDTH = 100;

/** Turns an element about its middle: to so many degrees clockwise, to a hundredth. */
export const turnElement = (job: Job, id: string, degrees: number): Job =>
  change(job, id, (element) => {
    const turn = Math.round((((degrees % 360) + 360) % 360) * HUNDREDTH) / HUNDREDTH;
    if (turn === 0 || turn === 360) delete element.turn;
    else element.turn = turn;
  });

/** Mirrors a picture or a shape as it is seen, the other way each time. */
export const flipElement = (job: Job, id: string, way: 'across' | 'down'): Job =>
  change(job, id, (element) => {
    if (element.kind !== 'picture' && element.kind !== 'shape') return;
    const now = {
      across: element.flip === 'across' || element.flip === 'both',
      down: element.flip === 'down' || element.flip === 'both',
    };
    now[way] = !now[way];
    if (now.across && now.down) element.flip = 'both';
    else if (now.across) element.flip = 'across';
    else if (now.down) element.flip = 'down';
    else delete element.flip;
    // What is turned is mirrored as it stands: the turn goes the other way.
    if (element.turn) element.turn = 360 - element.turn;
  });

/** Gives the corners of a rectangle, or of what crops a picture, their radii and forms; points. */
export const setCorners = (job: Job, id: string, corners: NonNullable<Shape['corners']>): Job =>
  change(job, id, (element) => {
    if (element.kind !== 'shape' && element.kind !== 'picture') return;
    if (corners.some(({ radius }) => radius > 0)) element.corners = corners;
    else delete element.corners;
  });

/** Changes how a drawn form is made: how many sides, how deep. */
export const setForm = (job: Job, id: string, form: Form): Job =>
  change(job, id, (element) => {
    if ((element.kind === 'shape' || element.kind === 'picture') && element.form) element.form = form;
  });

/** Changes what a code says, or what kind it is. What cannot be made is refused with a CodeError before anything changes. */
export function setCode(job: Job, id: string, to: Partial<Pick<Code, 'symbology' | 'text'>>): Job {
  const element = findElement(job, id)?.element;
  if (element?.kind !== 'code') return job;
  symbolOf(to.symbology ?? element.symbology, to.text ?? element.text);
  return change(job, id, (draft) => void Object.assign(draft, to));
}

/** Moves an element to a place in its face's stack, 0 at the bottom. */
export const restack = (job: Job, id: string, to: number): Job =>
  produce(job, (draft) => {
    const found = findElement(draft, id);
    if (!found) return;
    const { elements } = found.face;
    const [element] = elements.splice(found.index, 1);
    elements.splice(Math.max(0, Math.min(elements.length, to)), 0, element!);
  });

/** Brings some elements of a face, in the order they have, to where others lie: above them if they lay below, else below. */
export const restackOver = (job: Job, ids: readonly string[], over: readonly string[]): Job =>
  produce(job, (draft) => {
    const face = findElement(draft, ids[0] ?? '')?.face;
    if (!face) return;
    const moved = face.elements.filter(({ id }) => ids.includes(id));
    const others = face.elements.filter(({ id }) => !ids.includes(id));
    const places = others.flatMap(({ id }, at) => (over.includes(id) ? [at] : []));
    if (places.length === 0) return;
    const lies = (id: string): number => face.elements.findIndex((e) => e.id === id);
    const wasBelow = lies(moved[0]!.id) < lies(others[places[0]!]!.id);
    others.splice(wasBelow ? Math.max(...places) + 1 : Math.min(...places), 0, ...moved);
    face.elements = others;
  });

/** Paints a shape, a rule, a code, or all the words of a frame, in one flat ink. */
export const setPaint = (job: Job, id: string, paint: Paint): Job =>
  findElement(job, id)?.element.kind === 'words'
    ? setLettering(setFill(job, id, undefined), id, { paint })
    : change(job, id, (element) => {
        if (element.kind !== 'words' && element.kind !== 'picture') element.paint = paint;
      });

/** Fills a shape, a rule, or the letters of a frame; words without a fill are painted as they are lettered. */
export const setFill = (job: Job, id: string, fill: Fill | undefined): Job =>
  change(job, id, (element) => {
    if (element.kind === 'words') put(element, 'fill', fill);
    else if ((element.kind === 'shape' || element.kind === 'rule') && fill) element.paint = fill;
  });

/** Gives something a value, or takes it off where there is none. */
function put<T extends object, K extends keyof T>(of: T, key: K, value: T[K] | undefined): void {
  if (value === undefined) delete of[key];
  else of[key] = value;
}

/** Gives a shape a line along its outline, or takes it off. */
export const setStroke = (job: Job, id: string, stroke: Stroke | undefined): Job =>
  change(job, id, (element) => {
    if (element.kind === 'shape') put(element, 'stroke', stroke);
  });

/** Gives words a line along their letters, or takes it off. */
export const setLettersStroke = (job: Job, id: string, stroke: LettersStroke | undefined): Job =>
  change(job, id, (element) => {
    if (element.kind === 'words') put(element, 'stroke', stroke);
  });

/** How much of what is below something covers: all of it at 1. */
export const setOpacity = (job: Job, id: string, opacity: number): Job =>
  change(job, id, (element) => put(element, 'opacity', opacity < 1 ? opacity : undefined));

export const setShadow = (job: Job, id: string, shadow: Shadow | undefined): Job =>
  change(job, id, (element) => put(element, 'shadow', shadow));

/** Repeats something, changes how, or leaves just the first. */
export const setRepeat = (job: Job, id: string, repeat: Repeat | undefined): Job =>
  change(job, id, (element) => put(element, 'repeat', repeat));

/** Cuts a rule into dashes, or makes it whole; gives it ends. */
export const setRuleLine = (job: Job, id: string, to: { dash: Rule['dash']; ends: Rule['ends'] }): Job =>
  change(job, id, (element) => {
    if (element.kind !== 'rule') return;
    put(element, 'dash', to.dash);
    put(element, 'ends', to.ends === 'flat' ? undefined : to.ends);
  });

export const nameElement = (job: Job, id: string, name: string): Job =>
  change(job, id, (element) => {
    if (name.trim() === '') delete element.name;
    else element.name = name.trim();
  });

/** Marks an element as a logo, which must keep out of the edge like words; or takes the mark off. */
export const markLogo = (job: Job, id: string, logo: boolean): Job =>
  change(job, id, (element) => {
    if (logo) element.logo = true;
    else delete element.logo;
  });

export const isFramed = (element: Element): element is Framed => element.kind !== 'words';
