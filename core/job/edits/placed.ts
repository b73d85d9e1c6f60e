import type { Cmyk, Ink } from '../../colour/ink';
import type { Box } from '../../geometry/box';
import { makePicture } from '../make';
import type { PlacedPage } from '../placed-page';
import type { Asset, Job, Picture, Piece } from '../schema';
import { addAsset, addElement } from './elements';
import { addInk } from './inks';

/** A page of a PDF that comes in as one thing. */
export interface PageIn {
  hash: string;
  asset: Asset;
  /** Its spot inks, and what each is shown as at full tint. */
  spots: Readonly<Record<string, Cmyk>>;
}

/** Trims that differ by less than this, in points, are of the same size: half a millimetre. */
const SAME_SIZE = 1.42;

const isSameSize = (one: Pick<Box, 'width' | 'height'>, other: Pick<Box, 'width' | 'height'>): boolean =>
  Math.abs(one.width - other.width) < SAME_SIZE && Math.abs(one.height - other.height) < SAME_SIZE;

/** Where something lies: trim on trim where it has one of the piece's size; else as large as it is, or as fits. */
export function placeOnFace(
  { width, height, trim }: { width: number; height: number; trim?: Box | undefined },
  piece: Pick<Piece, 'width' | 'height'>,
  at?: { x: number; y: number },
): Box {
  if (trim && isSameSize(trim, piece)) return { x: -trim.x, y: -trim.y, width, height };
  const scale = Math.min(1, (0.9 * piece.width) / width, (0.9 * piece.height) / height);
  const [wide, high] = [width * scale, height * scale];
  const middle = at ?? { x: piece.width / 2, y: piece.height / 2 };
  return { x: middle.x - wide / 2, y: middle.y - high / 2, width: wide, height: high };
}

/** How much longer a side is than another, at least, to be so. */
const HAIR = 0.01;

/** The frame of a page on a piece: all of it where it is of that size, bleed and all; else as it is cut. */
export function pageFrame(
  { page, width }: Asset & { page: PlacedPage },
  piece: Pick<Piece, 'width' | 'height'>,
  at?: { x: number; y: number },
): Pick<Picture, 'x' | 'y' | 'width' | 'height' | 'view'> {
  const { trim } = page;
  if (isSameSize(trim, piece)) return placeOnFace(page, piece, at);
  const frame = placeOnFace({ width: trim.width, height: trim.height }, piece, at);
  const [over, under] = [page.width - trim.width, page.height - trim.height];
  if (over < HAIR && under < HAIR) return frame;
  const zoom = ((page.width / width) * frame.width) / trim.width;
  return {
    ...frame,
    view: { fit: 'exact', zoom, at: { x: over < HAIR ? 0.5 : trim.x / over, y: under < HAIR ? 0.5 : trim.y / under } },
  };
}

/** Lays the page on a face, and adds the inks that it names and the job has not got; `newId` names them. */
export function placePage(
  job: Job,
  face: string,
  { hash, asset, spots }: PageIn,
  at: ReturnType<typeof pageFrame>,
  newId: () => string,
): Job {
  const known = new Set(job.inks.filter(({ kind }) => kind === 'spot').map(({ name }) => name));
  const inked = Object.entries(spots)
    .filter(([name]) => !known.has(name))
    .map(([name, cmyk]): Ink => ({ id: newId(), name, kind: 'spot', cmyk }))
    .reduce(addInk, job);
  const element = { ...makePicture({ id: newId(), asset: hash, ...at }), name: asset.name };
  return addElement(addAsset(inked, hash, asset), face, element);
}
