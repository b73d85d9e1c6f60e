import type { Ink } from '../colour/ink';
import type { Kind } from '../trade/schema';
import type { PieceUnit } from '../units/length';
import { type Element, type Face, JOB_VERSION, type Job, type Piece } from './schema';

/** The inks every job starts with. Paper is no ink: it is where no plate prints. */
const STARTING_INKS: readonly Ink[] = [
  { id: 'black', name: 'Black', kind: 'process', cmyk: [0, 0, 0, 1] },
  { id: 'paper', name: 'Paper', kind: 'process', cmyk: [0, 0, 0, 0] },
];

export const makeJob = (id: string, name: string, changed: string): Job => ({
  format: 'tidyedge',
  version: JOB_VERSION,
  id,
  name,
  changed,
  inks: [...STARTING_INKS],
  pieces: [],
  assets: {},
});

const faceNames = (count: number): string[] =>
  count === 1 ? ['Front'] : count === 2 ? ['Front', 'Back'] : Array.from({ length: count }, (_, i) => `Page ${i + 1}`);

export interface PieceAsked {
  id: string;
  name: string;
  kind: Kind;
  width: number;
  height: number;
  unit: PieceUnit;
  shop: string;
  faces: number;
}

/** An empty piece with `faces` faces; sizes in points. */
export const makePiece = ({ faces, ...asked }: PieceAsked): Piece => ({
  ...asked,
  faces: faceNames(faces).map((name, i): Face => ({ id: `${asked.id}-${i + 1}`, name, elements: [] })),
});

type New<K extends Element['kind'], Given extends string> = { id: string } & Pick<
  Extract<Element, { kind: K }>,
  Given & keyof Extract<Element, { kind: K }>
> &
  Partial<Omit<Extract<Element, { kind: K }>, 'kind' | 'id'>>;

const BLACK = { ink: 'black', tint: 1 };

export const makeWords = (given: New<'words', 'x' | 'y' | 'text'>): Extract<Element, { kind: 'words' }> => ({
  kind: 'words',
  typeface: 'source-sans-3/regular',
  size: 9,
  leading: 1.2,
  align: 'left',
  width: null,
  paint: BLACK,
  ...given,
});
export const makePicture = (
  given: New<'picture', 'x' | 'y' | 'width' | 'height' | 'asset'>,
): Extract<Element, { kind: 'picture' }> => ({
  kind: 'picture',
  ...given,
});
/** New shapes have a fill and no outline stroke. */
export const makeShape = (
  given: New<'shape', 'x' | 'y' | 'width' | 'height'>,
): Extract<Element, { kind: 'shape' }> => ({
  kind: 'shape',
  paint: BLACK,
  ...given,
});
export const makeRule = (given: New<'rule', 'x' | 'y' | 'width' | 'height'>): Extract<Element, { kind: 'rule' }> => ({
  kind: 'rule',
  paint: BLACK,
  ...given,
});
