import { type PointerEvent, useState } from 'react';
import { type Point, unionOf } from '../../../core/geometry/box';
import type { SheetBlock } from '../../../core/job/sheet';
import { slotsOf } from '../../../core/sheet/by-hand';
import type { SheetItem } from '../../../core/sheet/form';

const pointOf = (event: PointerEvent<SVGElement>): Point => {
  const { ownerSVGElement: svg } = event.currentTarget;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg!.getScreenCTM()!.inverse());
  return { x, y };
};

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
  const [drag, setDrag] = useState<{ block: number; from: Point; by: Point }>();
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
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setDrag({ block: i, from: pointOf(event), by: { x: 0, y: 0 } });
        }}
        onPointerMove={(event) => {
          if (drag?.block !== i) return;
          const to = pointOf(event);
          setDrag({ ...drag, by: { x: stepped(to.x - drag.from.x), y: stepped(to.y - drag.from.y) } });
        }}
        onPointerUp={() => {
          if (drag && (drag.by.x !== 0 || drag.by.y !== 0)) onMove(drag.block, drag.by);
          setDrag(undefined);
        }}
        onPointerCancel={() => setDrag(undefined)}
      >
        <title>{`Block ${i + 1}: drag it, or type where it lies`}</title>
      </rect>
    );
  });
}
