import * as Menu from '@radix-ui/react-context-menu';
import ChevronRight from 'lucide-react/icons/chevron-right';
import type { ReactElement } from 'react';
import { pickedWith } from '../../../core/job/groups';
import { useBench } from '../../bench/bench';
import { select, useSession } from '../../store/session';
import { COMMANDS, type Command, canRun, shownKey } from './commands';

/** Keys with a name of their own in the menu: moving by a step is for the keyboard. */
const isForMenu = ({ name, group }: Command): boolean => group !== 'See' && !name.startsWith('Nudge');
const GROUPS = ['Add', 'Select', 'Arrange', 'Shape', 'Paint', 'Repeat'] as const;
const forMenu = (group: Command['group']): Command[] => COMMANDS.filter((c) => c.group === group && isForMenu(c));

const LIST =
  'z-40 max-h-[80vh] min-w-60 overflow-y-auto rounded border border-base-content bg-base-100 p-1 text-[14px] shadow-xl';
const ROW =
  'flex cursor-pointer justify-between gap-6 rounded px-2 py-0.5 outline-none data-[disabled]:cursor-default data-[disabled]:opacity-45 data-[highlighted]:bg-base-300';

function Items({ group }: { group: Command['group'] }) {
  const bench = useBench();
  return forMenu(group).map((command) => (
    <Menu.Item
      key={command.name}
      disabled={!canRun(command, bench)}
      className={ROW}
      onSelect={() => command.run(bench)}
    >
      {command.name}
      {command.keys?.[0] && <kbd className="key">{shownKey(command.keys[0])}</kbd>}
    </Menu.Item>
  ));
}

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
        <Menu.Content className={LIST} data-panel>
          <Items group="Edit" />
          <Menu.Separator className="my-1 border-t border-base-300" />
          {GROUPS.map((group) => (
            <Menu.Sub key={group}>
              <Menu.SubTrigger className={ROW}>
                {group} <ChevronRight size={15} className="self-center" />
              </Menu.SubTrigger>
              <Menu.Portal>
                <Menu.SubContent className={LIST} data-panel>
                  <Items group={group} />
                </Menu.SubContent>
              </Menu.Portal>
            </Menu.Sub>
          ))}
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}
