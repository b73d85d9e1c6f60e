import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import GroupIcon from 'lucide-react/icons/group';
import { useMemo } from 'react';
import { restack } from '../../../core/job/edits/elements';
import { groupsAround, membersOf } from '../../../core/job/groups';
import type { Element, Face, Group } from '../../../core/job/schema';
import { useBench, useFound, usePrinted } from '../../bench/bench';
import { act, goWithin, select } from '../../store/session';
import { AddBar } from './AddBar';
import { ContentsRow, INDENT } from './ContentsRow';

type Row = { kind: 'element'; element: Element; depth: number } | { kind: 'group'; group: Group; depth: number };

/** The rows of the stack: each group is named over the topmost of its members. */
function stackRows(face: Face, topFirst: readonly Element[]): Row[] {
  const named = new Set<string>();
  return topFirst.flatMap((element): Row[] => {
    const around = groupsAround(face, element.group).reverse();
    const heads = around.flatMap((id, depth): Row[] => {
      const group = face.groups?.find((g) => g.id === id);
      if (!group || named.has(id)) return [];
      named.add(id);
      return [{ kind: 'group', group, depth }];
    });
    return [...heads, { kind: 'element', element, depth: around.length }];
  });
}

/** A group in the stack: click to select all of it. */
function GroupRow({
  face,
  group,
  depth,
  chosen,
}: {
  face: Face;
  group: Group;
  depth: number;
  chosen: ReadonlySet<string>;
}) {
  const members = membersOf(face, group.id);
  const all = members.length > 0 && members.every((e) => chosen.has(e.id));
  return (
    <li style={{ paddingLeft: depth * INDENT }}>
      <button
        type="button"
        aria-pressed={all}
        className={`flex w-full cursor-pointer items-center gap-2 rounded border px-2 py-1 text-left ${all ? 'border-base-content bg-base-100' : 'border-transparent hover:bg-base-100/60'}`}
        onClick={() => {
          goWithin(group.group);
          select(...members.map((e) => e.id));
        }}
      >
        <GroupIcon size={14} aria-hidden="true" />
        <span className="truncate">{group.name ?? 'Group'}</span>
        <span className="quiet text-[12.5px]">{members.length}</span>
      </button>
    </li>
  );
}

/** The face's words and pictures as a list, the top of the stack first. */
export function Contents({ onPictures }: { onPictures(files: Iterable<File>): void }) {
  const { face, piece, setFace, job, selection, unit, sources, press } = useBench();
  const { previews } = usePrinted();
  const { findings } = useFound();
  const { inks, styles, assets, fonts } = job;
  const context = useMemo(
    () => ({ inks, styles, assets, fonts, unit, sources, press, previews }),
    [inks, styles, assets, fonts, unit, sources, press, previews],
  );
  const firstFinding = useMemo(() => new Map([...findings].reverse().map((f) => [f.element, f])), [findings]);
  const chosen = new Set(selection.map((e) => e.id));
  const topFirst = [...face.elements].reverse();
  // The same list as long as the order is: a new one would draw every row again.
  const ids = topFirst.map((element) => element.id).join(' ');
  const order = useMemo(() => ids.split(' ').filter(Boolean), [ids]);
  const rows = stackRows(face, topFirst);
  const sensors = useSensors(
    // A press that does not move is a click.
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

  function drop({ active, over }: DragEndEvent): void {
    if (!over || active.id === over.id) return;
    const to = face.elements.findIndex((element) => element.id === over.id);
    act('Restack', (job) => restack(job, String(active.id), to));
  }

  return (
    <aside className="flex min-h-0 flex-col border-r border-base-300 bg-base-200" aria-label="Contents">
      {piece.faces.length > 1 && (
        <div role="tablist" aria-label="Sides" className="flex gap-1.5 px-3 pt-3">
          {piece.faces.map((f) => (
            <button
              key={f.id}
              type="button"
              role="tab"
              aria-selected={f.id === face.id}
              className={`flex-1 truncate rounded border bg-base-100 px-2 py-1.5 ${f.id === face.id ? 'border-base-content font-semibold' : 'border-base-300'}`}
              onClick={() => setFace(f.id)}
            >
              {f.name}
            </button>
          ))}
        </div>
      )}
      <h2 className="heading px-3 pt-3 pb-1">Contents, top first</h2>
      <div className="min-h-0 flex-1 overflow-y-auto px-2">
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <SortableContext items={order} strategy={verticalListSortingStrategy}>
            <ul aria-label="Stack">
              {rows.map((row) =>
                row.kind === 'group' ? (
                  <GroupRow key={row.group.id} face={face} group={row.group} depth={row.depth} chosen={chosen} />
                ) : (
                  <ContentsRow
                    key={row.element.id}
                    element={row.element}
                    depth={row.depth}
                    chosen={chosen.has(row.element.id)}
                    finding={firstFinding.get(row.element.id)}
                    context={context}
                  />
                ),
              )}
            </ul>
          </SortableContext>
        </DndContext>
        {topFirst.length === 0 && (
          <p className="quiet px-1 py-2">Nothing on this side yet. Add text first; drop a picture anywhere.</p>
        )}
      </div>
      <AddBar onPictures={onPictures} />
    </aside>
  );
}
