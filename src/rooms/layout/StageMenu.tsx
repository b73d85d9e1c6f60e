import * as Menu from '@radix-ui/react-context-menu';
import ChevronRight from 'lucide-react/icons/chevron-right';
import type { ReactElement } from 'react';
import { pickedWith } from '../../../core/job/groups';
import { type Bench, useBench } from '../../bench/bench';
import { select, useSession } from '../../store/session';
import { COMMANDS, type Command, canRun, shownKey } from './commands';

/** Moving by a step is for the keyboard, and going back has its buttons. */
const isForMenu = ({ name, group, byEvent }: Command): boolean =>
  group !== 'See' && !name.startsWith('Nudge') && (!byEvent || name === 'Paste');
const GROUPS = ['Add', 'Select', 'Arrange', 'Shape', 'Paint', 'Repeat'] as const;
const forMenu = (group: Command['group']): Command[] => COMMANDS.filter((c) => c.group === group && isForMenu(c));

const LIST =
  'z-40 max-h-[80vh] min-w-60 overflow-y-auto rounded border border-base-content bg-base-100 p-1 text-[14px] shadow-xl';
const ROW = 'flex cursor-pointer justify-between gap-6 rounded px-2 py-0.5 outline-none data-[highlighted]:bg-base-300';

/** What can be done now, of a group: nothing else is in the menu. */
const applying = (group: Command['group'], bench: Bench): Command[] =>
  forMenu(group).filter((command) => canRun(command, bench));

function Items({ group }: { group: Command['group'] }) {
  const bench = useBench();
  return applying(group, bench).map((command) => (
    <Menu.Item key={command.name} className={ROW} onSelect={() => command.run(bench)}>
      {command.name}
      {command.keys?.[0] && <kbd className="key">{shownKey(command.keys[0])}</kbd>}
    </Menu.Item>
  ));
}

/** Where menus are drawn: a landmark of their own at the end of the page. */
function menuRoot(): HTMLElement | null {
  if (typeof document === 'undefined') return null;
  const found = document.getElementById('menus');
  if (found) return found;
  const root = document.createElement('section');
  root.id = 'menus';
  root.setAttribute('aria-label', 'Menu');
  document.body.append(root);
  return root;
}

/** What can be done with what is under the pointer, by the other mouse button or the menu key. */
export function StageMenu({ children }: { children: ReactElement }) {
  const bench = useBench();
  return (
    // Not modal: the rest of the page stays readable to those who hear it.
    <Menu.Root modal={false}>
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
      <Menu.Portal container={menuRoot()}>
        <Menu.Content className={LIST} data-panel>
          <Items group="Edit" />
          <Menu.Separator className="my-1 border-t border-base-300" />
          {GROUPS.filter((group) => applying(group, bench).length > 0).map((group) => (
            <Menu.Sub key={group}>
              <Menu.SubTrigger className={ROW}>
                {group} <ChevronRight size={15} className="self-center" />
              </Menu.SubTrigger>
              <Menu.Portal container={menuRoot()}>
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
