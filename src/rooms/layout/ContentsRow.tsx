import EyeOff from 'lucide-react/icons/eye-off';
import Lock from 'lucide-react/icons/lock';
import Stamp from 'lucide-react/icons/stamp';
import { memo } from 'react';
import type { Finding } from '../../../core/checks/check';
import { tagWords } from '../../../core/checks/tag-words';
import { hexOf } from '../../../core/colour/engine';
import { platesOf, processStandIn } from '../../../core/colour/ink';
import { inkBounds } from '../../../core/devices/bounds';
import { unionOf } from '../../../core/geometry/box';
import { inkOf, titleOf } from '../../../core/job/find';
import { finishOf, finishSays } from '../../../core/job/finishing';
import { lookOf } from '../../../core/job/look';
import { type Element, type Job, paintsOf } from '../../../core/job/schema';
import { effectivePpi } from '../../../core/picture/place';
import { elementFrame } from '../../../core/scene/face';
import { familyName } from '../../../core/type/own-font';
import { formatLength, type PieceUnit } from '../../../core/units/length';
import type { Bench, Printed } from '../../bench/bench';
import { ElementDrawing } from '../../bench/FaceArt';
import { select, toggleSelected } from '../../store/session';
import { StackRow } from './StackRow';

/** What a row stands for itself, small, as the press shows it. */
export function Thumbnail({ elements, context }: { elements: readonly Element[]; context: RowContext }) {
  const { sources, press, previews } = context;
  const boxes = elements.map((element) => inkBounds(element, sources) ?? elementFrame(element, sources));
  const { x, y, width, height } = unionOf(boxes) ?? { x: 0, y: 0, width: 0, height: 0 };
  // A hair-thin rule still has a picture.
  const side = Math.max(width, height, 4);
  const box = `${x + width / 2 - side / 2} ${y + height / 2 - side / 2} ${side} ${side}`;
  return (
    <svg viewBox={box} width={26} height={26} className="rounded-xs bg-[var(--table)]" aria-hidden="true">
      {elements.map((element) => (
        <ElementDrawing key={element.id} element={element} sources={sources} press={press} previews={previews} />
      ))}
    </svg>
  );
}

export const MARKS = [
  ['locked', Lock, 'Locked'],
  ['hidden', EyeOff, 'Hidden'],
  ['sample', Stamp, 'Sample, never printed'],
] as const;

/** What rows show of the job besides their element; the same object as long as none of it changes. */
export type RowContext = Pick<Job, 'inks' | 'styles' | 'assets' | 'fonts'> &
  Pick<Bench, 'unit' | 'sources' | 'press'> &
  Pick<Printed, 'previews'>;

/** What an element is, in a few words. */
function summaryOf(element: Element, { unit, ...job }: RowContext): string {
  const finish = finishOf(job.sources, element);
  if (finish) return finish.name ?? finishSays(finish);
  const logo = element.logo ? 'logo, ' : '';
  if (element.kind === 'words') {
    const { lettering } = lookOf(element, job.styles);
    const style = job.styles.find((each) => each.id === element.style)?.name;
    return `${logo}${style ?? familyName(lettering.typeface, job.fonts)}, ${formatLength(lettering.size, 'pt', 2)}`;
  }
  if (element.kind === 'picture') {
    const asset = job.assets[element.asset];
    if (asset?.page) return `${logo}PDF page, ${asset.page.plates.length} plates`;
    return `${logo}picture${asset ? `, ${Math.round(effectivePpi(element, asset.width, asset.height))} ppi` : ''}`;
  }
  if (element.kind === 'code') return `${logo}${element.text.split('\n')[0]}`;
  if (element.kind === 'rule') return `rule, ${formatLength(Math.min(element.width, element.height), 'pt', 2)}`;
  return `${logo}${element.outline ? 'outline' : (element.form?.kind ?? 'rectangle')}, ${formatLength(element.width, unit, 1)}`;
}

function Swatch({ element, context }: { element: Element; context: RowContext }) {
  if (element.finish) return null;
  const paint =
    element.kind === 'words' && !element.fill
      ? lookOf(element, context.styles).lettering.paint
      : paintsOf(element).at(element.shadow ? 1 : 0);
  if (element.kind === 'picture' || !paint) return null;
  const ink = inkOf(context.inks, paint.ink);
  const colour = hexOf(context.press.screen(processStandIn(platesOf(ink, paint.tint), context.inks)));
  return (
    <span title={ink.name} className="block size-3 rounded-xs border border-black/20" style={{ background: colour }} />
  );
}

/** The second line of a row: what is wrong first of all with what it shows, else what it is. */
export function RowLine({
  finding,
  unit,
  children,
}: {
  finding: Finding | undefined;
  unit: PieceUnit;
  children: string;
}) {
  return finding ? (
    <span
      title={finding.problem}
      className="block w-fit max-w-full truncate rounded-xs bg-warning px-1.5 text-[12px] leading-4 text-warning-content"
    >
      {tagWords(finding, unit)}
    </span>
  ) : (
    <span className="quiet block truncate text-[12.5px] leading-4">{children}</span>
  );
}

/**
 * One element in the stack: click to select, drag by the grip or with Space and the arrow keys to reorder. Drawn again
 * only when what it shows changes: a key typed into one frame leaves the others' rows alone.
 */
export const ContentsRow = memo(function ContentsRow({
  element,
  depth,
  chosen,
  finding,
  context,
}: {
  element: Element;
  /** How many groups it lies in. */
  depth: number;
  chosen: boolean;
  finding: Finding | undefined;
  context: RowContext;
}) {
  const title = titleOf(element, context.assets);
  return (
    <StackRow
      id={element.id}
      name={title}
      depth={depth}
      chosen={chosen}
      onSelect={({ shiftKey, ctrlKey, metaKey }) =>
        shiftKey || ctrlKey || metaKey ? toggleSelected(element.id) : select(element.id)
      }
    >
      <Thumbnail elements={[element]} context={context} />
      <span className={`min-w-0 ${element.hidden ? 'opacity-50' : ''}`}>
        <span className="block truncate leading-5">{title}</span>
        <RowLine finding={finding} unit={context.unit}>
          {summaryOf(element, context)}
        </RowLine>
      </span>
      <span className="flex items-center gap-1.5">
        {MARKS.map(
          ([mark, Icon, says]) =>
            element[mark] && (
              <span key={mark} title={says}>
                <Icon size={13} role="img" aria-label={says} />
              </span>
            ),
        )}
        <Swatch element={element} context={context} />
      </span>
    </StackRow>
  );
});
