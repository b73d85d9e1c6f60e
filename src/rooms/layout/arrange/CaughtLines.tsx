import type { Box } from '../../../../core/geometry/box';
import { formatNumber, type PieceUnit } from '../../../../core/units/length';
import { Tag } from '../../../parts/Tag';
import { useCaught } from '../snapping';

/** What a drag is caught by: the lines it has met, and the gaps it has made equal with their length. */
export function CaughtLines({ face, toScreen, unit }: { face: string; toScreen(box: Box): Box; unit: PieceUnit }) {
  const { face: on, snapped } = useCaught();
  if (on !== face || !snapped) return null;
  return (
    <g stroke="var(--caught)" strokeWidth="1.2" fill="none">
      {snapped.lines.map(({ axis, at, from, to, what }) => {
        const box = toScreen(
          axis === 'x'
            ? { x: at, y: from, width: 0, height: to - from }
            : { x: from, y: at, width: to - from, height: 0 },
        );
        return (
          <g key={`${axis}${at}`}>
            <path
              d={
                axis === 'x'
                  ? `M${box.x} ${box.y - 10}V${box.y + box.height + 10}`
                  : `M${box.x - 10} ${box.y}H${box.x + box.width + 10}`
              }
            />
            {!what.includes('element') && (
              <text
                x={axis === 'x' ? box.x + 5 : box.x + box.width + 14}
                y={axis === 'x' ? box.y - 12 : box.y + 4}
                fontSize="12"
                fill="var(--caught)"
                stroke="none"
              >
                {what}
              </text>
            )}
          </g>
        );
      })}
      {snapped.gaps.map(({ axis, from, to, across }) => {
        const box = toScreen(
          axis === 'x'
            ? { x: from, y: across, width: to - from, height: 0 }
            : { x: across, y: from, width: 0, height: to - from },
        );
        return (
          <g key={`${axis}${from}`} stroke="none">
            <path
              stroke="var(--caught)"
              d={
                axis === 'x'
                  ? `M${box.x} ${box.y - 5}v10m0 -5h${box.width}m0 -5v10`
                  : `M${box.x - 5} ${box.y}h10m-5 0v${box.height}m-5 0h10`
              }
            />

            <Tag
              x={box.x + box.width / 2}
              y={box.y + box.height / 2 - (axis === 'x' ? 14 : 0)}
              text={formatNumber(to - from, unit, 2)}
            />
          </g>
        );
      })}
    </g>
  );
}
