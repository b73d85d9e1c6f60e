import type { Box, Point } from '../../../core/geometry/box';

/** Where the table lies in the window: pixels of its origin, and CSS pixels a point. */
export interface View {
  x: number;
  y: number;
  zoom: number;
}

/** CSS defines 96 pixels an inch, and an inch is 72 points. */
export const ACTUAL_ZOOM = 96 / 72;
const ZOOM_LIMITS = { least: 0.1, most: 40 };
/** Room around the pieces for rulers and legend, in pixels. */
const MARGIN = { left: 70, right: 40, top: 64, bottom: 56 };

/** Where each shown face's (by id) trim corner lies on the table, in points. */
export function placeFaces(shown: readonly { id: string; width: number }[], bleed: number): Map<string, Point> {
  let x = 0;
  return new Map(
    shown.map(({ id, width }) => {
      const at = { x, y: 0 };
      x += width + 2 * bleed + Math.max(40, width * 0.14);
      return [id, at];
    }),
  );
}

/** The view in which a box of the table fills the window. */
export function fitView(box: Box, window: { width: number; height: number }): View {
  const room = { width: window.width - MARGIN.left - MARGIN.right, height: window.height - MARGIN.top - MARGIN.bottom };
  const zoom = clampZoom(Math.min(room.width / box.width, room.height / box.height));
  return centreOn(box, window, zoom);
}

/** The view that shows the middle of a box at a given size. */
export const centreOn = (box: Box, window: { width: number; height: number }, zoom: number): View => ({
  x: (MARGIN.left + window.width - MARGIN.right) / 2 - (box.x + box.width / 2) * zoom,
  y: (MARGIN.top + window.height - MARGIN.bottom) / 2 - (box.y + box.height / 2) * zoom,
  zoom,
});

const clampZoom = (zoom: number): number => Math.max(ZOOM_LIMITS.least, Math.min(ZOOM_LIMITS.most, zoom));

/** Zooms by a factor, keeping the point under the pointer where it is. */
export function zoomAt(view: View, at: Point, factor: number): View {
  const zoom = clampZoom(view.zoom * factor);
  const ratio = zoom / view.zoom;
  return { x: at.x - (at.x - view.x) * ratio, y: at.y - (at.y - view.y) * ratio, zoom };
}

export const panBy = (view: View, by: Point): View => ({ ...view, x: view.x + by.x, y: view.y + by.y });

/** A box of a face in pixels of the window. */
export const onScreen = (box: Box, origin: Point, { x, y, zoom }: View): Box => ({
  x: x + (origin.x + box.x) * zoom,
  y: y + (origin.y + box.y) * zoom,
  width: box.width * zoom,
  height: box.height * zoom,
});
