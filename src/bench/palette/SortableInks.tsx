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
import type { ReactNode } from 'react';
import { moveInk } from '../../../core/job/edits/inks';
import { act } from '../../store/session';

/** A list of inks that is put in order by dragging, or by keys from the handle. */
export function SortableInks({ ids, children }: { ids: string[]; children: ReactNode }) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id)
      act('Order of inks', (job) => moveInk(job, String(active.id), ids.indexOf(String(over.id))));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ul aria-label="Inks">{children}</ul>
      </SortableContext>
    </DndContext>
  );
}
