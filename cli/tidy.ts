import { parseArgs } from 'node:util';
import * as z from 'zod';
import type { Command } from './command';
import { CliError } from './given';

/** `tidy`, the headless twin: the app's core without its interface. Errors: one line to stderr, exit 2. */

/** Each is loaded when it is asked for: most of them need what the others do not. */
const COMMANDS: Record<string, () => Promise<Command>> = {
  list: async () => (await import('./list')).list,
  check: async () => (await import('./check')).check,
  export: async () => (await import('./export')).exportPiece,
  plates: async () => (await import('./plates')).plates,
  sheet: async () => (await import('./sheet')).sheet,
  run: async () => (await import('./run')).run,
  quote: async () => (await import('./quote')).quote,
  inspect: async () => (await import('./inspect')).inspect,
};

async function usage(): Promise<string> {
  const all = await Promise.all(Object.values(COMMANDS).map((load) => load()));
  const lines = all.map(({ help }) => help.split('\n')[0]);
  return `tidy COMMAND FILE [options]\n\n${lines.join('\n')}\n\ntidy COMMAND --help says more.`;
}

async function main(argv: string[]): Promise<number> {
  const [name, ...rest] = argv;
  if (name === undefined || name === '--help' || name === 'help') {
    console.log(await usage());
    return name === undefined ? 2 : 0;
  }
  const load = COMMANDS[name];
  if (!load) throw new CliError(`There is no command ${name}. Commands: ${Object.keys(COMMANDS).join(', ')}.`);
  const command = await load();
  if (rest.includes('--help')) {
    console.log(command.help);
    return 0;
  }
  const { values, positionals } = parseArgs({ args: rest, options: command.options ?? {}, allowPositionals: true });
  const without = command.insteadOfFile !== undefined && values[command.insteadOfFile] !== undefined;
  if (positionals.length !== (without ? 0 : 1)) throw new CliError(`Name one file: tidy ${name} FILE`);
  return command.run(positionals[0] ?? '', values as Record<string, string | boolean | undefined>);
}

/** Errors whose message is for whoever called; loaded only when something went wrong. */
async function isPlain(error: unknown): Promise<boolean> {
  if (error instanceof CliError) return true;
  if (error instanceof TypeError) return 'code' in error && String(error.code).startsWith('ERR_PARSE_ARGS');
  const [{ GateError }, { ReadBackError }, { JobFileError }, { ExportError }, { PictureError }, { FontError }] =
    await Promise.all([
      import('../core/files/gate'),
      import('../core/files/hand-off/read-back-error'),
      import('../core/files/read-job'),
      import('../core/files/pdf/asked'),
      import('../core/picture/limits'),
      import('../core/type/sfnt'),
    ]);
  return [GateError, ReadBackError, JobFileError, ExportError, PictureError, FontError].some(
    (kind) => error instanceof kind,
  );
}

// Making code for a schema does not pay where it reads one job.
z.config({ jitless: true });

// A reader that has seen enough, as `head` has, is no error.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0);
  throw error;
});

try {
  process.exitCode = await main(process.argv.slice(2));
} catch (error) {
  if (!(await isPlain(error))) throw error;
  const { message, name } = error as Error;
  console.error(name === 'GateError' ? message : message.split('\n')[0]);
  process.exitCode = 2;
}
