import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readJobFile, writeJobFile } from '../../core/files/job-file';
import { freshSheet, labelPlaces } from '../../core/run/labels';
import { LABEL_SHEETS } from '../../core/trade/label-sheets';
import { isDeep } from '../deep';
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

describe('a proof', () => {
  it('has the count that ties, the hard rows and every row, and says that it is not for print', () => {
    tidy('run', demo, '--piece', 'voucher', '--proof', '--out', out('proof.pdf'));
    const pages = pagesOf(out('proof.pdf'));
    expect(pages[0]).toContain('100 rows in = 100 printed + 0 left out');
    expect(pages.every((page) => page.includes('Not for print'))).toBe(true);
    const numbers = pages.slice(1).flatMap((page) => page.match(/TEA-\d{4}/g) ?? []);
    expect(new Set(numbers).size).toBe(100);
    expect(run('pdfinfo', ['proof.pdf'])).not.toMatch(/PDF\/X/);
    expect(run('qpdf', ['--check', 'proof.pdf'])).toMatch(/No syntax or stream encoding errors/);
    const list = readFileSync(out('proof-rows.csv'), 'utf8').trim().split('\n');
    expect(list).toHaveLength(101);
    expect(list.slice(1).every((line) => line.endsWith(',printed,'))).toBe(true);
  });
});

describe('sheets of labels', () => {
  it('have a row a label, where the labels are, from the first that is left', () => {
    const { job, assets } = readJobFile(new Uint8Array(readFileSync(demo)));
    const labels = { ...freshSheet(LABEL_SHEETS[2]!), from: 23 };
    const { width, height } = LABEL_SHEETS[2]!.label;
    const piece = job.pieces.find(({ id }) => id === 'voucher')!;
    const small = { ...piece, width, height, run: { ...piece.run!, labels } };
    const labelled = { ...job, pieces: job.pieces.map((each) => (each === piece ? small : each)) };
    writeFileSync(out('labels.tidyedge'), writeJobFile({ job: labelled, assets }));
    const said = tidy(
      'run',
      out('labels.tidyedge'),
      '--piece',
      'voucher',
      '--labels',
      '--anyway',
      '--out',
      out('l.pdf'),
    );
    // Two are left on the first sheet, 24 on each of the next four, two on the last.
    expect(said).toContain('100 labels on 6 sheets');
    expect(run('pdfinfo', ['l.pdf'])).toMatch(/Page size:\s+595\.\d+ x 841\.\d+ pts \(A4\)/);
    const counts = pagesOf(out('l.pdf')).map((page) => new Set(page.match(/TEA-\d{4}/g)).size);
    expect(counts).toEqual([2, 24, 24, 24, 24, 2]);
    const boxes = [
      ...run('pdftotext', ['-bbox', '-f', '1', '-l', '1', 'l.pdf', '-']).matchAll(
        /xMin="([\d.]+)" yMin="([\d.]+)"[^>]*>TEA-/g,
      ),
    ];
    const places = labelPlaces(labels, small)!;
    expect(boxes).toHaveLength(2);
    for (const [i, [, x, y]] of boxes.entries()) {
      const place = places[22 + i]!;
      expect(Number(x) > place.x && Number(x) < place.x + width).toBe(true);
      expect(Number(y) > place.y && Number(y) < place.y + height).toBe(true);
    }
  });
});

describe('the addressed postcards', () => {
  it('are in the order of their postcodes, within each country, the address as the country writes it', () => {
    tidy('run', demo, '--piece', 'mailing', '--rows', '0..5', '--out', out('mailing.pdf'));
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
    const all = isDeep ? '0..99' : '0..29';
    for (const [i, rows] of ['0..9', isDeep ? '10..99' : '10..29'].entries())
      tidy('run', demo, '--piece', 'voucher', '--rows', rows, '--out', out(`parts/part-${i}.pdf`));
    tidy('run', '--join', out('parts'), '--out', out('joined.pdf'));
    tidy('run', demo, '--piece', 'voucher', '--rows', all, '--out', out('whole.pdf'));
    expect(run('cmp', ['joined.pdf', 'whole.pdf'])).toBe('');
    expect(run('qpdf', ['--check', 'joined.pdf'])).toMatch(/No syntax or stream encoding errors/);
  });

  it('read by zbar from the sheets, pile by pile, are as many as there are, in order', () => {
    tidy('run', demo, '--piece', 'voucher', '--sheets', '--out', out('vouchers.pdf'));
    const list = tidy('run', demo, '--piece', 'voucher', '--list').trim().split('\n').slice(1);
    const check = JSON.parse(tidy('run', demo, '--piece', 'voucher', '--check', '--json')) as {
      rows: number;
      printed: number;
    };
    expect([check.rows, check.printed, list.length]).toEqual([100, 100, 100]);
    // A sheet of codes tells what all of them do; a deep run reads all hundred.
    run('pdftoppm', ['-r', '200', '-gray', '-png', ...(isDeep ? [] : ['-l', '2']), 'vouchers.pdf', 'sheet']);
    const sheets = readdirSync(folder)
      .filter((name) => /^sheet-\d+\.png$/.test(name))
      .sort();
    // The first sheet is leader cards: it has no code.
    const codes = sheets
      .slice(1)
      .map((name) => run('zbarimg', ['-q', '--raw', '-Sdisable', '-Scode128.enable', name]).trim().split('\n'));
    const wanted = isDeep ? 100 : 20;
    expect(codes.flat()).toHaveLength(wanted);
    expect(new Set(codes.flat()).size).toBe(wanted);
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
