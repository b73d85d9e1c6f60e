import type { Pen } from '../../../colour/fill';
import type { Box } from '../../../geometry/box';
import type { Matrix } from '../../../geometry/matrix';
import type { Path } from '../../../geometry/path';
import type { Colour } from '../../../scene/colour';
import type { Stream } from '../parsed/syntax';
import type { FontRead } from './fonts';
import type { ImageRead } from './images';

/** A letter as it stands on the page. Lengths in points of the device. */
export interface GlyphSeen {
  font: FontRead;
  glyph: number;
  /** What it stands for; words that are told as a whole stand with their first letter. */
  text: string;
  x: number;
  y: number;
  /** The height of its em. */
  size: number;
  /** Degrees clockwise. */
  angle: number;
  advance: number;
  colour: Colour | undefined;
  overprints: boolean;
  /** What its outline lies in, where its font's program is read. */
  ink?: Box | undefined;
  /** Whether it lays ink: letters can be there only to be found, or to clip, or have no shape. */
  seen: boolean;
}

/** A picture as it stands on the page; `place` lays the unit square, top left corner first. */
export interface PictureSeen {
  read: ImageRead;
  stream: Stream;
  place: Matrix;
  /** Whether it is a shape in one colour, or has cells that are not there at all. */
  partly: boolean;
  /** Whether it is a letter, or part of one. */
  lettering: boolean;
}

/** An area, or a line where it has a pen, as it stands on the page. */
export interface PathSeen {
  path: Path;
  pen: Pen | undefined;
  colour: Colour;
  overprints: boolean;
  /** Whether it is a letter, or part of one. */
  lettering: boolean;
}

/** What somebody wants to hear of besides what is drawn. */
export interface Hear {
  glyph?(glyph: GlyphSeen): void;
  /** The letter that was told of last has been drawn. */
  lettered?(): void;
  picture?(picture: PictureSeen): void;
  path?(path: PathSeen): void;
  /** Something that is not drawn as it is, in a few words. */
  unread?(what: string): void;
  /** A page of another file that lies there whole: nothing is told of what is on it. */
  placed?(place: Matrix): void;
  /** Who listens keeps no meshes: they are told of as what is not read. */
  noMeshes?: true;
  /** Something that is see-through, in a few words. */
  soft?(what: string): void;
}
