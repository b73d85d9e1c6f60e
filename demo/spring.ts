import { hashOf } from '../core/files/hash';
import type { JobBundle } from '../core/files/job-parts';
import { addElement } from '../core/job/edits/elements';
import { requoted } from '../core/job/edits/house';
import { addPiece } from '../core/job/edits/job';
import { setOrder, setSheet, setSpread } from '../core/job/edits/pieces';
import { addTable, setByRow, setRun, showCells } from '../core/job/edits/runs';
import { makeCode, makePiece, makeRule, makeShape, makeWords } from '../core/job/make';
import { NO_ORDER } from '../core/job/order';
import { quotedParagraphs } from '../core/job/quoted';
import type { Element, Job, Piece } from '../core/job/schema';
import { USUAL_SHEET } from '../core/job/sheet';
import type { Column, Table } from '../core/job/table';
import { cellsOfFile, PEOPLE_COLUMNS, rowsOf, tableFile } from '../core/run/rows';
import type { Paragraph } from '../core/type/style';
import { toPoints } from '../core/units/length';
import { seeded } from './glasshouse';

/** A second demo job: pieces that are printed for the rows of a table. The staff's cards, addressed postcards, numbered vouchers. */

const mm = (n: number): number => toPoints(n, 'mm');
const paint = (ink: string, tint = 1) => ({ ink, tint });

/** Text in which `{column}` quotes a column of the table; `{firm.web}` is the house's. */
const quoting = (text: string): Paragraph[] =>
  text.split('\n').map((line) => ({
    spans: line.split(/\{([a-z][a-z-]*)\}/).flatMap((part, i) => {
      if (i % 2 === 1) return [{ text: '', quote: `row.${part}` }];
      return part === '' ? [] : (quotedParagraphs(part)[0]?.spans ?? []);
    }),
  }));

interface Text {
  id: string;
  at: readonly [x: number, y: number, width?: number];
  says: string;
  size: number;
  ink?: string;
  typeface?: string;
  leading?: number;
}
function text({
  id,
  at: [x, y, width],
  says,
  size,
  ink = 'fen',
  typeface = 'source-sans-3/regular',
  leading = 1.3,
}: Text): Element {
  const words = makeWords({
    id,
    text: '',
    x: mm(x),
    y: mm(y),
    lettering: { typeface, size, paint: paint(ink) },
    setting: { leading: { share: leading } },
    ...(width === undefined ? {} : { frame: { behaviour: 'fixed width' as const, width: mm(width) } }),
  });
  return { ...words, paragraphs: quoting(says) };
}

/** Elements of the main demo, once more under other ids. */
const copied = (piece: Piece, face: number, but: readonly string[] = []): Element[] =>
  piece.faces[face]!.elements.filter(({ id, name }) => !but.includes(id) && !but.includes(name ?? '')).map(
    (element) => ({
      ...element,
      id: `s-${element.id}`,
    }),
  );

const SERIF = 'cormorant-garamond/semibold';

function staffCards(start: Job, card: Piece): Job {
  let job = addPiece(
    start,
    makePiece({
      id: 'staff',
      name: 'Business cards, the staff',
      kind: 'card',
      width: mm(85),
      height: mm(55),
      unit: 'mm',
      shop: 'metric-offset',
      faces: 2,
    }),
  );
  const columns: Column[] = [
    ...PEOPLE_COLUMNS,
    {
      key: 'contact',
      name: 'Contact card',
      type: 'text',
      made: { kind: 'contact', parts: { name: 'name', title: 'title', phone: 'phone', mail: 'email' } },
    },
  ];
  const table: Table = {
    id: 'staff',
    name: 'The staff',
    source: { kind: 'people' },
    rows: job.people.length,
    added: 0,
    columns,
    cells: {},
    removed: [],
    pictures: {},
  };
  job = addTable(job, table, 'staff');
  const put = (face: string, element: Element): void => {
    job = addElement(job, face, element);
  };
  for (const element of copied(card, 0, ['name', 'title', 'contact', 'hair'])) put('staff-1', element);
  put('staff-1', text({ id: 's-name', at: [35, 8, 45], says: '{name}', size: 18, typeface: SERIF, leading: 1.1 }));
  put('staff-1', text({ id: 's-title', at: [35, 17.5], says: '{title}', size: 8.5, ink: 'copper' }));
  put(
    'staff-1',
    text({
      id: 's-contact',
      at: [35, 31],
      says: '{phone}\n{email}\n{firm.street}, {firm.town} {firm.postcode}\n{firm.web}',
      size: 8,
    }),
  );
  for (const element of copied(card, 1)) put('staff-2', element);
  put(
    'staff-2',
    makeShape({
      id: 's-code-plaque',
      name: 'Plaque of the code',
      x: mm(54),
      y: mm(24),
      width: mm(26),
      height: mm(26),
      paint: paint('paper'),
    }),
  );
  put('staff-2', {
    ...makeCode({
      id: 's-code',
      symbology: 'qrcode',
      text: 'https://hollinandfen.example',
      x: mm(54),
      y: mm(24),
      width: mm(26),
      height: mm(26),
      paint: paint('black'),
    }),
  });
  job = setByRow(job, 's-name', { fit: { least: 13, lines: 1 } });
  return setByRow(job, 's-code', { from: 'contact' });
}

