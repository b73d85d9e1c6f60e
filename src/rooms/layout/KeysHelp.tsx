import { useState } from 'react';
import { Dialog } from '../../parts/Dialog';
import { Scrolls } from '../../parts/Scrolls';
import { COMMANDS, type Command, shownKey } from './commands';

type Row = readonly [keys: string, does: string];

/** What the pointer does, and keys with it, besides the commands. */
const BY_HAND: readonly Row[] = [
  ['Double click', 'Edit text, go into a group, move a picture in its frame'],
  ['Shift click', 'Add to the selection, or take out'],
  ['Alt click', 'The one underneath'],
  ['Drag on the table, Ctrl drag', 'Select all in a box'],
  ['Shift while dragging', 'Level or upright; on a handle, free proportions'],
  ['Alt while dragging', 'Nothing catches'],
  ['Esc while dragging', 'Stop the drag'],
];
const VIEW: readonly Row[] = [
  ['+, −', 'Zoom in, zoom out; also Ctrl and wheel'],
  ['0', 'Fit the piece'],
  ['1', 'Actual size'],
  ['Space and drag', 'Move the table; also the wheel, and the arrows with nothing selected'],
];

/** The groups of commands as subjects. */
const SUBJECTS: Record<Command['group'], string> = {
  Edit: 'Edit',
  Add: 'Add',
  Select: 'Select',
  Arrange: 'Arrange',
  Shape: 'Shapes',
  Paint: 'Colour and style',
  Repeat: 'Copies',
  See: 'View',
};

/** The keys of all commands by subject, with what goes by hand. */
const GROUPED: readonly { subject: string; rows: readonly Row[] }[] = [
  ...(Object.keys(SUBJECTS) as Command['group'][]).map((group) => ({
    subject: SUBJECTS[group],
    rows: [
      ...COMMANDS.flatMap(({ name, keys, group: of }): Row[] =>
        of === group && keys?.[0] ? [[shownKey(keys[0]), name.replace('…', '')]] : [],
      ),
      ...(group === 'See' ? VIEW : []),
    ],
  })),
  { subject: 'Pointer', rows: BY_HAND },
].filter(({ rows }) => rows.length > 0);

/** Every key and what it does, by subject; a word leaves only what it is in. */
export function KeysHelp({ onClose }: { onClose(): void }) {
  const [asked, setAsked] = useState('');
  const has = (row: Row): boolean => row.some((each) => each.toLowerCase().includes(asked.trim().toLowerCase()));
  const shown = GROUPED.map(({ subject, rows }) => ({ subject, rows: rows.filter(has) })).filter(
    ({ rows }) => rows.length > 0,
  );
  return (
    <Dialog wide title="Keyboard shortcuts" onClose={onClose}>
      <input
        type="search"
        className="input input-sm mb-3 w-full text-[14px]"
        placeholder="Search shortcuts"
        aria-label="Search shortcuts"
        value={asked}
        onChange={(event) => setAsked(event.target.value)}
      />
      <Scrolls label="Shortcuts" className="max-h-[62vh] pr-1">
        <div className="columns-2 gap-8">
          {shown.map(({ subject, rows }) => (
            <section key={subject} aria-label={subject} className="mb-4 break-inside-avoid">
              <h3 className="heading mb-1.5">{subject}</h3>
              <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
                {rows.map(([keys, does]) => (
                  <div key={`${keys} ${does}`} className="contents">
                    <dt className="max-w-36">
                      <kbd className="key">{keys}</kbd>
                    </dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
      </Scrolls>
      <p role="status" className="sr-only">
        {shown.reduce((sum, { rows }) => sum + rows.length, 0)} shortcuts
      </p>
      {shown.length === 0 && <p>No shortcut has “{asked.trim()}” in it.</p>}
    </Dialog>
  );
}
