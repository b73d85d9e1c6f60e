import { parseArgs } from 'node:util';
import { JobFileError } from '../core/files/job-file';
import { ExportError } from '../core/files/pdf/asked';
import { PictureError } from '../core/picture/limits';
import { FontError } from '../core/type/sfnt';
import { check } from './check';
import { exportPiece } from './export';
import { CliError } from './given';
import { inspect } from './inspect';
import { list } from './list';
import { plates } from './plates';
import { sheet } from './sheet';

/** `tidy`, the headless twin: the app's core without its interface. Errors: one line to stderr, exit 2. */

export interface Command {
  help: string;
  options: NonNullable<Parameters<typeof parseArgs>[0]>['options'];
  run(job: string, options: Record<string, string | boolean | undefined>): Promise<number>;
}

const COMMANDS: Record<string, Command> = { list, check, export: exportPiece, plates, sheet, inspect };

const usage = `tidy COMMAND FILE [options]

${Object.values(COMMANDS)
  .map(({ help }) => help.split('\n')[0])
  .join('\n')}

tidy COMMAND --help says more.`;

async function main(argv: string[]): Promise<number> {
  const [name, ...rest] = argv;
  if (name === undefined || name === '--help' || name === 'help') {
    console.log(usage);
    return name === undefined ? 2 : 0;
  }
  const command = COMMANDS[name];
  if (!command) throw new CliError(`There is no command ${name}. Commands: ${Object.keys(COMMANDS).join(', ')}.`);
  if (rest.includes('--help')) {
    console.log(command.help);
    return 0;
  }
  const { values, positionals } = parseArgs({ args: rest, options: command.options ?? {}, allowPositionals: true });
  if (positionals.length !== 1) throw new CliError(`Name one file: tidy ${name} FILE`);
  return command.run(positionals[0]!, values as Record<string, string | boolean | undefined>);
}

const isPlain = (error: unknown): error is Error =>
  error instanceof CliError ||
  error instanceof ExportError ||
  error instanceof JobFileError ||
  error instanceof PictureError ||
  error instanceof FontError ||
  (error instanceof TypeError && 'code' in error && String(error.code).startsWith('ERR_PARSE_ARGS'));

try {
  process.exitCode = await main(process.argv.slice(2));
} catch (error) {
  if (!isPlain(error)) throw error;
  console.error(error.message.split('\n')[0]);
  process.exitCode = 2;
}