const GIVEN = [
  'Ada',
  'Bram',
  'Cleo',
  'Dafydd',
  'Edith',
  'Fionn',
  'Greta',
  'Hugh',
  'Imke',
  'Jonas',
  'Käthe',
  'Lowri',
  'Mabel',
  'Nils',
  'Oona',
  'Piet',
  'Rosalind',
  'Søren',
  'Theodora',
  'Una',
  'Wilhelmina',
  'Yusuf',
];
const FAMILY = [
  'Ashby',
  'Brandt',
  'Calder',
  'Dunne',
  'Ekström',
  'Featherstonehaugh',
  'Grünwald',
  'Hartley',
  'Iversen',
  'Jessop',
  'Kessler',
  'Lund',
  'Marchbank',
  'Nye',
  'Okonjo',
  'Pryce',
  'Quill',
  'Rowntree-Vasquez',
  'Süßmilch',
  'Thorne',
];
const BRITISH = [
  ['Little Hollin', 'LH4'],
  ['Great Fenwick', 'LH2'],
  ['Marlow Cross', 'LH7'],
  ['Upper Sedge', 'LH9'],
] as const;
const GERMAN = [
  ['Fennstadt', '49'],
  ['Lindau am Moor', '27'],
  ['Obertal', '88'],
] as const;
const LANES = ['Mill Lane', 'Chapel Row', 'Orchard Road', 'The Green', 'Station Street', 'Fen Bank'];
const STRASSEN = ['Gartenweg', 'Mühlenstraße', 'Am Anger', 'Lindenallee'];

/** Customers who asked to hear of the spring opening; all of them invented. */
function customers(count: number): string[][] {
  const random = seeded(240);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const letter = (): string => 'ABDEFGHJLNPQRSTUWXYZ'[Math.floor(random() * 20)]!;
  return Array.from({ length: count }, (_, i) => {
    const name = `${pick(GIVEN)} ${pick(FAMILY)}`;
    const number = 1 + Math.floor(random() * 90);
    const company = i % 17 === 0 ? 'The Potting Shed' : '';
    if (i % 4 === 3) {
      const [town, code] = pick(GERMAN);
      return [
        name,
        company,
        `${pick(STRASSEN)} ${number}`,
        town,
        `${code}${100 + Math.floor(random() * 899)}`,
        'Germany',
      ];
    }
    const [town, area] = pick(BRITISH);
    return [
      name,
      company,
      `${number} ${pick(LANES)}`,
      town,
      `${area} ${Math.floor(random() * 9) + 1}${letter()}${letter()}`,
      'United Kingdom',
    ];
  });
}

const HEADS = ['Name', 'Company', 'Street', 'Town', 'Postcode', 'Country'];

function mailing(start: Job, postcard: Piece): { job: Job; bytes: Uint8Array; hash: string } {
  const cells = customers(240);
  const bytes = tableFile(HEADS, cells);
  const hash = hashOf(bytes);
  const plain = HEADS.map(
    (name, at): Column => ({ key: name.toLowerCase(), name, type: name === 'Postcode' ? 'postcode' : 'text', at }),
  );
  const table: Table = {
    id: 'customers',
    name: 'Customers, spring list',
    source: { kind: 'file', file: hash, name: 'spring-list.csv' },
    rows: cells.length,
    added: 0,
    columns: [
      ...plain,
      {
        key: 'address',
        name: 'Address',
        type: 'text',
        made: {
          kind: 'address',
          from: 'GB',
          parts: {
            name: 'name',
            company: 'company',
            street: 'street',
            town: 'town',
            postcode: 'postcode',
            country: 'country',
          },
        },
      },
    ],
    cells: {},
    removed: [],
    pictures: {},
  };
  const { faces: _faces, post, ...facts } = postcard;
  const made = makePiece({
    id: 'mailing',
    name: 'Postcard, spring opening, addressed',
    kind: 'postcard',
    width: facts.width,
    height: facts.height,
    unit: 'mm',
    shop: 'metric-offset',
    faces: 2,
  });
  const faces = postcard.faces.map((face, i) => ({ ...made.faces[i]!, name: face.name }));
  let job = addPiece(start, {
    ...made,
    faces,
    ...(post ? { post: { ...post, face: 'mailing-2', lines: { ...post.lines!, count: 0 } } } : {}),
  });
  job = addTable(job, table, 'mailing');
  for (const element of copied(postcard, 0)) job = addElement(job, 'mailing-1', element);
  for (const element of copied(postcard, 1, ['Address line'])) job = addElement(job, 'mailing-2', element);
  job = addElement(
    job,
    'mailing-2',
    text({ id: 's-address', at: [82, 56, 51], says: '{address}', size: 9.5, ink: 'black', leading: 1.35 }),
  );
  job = setByRow(job, 's-address', { fit: { least: 8, lines: 2 } });
  job = setRun(job, 'mailing', { by: 'postcode' });
  return { job, bytes, hash };
}

