import { Command as Palette } from 'cmdk';
import { useBench } from '../../bench/bench';
import { COMMANDS, canRun, shownKey } from './commands';

/** All that can be done, found by typing. */
export function ActionList({ onClose }: { onClose(): void }) {
  const bench = useBench();
  const groups = [...new Set(COMMANDS.map(({ group }) => group))];
  return (
    <div
      role="presentation"
      className="fixed inset-0 z-40 bg-black/20"
      onPointerDown={(event) => event.target === event.currentTarget && onClose()}
    >
      <div role="dialog" aria-modal="true" aria-label="Search actions">
        <Palette
          label="Search actions"
          className="mx-auto mt-28 w-[460px] rounded border border-base-content bg-base-100 shadow-2xl"
          onKeyDown={(event) => {
            if (event.key === 'Escape') onClose();
            event.stopPropagation();
          }}
        >
          <Palette.Input
            autoFocus
            placeholder="Search actions"
            className="bare w-full border-b border-base-300 bg-transparent px-3 py-2.5 outline-none"
          />
          <Palette.List className="max-h-96 overflow-y-auto p-1.5">
            <Palette.Empty className="quiet px-2 py-2">No action is called that.</Palette.Empty>
            {groups.map((group) => (
              <Palette.Group
                key={group}
                heading={group}
                className="[&_[cmdk-group-heading]]:heading [&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:py-1"
              >
                {COMMANDS.filter((command) => command.group === group).map((command) => (
                  <Palette.Item
                    key={command.name}
                    value={command.name}
                    disabled={!canRun(command, bench)}
                    className="flex cursor-pointer justify-between rounded px-2 py-1 data-[disabled=true]:cursor-default data-[disabled=true]:opacity-45 data-[selected=true]:bg-base-300"
                    onSelect={() => {
                      onClose();
                      command.run(bench);
                    }}
                  >
                    {command.name}
                    {command.keys?.[0] && <kbd className="key">{shownKey(command.keys[0])}</kbd>}
                  </Palette.Item>
                ))}
              </Palette.Group>
            ))}
          </Palette.List>
        </Palette>
      </div>
    </div>
  );
}
