import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import type { Bench } from '../../bench/bench';
import { unlessTyping } from '../../parts/typing';
import { COMMANDS, type Command, canRun } from './commands';

/** Does what the pressed key stands for, where the room is not being typed in. */
export function useEditKeys(bench: Bench | undefined): void {
  const latest = useRef(bench);
  latest.current = bench;
  useEffect(() => {
    const press = (command: Command) =>
      unlessTyping((event) => {
        const now = latest.current;
        if (!now || !canRun(command, now)) return;
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
