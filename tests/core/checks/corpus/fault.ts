import { addElement } from '../../../../core/job/edits/elements';
import { makeCode, makePicture, makeRule, makeShape, makeWords } from '../../../../core/job/make';
import type { Asset, Element, Job, Paint, Piece } from '../../../../core/job/schema';
import { cardWith, makePng, mm, withPicture } from '../../../kit';

/** Small jobs with one fault each, beside the same job without it. */
export interface Fault {
  check: string;
  says: string;
  faulty: Job;
  twin: Job;
}

/** A quiet word that every job has, so that none is empty and a fix has something to leave alone. */
const quiet = (height: number) =>
  makeWords({
    id: 'quiet',
    text: 'Tea garden',
    ...(height > mm(250) ? { x: mm(120), y: mm(30) } : { x: mm(8), y: mm(42) }),
    lettering: { size: 9 },
  });

type Options = NonNullable<Parameters<typeof cardWith>[1]>;

/** A job of one card with a quiet word and some elements. */
export const jobOf = (elements: readonly Element[], options: Options = {}): Job =>
  cardWith([...elements, quiet(options.height ?? 0)], options);

/** The piece of a job with some facts changed. */
export const pieceWith = (job: Job, to: Partial<Piece>): Job => ({
  ...job,
  pieces: job.pieces.map((piece, i) => (i === 0 ? { ...piece, ...to } : piece)),
});

export const ink = (id: string, tint = 1): Paint => ({ ink: id, tint });
export const area = (id: string, x: number, y: number, width: number, height: number, paint = ink('green')) =>
  makeShape({ id, x: mm(x), y: mm(y), width: mm(width), height: mm(height), paint });
export const line = (id: string, x: number, y: number, width: number, weight: number, paint = ink('black')) =>
  makeRule({ id, x: mm(x), y: mm(y), width: mm(width), height: weight, paint });
export const words = (
  id: string,
  text: string,
  x: number,
  y: number,
  more: Partial<Parameters<typeof makeWords>[0]> = {},
) => makeWords({ id, text, x: mm(x), y: mm(y), ...more, lettering: { size: 9, ...more.lettering } });
export const code = (id: string, x: number, y: number, side: number, paint = ink('black')) => ({
  ...makeCode({ id, x: mm(x), y: mm(y), width: mm(side), height: mm(side), text: 'hollinandfen.example' }),
  paint,
});

export const GREY = makePng(300, 300, () => [128, 128, 128]);

/** A job with a picture of `side` millimetres whose file is said to be like this. */
export function pictured(
  side: number,
  facts: Partial<Asset> = {},
  more: Partial<Element> = {},
  options: Options = {},
): Job {
  const { job, hash } = withPicture(jobOf([], options), GREY);
  const asset: Asset = { ...job.assets[hash]!, ...facts };
  const picture = makePicture({ id: 'picture', x: mm(10), y: mm(10), width: mm(side), height: mm(side), asset: hash });
  return addElement({ ...job, assets: { [hash]: asset } }, job.pieces[0]!.faces[0]!.id, {
    ...picture,
    ...more,
  } as Element);
}

/** The side in millimetres at which the picture of 300 pixels has so many of them an inch. */
export const sideAt = (ppi: number): number => (300 / ppi) * 25.4;
