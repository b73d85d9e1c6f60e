import { produce } from 'immer';
import type { Fade } from '../../colour/fill';
import { findElement } from '../find';
import type { Asset, Job, Picture, PictureView, Shape } from '../schema';
import { addAsset, removeElement } from './elements';
import { requoted } from './house';

/** Edits of how a picture lies in its frame. An id that is not there, or is no picture, changes nothing. */

const change = (job: Job, id: string, recipe: (picture: Picture) => void): Job =>
  produce(job, (draft) => {
    const element = findElement(draft, id)?.element;
    if (element?.kind === 'picture') recipe(element);
  });

export const FILLING: PictureView = { fit: 'fill', zoom: 1, at: { x: 0.5, y: 0.5 } };

/** How the picture lies in its frame; filling it from the middle is not kept. */
export const setView = (job: Job, id: string, view: PictureView): Job =>
  change(job, id, (picture) => {
    if (JSON.stringify(view) === JSON.stringify(FILLING)) delete picture.view;
    else picture.view = view;
  });

/** Turns the picture inside its frame by a quarter, clockwise. */
export const turnInside = (job: Job, id: string): Job =>
  change(job, id, (picture) => {
    const next = (((picture.quarter ?? 0) + 1) % 4) as 0 | 1 | 2 | 3;
    if (next === 0) delete picture.quarter;
    else picture.quarter = next;
  });

/** Lets a picture fade to paper, or not. */
export const setFade = (job: Job, id: string, fade: Fade | undefined): Job =>
  change(job, id, (picture) => {
    if (fade) picture.fade = fade;
    else delete picture.fade;
  });

/** What crops a picture: the outline of a form, or its frame. */
export const setCrop = (
  job: Job,
  id: string,
  { outline, form, corners }: Pick<Shape, 'outline' | 'form' | 'corners'>,
): Job =>
  change(job, id, (picture) => {
    delete picture.outline;
    delete picture.form;
    delete picture.corners;
    Object.assign(picture, outline ? { outline } : {}, form ? { form } : {}, corners ? { corners } : {});
  });

/**
 * Crops a picture by a shape, which it takes the place of; what is seen of it stays where it was. `lies` is where the
 * whole picture lies and how large a pixel of it is, in points.
 */
export function cropBy(
  job: Job,
  id: string,
  shape: Shape,
  lies: { x: number; y: number; width: number; height: number; perPixel: number },
): Job {
  const at = (start: number, size: number, frame: number, length: number): number =>
    Math.abs(length - size) < 1e-9 ? 0.5 : (start - frame) / (length - size);
  const cropped = change(setCrop(job, id, shape), id, (picture) => {
    const { x, y, width, height } = shape;
    Object.assign(picture, { x, y, width, height });
    picture.view = {
      fit: 'exact',
      zoom: lies.perPixel,
      at: {
        x: Math.max(-20, Math.min(21, at(lies.x, lies.width, x, width))),
        y: Math.max(-20, Math.min(21, at(lies.y, lies.height, y, height))),
      },
    };
    if (shape.turn) picture.turn = shape.turn;
    else delete picture.turn;
    if (shape.flip) picture.flip = shape.flip;
    else delete picture.flip;
  });
  return removeElement(cropped, shape.id);
}

/** Puts another picture in the same frame: its crop, fade and place stay. An exact scale becomes filling. */
export const replacePicture = (job: Job, id: string, hash: string, asset: Asset): Job =>
  change(addAsset(job, hash, asset), id, (picture) => {
    picture.asset = hash;
    if (picture.view?.fit === 'exact') delete picture.view;
  });

/** Makes a picture that of the person whom its piece is shown for, or one of its own again. */
export const quotePerson = (job: Job, id: string, quotes: boolean): Job =>
  requoted(
    change(job, id, (picture) => {
      if (quotes) picture.quote = 'person.picture';
      else delete picture.quote;
    }),
  );
