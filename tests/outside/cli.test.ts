import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { SHOPS } from '../../core/trade/shops';
import { demoFile, fileHere } from '../kit';
import { at, faulty, tidy, writeFaulty } from './tidy';
import { boxesOf, run, tidyUp } from './tools';

beforeAll(writeFaulty);
afterAll(tidyUp);

describe('tidy', () => {
  it('lists the pieces', () => {
    const { status, stdout } = tidy('list', demoFile, '--json');
    expect(status).toBe(0);
    const { pieces } = JSON.parse(stdout);
    expect(pieces[0]).toEqual({
      id: 'card',
      name: 'Business card, Iris Calloway',
      kind: 'card',
      trim_mm: [85, 55],
      faces: ['Front', 'Back'],
      plates: ['Cyan', 'Magenta', 'Yellow', 'Black', 'Copper'],
    });
    // All five kinds; the letterhead and the envelopes print from two plates.
    const told = pieces.map(({ id, trim_mm, plates }: { id: string; trim_mm: number[]; plates: string[] }) => [
      id,
      ...trim_mm.map((side) => Math.round(side * 100) / 100),
      plates.length,
    ]);
    expect(told).toEqual([
      ['card', 85, 55, 5],
      ['open-day', 148, 105, 5],
      ['letterhead', 210, 297, 2],
      ['envelope-dl', 220, 110, 2],
      ['envelope-10', 241.3, 104.78, 2],
      ['postcard', 148, 105, 5],
      ['postcard-us', 152.4, 101.6, 5],
      ['year', 297, 210, 5],
      ['foil-card', 85, 55, 5],
    ]);
    expect(tidy('list', demoFile).stdout).toContain('85 × 55 mm');
  });

  it('finds nothing in the demo job, and a stop in a faulty one', () => {
    expect(tidy('check', demoFile)).toMatchObject({ status: 0, stdout: 'Nothing found.\n' });
    const { status, stdout } = tidy('check', faulty);
    expect(status).toBe(1);
    expect(stdout).toContain('Panel. Stops short of the bleed at the left (0 mm outside the trim, needs 3 mm)');
    const { findings } = JSON.parse(tidy('check', faulty, '--json', '--piece', 'card').stdout);
    expect(findings).toMatchObject([
      { check: 'short-of-bleed', severity: 'stop', element: 'panel', fix: 'Extend to bleed' },
    ]);
  });

  it('checks against another shop’s spec', () => {
    const own = at('shop.json');
    writeFileSync(own, JSON.stringify({ ...SHOPS[0], id: 'own', bleed: { ...SHOPS[0]!.bleed, card: 0 } }));
    expect(tidy('check', faulty, '--shop', own).status).toBe(0);
    writeFileSync(own, '{"id": 5}');
    expect(tidy('check', faulty, '--shop', own)).toMatchObject({ status: 2, stdout: '' });
    // A shop that ships, by its id: this one asks for an eighth of an inch of bleed.
    const inch = tidy('check', faulty, '--shop', 'inch-mail-order').stdout;
    expect(inch).toMatch(
      /Stops short of the bleed at the top, bottom and left \(0 mm outside the trim, needs 3\.175 mm\)/,
    );
    expect(tidy('check', faulty, '--shop', 'nowhere').stderr).toContain(
      'There is no shop nowhere, and no file of that name. Shops: metric-offset, inch-mail-order,',
    );
  });

  it('writes the plates of a face, and says how much ink there is', async () => {
    const { status, stdout } = tidy(
      'plates',
      demoFile,
      '--piece',
      'card',
      '--face',
      '1',
      '--ppi',
      '72',
      '--out',
      at('plates'),
      '--json',
    );
    expect(status).toBe(0);
    const told = JSON.parse(stdout);
    expect(told).toMatchObject({ width: 241, height: 156, ppi: 72 });
    // The green panel is 240 %; along its edge a thread of copper lies on it, a fraction of a cell wide.
    expect(told.highest).toBeGreaterThanOrEqual(240);
    expect(told.highest).toBeLessThan(260);
    expect(told.files).toContain('Copper.png');
    const { data, info } = await sharp(at('plates/Cyan.png'))
      .extractChannel(0)
      .raw()
      .toBuffer({ resolveWithObject: true });
    // The green panel at the left, C85, and the ground of oat at the right, C3: dark where there is ink.
    expect(data[5 * info.width + 5]).toBe(Math.round(255 * 0.15));
    expect(data[5 * info.width + 230]).toBe(Math.round(255 * 0.97));
    for (const wrong of [
      ['--face', '9'],
      ['--ppi', '5'],
      ['--piece', 'x'],
    ])
      expect(tidy('plates', demoFile, '--piece', 'card', '--face', '1', ...wrong, '--out', at('plates')).status).toBe(
        2,
      );
  });

  it('exports PDF/X-4 and SVG', () => {
    expect(tidy('export', demoFile, '--piece', 'card', '--as', 'pdfx4', '--out', at('out/card.pdf')).status).toBe(0);
    expect(boxesOf(at('out/card.pdf')).length).toBe(2);
    expect(run('qpdf', ['--check', at('out/card.pdf')])).toContain('No syntax or stream encoding errors');
    expect(
      tidy(
        'export',
        demoFile,
        '--piece',
        'card',
        '--as',
        'pdfx4',
        '--faces',
        '2',
        '--no-marks',
        '--out',
        at('out/back.pdf'),
      ).status,
    ).toBe(0);
    expect(boxesOf(at('out/back.pdf')).length).toBe(1);
    expect(tidy('export', demoFile, '--piece', 'card', '--as', 'svg', '--out', at('out/svg')).status).toBe(0);
    expect(readFileSync(at('out/svg/card-1.svg'), 'utf8')).toMatch(/^<svg [^>]*viewBox/);
  });

  it.each([
    [[], /^$/, 'tidy COMMAND'],
    [['list'], /Name one file/, ''],
    [['fold', demoFile], /no command fold/, ''],
    [['list', '/nowhere.tidyedge'], /cannot be read/, ''],
    [['list', demoFile, '--colour'], /--colour/, ''],
    [['export', demoFile, '--out', 'x'], /Name a piece.*card/, ''],
    [['export', demoFile, '--piece', 'card', '--as', 'docx', '--out', 'x'], /pdfx1a2003, png, tiff, svg/, ''],
    [['export', demoFile, '--piece', 'card', '--as', 'pdfx4'], /--out/, ''],
    [['export', demoFile, '--piece', 'card', '--as', 'pdfx4', '--faces', '3', '--out', 'x'], /from 1 to 2/, ''],
  ])('%j: one clear line, exit 2', (args, words, shown) => {
    const { status, stderr, stdout } = tidy(...args);
    expect(status).toBe(2);
    expect(stderr.trim().split('\n').length).toBe(1);
    expect(stderr.trim()).toMatch(words);
    expect(stdout).toContain(shown);
  });

  it('refuses a file that is no job', () => {
    writeFileSync(at('no.tidyedge'), 'hello');
    expect(tidy('list', at('no.tidyedge'))).toMatchObject({
      status: 2,
      stderr: 'This file is not a Tidy Edge job. Choose a file that ends in .tidyedge.\n',
    });
  });

  it('explains each command', () => {
    for (const command of ['list', 'check', 'plates', 'export'])
      expect(tidy(command, '--help')).toMatchObject({ status: 0 });
  });
});

it('runs from its source, as the README says', () => {
  const { status, stdout } = spawnSync('npm', ['run', '-s', 'tidy', '--', 'list', demoFile], {
    cwd: fileHere('..'),
    encoding: 'utf8',
  });
  expect(status).toBe(0);
  expect(stdout).toContain('Business card, Iris Calloway');
});
