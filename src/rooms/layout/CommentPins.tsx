import type { Box } from '../../../core/geometry/box';
import type { Face } from '../../../core/job/schema';
import { useBench } from '../../bench/bench';

const RADIUS = 9;

/** Where the client's open comments stand on a face, in the order of the list. */
export function CommentPins({ face, toScreen }: { face: Face; toScreen(box: Box): Box }) {
  const { job } = useBench();
  const here = (job.comments ?? []).filter((comment) => comment.face === face.id && comment.state !== 'done');
  return (
    <g pointerEvents="none">
      {here.map(({ id, x, y, state }, i) => {
        const at = toScreen({ x, y, width: 0, height: 0 });
        return (
          <g key={id} transform={`translate(${at.x} ${at.y})`}>
            <circle r={RADIUS} fill={state === 'open' ? 'var(--edge-trim)' : '#fff'} stroke="#fff" strokeWidth="1.5" />
            <text
              textAnchor="middle"
              dy="4"
              fontSize="11"
              fontWeight="650"
              fill={state === 'open' ? '#fff' : 'var(--edge-trim)'}
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
