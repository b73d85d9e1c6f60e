import * as fc from 'fast-check';
import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { utils, write } from 'xlsx';
import { alikeRows } from '../../../core/run/alike';
import { sortedRows } from '../../../core/run/order';
import { columnsFor, keyFor, readTable, readTextTable } from '../../../core/run/read-table';
import { cellsOfFile, rowsOf, tableFile } from '../../../core/run/rows';
import { dateIn, numberIn, typeOf } from '../../../core/run/values';
import { cardWith } from '../../kit';
import { readRows, tableWith } from './staff';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

describe('a table of text', () => {
  it('begins below the title and the date that stand over it, and only there', () => {
    const below = 'Name,Town,Pieces\nAda,Hexwold,2\nMax,Little Hollin,3\n';
    expect(readTextTable(`Guests of the spring fair,,\n3 November 2026,,\n${below}`)).toMatchObject({
      heads: ['Name', 'Town', 'Pieces'],
      cells: [
        ['Ada', 'Hexwold', '2'],
        ['Max', 'Little Hollin', '3'],
      ],
    });
    // A first row that has one cell filled is a row where the others have hardly more.
    expect(readTextTable('Ada,\nMax,2\nBo,\n').cells).toHaveLength(3);
  });
  it.each([
    ['Name,Town\nAda,Oslo\n', ','],
    ['Name;Town\nAda;Oslo\n', ';'],
    ['Name\tTown\nAda\tOslo\n', '\t'],
    ['sep=|\nName|Town\nAda|Oslo\n', '|'],
    ['\uFEFF"Name","Town"\r\n"Ada","Oslo"\r\n', ','],
  ])('%j is parted by %j', (text, delimiter) => {
    const read = readTextTable(text);
    expect(read).toMatchObject({ delimiter, header: true, heads: ['Name', 'Town'], cells: [['Ada', 'Oslo']] });
  });

  it('keeps quotes, line breaks, formulas and right-to-left names as they are', () => {
    const { cells } = readTextTable('Name,Says\n"O""Neill, Dara","two\nlines"\nיעל,=1+1\n');
    expect(cells).toEqual([
      ['O"Neill, Dara', 'two\nlines'],
      ['יעל', '=1+1'],
    ]);
  });

  it('has no heads where the first row looks like the others, and can be told otherwise', () => {
    expect(readTextTable('ada@hollin.example,5\nbo@hollin.example,7\n')).toMatchObject({
      header: false,
      heads: ['Column 1', 'Column 2'],
    });
    expect(readTextTable('Ada,Oslo\nBo,Bergen\n', { header: false }).cells).toHaveLength(2);
  });

  it('tells heads that are the same apart, and fills short rows', () => {
    const { heads, cells } = readTextTable('Phone,Phone,\n1\n', { header: true });
    expect(heads).toEqual(['Phone', 'Phone 2', 'Column 3']);
    expect(cells).toEqual([['1', '', '']]);
  });

  it('says that its letters are a guess where they are', async () => {
    const western = Uint8Array.from('Name;Ort\nJörg;Köln\n', (sign) => sign.charCodeAt(0));
    const read = await readTable(western);
    expect(read).toMatchObject({ encoding: 'windows-1252', isSure: false, cells: [['Jörg', 'Köln']] });
    expect((await readTable(western, { encoding: 'windows-1251' })).cells[0]![0]).not.toBe('Jörg');
  });

  it.each([
    ['nothing', new Uint8Array(), /empty/],
    ['only blank lines', bytes('\n\n,,\n'), /no rows/],
    ['an open quotation mark', bytes('Name\n"Ada\nBo\n'), /quotation mark in row/],
    ['a program', Uint8Array.of(0x7f, 0x45, 0x4c, 0x46, 0, 0, 1, 2, 0, 0, 0, 65), /no table/],
    ['a damaged spreadsheet', Uint8Array.of(0x50, 0x4b, 3, 4, 9, 9, 9, 9), /damaged/],
    ['a spreadsheet that is another zip', zipSync({ 'a.txt': bytes('x') }), /cannot be read|no rows|no sheet/],
  ])('refuses %s, in words', async (_, file, says) => {
    await expect(readTable(file)).rejects.toThrow(says);
  });

  it('refuses a spreadsheet that unpacks without end, before it is unpacked', async () => {
    const bomb = zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(1000) });
    // What the directory says of its size once it is unpacked (APPNOTE 6.3, 4.3.12).
    const isEntry = (i: number): boolean =>
      bomb[i] === 0x50 && bomb[i + 1] === 0x4b && bomb[i + 2] === 1 && bomb[i + 3] === 2;
    const directory = bomb.findIndex((_, i) => isEntry(i));
    new DataView(bomb.buffer, bomb.byteOffset).setUint32(directory + 24, 3_000_000_000, true);
    await expect(readTable(bomb)).rejects.toThrow(/far more than a table/);
  });
});

