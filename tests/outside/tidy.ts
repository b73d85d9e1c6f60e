import { spawnSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeJobFile } from '../../core/files/job-file';
import { makeShape } from '../../core/job/make';
import { bundle } from '../../scripts/cli-bundle.mjs';
import { cardWith, mm } from '../kit';
import { folder } from './tools';

/** The command line, run as a person runs it. */
export const tidy = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bundle, ...args], { encoding: 'utf8' });
  return { status, stdout, stderr };
};

/** A file in the folder of the tests. */
export const at = (name: string): string => join(folder, name);

/** A job whose panel stops short of the bleed, once `writeFaulty` has written it. */
export const faulty = at('faulty.tidyedge');

/** To be called before the tests of a file: the files of a process are all read first, and each empties the folder. */
export function writeFaulty(): void {
  const panel = makeShape({
    id: 'panel',
    name: 'Panel',
    x: 0,
    y: -mm(3),
    width: mm(40),
    height: mm(61),
    paint: { ink: 'green', tint: 1 },
  });
  mkdirSync(folder, { recursive: true });
  writeFileSync(faulty, writeJobFile({ job: cardWith([panel]), assets: {} }));
}
