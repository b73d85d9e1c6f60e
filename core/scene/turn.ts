import type { Box } from '../geometry/box';
import { apply, IDENTITY, type Matrix, multiply, turnAbout } from '../geometry/matrix';
import { type Path, transformPath } from '../geometry/path';
import type { Element } from '../job/schema';
import type { Device } from './device';

const MIRROR = {
  across: { x: -1, y: 1 },
  down: { x: 1, y: -1 },
  both: { x: -1, y: -1 },
} as const;

const flipOf = (element: Element) => ('flip' in element && element.flip ? MIRROR[element.flip] : undefined);

/** Whether an element is turned or mirrored at all. */
export const isTurned = (element: Element): boolean => (element.turn ?? 0) !== 0 || flipOf(element) !== undefined;

/** What turns and mirrors an element about the middle of its frame. */
export function turnOf(element: Element, frame: Box): Matrix {
  if (!isTurned(element)) return IDENTITY;
  const middle = { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 };
  return turnAbout(middle, element.turn ?? 0, flipOf(element));
}

/** A device that moves and turns all it is told to draw. Glyphs are turned by `angle` degrees, never mirrored. */
export function turnedDevice(device: Device, matrix: Matrix, angle: number): Device {
  const there = (path: Path): Path => transformPath(path, matrix);
  return {
    beginElement: (id) => device.beginElement(id),
    endElement: () => device.endElement(),
    beginWords: (text) => device.beginWords(text),
    endWords: () => device.endWords(),
    beginClip: (path) => device.beginClip(there(path)),
    endClip: () => device.endClip(),
    fillPath: (path, plates) => device.fillPath(there(path), plates),
    strokePath: (path, weight, plates) => device.strokePath(there(path), weight, plates),
    showGlyphs(run, plates) {
      const { x, y } = apply(matrix, { x: run.x, y: run.baseline });
      device.showGlyphs({ ...run, x, baseline: y, angle: (run.angle ?? 0) + angle }, plates);
    },
    drawImage: (image, place) => device.drawImage(image, multiply(matrix, place)),
  };
}
