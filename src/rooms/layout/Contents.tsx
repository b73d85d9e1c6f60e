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
import { useMemo } from 'react';
import { restack } from '../../../core/job/edits/elements';
import { act } from '../../store/session';
import { AddBar } from './AddBar';
import { useBench } from './bench';
import { ContentsRow } from './ContentsRow';

/** The face's words and pictures as a list, the top of the stack first. */
export function Contents({ onPictures }: { onPictures(files: Iterable<File>): void }) {
  const { face, piece, setFace, job, selection, findings, unit, sources, press, previews } = useBench();
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
        <div role="tablist" aria-label="Face" className="flex gap-1.5 px-3 pt-3">
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
              {topFirst.map((element) => (
                <ContentsRow
                  key={element.id}
                  element={element}
                  chosen={chosen.has(element.id)}
                  finding={firstFinding.get(element.id)}
                  context={context}
                />
              ))}
            </ul>
          </SortableContext>
        </DndContext>
        {topFirst.length === 0 && (
          <p className="quiet px-1 py-2">Nothing on this face yet. Add words first; drop a picture anywhere.</p>
        )}
      </div>
      <AddBar onPictures={onPictures} />
    </aside>
  );
}
