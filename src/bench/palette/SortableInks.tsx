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
import type { Ink } from '../../../core/colour/ink';
import { moveInk } from '../../../core/job/edits/inks';
import { inkOf } from '../../../core/job/find';
import { saidOfDrags } from '../../parts/said-of-drags';
import { act } from '../../store/session';

/** A list of inks that is put in order by dragging, or by keys from the handle. */
export function SortableInks({ inks, children }: { inks: readonly Ink[]; children: ReactNode }) {
  const ids = inks.map(({ id }) => id);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id)
      act('Order of inks', (job) => moveInk(job, String(active.id), ids.indexOf(String(over.id))));
  };
  return (
    <DndContext
      accessibility={saidOfDrags((id) => inkOf(inks, id).name)}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ul aria-label="Inks">{children}</ul>
      </SortableContext>
    </DndContext>
  );
}
