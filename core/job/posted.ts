import { type Box, bottom, right } from '../geometry/box';
import type { Panel } from '../trade/folds';
import type { Posted } from '../trade/postage';
import { weighs } from '../trade/weight';
import { facePanels, facesFolds, finishedSize } from './folds-of';
import type { Face, Piece } from './schema';
import { asFace } from './turned';

/** What of a piece is addressed, and how it goes to the post. Lengths in points. */

export type Edge = 'left' | 'right' | 'top' | 'bottom';
const EDGES: readonly Edge[] = ['left', 'right', 'top', 'bottom'];

/** The part of a face that is addressed, and which of its edges are folds: a panel of a folded piece, else all of the face. */
export interface Addressed {
  of: Box;
  folded: readonly Edge[];
}

const HAIR = 0.01;

/** The panel that is addressed where nothing is said: the back, else the cover. */
function usualPanel(names: readonly string[]): number {
  const at = ['Back', 'Cover'].map((name) => names.findIndex((each) => each.startsWith(name)));
  return Math.max(0, at.find((i) => i >= 0) ?? 0);
}

/** Which of a face's panels is addressed, as they are read. */
export const panelOf = ({ post }: Piece, panels: readonly Panel[]): number =>
  post?.panel ?? usualPanel(panels.map(({ name }) => name));

export function addressedOn(piece: Piece, face: Face): Addressed {
  const { width, height } = asFace(piece, face);
  const panels = facePanels(piece, face);
  const panel = panels[panelOf(piece, panels)];
  if (!panel) return { of: { x: 0, y: 0, width, height }, folded: [] };
  const { name: _, ...of } = panel;
  const at: Readonly<Record<Edge, number>> = { left: of.x, right: right(of), top: of.y, bottom: bottom(of) };
  const folds = facesFolds(piece, face);
  return {
    of,
    folded: EDGES.filter((edge) =>
      folds.some(
        (fold) => (fold.axis === 'x') === (edge === 'left' || edge === 'right') && Math.abs(fold.at - at[edge]) < HAIR,
      ),
    ),
  };
}

/** Words of an order that say that the open edges of a folded piece are closed. */
const IS_CLOSED = /tab|glue|seal|clos|wafer/i;

/** A piece as it is posted: folded, and as heavy as its stock makes it. An envelope weighs what is put into it. */
export function postedOf(piece: Piece, face: Face): Posted {
  const { width, height } = finishedSize(piece);
  const { weight } = piece.order ?? {};
  const isClosed =
    (piece.order?.finishing.some((each) => IS_CLOSED.test(each)) ?? false) ||
    (piece.finishing?.some(({ kind }) => kind === 'glue') ?? false);
  return {
    ...(face.turned ? { width: height, height: width } : { width, height }),
    corner: piece.corner,
    ...(piece.fold ? { folds: addressedOn(piece, face).folded, isClosed } : {}),
    ...(weight === undefined || piece.kind === 'envelope' ? {} : { grams: weighs(piece, weight) }),
  };
}
