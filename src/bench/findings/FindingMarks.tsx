import { type Finding, findingKey } from '../../../core/checks/check';
import { tagWords } from '../../../core/checks/measure-words';
import { type Box, bottom, outset } from '../../../core/geometry/box';
import type { PieceUnit } from '../../../core/units/length';
import { Tag } from '../../parts/Tag';
import { usePointed } from './pointed';

/** Findings where they are: an amber frame and the measured beside the wanted. `toScreen` gives pixels. */
export function FindingMarks({
  findings,
  unit,
  toScreen,
  chosen,
}: {
  findings: readonly Finding[];
  unit: PieceUnit;
  toScreen(box: Box): Box;
  chosen: string | undefined;
}) {
  const pointed = usePointed(({ key }) => key);
  return findings.map((finding) => {
    const isPointed = findingKey(finding) === pointed;
    const box = outset(toScreen(finding.place), isPointed ? 5 : 2);
    return (
      <g key={findingKey(finding)} pointerEvents="none">
        <rect
          {...box}
          fill="none"
          stroke="var(--amber)"
          strokeWidth={isPointed ? 4 : 1.2}
          strokeDasharray={finding.severity === 'advise' ? '2 3' : undefined}
        />
        {finding.element !== chosen && (
          <Tag x={box.x + box.width / 2} y={bottom(box) + 13} text={tagWords(finding, unit)} amber />
        )}
      </g>
    );
  });
}