describe('a spreadsheet', () => {
  const book = (type: 'xlsx' | 'ods'): Uint8Array => {
    const made = utils.book_new();
    utils.book_append_sheet(
      made,
      utils.aoa_to_sheet(
        [
          ['Name', 'Born', 'Paid'],
          ['Zoë', new Date(Date.UTC(1990, 4, 17)), 12.5],
          ['Bo', '', 3],
        ],
        { cellDates: true },
      ),
      'Staff',
    );
    utils.book_append_sheet(made, utils.aoa_to_sheet([['Other'], ['x']]), 'Notes');
    return new Uint8Array(write(made, { type: 'array', bookType: type, cellDates: true }) as ArrayBuffer);
  };
  it.each(['xlsx', 'ods'] as const)(
    '%s gives its first sheet, dates as ISO 8601, and others when asked',
    async (type) => {
      const read = await readTable(book(type));
      expect(read).toMatchObject({
        kind: 'spreadsheet',
        sheet: 'Staff',
        sheets: ['Staff', 'Notes'],
        heads: ['Name', 'Born', 'Paid'],
      });
      expect(read.cells[0]![0]).toBe('Zoë');
      expect(read.cells[0]![1]).toMatch(/^1990-05-1[67]/);
      expect(Number(read.cells[0]![2])).toBe(12.5);
      expect((await readTable(book(type), { sheet: 'Notes' })).heads).toEqual(['Other']);
    },
  );
});

describe('contact cards', () => {
  it('are rows', async () => {
    const card =
      'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:Ada Lund\r\nN:Lund;Ada;;;\r\nTITLE:Grafter\r\nTEL:01632 960 100\r\nEMAIL:ada@hollin.example\r\nEND:VCARD\r\n';
    expect(await readTable(bytes(card))).toMatchObject({
      kind: 'contact cards',
      cells: [['Ada Lund', 'Grafter', '01632 960 100', 'ada@hollin.example']],
    });
  });
});

