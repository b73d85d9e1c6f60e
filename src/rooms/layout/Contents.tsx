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
import { useMemo, useState } from 'react';
import { restackOver } from '../../../core/job/edits/elements';
import { titleOf } from '../../../core/job/find';
import { groupsAround, membersOf } from '../../../core/job/groups';
import type { Element, Face, Group } from '../../../core/job/schema';
import { useBench, useFound, usePrinted } from '../../bench/bench';
import { saidOfDrags } from '../../parts/said-of-drags';
import { act } from '../../store/session';
import { AddBar } from './AddBar';
import { ContentsRow } from './ContentsRow';
import { GroupRow } from './GroupRow';

type Row = { kind: 'element'; element: Element; depth: number } | { kind: 'group'; group: Group; depth: number };

const idOfRow = (row: Row): string => (row.kind === 'group' ? row.group.id : row.element.id);

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

/** Whether the parts of a group are listed: as one left it, else those of all but logos, and where one part is selected. */
function isListed(
  group: Group,
  members: readonly Element[],
  chosen: ReadonlySet<string>,
  left: boolean | undefined,
): boolean {
  const some = members.filter((e) => chosen.has(e.id)).length;
  return (some > 0 && some < members.length) || (left ?? !group.logo);
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
  /** Groups that were opened or closed by hand. */
  const [left, setLeft] = useState<Readonly<Record<string, boolean>>>({});
  const topFirst = [...face.elements].reverse();
  const members = useMemo(
    () => new Map((face.groups ?? []).map((group) => [group.id, membersOf(face, group.id)])),
    [face],
  );
  const membersIn = (group: string): readonly Element[] => members.get(group) ?? [];
  const folded = new Set(
    (face.groups ?? []).flatMap((group) =>
      isListed(group, membersIn(group.id), chosen, left[group.id]) ? [] : [group.id],
    ),
  );
  const rows = stackRows(face, topFirst).filter((row) => {
    const around = groupsAround(face, row.kind === 'group' ? row.group.group : row.element.group);
    return !around.some((group) => folded.has(group));
  });
  // The same list as long as the order is: a new one would draw every row again.
  const ids = rows.map(idOfRow).join(' ');
  const order = useMemo(() => ids.split(' ').filter(Boolean), [ids]);
  const sensors = useSensors(
    // A press that does not move is a click.
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

  const nameOfRow = (id: string): string => {
    const row = rows.find((each) => idOfRow(each) === id);
    if (!row) return 'It';
    return row.kind === 'group' ? (row.group.name ?? 'Group') : titleOf(row.element, assets);
  };

  function drop({ active, over }: DragEndEvent): void {
    if (!over || active.id === over.id) return;
    const elementsOf = (id: string): string[] => {
      const parts = membersIn(id).map((e) => e.id);
      return parts.length > 0 ? parts : [id];
    };
    act('Reorder', (job) => restackOver(job, elementsOf(String(active.id)), elementsOf(String(over.id))));
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
              className={`flex-1 truncate rounded border bg-base-100 px-1.5 py-1.5 ${f.id === face.id ? 'border-base-content font-semibold' : 'border-base-300'}`}
              onClick={() => setFace(f.id)}
            >
              {f.name}
            </button>
          ))}
        </div>
      )}
      <h2 className="heading px-3 pt-3 pb-1">Contents, top first</h2>
      <div className="min-h-0 flex-1 overflow-y-auto px-2">
        <DndContext
          accessibility={saidOfDrags(nameOfRow)}
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragEnd={drop}
        >
          <SortableContext items={order} strategy={verticalListSortingStrategy}>
            <ul aria-label="Stack">
              {rows.map((row) =>
                row.kind === 'group' ? (
                  <GroupRow
                    key={row.group.id}
                    group={row.group}
                    members={membersIn(row.group.id)}
                    depth={row.depth}
                    chosen={membersIn(row.group.id).every((e) => chosen.has(e.id))}
                    open={!folded.has(row.group.id)}
                    finding={
                      folded.has(row.group.id)
                        ? membersIn(row.group.id).flatMap((e) => firstFinding.get(e.id) ?? [])[0]
                        : undefined
                    }
                    context={context}
                    onOpen={(open) => setLeft({ ...left, [row.group.id]: open })}
                  />
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
