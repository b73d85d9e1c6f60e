import { inkBounds } from '../../../core/devices/bounds';
import { type Box, bottom, distancesTo, right, type Sides } from '../../../core/geometry/box';
import { HANDLE_AT, HANDLES, type Handle, isCorner } from '../../../core/geometry/resize';
import type { Element } from '../../../core/job/schema';
import { formatNumber } from '../../../core/units/length';
import { useBench } from '../../bench/bench';
import { Tag } from '../../parts/Tag';

const CURSOR: Record<Handle, string> = {
  nw: 'nwse-resize',
  se: 'nwse-resize',
  ne: 'nesw-resize',
  sw: 'nesw-resize',
  n: 'ns-resize',
  s: 'ns-resize',
  e: 'ew-resize',
  w: 'ew-resize',
};

/** The handles an element offers: a rule is pulled along its length, words by their width or by a corner. */
export function handlesOf(element: Element): readonly Handle[] {
  if (element.kind === 'rule') return element.width >= element.height ? ['w', 'e'] : ['n', 's'];
  if (element.kind === 'words' && element.path) return HANDLES.filter(isCorner);
  if (element.kind === 'words' && element.frame.behaviour !== 'fixed box')
    return HANDLES.filter((h) => isCorner(h) || h === 'e' || h === 'w');
  return HANDLES;
}

/** What a frame can be pulled by; in pixels. */
function Handles({ frame, handles }: { frame: Box; handles: readonly Handle[] }) {
  return handles.map((handle) => {
    const x = frame.x + HANDLE_AT[handle].x * frame.width;
    const y = frame.y + HANDLE_AT[handle].y * frame.height;
    return (
      <g key={handle} data-handle={handle} style={{ cursor: CURSOR[handle] }}>
        <rect x={x - 9} y={y - 9} width={18} height={18} fill="transparent" />
        <rect x={x - 3.5} y={y - 3.5} width={7} height={7} fill="#fff" stroke="var(--edge-trim)" />
      </g>
    );
  });
}

/** Several things as one: the frame around them, by which they are scaled, and their own. In pixels. */
export function SeveralSelected({ frames, around }: { frames: readonly { id: string; frame: Box }[]; around: Box }) {
  return (
    <g>
      {frames.map(({ id, frame }) => (
        <rect
          key={id}
          {...frame}
          fill="none"
          stroke="var(--edge-trim)"
          strokeWidth=".8"
          strokeOpacity=".6"
          pointerEvents="none"
        />
      ))}
      <rect {...around} fill="none" stroke="var(--edge-trim)" strokeWidth="1.2" pointerEvents="none" />
      <Handles frame={around} handles={HANDLES} />
    </g>
  );
}

/** Where the four distance lines run: from the middle of each side of `ink` to the trim, in pixels. */
function lines(
  ink: Box,
  trim: Box,
): Record<keyof Sides, { from: [number, number]; to: [number, number]; outward: [number, number] }> {
  const cx = Math.min(Math.max(ink.x + ink.width / 2, trim.x), right(trim));
  const cy = Math.min(Math.max(ink.y + ink.height / 2, trim.y), bottom(trim));
  return {
    top: { from: [cx, ink.y], to: [cx, trim.y], outward: [0, -1] },
    right: { from: [right(ink), cy], to: [right(trim), cy], outward: [1, 0] },
    bottom: { from: [cx, bottom(ink)], to: [cx, bottom(trim)], outward: [0, 1] },
    left: { from: [ink.x, cy], to: [trim.x, cy], outward: [-1, 0] },
  };
}

/** Shorter than this, a distance's label stands outside the trim. In pixels. */
const ROOM_FOR_LABEL = 52;

/** The selected element: frame, handles, and how far what it prints is from the cut. Boxes in pixels but `element`. */
export function Selection({
  element,
  frame,
  ink,
  trim,
}: {
  element: Element;
  frame: Box;
  ink: Box | undefined;
  trim: Box;
}) {
  const { piece, shop, sources, unit } = useBench();
  const printed = inkBounds(element, sources);
  const inside = printed && distancesTo(printed, { x: 0, y: 0, width: piece.width, height: piece.height });
  const keepsIn = element.kind === 'words' || element.logo;
  const safe = shop.safe[piece.kind];
  return (
    <g>
      {ink &&
        inside &&
        Object.entries(lines(ink, trim)).map(([side, { from, to, outward }]) => {
          const distance = inside[side as keyof Sides];
          if (distance <= 0.001) return null;
          const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
          const room = outward[0] === 0 ? 26 : ROOM_FOR_LABEL;
          const at =
            length >= room
              ? [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
              : [to[0] + outward[0] * 30, to[1] + outward[1] * 16];
          return (
            <g key={side}>
              <path d={`M${from}L${to}`} stroke="var(--edge-trim)" strokeWidth=".9" strokeDasharray="3 3" />
              <Tag
                x={at[0]!}
                y={at[1]!}
                text={formatNumber(distance, unit, unit === 'in' ? 3 : 2)}
                amber={Boolean(keepsIn) && distance < safe - 0.001}
              />
            </g>
          );
        })}
      <g transform={`rotate(${element.turn ?? 0} ${frame.x + frame.width / 2} ${frame.y + frame.height / 2})`}>
        <rect {...frame} fill="none" stroke="var(--edge-trim)" strokeWidth="1.2" pointerEvents="none" />
        <Handles frame={frame} handles={handlesOf(element)} />
      </g>
    </g>
  );
}
