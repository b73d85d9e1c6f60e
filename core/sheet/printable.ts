import type { Box } from '../geometry/box';
import type { SheetMade } from '../job/sheet';

/**
 * What may be printed on, on the first side: within the gripper at the foot and the white along the other edges; points.
 */
export function usable({ press, gripper, unprintable, turning }: SheetMade): Box {
  // Tumbled, the sheet is held by its other edge the second time.
  const head = turning === 'work-and-tumble' ? Math.max(gripper, unprintable) : unprintable;
  const foot = Math.max(gripper, unprintable);
  return {
    x: unprintable,
    y: head,
    width: press.width - 2 * unprintable,
    height: press.height - head - foot,
  };
}
