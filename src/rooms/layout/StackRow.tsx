import { useSortable } from '@dnd-kit/sortable';
import GripVertical from 'lucide-react/icons/grip-vertical';
import type { ReactNode } from 'react';

/** How far members of a group are set in, in pixels. */
const INDENT = 14;

/** A row of the stack: dragged by its grip, or with Space and the arrow keys; what it shows is a button that selects. */
export function StackRow({
  id,
  name,
  depth,
  chosen,
  before,
  onSelect,
  children,
}: {
  id: string;
  name: string;
  /** How many groups it lies in. */
  depth: number;
  chosen: boolean;
  /** What stands between the grip and the row itself. */
  before?: ReactNode;
  onSelect(event: React.MouseEvent): void;
  children: ReactNode;
}) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  return (
    <li
      ref={setNodeRef}
      style={{
        transform: transform ? `translate(0, ${transform.y}px)` : undefined,
        transition,
        zIndex: isDragging ? 1 : undefined,
        position: 'relative',
        marginLeft: depth * INDENT,
      }}
      className={`group flex items-center rounded border ${chosen ? 'border-base-content bg-base-100' : 'border-transparent hover:bg-base-100/60'} ${isDragging ? 'bg-base-100 shadow-md' : ''}`}
    >
      <button
        ref={setActivatorNodeRef}
        type="button"
        className="cursor-grab py-2 pl-0.5 text-base-content/40 group-hover:text-base-content/80"
        {...attributes}
        {...listeners}
        aria-label={`Reorder ${name}`}
      >
        <GripVertical size={14} />
      </button>
      {before}
      <button
        type="button"
        aria-pressed={chosen}
        className="grid min-w-0 flex-1 cursor-pointer grid-cols-[26px_1fr_auto] items-center gap-2 py-1.5 pr-2 text-left"
        onClick={onSelect}
      >
        {children}
      </button>
    </li>
  );
}
