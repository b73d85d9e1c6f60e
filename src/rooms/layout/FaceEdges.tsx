import { memo } from 'react';
import type { Finding } from '../../../core/checks/check';
import { type Box, outset, type Point } from '../../../core/geometry/box';
import { formatLength, type PieceUnit } from '../../../core/units/length';
import { FindingMarks } from '../../bench/findings/FindingMarks';
import { type Named, slipOf } from './Areas';
import { BandPatterns, Bands, type DieBands } from './Bands';
import { Rulers } from './Rulers';
import { onScreen, type View } from './view';

/** Below a face: its name where there are several, and what the bands mean. */
function Legend({
  name,
  at,
  bleed,
  safe,
  unit,
}: {
  name: string | undefined;
  at: Point;
  bleed: number;
  safe: number;
  unit: PieceUnit;
}) {
  return (
    <text x={at.x} y={at.y} fontSize="12.5" fill="var(--table-text)" pointerEvents="none">
      {name !== undefined && (
        <tspan fontWeight="650" fontSize="14">
          {name}
        </tspan>
      )}
      <tspan x={at.x} dy={name === undefined ? 0 : 19}>
        <tspan fontWeight="650">{bleed > 0 ? 'hatched' : ''}</tspan>
        {bleed > 0 ? ` cut away, ${formatLength(bleed, unit)}` : ''}
        <tspan fontWeight="650" dx={bleed > 0 ? 18 : 0}>
          washed
        </tspan>{' '}
        keep text out, {formatLength(safe, unit)}
      </tspan>
    </text>
  );
}

/**
 * What is drawn about a face that stays as it is while something on the face is moved: its bands, rulers, legend, and
 * where findings are. A drawing of its own, so that a drag does not draw it again.
 */
export const FaceEdges = memo(function FaceEdges({
  face,
  name,
  width,
  height,
  bleed,
  safe,
  unit,
  origin,
  view,
  findings,
  chosen,
  text,
  names,
  die,
}: {
  face: string;
  /** Only where several faces are shown. */
  name: string | undefined;
  width: number;
  height: number;
  bleed: number;
  safe: number;
  unit: PieceUnit;
  origin: Point;
  view: View;
  findings: readonly Finding[];
  chosen: string | undefined;
  /** Where the text of the face lies, in its points; the same list as long as it does. */
  text: readonly Box[];
  /** What stands on it by name, likewise. */
  names: readonly Named[];
  /** The bands of a die line, where one cuts the face. */
  die: DieBands | undefined;
}) {
  const { zoom } = view;
  const toScreen = (box: Box): Box => onScreen(box, origin, view);
  const trim = toScreen({ x: 0, y: 0, width, height });
  const below = trim.y + trim.height + bleed * zoom;
  const legend = { x: trim.x - bleed * zoom, y: below + 8, width: 330, height: name === undefined ? 22 : 42 };
  return (
    <svg className="pointer-events-none absolute inset-0 size-full overflow-visible" aria-hidden="true">
      <BandPatterns />
      <Bands trim={trim} zoom={zoom} bleed={bleed} safe={safe} die={die} />
      <Rulers trim={trim} bleed={bleed} size={{ width, height }} zoom={zoom} unit={unit} />
      <Legend name={name} at={{ x: legend.x, y: below + 24 }} bleed={bleed} safe={safe} unit={unit} />
      <FindingMarks
        // Misspelt words are told of in the list, not marked on the piece.
        findings={findings.filter((finding) => finding.face === face && finding.check !== 'spelling')}
        unit={unit}
        toScreen={toScreen}
        chosen={chosen}
        // The lines of text, not the room that their leading takes.
        kept={[
          legend,
          ...names.map((named) => slipOf(named, toScreen)),
          ...text.map((box) => outset(toScreen(box), -5)),
        ]}
      />
    </svg>
  );
});
