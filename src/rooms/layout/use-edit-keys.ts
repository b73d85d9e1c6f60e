import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import type { Bench } from '../../bench/bench';
import { unlessTyping } from '../../parts/typing';
import { COMMANDS, type Command, canRun } from './commands';

/** Whether Enter belongs to the button or link that it was gone to by keys; on what is selected already it edits that. */
function isOfControl({ key }: KeyboardEvent): boolean {
  const at = document.activeElement;
  if (key !== 'Enter' || !at?.matches(':is(button, a[href], summary):focus-visible')) return false;
  return at.closest('[aria-label="Stack"]') === null || at.getAttribute('aria-pressed') !== 'true';
}

/** Does what the pressed key stands for, where the room is not being typed in. */
export function useEditKeys(bench: Bench | undefined): void {
  const latest = useRef(bench);
  latest.current = bench;
  useEffect(() => {
    const press = (command: Command) =>
      unlessTyping((event) => {
        const now = latest.current;
        if (!now || isOfControl(event) || !canRun(command, now)) return;
        event.preventDefault();
        command.run(now);
      });
    return tinykeys(
      window,
      Object.fromEntries(
        COMMANDS.filter(({ byEvent }) => !byEvent).flatMap((command) =>
          (command.keys ?? []).map((key) => [key, press(command)]),
        ),
      ),
    );
  }, []);
}