describe('rows that are kept', () => {
  it('come back as they were, whatever they say', () => {
    const text = fc.string({ unit: 'grapheme', maxLength: 12 });
    fc.assert(
      fc.property(fc.array(fc.tuple(text, text), { minLength: 1, maxLength: 8 }), (cells) => {
        expect(cellsOfFile(tableFile(['A', 'B'], cells))).toEqual(cells.map((row) => row.map((cell) => cell)));
      }),
    );
  });

  it('are typed over, added and deleted without the file being touched', () => {
    const cells = [['Ada'], ['Bo'], ['Cy']];
    const table = {
      ...tableWith(['Name'], cells),
      cells: { '1 name': 'Bodil', '3 name': 'Dag' },
      added: 1,
      removed: [0],
    };
    const rows = rowsOf(table, { people: [], firm: {}, file: cells });
    expect(rows.numbers.map((row) => rows.cell(row, 'name'))).toEqual(['Bodil', 'Cy', 'Dag']);
  });

  it('say their fallback where they say nothing', () => {
    const table = tableWith(['Name'], [[''], ['Bo']]);
    const with_ = { ...table, columns: [{ ...table.columns[0]!, fallback: 'Guest' }] };
    const rows = rowsOf(with_, { people: [], firm: {}, file: [[''], ['Bo']] });
    expect([rows.cell(0, 'name'), rows.cell(1, 'name')]).toEqual(['Guest', 'Bo']);
  });

  it('keep the keys of columns that are called the same when the file is replaced', () => {
    const before = columnsFor({ heads: ['Name', 'Town'], cells: [] });
    const after = columnsFor({ heads: ['Town', 'Country', 'Name'], cells: [] }, before);
    expect(after.map(({ key, at }) => [key, at])).toEqual([
      ['town', 0],
      ['country', 1],
      ['name', 2],
    ]);
    expect(keyFor('名前', new Set())).toBe('column');
  });

  it('are found alike but for spelling, and none is merged', () => {
    const cells = [
      ['Ada Lund', '4 Mill Street'],
      ['LUND, Ada', '4 Mill St.'],
      ['Bo Nye', '1 Fen Bank'],
      ['Ada  lund', '4 mill street'],
    ];
    const rows = readRows(cardWith([]), tableWith(['Name', 'Street'], cells), cells);
    expect(alikeRows(rows, ['name', 'street'])).toEqual([{ rows: [0, 1, 3], exact: false }]);
    expect(rows.numbers).toHaveLength(4);
  });

  it('are sorted by size where they are numbers, and by postcode within countries', () => {
    const cells = [
      ['10', '80331', 'Germany'],
      ['9', 'LH4 2QT', 'UK'],
      ['', '10115', 'Germany'],
      ['1,000', 'LH10 1AA', 'UK'],
    ];
    const table = tableWith(['Paid', 'Postcode', 'Country'], cells);
    const typed = {
      ...table,
      columns: table.columns.map((c) => ({
        ...c,
        type: c.key === 'paid' ? ('number' as const) : c.key === 'postcode' ? ('postcode' as const) : c.type,
      })),
    };
    const rows = readRows(cardWith([]), typed, cells);
    expect(sortedRows(rows, rows.numbers, 'paid')).toEqual([1, 0, 3, 2]);
    expect(sortedRows(rows, rows.numbers, 'postcode')).toEqual([2, 0, 1, 3]);
  });
});

describe('what cells hold', () => {
  it.each([
    ['1,234.50', 'GB', 1234.5],
    ['1.234,50', 'DE', 1234.5],
    ['1.234', 'DE', 1234],
    ['1.234', 'GB', 1.234],
    ['1,234', 'GB', 1234],
    ['£ 12', 'GB', 12],
    ['−3', 'GB', -3],
    ['12 000,5', 'FR', 12000.5],
    ['twelve', 'GB', undefined],
    ['1-2', 'GB', undefined],
  ])('%s in %s is %s', (text, country, value) => expect(numberIn(text, country)).toBe(value));

  it.each([
    ['2026-03-04', 'GB', '2026-03-04'],
    ['3/4/2026', 'GB', '2026-04-03'],
    ['3/4/2026', 'US', '2026-03-04'],
    ['25/12/2026', 'US', '2026-12-25'],
    ['4 March 2026', 'GB', '2026-03-04'],
    ['Mar 4th, 2026', 'US', '2026-03-04'],
    ['31.02.2026', 'DE', undefined],
    ['soon', 'GB', undefined],
  ])('%s in %s is the day %s', (text, country, day) =>
    expect(dateIn(text, country)?.toISOString().slice(0, 10)).toBe(day),
  );

  it.each([
    ['Postcode', ['12345'], 'postcode'],
    ['Mobile', ['x'], 'phone'],
    ['A', ['a@b.example', 'c@d.example'], 'email'],
    ['A', ['ada.jpg', 'bo.png'], 'picture'],
    ['A', ['1.5', '2'], 'number'],
    ['A', ['007', '008'], 'text'],
    ['A', ['2026-01-01'], 'date'],
    ['A', ['Ada', '5'], 'text'],
  ])('%s with %j is %s', (head, cells, type) => expect(typeOf(head, cells)).toBe(type));
});
