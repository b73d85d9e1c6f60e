import { mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fileHere } from '../kit';
import { tidy as started } from './tidy';
import { folder, run, tidyUp } from './tools';

afterAll(tidyUp);

/** Runs of the demo, as the command line writes them, read by tools that know nothing of this app. */

const demo = fileHere('../demo/spring-runs.tidyedge');

/** What the command line says; throws what it says when it fails. */
function tidy(...args: string[]): string {
  const { status, stdout, stderr } = started(...args);
  if (status !== 0) throw new Error(stderr);
  return stdout;
}

const out = (name: string): string => join(folder, name);
/** The text of each page of a file, by poppler. */
const pagesOf = (file: string): string[] => run('pdftotext', ['-layout', file, '-']).split('\f').slice(0, -1);

describe('the staff’s cards', () => {
  const file = 'staff.pdf';
  beforeAll(() => {
    tidy('run', demo, '--piece', 'staff', '--as', 'pdfvt1', '--out', out(file));
  });

  it('are a sound file that poppler and qpdf open, every typeface in it', () => {
    expect(run('qpdf', ['--check', file])).toMatch(/No syntax or stream encoding errors/);
    expect(run('pdfinfo', [file])).toMatch(/Pages:\s+12/);
    for (const line of run('pdffonts', [file]).split('\n').slice(2).filter(Boolean))
      expect(line).toMatch(/yes yes yes/);
  });

  it('say each person’s own details, front by front', () => {
    const fronts = pagesOf(file).filter((_, i) => i % 2 === 0);
    const names = [
      'Iris Calloway',
      'Tomás Abara',
      'Wren Ashdown',
      'Ottilie Marsh',
      'Ned Fairley',
      'Sunniva Holt-Okafor',
    ];
    expect(fronts.map((page) => page.trim().split('\n')[0]!.trim())).toEqual(names);
    // The line of a person without a phone closes up.
    expect(fronts[3]).not.toMatch(/01632/);
  });

  it('have codes that zbar reads, each the contact card of its row', () => {
    run('pdftoppm', ['-r', '300', '-gray', '-png', file, 'staff']);
    const backs = readdirSync(folder)
      .filter((name) => /^staff-\d+\.png$/.test(name))
      .sort()
      .filter((_, i) => i % 2 === 1);
    const read = backs.map((name) => /FN:(.*)/.exec(run('zbarimg', ['-q', name]))?.[1]?.trim());
    expect(read).toEqual([
      'Iris Calloway',
      'Tomás Abara',
      'Wren Ashdown',
      'Ottilie Marsh',
      'Ned Fairley',
      'Sunniva Holt-Okafor',
    ]);
  });

  it('are document parts with what each row says, by qpdf’s reading', () => {
    const { qpdf } = JSON.parse(run('qpdf', ['--json', '--json-key=qpdf', file])) as {
      qpdf: [unknown, Record<string, { value?: Record<string, unknown> }>];
    };
    const records = Object.values(qpdf[1]).flatMap(({ value }) =>
      value?.['/DPM'] ? [value['/DPM'] as Record<string, string>] : [],
    );
    expect(records.map((data) => data['/TDYE_name']?.replace(/^u:/, ''))).toEqual(
      expect.arrayContaining(['Iris Calloway', 'Tomás Abara', 'Sunniva Holt-Okafor']),
    );
    expect(records).toHaveLength(6);
  });
});

describe('the addressed postcards', () => {
  it('are in the order of their postcodes, within each country, the address as the country writes it', () => {
    tidy('run', demo, '--piece', 'mailing', '--rows', '0..11', '--out', out('mailing.pdf'));
    const backs = pagesOf(out('mailing.pdf')).filter((_, i) => i % 2 === 1);
    const codes = backs.map((page) => /(\d{5}) \p{L}/u.exec(page)?.[1] ?? '');
    expect(codes.every(Boolean)).toBe(true);
    expect(codes).toEqual([...codes].sort());
    expect(backs.every((page) => page.includes('GERMANY'))).toBe(true);
  });
});

describe('the vouchers on sheets', () => {
  it('written in shares by separate processes and joined, are the bytes that they are at once', () => {
    mkdirSync(out('parts'), { recursive: true });
    for (const [i, rows] of ['0..33', '34..90', '91..99'].entries())
      tidy('run', demo, '--piece', 'voucher', '--rows', rows, '--out', out(`parts/part-${i}.pdf`));
    tidy('run', '--join', out('parts'), '--out', out('joined.pdf'));
    tidy('run', demo, '--piece', 'voucher', '--out', out('whole.pdf'));
    expect(run('cmp', ['joined.pdf', 'whole.pdf'])).toBe('');
    expect(run('qpdf', ['--check', 'joined.pdf'])).toMatch(/No syntax or stream encoding errors/);
  });

  it('read by zbar from the sheets, pile by pile, are all hundred in order', () => {
    tidy('run', demo, '--piece', 'voucher', '--sheets', '--out', out('vouchers.pdf'));
    const list = tidy('run', demo, '--piece', 'voucher', '--list').trim().split('\n').slice(1);
    const check = JSON.parse(tidy('run', demo, '--piece', 'voucher', '--check', '--json')) as {
      rows: number;
      printed: number;
    };
    expect([check.rows, check.printed, list.length]).toEqual([100, 100, 100]);
    run('pdftoppm', ['-r', '200', '-gray', '-png', 'vouchers.pdf', 'sheet']);
    const sheets = readdirSync(folder)
      .filter((name) => /^sheet-\d+\.png$/.test(name))
      .sort();
    // The first sheet is leader cards: it has no code.
    const codes = sheets
      .slice(1)
      .map((name) => run('zbarimg', ['-q', '--raw', '-Sdisable', '-Scode128.enable', name]).trim().split('\n'));
    expect(codes.flat()).toHaveLength(100);
    expect(new Set(codes.flat()).size).toBe(100);
    const texts = pagesOf(out('vouchers.pdf'));
    for (const line of list) {
      const [, name, sheet] = line.replaceAll('"', '').split(',') as [string, string, string];
      expect(texts[Number(sheet) - 1]).toContain(name);
    }
    expect(texts[0]).toContain('Pile 1 of 23');
  });

  it('can be printed again, only some of them', () => {
    tidy('run', demo, '--piece', 'voucher', '--rows', '3,5..6', '--out', out('again.pdf'));
    expect(pagesOf(out('again.pdf')).map((page) => /TEA-\d+/.exec(page)?.[0])).toEqual([
      'TEA-0004',
      'TEA-0006',
      'TEA-0007',
    ]);
    expect(() => tidy('run', demo, '--piece', 'voucher', '--rows', '100', '--out', out('none.pdf'))).toThrow(
      /takes 0 to 99/,
    );
  });
});
