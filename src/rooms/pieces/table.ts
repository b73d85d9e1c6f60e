import type { Face, Piece } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';

/** Where the faces of a set lie on a table, all at one scale; points. */

export interface OnTable {
  piece: Piece;
  face: Face;
  x: number;
  y: number;
  width: number;
  height: number;
}
export interface Table {
  width: number;
  height: number;
  faces: readonly OnTable[];
  /** What each piece takes, its name below it included. */
  pieces: readonly { piece: Piece; x: number; y: number; width: number; height: number }[];
}

/** Between the faces of a piece, between pieces, for a name below, and for its width; as shares of the longest side of all. */
const ROOM = { faces: 0.02, pieces: 0.05, name: 0.14, least: 0.36 };
/** A row is as wide as the longest side of any, so many times. */
const ROW = 4.2;
/** What a label needs on a screen, in pixels. */
const LABEL = { width: 200, height: 76 };

/** Lays pieces out in rows, what is longest first; on a screen `across` pixels wide so that labels have their room. */
export function layTable(pieces: readonly Piece[], across = Number.POSITIVE_INFINITY): Table {
  const longest = Math.max(...pieces.map(({ width, height }) => Math.max(width, height)), 1);
  // No row is wider than the screen: a pixel is at most so much of the longest side.
  const pixel = ROW / Math.max(across, LABEL.width);
  const name = longest * Math.max(ROOM.name, LABEL.height * pixel);
  const least = longest * Math.max(ROOM.least, LABEL.width * pixel);
  const gap = { faces: ROOM.faces * longest, pieces: ROOM.pieces * longest, name };
  const most = ROW * longest;
  const ordered = [...pieces].sort((a, b) => b.height - a.height);
  const faces: OnTable[] = [];
  const placed: Table['pieces'][number][] = [];
  let [x, y, high, widest] = [gap.pieces, gap.pieces, 0, 0];
  for (const piece of ordered) {
    const sizes = piece.faces.map((face) => ({ face, ...asFace(piece, face) }));
    const own = sizes.reduce((sum, { width }) => sum + width, 0) + gap.faces * (sizes.length - 1);
    const width = Math.max(own, least);
    const height = Math.max(...sizes.map((size) => size.height));
    if (x > gap.pieces && x + width > most) {
      x = gap.pieces;
      y += high + gap.name + gap.pieces;
      high = 0;
    }
    let at = x;
    for (const { face, width: w, height: h } of sizes) {
      faces.push({ piece, face, x: at, y, width: w, height: h });
      at += w + gap.faces;
    }
    placed.push({ piece, x, y, width, height });
    x += width + gap.pieces;
    high = Math.max(high, height);
    widest = Math.max(widest, x);
  }
  return { width: widest, height: y + high + gap.name + gap.pieces / 2, faces, pieces: placed };
}
