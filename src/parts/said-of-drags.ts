import type { Announcements, UniqueIdentifier } from '@dnd-kit/core';

/** What is said aloud while something is reordered by keys, by the names that people know the rows by. */
export function saidOfDrags(nameOf: (id: string) => string): { announcements: Announcements } {
  const name = (id: UniqueIdentifier): string => nameOf(String(id));
  return {
    announcements: {
      onDragStart: ({ active }) => `${name(active.id)} lifted. Move it by arrow keys, Space to drop, Escape to cancel.`,
      onDragOver: ({ active, over }) =>
        over && over.id !== active.id ? `${name(active.id)} is at the place of ${name(over.id)}.` : undefined,
      onDragEnd: ({ active, over }) =>
        over && over.id !== active.id
          ? `${name(active.id)} dropped at the place of ${name(over.id)}.`
          : `${name(active.id)} stays where it was.`,
      onDragCancel: ({ active }) => `${name(active.id)} stays where it was.`,
    },
  };
}
