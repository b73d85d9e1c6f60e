import { type Finding, findingKey } from '../../../core/checks/check';
import { tagWords } from '../../../core/checks/tag-words';
import { type Box, outset } from '../../../core/geometry/box';
import type { PieceUnit } from '../../../core/units/length';
import { Tag } from '../../parts/Tag';
import { placeTags } from './place-tags';
import { usePointed } from './pointed';

/** Findings where they are: an amber frame, and what is wrong beside it, clear of other tags and of what is kept. `toScreen` gives pixels. */
export function FindingMarks({
  findings,
  unit,
  toScreen,
  chosen,
  kept,
}: {
  findings: readonly Finding[];
  unit: PieceUnit;
  toScreen(box: Box): Box;
  chosen: string | undefined;
  /** What no tag should lie over, in pixels: legends, and the text of the piece. */
  kept: readonly Box[];
}) {
  const pointed = usePointed(({ key }) => key);
  const tags = placeTags(
    findings
      .filter(({ element }) => element !== chosen)
      .map((finding) => ({ text: tagWords(finding, unit), box: outset(toScreen(finding.place), 2) })),
    kept,
  );
  const frames = findings.map((finding) => {
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
      </g>
    );
  });
  return (
    <>
      {frames}
      {tags.map(({ x, y, text }) => (
        <Tag key={`${x} ${y}`} x={x} y={y} text={text} amber />
      ))}
    </>
  );
}
