import type { Face, Piece } from '../../../../core/job/schema';

/** The longer side of a drawn sheet, and what parts the two, in pixels. */
const SIDE = 62;
const GAP = 34;

/** How far clockwise a face's top points from the sheet's top. */
const turnOf = ({ turned }: Face): number => (turned === 'clockwise' ? 90 : turned === 'anticlockwise' ? 270 : 0);

/** A sheet with an arrow to the top of the face that is printed on it. */
function Side({ x, y, width, height, face }: { x: number; y: number; width: number; height: number; face: Face }) {
  const reach = Math.min(width, height) / 2 - 7;
  return (
    <g transform={`translate(${x + width / 2} ${y + height / 2})`}>
      <rect x={-width / 2} y={-height / 2} width={width} height={height} fill="#fffdf8" stroke="#24221e" />
      <g transform={`rotate(${turnOf(face)})`} stroke="#24221e" fill="none" strokeWidth="1.4">
        <path d={`M0 ${reach}V${-reach}M${-5} ${-reach + 6}L0 ${-reach}L5 ${-reach + 6}`} />
      </g>
    </g>
  );
}

/** The front, the back as it is seen after the turn, and the turn between them; arrows point to the top of each face. */
export function TurnDrawing({ piece }: { piece: Piece }) {
  const [front, back] = piece.faces;
  if (!front || !back) return null;
  const scale = SIDE / Math.max(piece.width, piece.height);
  const [width, height] = [piece.width * scale, piece.height * scale];
  const down = piece.turns === 'top–bottom';
  const at = down ? { x: 0, y: height + GAP } : { x: width + GAP, y: 0 };
  const whole = { width: at.x + width + 4, height: at.y + height + 4 };
  const middle = down ? { x: width / 2, y: height + GAP / 2 } : { x: width + GAP / 2, y: height / 2 };
  const says = `${front.name}, then ${back.name} when it is turned ${down ? 'top to bottom' : 'left to right'}`;
  return (
    <svg
      viewBox={`-2 -2 ${whole.width} ${whole.height}`}
      width={whole.width}
      height={whole.height}
      role="img"
      aria-label={says}
      className="text-base-content"
    >
      <Side x={0} y={0} width={width} height={height} face={front} />
      <Side {...at} width={width} height={height} face={back} />
      <g transform={`translate(${middle.x} ${middle.y}) rotate(${down ? 90 : 0})`} stroke="currentColor" fill="none">
        <path d={`M0 ${-SIDE / 2}V${SIDE / 2}`} strokeDasharray="3 3" strokeOpacity=".6" />
        <path d="M-12 6C-8 -9 8 -9 11 4M11 4L5.5 1.5M11 4L13.5 -2" strokeWidth="1.4" />
      </g>
    </svg>
  );
}
