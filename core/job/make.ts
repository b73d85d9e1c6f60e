import type { Ink } from '../colour/ink';
import type { Kind } from '../trade/schema';
import type { Lettering, Setting } from '../type/style';
import type { PieceUnit } from '../units/length';
import { paragraphsOf } from './look';
import { type Element, type Face, JOB_VERSION, type Job, type Piece, type Words, type WordsFrame } from './schema';

export const BLACK_INK: Ink = { id: 'black', name: 'Black', kind: 'process', cmyk: [0, 0, 0, 1] };

/** The inks every job starts with. Paper is no ink: it is where no plate prints. */
const STARTING_INKS: readonly Ink[] = [BLACK_INK, { id: 'paper', name: 'Paper', kind: 'process', cmyk: [0, 0, 0, 0] }];

/** A job that has black: what is said beside a piece is in it, whatever the piece is printed in. */
export const withBlack = <T extends Pick<Job, 'inks'>>(job: T): T =>
  job.inks.some(({ id }) => id === BLACK_INK.id) ? job : { ...job, inks: [...job.inks, BLACK_INK] };

export const makeJob = (id: string, name: string, changed: string): Job => ({
  format: 'tidyedge',
  version: JOB_VERSION,
  id,
  name,
  changed,
  firm: {},
  people: [],
  logos: [],
  roles: {},
  inks: [...STARTING_INKS],
  styles: [],
  pieces: [],
  assets: {},
  fonts: {},
  conditions: {},
  pressOf: {},
  shops: [],
  tables: [],
  accepted: [],
  spelling: { language: 'en-GB', words: [] },
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

export const BLACK = { ink: 'black', tint: 1 };

interface NewWords {
  id: string;
  x: number;
  y: number;
  text: string;
  name?: string;
  style?: string;
  lettering?: Partial<Lettering>;
  setting?: Partial<Setting>;
  frame?: Partial<WordsFrame>;
}

/** Words from plain text; a frame that grows, unless it is told otherwise. */
export const makeWords = ({ text, lettering = {}, setting = {}, frame = {}, ...given }: NewWords): Words => ({
  kind: 'words',
  paragraphs: paragraphsOf(text),
  lettering,
  setting,
  frame: { behaviour: 'grows', width: 0, height: 0, inset: 0, vertical: 'top', ...frame },
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
/** A QR code, unless it is told otherwise. */
export const makeCode = (
  given: New<'code', 'x' | 'y' | 'width' | 'height' | 'text'>,
): Extract<Element, { kind: 'code' }> => ({
  kind: 'code',
  symbology: 'qrcode',
  paint: BLACK,
  ...given,
});
