import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DetailsFound } from '../../../../core/client/details/found';
import { readDetails } from '../../../../core/client/details/read-details';
import { PASTED } from './pasted';

/** What was read, without where from. */
const plain = ({ firm, people, country, unread }: DetailsFound) => ({
  firm: Object.fromEntries(Object.entries(firm).map(([key, read]) => [key, read.value])),
  people: people.map((person) => Object.fromEntries(Object.entries(person).map(([key, read]) => [key, read.value]))),
  country,
  unread,
});

const lines = (...all: string[]): string => all.join('\n');

const SIGNATURE = lines(
  'Maria Lopez',
  'Owner & Head Mechanic',
  'Spoke & Chain Bicycle Works',
  '2301 Commonwealth Blvd, Suite 140',
  'Saint Augustine, FL 32080',
  'Phone: (202) 555-0143 | Mobile: (202) 555-0187',
  'maria@spokeandchain.example',
  'www.spokeandchain.example',
  '@spokeandchain',
);

describe('details of a client', () => {
  it('are read from an American signature', () => {
    expect(plain(readDetails(SIGNATURE))).toEqual({
      firm: {
        name: 'Spoke & Chain Bicycle Works',
        street: '2301 Commonwealth Blvd, Suite 140',
        town: 'Saint Augustine',
        region: 'FL',
        postcode: '32080',
        phone: '(202) 555-0143',
        mobile: '(202) 555-0187',
        web: 'www.spokeandchain.example',
        handle: '@spokeandchain',
      },
      people: [{ name: 'Maria Lopez', title: 'Owner & Head Mechanic', mail: 'maria@spokeandchain.example' }],
      country: 'US',
      unread: [],
    });
  });

  it('say which line they were read from', () => {
    const { firm } = readDetails(SIGNATURE);
    expect(firm.mobile?.from).toBe('Phone: (202) 555-0143 | Mobile: (202) 555-0187');
    expect(firm.postcode?.from).toBe('Saint Augustine, FL 32080');
  });

  it('are read from a British signature, what belongs to nobody left over', () => {
    const text = lines(
      'Kind regards,',
      '',
      'Iris Calloway',
      'Head gardener',
      'Hollin & Fen',
      'Tea garden and plant nursery',
      'Fen Lane, Little Hollin LH4 2QT',
      't 01632 960 110  d 01632 960 118',
      'iris@hollinandfen.example  hollinandfen.example',
      'This e-mail is confidential. Please do not share it.',
    );
    expect(plain(readDetails(text))).toEqual({
      firm: {
        name: 'Hollin & Fen',
        line: 'Tea garden and plant nursery',
        street: 'Fen Lane',
        town: 'Little Hollin',
        postcode: 'LH4 2QT',
        phone: '01632 960110',
        web: 'hollinandfen.example',
      },
      people: [
        { name: 'Iris Calloway', title: 'Head gardener', mail: 'iris@hollinandfen.example', direct: '01632 960118' },
      ],
      country: 'GB',
      unread: ['Kind regards', 'This e-mail is confidential. Please do not share it.'],
    });
  });

  it('are read from a German imprint: the fax left out, the register kept', () => {
    const text = lines(
      'Impressum',
      'Wolkenstein Werkstätten GmbH',
      'Geschäftsführerin: Maximiliane Oppenheimer',
      'Friedrichstraße 112',
      'D-41061 Mönchengladbach',
      'Tel. +49 30 23125 000',
      'Fax +49 30 23125 001',
      'E-Mail: post@wolkenstein.example',
      'Internet: www.wolkenstein.example',
      'Handelsregister: HRB 00000, Amtsgericht Mönchengladbach',
    );
    expect(plain(readDetails(text))).toEqual({
      firm: {
        name: 'Wolkenstein Werkstätten GmbH',
        street: 'Friedrichstraße 112',
        town: 'Mönchengladbach',
        postcode: '41061',
        phone: '+49 30 23125000',
        mail: 'post@wolkenstein.example',
        web: 'www.wolkenstein.example',
        registration: 'Handelsregister: HRB 00000, Amtsgericht Mönchengladbach',
      },
      people: [{ name: 'Maximiliane Oppenheimer', title: 'Geschäftsführerin' }],
      country: 'DE',
      unread: ['Impressum'],
    });
  });

  it.each([
    [
      '12, rue des Tanneurs\n67000 Strasbourg\nFrance',
      { street: '12, rue des Tanneurs', town: 'Strasbourg', postcode: '67000' },
      'FR',
    ],
    [
      '88 Harbour Road · Halifax NS B3H 1A1',
      { street: '88 Harbour Road', town: 'Halifax', region: 'NS', postcode: 'B3H 1A1' },
      'CA',
    ],
    [
      '88 Baker Road\nSydney NSW 2000',
      { street: '88 Baker Road', town: 'Sydney', region: 'NSW', postcode: '2000' },
      'AU',
    ],
    ['Keizersgracht 5\n1015 CJ Amsterdam', { street: 'Keizersgracht 5', town: 'Amsterdam', postcode: '1015 CJ' }, 'NL'],
    ['12 Phố Hàng Gai, Hoàn Kiếm\nHà Nội 100000\nViệt Nam', { town: 'Hà Nội', postcode: '100000' }, 'VN'],
    ['4 Quay Street\nEast Wend\nEW7 1AB', { street: '4 Quay Street', town: 'East Wend', postcode: 'EW7 1AB' }, 'GB'],
  ])('know the address in %j', (text, wanted, country) => {
    const found = plain(readDetails(text));
    expect(found.firm).toMatchObject(wanted);
    expect(found.country).toBe(country);
  });

  it('take what stands below a name for what its bearer does', () => {
    const text = lines(
      'Robin Amery',
      'Boatbuilder',
      'Tern & Teal',
      'Wooden boats, built and mended',
      'robin@ternandteal.example',
    );
    expect(plain(readDetails(text))).toMatchObject({
      firm: { name: 'Tern & Teal', line: 'Wooden boats, built and mended' },
      people: [{ name: 'Robin Amery', title: 'Boatbuilder', mail: 'robin@ternandteal.example' }],
      unread: [],
    });
  });

  it('are read from contact cards', () => {
    const card = lines(
      'BEGIN:VCARD',
      'VERSION:3.0',
      'N:Quill;Ada;;;',
      'FN:Ada Quill',
      'ORG:Quill Press Ltd',
      'TITLE:Printer',
      'TEL;TYPE=WORK:+44 1632 960199',
      'EMAIL:ada@quillpress.example',
      'ADR;TYPE=WORK:;;4 Quay Street;East Wend;;EW7 1AB;United Kingdom',
      'URL:https://quillpress.example/',
      'END:VCARD',
    );
    expect(plain(readDetails(card))).toMatchObject({
      firm: {
        name: 'Quill Press Ltd',
        street: '4 Quay Street',
        town: 'East Wend',
        postcode: 'EW7 1AB',
        web: 'quillpress.example',
      },
      people: [{ name: 'Ada Quill', title: 'Printer', direct: '+44 1632 960199', mail: 'ada@quillpress.example' }],
      country: 'GB',
    });
  });

  it('make nothing of nothing, and never fail', () => {
    expect(plain(readDetails(''))).toEqual({ firm: {}, people: [], country: undefined, unread: [] });
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => {
        const { firm, people } = readDetails(text);
        for (const read of [...Object.values(firm), ...people.flatMap((person) => Object.values(person))])
          expect(read.value.trim()).not.toBe('');
      }),
      { numRuns: 150 },
    );
  });

  it.each([
    ['US', 'Tel 503.555.0123', '(503) 555-0123'],
    ['US', 'Tel 5035550123 x12', '(503) 555-0123 ext. 12'],
    ['US', 'Tel 1-503-555-0123', '(503) 555-0123'],
    ['GB', 'Tel 02079460018', '020 7946 0018'],
    ['GB', 'Tel +44(0)20 79460018', '+44 20 7946 0018'],
    ['FR', 'Tél. 0199000123', '01 99 00 01 23'],
    ['DE', 'Tel. 030/23125-000', '030 23125000'],
    ['AU', 'Ph 0255501234', '(02) 5550 1234'],
  ])('write the numbers of %s as that country does: %s', (country, line, phone) => {
    expect(readDetails(`The Quill Press\n${line}`, country).firm.phone).toEqual({ value: phone, from: line });
  });

  it.each(PASTED.map((each) => [each.called, each] as const))('are read from %s', (_, { lines: all, found }) => {
    const { firm, people, country } = plain(readDetails(lines(...all)));
    expect({ country, firm, people }).toEqual(found);
  });

  it.each([
    'Est. 1987',
    'Open Mon–Fri 9:00–17:30',
    '1987 – 2026',
    'Since 12.05.2019',
    'IBAN NL91 ABNA 0417 1643 00',
    'BIC ABNANL2A, Konto 1234567890',
    '© 2026 Quill Press. All rights reserved',
    'Fax: +44 1632 960112',
  ])('take no number to call, and no town, from %j', (line) => {
    const { firm } = readDetails(lines('The Quill Press', line));
    expect(firm).not.toHaveProperty('phone');
    expect(firm).not.toHaveProperty('mobile');
    expect(firm).not.toHaveProperty('postcode');
  });

  it.each(['F. Albers & Sons Ltd', 'T. Becker GmbH', 'P. Rossi S.r.l.', 'A. Müller Works', 'M. & C. Weavers Ltd'])(
    'take an initial for no label: %s',
    (name) => {
      expect(readDetails(lines(name, '+44 1632 960112')).firm.name?.value).toBe(name);
    },
  );

  it('are read in no time from the longest texts', () => {
    for (const piece of [' ', '\t', '- ', 'a.', '1 ', 'A, ', '<b>', '> ', '+1 '])
      expect(readDetails(piece.repeat(100_000)).people).toEqual([]);
  });
});
