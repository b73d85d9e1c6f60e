import type { Box } from '../geometry/box';
import { type Matrix, multiply, ontoBox } from '../geometry/matrix';

/** How a picture lies in its frame; see the document's schema. Without a view it fills the frame from the middle. */
export interface Framing extends Box {
  view?: { fit: 'fill' | 'whole' | 'exact'; zoom: number; at: { x: number; y: number } } | undefined;
  quarter?: 1 | 2 | 3 | undefined;
}

const FILLED = { fit: 'fill', zoom: 1, at: { x: 0.5, y: 0.5 } } as const;

/** Quarter turns clockwise of the unit square in itself. */
const QUARTERS: Readonly<Record<0 | 1 | 2 | 3, Matrix>> = {
  0: [1, 0, 0, 1, 0, 0],
  1: [0, 1, -1, 0, 1, 0],
  2: [-1, 0, 0, -1, 1, 1],
  3: [0, -1, 1, 0, 0, 1],
};

/** The sides of a picture of `width` × `height` pixels as it is turned in its frame. */
const turnedSides = ({ quarter }: Framing, width: number, height: number) =>
  quarter === 1 || quarter === 3 ? { width: height, height: width } : { width, height };

/** Where a whole picture of `width` × `height` pixels lies, both sides scaled alike. What sticks out is cropped. Points. */
export function pictureBox(framing: Framing, width: number, height: number): Box {
  const { fit, zoom, at } = framing.view ?? FILLED;
  const sides = turnedSides(framing, width, height);
  const across = framing.width / sides.width;
  const down = framing.height / sides.height;
  const scale = zoom * (fit === 'exact' ? 1 : fit === 'fill' ? Math.max(across, down) : Math.min(across, down));
  const placed = { width: sides.width * scale, height: sides.height * scale };
  return {
    x: framing.x + (framing.width - placed.width) * at.x,
    y: framing.y + (framing.height - placed.height) * at.y,
    ...placed,
  };
}

/** What lays the unit square, the picture's top left corner first, where the picture lies. */
export const pictureMatrix = (framing: Framing, width: number, height: number): Matrix =>
  multiply(ontoBox(pictureBox(framing, width, height)), QUARTERS[framing.quarter ?? 0]);

/** Points for each pixel of a picture of `width` × `height` pixels. */
export const pointsPerPixel = (framing: Framing, width: number, height: number): number =>
  pictureBox(framing, width, height).width / turnedSides(framing, width, height).width;

/** Pixels for each printed inch. */
export const effectivePpi = (framing: Framing, width: number, height: number): number =>
  72 / pointsPerPixel(framing, width, height);
