import type { Box } from '../../../../core/geometry/box';
import { addGuides, type GuideHome, moveGuide, removeGuide } from '../../../../core/job/edits/guides';
import type { Face, Guide } from '../../../../core/job/schema';
import { formatNumber } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { usePull } from '../../../bench/use-pull';
import { tidyStep } from '../steps';

/** How wide the strip along the trim is that guides are dragged from, in pixels: the ruler beyond the bleed. */
const RULER = 26;
/** Further out than this from the trim, a dragged guide is thrown away. In points. */
const AWAY = 30;

/** The guides of a face and of its piece; and the rulers, from which new ones are dragged. `trim` in pixels. */
export function GuideLines({ face, trim, zoom }: { face: Face; trim: Box; zoom: number }) {
  const { piece, shop, unit } = useBench();
  const bleed = shop.bleed[piece.kind] * zoom;
  const length = { x: piece.width, y: piece.height };

  /** Where the pointer is on an axis of the face, on a tidy number. */
  function placeOf(event: React.PointerEvent, axis: Guide['axis']): number {
    const area = (event.currentTarget as Element).closest('svg')!.getBoundingClientRect();
    const at = axis === 'x' ? (event.clientX - area.x - trim.x) / zoom : (event.clientY - area.y - trim.y) / zoom;
    const step = tidyStep(unit);
    return Math.round(at / step) * step;
  }
  const pull = usePull<{ home: GuideHome; axis: Guide['axis']; index: number | undefined }>(
    ({ home, axis, index }, _by, event) => {
      const at = placeOf(event, axis);
      const isAway = at < -AWAY || at > length[axis] + AWAY;
      return (job) => {
        if (index === undefined) return isAway ? job : addGuides(job, home, [{ axis, at }]);
        return isAway ? removeGuide(job, home, index) : moveGuide(job, home, index, at);
      };
    },
  );
  const moves = (home: GuideHome, axis: Guide['axis'], index?: number) => pull(() => ({ home, axis, index }), 'Guide');

  const lines: { guide: Guide; home: GuideHome; index: number }[] = [
    ...(piece.guides ?? []).map((guide, index) => ({ guide, home: { piece: piece.id }, index })),
    ...(face.guides ?? []).map((guide, index) => ({ guide, home: { face: face.id }, index })),
  ];
  const rulers = [
    { axis: 'y' as const, x: trim.x, y: trim.y - bleed - RULER, width: trim.width, height: RULER },
    { axis: 'x' as const, x: trim.x - bleed - RULER, y: trim.y, width: RULER, height: trim.height },
  ];
  return (
    <g className="pointer-events-auto">
      {rulers.map(({ axis, ...box }) => (
        <rect
          key={axis}
          {...box}
          data-panel
          data-ruler={axis}
          fill="transparent"
          style={{ cursor: axis === 'x' ? 'col-resize' : 'row-resize' }}
          {...moves({ face: face.id }, axis)}
        >
          <title>Drag a guide from here</title>
        </rect>
      ))}
      {lines.map(({ guide: { axis, at }, home, index }) => {
        const place = axis === 'x' ? trim.x + at * zoom : trim.y + at * zoom;
        const d =
          axis === 'x'
            ? `M${place} ${trim.y - bleed - 6}V${trim.y + trim.height + bleed + 6}`
            : `M${trim.x - bleed - 6} ${place}H${trim.x + trim.width + bleed + 6}`;
        return (
          <g
            key={`${'face' in home ? 'face' : 'piece'}${index}`}
            data-panel
            data-guide={axis}
            style={{ cursor: axis === 'x' ? 'col-resize' : 'row-resize' }}
            {...moves(home, axis, index)}
          >
            <title>
              Guide at {formatNumber(at, unit)} {unit}; drag it away to be rid of it
            </title>
            <path d={d} stroke="transparent" strokeWidth="7" fill="none" />
            <path
              d={d}
              stroke="var(--guide)"
              strokeWidth="1"
              strokeDasharray={'face' in home ? undefined : '7 3'}
              fill="none"
            />
          </g>
        );
      })}
    </g>
  );
}
