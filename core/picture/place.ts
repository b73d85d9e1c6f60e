import type { Box } from '../geometry/box';

/**
 * Where a whole picture of `width` × `height` pixels lies so that it covers `frame`, both sides scaled
 * alike and centred. What sticks out is cropped by the frame. Points.
 */
export function coverFrame(frame: Box, width: number, height: number): Box {
  const scale = Math.max(frame.width / width, frame.height / height);
  const placed = { width: width * scale, height: height * scale };
  return {
    x: frame.x + (frame.width - placed.width) / 2,
    y: frame.y + (frame.height - placed.height) / 2,
    ...placed,
  };
}

/** Pixels for each printed inch of a picture `width` pixels wide that covers `frame`. */
export const effectivePpi = (frame: Box, width: number, height: number): number =>
  (width / coverFrame(frame, width, height).width) * 72;
