import { Dialog } from '../../parts/Dialog';
import { COMMANDS, shownKey } from './commands';

/** What keys and the pointer do besides the commands. */
const BY_HAND: readonly (readonly [keys: string, does: string])[] = [
  ['Double click', 'Edit text, go into a group, move a picture in its frame'],
  ['Shift click', 'Add to the selection, or take out'],
  ['Alt click', 'The one underneath'],
  ['Drag on the table, Ctrl drag', 'Select all in a box'],
  ['Shift while dragging', 'Level or upright; on a handle, free proportions'],
  ['Alt while dragging', 'Nothing catches'],
  ['Esc while dragging', 'Stop the drag'],
  ['+, −', 'Zoom in, zoom out; also Ctrl and wheel'],
  ['0', 'Fit the piece'],
  ['1', 'Actual size'],
  ['Space and drag', 'Move the table; also the wheel, and the arrows with nothing selected'],
];

export function KeysHelp({ onClose }: { onClose(): void }) {
  const rows = [
    ...COMMANDS.flatMap(({ name, keys }) => (keys?.[0] ? [[shownKey(keys[0]), name.replace('…', '')] as const] : [])),
    ...BY_HAND,
  ];
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className="grid max-h-[68vh] grid-cols-[auto_1fr] gap-x-5 gap-y-1.5 overflow-y-auto">
        {rows.map(([keys, does]) => (
          <div key={keys} className="contents">
            <dt className="whitespace-nowrap">
              <kbd className="key">{keys}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
