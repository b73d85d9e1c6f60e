import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writeJobFile } from '../../core/files/job-file';
import { makeWords } from '../../core/job/make';
import type { Job } from '../../core/job/schema';
import { cardWith, demoFile, mm } from '../kit';
import { at, faulty, tidy, writeFaulty } from './tidy';
import { run, tidyUp } from './tools';

beforeAll(writeFaulty);
afterAll(tidyUp);

const jobFile = (name: string, job: Job): string => {
  writeFileSync(at(name), writeJobFile({ job, assets: {} }));
  return at(name);
};

describe('the gate of tidy', () => {
  const sheet = ['sheet', faulty, '--piece', 'card', '--quantity', '100', '--out', at('gate/sheet.pdf')];
  const card = (as: string) => ['export', faulty, '--piece', 'card', '--as', as, '--out', at(`gate/${as}`)];
  it.each([['pdfx4'], ['pdfx1a'], ['png'], ['tiff'], ['svg']])('stops %s at an open error, in words', (as) => {
    const { status, stderr } = tidy(...card(as));
    expect([status, stderr]).toEqual([2, expect.stringMatching(/Panel: Stops short of the bleed.*needs|wants 3 mm/)]);
    expect(existsSync(at(`gate/${as}`))).toBe(false);
  });
  it('stops press sheets, and writes them with a ticket when the errors are let go', () => {
    expect(tidy(...sheet).stderr).toContain('Panel');
    expect(existsSync(at('gate/sheet.pdf'))).toBe(false);
    expect(tidy(...sheet, '--anyway').status).toBe(0);
    expect(existsSync(at('gate/sheet.pdf'))).toBe(true);
    const { pieces } = JSON.parse(readFileSync(at('gate/ticket.json'), 'utf8'));
    expect(pieces[0].openErrors[0]).toContain('Panel');
  });
  it('never lets what is missing go, and check tells of it', () => {
    const words = makeWords({
      id: 'w',
      text: 'Iris Calloway',
      x: mm(10),
      y: mm(20),
      lettering: { typeface: 'gone/regular' },
    });
    const lost = jobFile('lost.tidyedge', cardWith([words]));
    for (const as of ['pdfx4', 'png', 'svg'])
      expect(tidy('export', lost, '--piece', 'card', '--as', as, '--anyway', '--out', at('gate/lost'))).toMatchObject({
        status: 2,
        stderr: expect.stringContaining('The typeface gone/regular is missing. Add it again in Layout'),
      });
    const { status, stdout } = tidy('check', lost, '--json');
    expect(status).toBe(1);
    expect(JSON.parse(stdout).unread).toMatchObject([{ piece: 'card', what: 'typeface' }]);
  });
});

it('lays a piece out on sheets, and writes and inspects them', () => {
  const out = at('sheets.pdf');
  const { status, stdout } = tidy('sheet', demoFile, '--piece', 'card', '--quantity', '500', '--out', out);
  expect(status).toBe(0);
  expect(stdout).toMatch(/^23 up, 103 sheets, 25 % waste, 49 cuts/);
  expect(run('pdfinfo', [out])).toMatch(/Pages:\s+2\n/);
  const seen = tidy('inspect', out);
  expect(seen.status).toBe(0);
  expect(seen.stdout).toMatch(/All \d+ rules hold\./);
  expect(tidy('sheet', demoFile, '--piece', 'card', '--quantity', '0').stderr).toMatch(/whole number from 1/);
});

it('tells again what was found in the same file, and looks anew at another or for another shop', () => {
  const before = process.env['XDG_CACHE_HOME'];
  process.env['XDG_CACHE_HOME'] = at('cache');
  try {
    const kept = (): number => readdirSync(at('cache/tidy-edge')).length;
    const first = tidy('check', faulty, '--json');
    const [after, second] = [kept(), tidy('check', faulty, '--json')];
    expect(second).toEqual(first);
    expect(kept()).toBe(after);
    expect(first.status).toBe(1);
    const mended = jobFile('mended.tidyedge', cardWith([]));
    expect(tidy('check', mended, '--json').stdout).not.toBe(first.stdout);
    expect(tidy('check', faulty, '--json', '--shop', 'letterpress').stdout).not.toBe(first.stdout);
    expect(kept()).toBeGreaterThan(after);
  } finally {
    if (before === undefined) delete process.env['XDG_CACHE_HOME'];
    else process.env['XDG_CACHE_HOME'] = before;
  }
});
