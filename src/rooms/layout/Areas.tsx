import type { Box } from '../../../core/geometry/box';
import { type Area, areasOf } from '../../../core/job/areas';
import { facePanels, facesFolds } from '../../../core/job/folds-of';
import type { Face, Piece } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';
import { crossingsOf } from '../../../core/scene/crossings';
import { useBench } from '../../bench/bench';

/** The hatch of areas that are kept clear, in pixels. */
export const AreaPattern = () => (
  <pattern id="keep-clear" width="8" height="8" patternUnits="userSpaceOnUse">
    <path d="M0 0L8 8M8 0L0 8" stroke="var(--edge-slate)" strokeWidth=".8" strokeOpacity=".38" fill="none" />
  </pattern>
);

/** A name on a slip, so that it can be read on anything. */
function Slip({ box: { x, y, width, height }, text }: { box: Box; text: string }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect width={width} height={height} rx={2} fill="#fffdf8" fillOpacity=".9" />
      <text x={width / 2} y={13} fontSize="12" textAnchor="middle" fill="#24221e">
        {text}
      </text>
    </g>
  );
}

/** Where the name of an area goes: its first box, or the middle of all. */
const nameAt = ({ boxes, kind }: Area): Box | undefined =>
  kind === 'clear' && boxes.length < 4 ? boxes[0] : boxes.length === 1 ? boxes[0] : undefined;

/** A name, and the part of the face that it is the name of. */
export interface Named {
  of: Box;
  text: string;
}

/** The names that stand on a face: of what is kept clear, and of its panels. */
export const namesOn = (piece: Piece, face: Face, areas = areasOf(piece, face)): Named[] => [
  ...areas.flatMap((area) => {
    const of = area.kind === 'clear' ? nameAt(area) : undefined;
    return of ? [{ of, text: area.name }] : [];
  }),
  ...facePanels(piece, face).map(({ name, ...of }) => ({ of, text: name })),
];

/** Where a name stands on the screen: in the middle of the head of its part, where it hides least. */
export function slipOf({ of, text }: Named, toScreen: (box: Box) => Box): Box {
  const { x, y, width, height } = toScreen(of);
  const wide = text.length * 6.6 + 12;
  return { x: x + width / 2 - wide / 2, y: y + Math.min(height / 2, 13) - 9, width: wide, height: 18 };
}

/** The areas of a face that are kept clear, with their names in them; where it is folded, and its panels. */
export function Areas({ face, toScreen, zoom }: { face: Face; toScreen(box: Box): Box; zoom: number }) {
  const { sheet: piece, sources } = useBench();
  const areas = areasOf(piece, face);
  const folds = facesFolds(piece, face);
  const crossings = crossingsOf(piece, face, sources);
  const { width, height } = asFace(piece, face);
  const origin = toScreen({ x: 0, y: 0, width: 0, height: 0 });
  return (
    <g pointerEvents="none">
      {areas.map((area) => {
        return (
          <g key={area.id}>
            <path
              d={area.outline}
              transform={`translate(${origin.x} ${origin.y}) scale(${zoom})`}
              fill={area.kind === 'clear' ? 'var(--edge-slate)' : 'none'}
              fillOpacity=".07"
              stroke="var(--edge-slate)"
              strokeWidth="1"
              strokeDasharray={area.kind === 'clear' ? undefined : '2 4'}
              vectorEffect="non-scaling-stroke"
            />
            {area.kind === 'clear' &&
              area.boxes.length < 4 &&
              area.boxes.map((box) => <rect key={`${box.x} ${box.y}`} {...toScreen(box)} fill="url(#keep-clear)" />)}
          </g>
        );
      })}
      {folds.map(({ axis, at }) => {
        const line = toScreen(
          axis === 'x'
            ? { x: at, y: -12, width: 0, height: height + 24 }
            : { x: -12, y: at, width: width + 24, height: 0 },
        );
        return (
          <line
            key={`${axis}${at}`}
            x1={line.x}
            y1={line.y}
            x2={line.x + line.width}
            y2={line.y + line.height}
            stroke="var(--edge-trim)"
            strokeWidth="1.2"
            strokeDasharray="9 4 2 4"
          />
        );
      })}
      {crossings.map(({ element, at }) => {
        const line = toScreen(at);
        return (
          <line
            key={`${element.id} ${at.x} ${at.y}`}
            x1={line.x}
            y1={line.y}
            x2={line.x + line.width}
            y2={line.y + line.height}
            stroke="var(--edge-ochre)"
            strokeWidth="4"
            strokeOpacity=".75"
          />
        );
      })}
      {namesOn(piece, face, areas).map((named) => (
        <Slip key={named.text} box={slipOf(named, toScreen)} text={named.text} />
      ))}
    </g>
  );
}