function vouchers(start: Job, card: Piece): Job {
  let job = addPiece(
    start,
    makePiece({
      id: 'voucher',
      name: 'Voucher, a pot of tea',
      kind: 'card',
      width: mm(85),
      height: mm(55),
      unit: 'mm',
      shop: 'metric-offset',
      faces: 1,
    }),
  );
  const table: Table = {
    id: 'vouchers',
    name: 'Vouchers 1 to 100',
    source: { kind: 'counted' },
    rows: 100,
    added: 0,
    columns: [
      {
        key: 'number',
        name: 'Number',
        type: 'text',
        made: { kind: 'count', first: 1, step: 1, digits: 4, before: 'TEA-', after: '', check: 'none' },
      },
      {
        key: 'code',
        name: 'Code',
        type: 'text',
        made: { kind: 'random', length: 7, from: 'clear', seed: 1887, before: '', check: 'mod 10' },
      },
    ],
    cells: {},
    removed: [],
    pictures: {},
  };
  job = addTable(job, table, 'voucher');
  const put = (element: Element): void => {
    job = addElement(job, 'voucher-1', element);
  };
  for (const element of copied(card, 0, ['name', 'title', 'contact', 'hair']))
    put({ ...element, id: `v-${element.id}` });
  put(text({ id: 'v-title', at: [35, 7.5], says: 'A pot of tea', size: 20, typeface: SERIF, leading: 1.1 }));
  put(
    text({
      id: 'v-for',
      at: [35, 17.5, 44],
      says: 'for two, in the glasshouse, any morning until the end of May.',
      size: 8.5,
      ink: 'fen',
    }),
  );
  put(
    makeRule({
      id: 'v-hair',
      name: 'Short rule',
      x: mm(35),
      y: mm(27.6),
      width: mm(12),
      height: 0.5,
      paint: paint('copper'),
    }),
  );
  put(text({ id: 'v-number', at: [35, 29.5], says: '{number}', size: 11, ink: 'copper', typeface: SERIF }));
  put({
    ...makeShape({
      id: 'v-plaque',
      name: 'Plaque of the code',
      x: mm(35),
      y: mm(36.5),
      width: mm(45),
      height: mm(11),
      paint: paint('paper'),
    }),
  });
  put(
    makeCode({
      id: 'v-code',
      symbology: 'code128',
      text: 'ABCDEFG1',
      x: mm(35),
      y: mm(36.5),
      width: mm(45),
      height: mm(11),
      paint: paint('black'),
    }),
  );
  job = setByRow(job, 'v-code', { from: 'code' });
  job = setRun(job, 'voucher', { leaders: true });
  job = setSheet(job, 'voucher', { ...USUAL_SHEET, turning: 'one side' });
  return setOrder(job, 'voucher', { ...NO_ORDER, quantity: 100 });
}

/** Builds the job of runs from the main one: its house, and three pieces of its own. */
export function buildSpring({ job: main, assets }: JobBundle): JobBundle {
  const of = (id: string): Piece => main.pieces.find((piece) => piece.id === id)!;
  const start: Job = {
    ...main,
    id: 'spring-runs',
    name: 'Spring mailing',
    changed: '2026-11-01T09:00:00.000Z',
    pieces: [],
    country: 'GB',
  };
  const mailed = mailing(vouchers(staffCards(start, of('card')), of('card')), of('postcard'));
  let job = requoted(mailed.job);
  for (const piece of job.pieces) {
    const table = job.tables.find(({ id }) => id === piece.run?.table)!;
    const file = table.id === 'customers' ? cellsOfFile(mailed.bytes) : undefined;
    const rows = rowsOf(table, { people: job.people, firm: job.firm, country: job.country, file });
    // Copper meets green on all three.
    job = setSpread(
      showCells(job, piece.id, (key) => rows.cell(0, key)),
      piece.id,
      mm(0.08),
    );
  }
  return { job, assets: { ...assets, [mailed.hash]: mailed.bytes } };
}
