import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PeopleFileError } from '../../../core/files/people';
import { readPeopleCsv, writePeopleCsv } from '../../../core/files/people-csv';
import { peopleOfRows } from '../../../core/files/people-table';
import { readPeopleVcards, writePeopleVcards } from '../../../core/files/people-vcard';
import type { Person } from '../../../core/job/details';
import { readTable } from '../../../core/run/read-table';

const PEOPLE: Person[] = [
  { id: 'a', name: 'Iris Calloway', title: 'Head gardener', direct: '+44 1632 960111', mail: 'iris@hollinfen.example' },
  { id: 'b', name: 'Zoë “Zo” Ågren-O’Neil', title: 'Plants, seeds; roots', direct: '', mail: '' },
  {
    id: 'c',
    name: 'Max "The Hedge" \\ Fenn',
    title: "Cutting, and 'shaping'",
    direct: '(0)1632 960 112',
    mail: 'm@x.example',
  },
];
const plain = (people: readonly Person[]) => people.map(({ id: _id, ...person }) => person);

describe('people as a table', () => {
  it('come back as they went, quotes, commas, accents and all', () => {
    expect(readPeopleCsv(writePeopleCsv(PEOPLE))).toEqual(plain(PEOPLE));
  });
  it('are read by other heads, other separators, and names in two columns', () => {
    const text = '\uFEFFFirst name;Surname;Job title;E-Mail\r\nAda;Marsh;"Sales; and more";ada@x.example\r\n;;;\r\n';
    expect(readPeopleCsv(text)).toEqual([
      { name: 'Ada Marsh', title: 'Sales; and more', direct: '', mail: 'ada@x.example' },
    ]);
  });
  it('keep the lines of a title, and have a name on one', () => {
    const read = readPeopleCsv('Name,Title\n"Ada\nMarsh","Sales\r\nand care"');
    expect(read).toMatchObject([{ name: 'Ada Marsh', title: 'Sales\nand care' }]);
    expect(readPeopleCsv(writePeopleCsv(read.map((each) => ({ ...each, id: 'a' }))))).toEqual(read);
  });
  it('are no formulas to a sheet', () => {
    const [, row] = writePeopleCsv([{ ...PEOPLE[0]!, name: '=HYPERLINK("x")' }]).split('\r\n');
    expect(row).toMatch(/^"? =/);
  });
  it('are read by the heads of many languages, wherever given and family names stand', () => {
    const tables: [string, string][] = [
      ['Vorname;Name;Funktion;Durchwahl;E-Mail-Adresse\nÄnne;Moor;Gärtnerin;-12;a@x.example', 'Änne Moor'],
      ['Prénom,Nom,Poste,Téléphone,Courriel\nZoé,Marais,Jardinière,12,z@x.example', 'Zoé Marais'],
      ['Nome;Cognome;Ruolo;Telefono;Indirizzo e-mail\nÈva;Palude;Fiori;12;e@x.example', 'Èva Palude'],
      ['Imię;Nazwisko;Stanowisko;Telefon;Adres e-mail\nŁucja;Bagno;Ogród;12;l@x.example', 'Łucja Bagno'],
      ['Given Name,Family Name,Phone 1 - Value,E-mail 1 - Value\nAda,Marsh,12,a@x.example', 'Ada Marsh'],
      ['Naam\tFunctie\tTelefoon\tE-mailadres\nNoor Veen\tTuin\t12\tn@x.example', 'Noor Veen'],
    ];
    for (const [text, name] of tables) {
      const [person] = readPeopleCsv(text);
      expect([person?.name, person?.mail.endsWith('@x.example')]).toEqual([name, true]);
    }
  });
  it('go by what the first line says parts them', () => {
    expect(readPeopleCsv('sep=|\r\nName|Title\r\nAda, of Marsh; Fen|Sales')).toMatchObject([
      { name: 'Ada, of Marsh; Fen', title: 'Sales' },
    ]);
  });
  it('with a quote that is never closed are told of, with its row', () => {
    expect(() => readPeopleCsv('Name,Title\nAda,Sales\n"Max,Hedges\nIris,Plants')).toThrow(/quotation mark in row 3/);
  });
  it.each([
    [
      'a title and a date above',
      'Staff list,,\n3 November 2026,,\n,,\nName,Position,E-mail\nAda Marsh,Sales,ada@x.example',
    ],
    [
      'words about the words',
      'Employee Name (as on card);Position / Title;Work E-mail *\nAda Marsh;Sales;ada@x.example',
    ],
    [
      'columns of other things',
      'Company Name,Contact Name,Job Title,Fax,Email Address\nMarsh Ltd,Ada Marsh,Sales,12,ada@x.example',
    ],
    ['joined words', 'first_name,last_name,job_title,email_address\nAda,Marsh,Sales,ada@x.example'],
    ['no heads at all', 'Ada Marsh,Sales,01632 960111,ada@x.example\nMax Fenn,Hedges,01632 960112,max@x.example'],
    ['no heads, the address first', 'ada@x.example\tAda Marsh\tSales\nmax@x.example\tMax Fenn\tHedges'],
  ])('are found under %s', (_, text) => {
    expect(readPeopleCsv(text)[0]).toMatchObject({ name: 'Ada Marsh', title: 'Sales', mail: 'ada@x.example' });
  });
  it('have the first number that is there, of several', () => {
    const people = readPeopleCsv(
      'Name,Direct dial,Mobile,Fax\nAda Marsh,,07700 900111,1\nMax Fenn,01632 960112,07700 900112,2',
    );
    expect(people.map(({ direct }) => direct)).toEqual(['07700 900111', '01632 960112']);
  });
  it('are not made of a table of other things', () => {
    for (const text of [
      'Sku,Price\nAda Marsh,12',
      'Fen Lane 4,12.50\nFen Lane 5,13.00',
      'ada@x.example\nmax@x.example',
    ])
      expect(() => readPeopleCsv(text)).toThrow(/column called Name/);
  });
  it('come out of a spreadsheet', async () => {
    const { utils, write } = await import('xlsx');
    const sheet = utils.aoa_to_sheet([
      ['Our people'],
      [],
      ['Name', 'Role', 'Mobile'],
      ['Ada Marsh', 'Sales', '07700 900111'],
    ]);
    for (const bookType of ['xlsx', 'ods'] as const) {
      const bytes = new Uint8Array(write({ SheetNames: ['A'], Sheets: { A: sheet } }, { type: 'array', bookType }));
      const { cells } = await readTable(bytes, { header: false });
      expect(peopleOfRows(cells)).toEqual([{ name: 'Ada Marsh', title: 'Sales', direct: '07700 900111', mail: '' }]);
    }
  });
  it('need a head with names', () => {
    expect(() => readPeopleCsv('a,b\n1,2')).toThrow(PeopleFileError);
    expect(() => readPeopleCsv('')).toThrow(/column called Name/);
  });
});

describe('people as contact cards', () => {
  it('keep the lines of a title', () => {
    const buyer = { ...PEOPLE[0]!, title: 'Head gardener,\nbuyer; “Fen” & more' };
    expect(readPeopleVcards(writePeopleVcards([buyer], {}))).toMatchObject([{ title: buyer.title }]);
  });
  it('come back as they went', () => {
    expect(readPeopleVcards(writePeopleVcards(PEOPLE, { name: 'Hollin & Fen', web: 'hollinfen.example' }))).toEqual(
      plain(PEOPLE),
    );
  });
  it('lose a bad line, not what stands around it', () => {
    const card = (name: string, bad = ''): string =>
      `BEGIN:VCARD\r\nVERSION:3.0\r\nFN:${name}\r\n${bad}EMAIL:x@x.example\r\nEND:VCARD\r\n`;
    const text = card('Ada Marsh') + card('Max Fenn', 'this is no line of a card\r\n') + card('Iris Calloway');
    expect(readPeopleVcards(text).map(({ name, mail }) => `${name} ${mail}`)).toEqual([
      'Ada Marsh x@x.example',
      'Max Fenn x@x.example',
      'Iris Calloway x@x.example',
    ]);
  });
  it('have no line of more than 75 octets (RFC 6350, 3.2)', () => {
    const text = writePeopleVcards([{ ...PEOPLE[0]!, title: 'é'.repeat(150) }], {});
    for (const line of text.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    expect(readPeopleVcards(text)[0]!.title).toBe('é'.repeat(150));
  });
  it('are read from version 3.0 with groups, types and a folded note', () => {
    const card = [
      'BEGIN:VCARD',
      'VERSION:3.0',
      'N:Marsh;Ada;;Dr.;',
      'FN:Dr. Ada Marsh',
      'ORG:Hollin\\, Fen;Seeds',
      'TITLE:Buyer\\, seeds',
      'item1.TEL;TYPE=WORK,VOICE:+44 1632 960113',
      'EMAIL;TYPE=INTERNET:ada@x.example',
      'NOTE:long',
      '  line',
      'END:VCARD',
    ].join('\r\n');
    expect(readPeopleVcards(card)).toEqual([
      { name: 'Dr. Ada Marsh', title: 'Buyer, seeds', direct: '+44 1632 960113', mail: 'ada@x.example' },
    ]);
  });
  it('are read from version 2.1 in quoted-printable', () => {
    const card =
      'BEGIN:VCARD\r\nVERSION:2.1\r\nN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:=C3=85gren;Zo=C3=AB;;;\r\nTEL;CELL:01632960114\r\nEND:VCARD\r\n';
    expect(readPeopleVcards(card)).toMatchObject([{ name: 'Zoë Ågren', direct: '01632960114' }]);
  });
  it('are refused with a reason where they are none, or damaged', () => {
    expect(() => readPeopleVcards('Name,Title')).toThrow(/no file of contact cards/);
    expect(() => readPeopleVcards('BEGIN:VCARD\r\nFN')).toThrow(PeopleFileError);
  });
});

const detail = fc.string({ maxLength: 60, unit: 'grapheme' }).map((text) => text.replace(/\s+/g, ' ').trim());
const anybody = fc.record({
  id: fc.constant('x'),
  name: detail.filter((text) => text !== ''),
  title: detail,
  direct: detail.map((text) => text.replace(/^tel:/i, '')),
  mail: detail,
});

describe('anybody', () => {
  it('comes back from a table', () => {
    fc.assert(
      fc.property(fc.array(anybody, { minLength: 1, maxLength: 5 }), (people) => {
        expect(readPeopleCsv(writePeopleCsv(people))).toEqual(plain(people));
      }),
    );
  });
  it('comes back from contact cards', () => {
    fc.assert(
      fc.property(fc.array(anybody, { minLength: 1, maxLength: 5 }), (people) => {
        expect(readPeopleVcards(writePeopleVcards(people, {}))).toEqual(plain(people));
      }),
    );
  });
  it('no text makes the readers fall over', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.string().map((s) => `BEGIN:VCARD\r\n${s}\r\nEND:VCARD`),
        ),
        (text) => {
          for (const read of [readPeopleVcards, readPeopleCsv])
            try {
              read(text);
            } catch (error) {
              expect(error).toBeInstanceOf(PeopleFileError);
            }
        },
      ),
    );
  });
});
