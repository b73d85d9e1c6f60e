import ChevronRight from 'lucide-react/icons/chevron-right';
import type { Finding } from '../../../core/checks/check';
import { unionOf } from '../../../core/geometry/box';
import type { Element, Group } from '../../../core/job/schema';
import { elementBox } from '../../../core/scene/face';
import { formatLength } from '../../../core/units/length';
import { goWithin, select } from '../../store/session';
import { MARKS, type RowContext, RowLine, Thumbnail } from './ContentsRow';
import { StackRow } from './StackRow';

/** A group in the stack: click to select all of it, drag to reorder; its parts are shown on request. */
export function GroupRow({
  group,
  members,
  depth,
  chosen,
  open,
  finding,
  context,
  onOpen,
}: {
  group: Group;
  members: readonly Element[];
  depth: number;
  /** Whether all of it is selected. */
  chosen: boolean;
  /** Whether its parts are listed below it. */
  open: boolean;
  /** The first finding of its parts, where they are not listed. */
  finding: Finding | undefined;
  context: RowContext;
  onOpen(open: boolean): void;
}) {
  const name = group.name ?? 'Group';
  const box = unionOf(members.map((e) => elementBox(e, context.sources)));
  const parts = `${members.length} ${members.length === 1 ? 'part' : 'parts'}`;
  return (
    <StackRow
      id={group.id}
      name={name}
      depth={depth}
      chosen={chosen}
      before={
        <button
          type="button"
          aria-expanded={open}
          aria-label={`Parts of ${name}`}
          className="cursor-pointer py-2 text-base-content/70"
          onClick={() => onOpen(!open)}
        >
          <ChevronRight size={14} className={open ? 'rotate-90' : ''} />
        </button>
      }
      onSelect={() => {
        goWithin(group.group);
        select(...members.map((e) => e.id));
      }}
    >
      <Thumbnail elements={members} context={context} />
      <span className="min-w-0">
        <span className="block truncate leading-5">{name}</span>
        <RowLine finding={finding} unit={context.unit}>
          {`${group.logo ? 'logo' : `group, ${parts}`}${box ? `, ${formatLength(box.width, context.unit, 1)}` : ''}`}
        </RowLine>
      </span>
      <span className="flex items-center gap-1.5">
        {MARKS.map(
          ([mark, Icon, says]) =>
            members.every((e) => e[mark]) && (
              <span key={mark} title={says}>
                <Icon size={13} role="img" aria-label={says} />
              </span>
            ),
        )}
      </span>
    </StackRow>
  );
}
