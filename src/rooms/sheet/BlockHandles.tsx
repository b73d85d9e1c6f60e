import { useState } from 'react';
import { type Point, unionOf } from '../../../core/geometry/box';
import type { SheetBlock } from '../../../core/job/sheet';
import { slotsOf } from '../../../core/sheet/by-hand';
import type { SheetItem } from '../../../core/sheet/form';
import { useHeld } from '../../bench/use-held';

/** Half a millimetre, points: a dragged block lies on lengths that one would type. */
const STEP = 72 / 50.8;
const stepped = (n: number): number => Math.round(n / STEP) * STEP;

/** The blocks of a layout by hand on its sheet, to be dragged. */
export function BlockHandles({
  blocks,
  items,
  gap,
  onMove,
}: {
  blocks: readonly SheetBlock[];
  items: readonly SheetItem[];
  gap: number;
  onMove(block: number, by: Point): void;
}) {
  const [drag, setDrag] = useState<{ block: number; by: Point }>();
  // Where it goes is shown; the layout is made anew once it is let go of.
  const hold = useHeld<{ block: number; scale: number; by: Point }>({
    move(held, { x, y }) {
      held.by = { x: stepped(x / held.scale), y: stepped(y / held.scale) };
      setDrag({ block: held.block, by: held.by });
    },
    end({ block, by }, how) {
      if (how === 'settle' && (by.x !== 0 || by.y !== 0)) onMove(block, by);
      setDrag(undefined);
    },
  });
  return blocks.map((block, i) => {
    const around = unionOf(slotsOf(block, items, gap));
    if (!around) return null;
    const by = drag?.block === i ? drag.by : { x: 0, y: 0 };
    return (
      <rect
        // biome-ignore lint/suspicious/noArrayIndexKey: a block is known by its number
        key={i}
        {...around}
        x={around.x + by.x}
        y={around.y + by.y}
        fill="#1f6feb"
        fillOpacity={drag?.block === i ? 0.18 : 0.04}
        stroke="#1f6feb"
        strokeWidth={2.5}
        strokeDasharray="8 5"
        vectorEffect="non-scaling-stroke"
        className="cursor-move"
        data-block={i + 1}
        {...hold(({ currentTarget }) => ({
          block: i,
          scale: (currentTarget as SVGRectElement).getScreenCTM()?.a ?? 1,
          by: { x: 0, y: 0 },
        }))}
      >
        <title>{`Block ${i + 1}: drag it, or type where it lies`}</title>
      </rect>
    );
  });
}
