import * as Menu from '@radix-ui/react-context-menu';
import { Fragment, type ReactElement } from 'react';
import { pickedWith } from '../../../core/job/groups';
import { select, useSession } from '../../store/session';
import { useBench } from './bench';
import { COMMANDS, type Command, canRun, shownKey } from './commands';

/** Keys with a name of their own in the menu: moving by a step is for the keyboard. */
const isForMenu = ({ name, group }: Command): boolean => group !== 'See' && !name.startsWith('Nudge');
const GROUPS = ['Edit', 'Select', 'Arrange', 'Shape'] as const;

/** What can be done with what is under the pointer, by the other mouse button or the menu key. */
export function StageMenu({ children }: { children: ReactElement }) {
  const bench = useBench();
  return (
    <Menu.Root>
      <Menu.Trigger
        asChild
        onContextMenu={(event) => {
          const id = (event.target as Element).closest('[data-element]')?.getAttribute('data-element');
          const face = bench.shown.find((f) => f.elements.some((e) => e.id === id));
          const element = face?.elements.find((e) => e.id === id);
          if (face && element && !bench.selection.includes(element))
            select(...pickedWith(face, element, useSession.getState().within));
        }}
      >
        {children}
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Content
          className="z-40 max-h-[80vh] min-w-60 overflow-y-auto rounded border border-base-content bg-base-100 p-1 text-[14px] shadow-xl"
          data-panel
        >
          {GROUPS.map((group, i) => (
            <Fragment key={group}>
              {i > 0 && <Menu.Separator className="my-1 border-t border-base-300" />}
              {COMMANDS.filter((command) => command.group === group && isForMenu(command)).map((command) => (
                <Menu.Item
                  key={command.name}
                  disabled={!canRun(command, bench)}
                  className="flex cursor-pointer justify-between gap-6 rounded px-2 py-0.5 outline-none data-[disabled]:cursor-default data-[disabled]:opacity-45 data-[highlighted]:bg-base-300"
                  onSelect={() => command.run(bench)}
                >
                  {command.name}
                  {command.keys?.[0] && <kbd className="key">{shownKey(command.keys[0])}</kbd>}
                </Menu.Item>
              ))}
            </Fragment>
          ))}
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}
