import type { Ink } from '../../../core/colour/ink';
import type { Firm, Person } from '../../../core/job/details';
import { addPerson } from '../../../core/job/edits/house';
import { addInk } from '../../../core/job/edits/inks';
import { keepLogo } from '../../../core/job/edits/logos';
import { makeJob, makeShape } from '../../../core/job/make';
import type { Job } from '../../../core/job/schema';
import { countryOf } from '../../../core/trade/countries';

/** Forty invented clients that are hard to set in type: long names, many lines, odd logos, few inks, many scripts. */

type Details = { firm: Firm; person?: Partial<Omit<Person, 'id'>>; country?: string };
type Marks = 'none' | 'square' | 'wide' | 'tall' | 'reversed too';
type Colours = 'none' | 'one spot' | 'two' | 'three' | 'pale' | 'dark';
export interface Client {
  name: string;
  job: Job;
}

const INKS: Readonly<Record<Colours, readonly Ink[]>> = {
  none: [],
  'one spot': [{ id: 'blue', name: 'Harbour Blue', kind: 'spot', cmyk: [1, 0.6, 0, 0.2] }],
  two: [
    { id: 'blue', name: 'Navy', kind: 'process', cmyk: [1, 0.7, 0.2, 0.4] },
    { id: 'orange', name: 'Orange', kind: 'process', cmyk: [0, 0.6, 0.95, 0] },
  ],
  three: [
    { id: 'green', name: 'Moss', kind: 'process', cmyk: [0.7, 0.3, 0.9, 0.3] },
    { id: 'clay', name: 'Clay', kind: 'process', cmyk: [0.1, 0.65, 0.75, 0.1] },
    { id: 'sand', name: 'Sand', kind: 'process', cmyk: [0.03, 0.06, 0.16, 0] },
  ],
  pale: [{ id: 'sun', name: 'Sun', kind: 'process', cmyk: [0, 0.15, 0.9, 0] }],
  dark: [
    { id: 'ink', name: 'Night', kind: 'process', cmyk: [0.9, 0.8, 0.4, 0.5] },
    { id: 'wine', name: 'Wine', kind: 'process', cmyk: [0.2, 0.95, 0.6, 0.4] },
  ],
};

const SIDES: Readonly<Record<Marks, readonly [number, number] | undefined>> = {
  none: undefined,
  square: [100, 100],
  wide: [600, 80],
  tall: [70, 280],
  'reversed too': [220, 90],
};

function withMarks(job: Job, marks: Marks): Job {
  const sides = SIDES[marks];
  if (!sides) return job;
  const [width, height] = sides;
  const ink = job.inks.find(({ id }) => id !== 'black' && id !== 'paper')?.id ?? 'black';
  const drawn = (paint: string) => [
    makeShape({ id: 'm1', x: 0, y: 0, width, height: height * 0.3, paint: { ink: paint, tint: 1 } }),
    makeShape({
      id: 'm2',
      x: 0,
      y: height * 0.4,
      width: width * 0.5,
      height: height * 0.6,
      paint: { ink: paint, tint: 1 },
    }),
  ];
  const box = { x: 0, y: 0, width, height };
  const full = keepLogo(job, drawn(ink), box, { id: 'logo', name: 'Logo' });
  return marks === 'reversed too'
    ? keepLogo(full, drawn('paper'), box, { id: 'white', name: 'Logo reversed', use: 'reversed' })
    : full;
}

const PEOPLE: readonly Partial<Omit<Person, 'id'>>[] = [
  { name: 'Iris Calloway', title: 'Founder', direct: '01632 960 101', mail: 'iris@marsh.example' },
  {
    name: 'Maximiliane Oppenheimer-Wolkenstein-Trostberg',
    title: 'Head of workshop, restoration and the training of apprentices',
    direct: '+49 30 23125 017',
    mail: 'maximiliane.oppenheimer@wolkenstein-werkstatt.example',
  },
  { name: 'Nguyễn Thị Minh Khuê', title: 'Giám đốc sáng tạo', direct: '+84 24 7300 0000', mail: 'khue@hoasen.example' },
  {
    name: 'Ελευθερία Παπακωνσταντίνου',
    title: 'Υπεύθυνη εργαστηρίου',
    direct: '+30 21 0000 0000',
    mail: 'eleftheria@elia.example',
  },
  { name: 'Bo Li', title: '', direct: '', mail: '' },
];

const isEnglish = ({ title = '' }: Partial<Person>): boolean => /^[a-z ,]*$/i.test(title);

const FIRMS: readonly Details[] = [
  {
    firm: {
      name: 'Marsh & Daughters',
      line: 'Boats built and mended',
      street: '4 Quay Street',
      town: 'East Wend',
      postcode: 'EW7 1AB',
      phone: '01632 960 100',
      mail: 'hello@marsh.example',
      web: 'marsh.example',
    },
    country: 'GB',
  },
  {
    firm: {
      name: 'Spoke & Chain Bicycle Works of Saint Augustine',
      line: 'Repairs, restorations and bicycles built to measure since 1987',
      street: '2301 North Commonwealth Boulevard, Suite 1400',
      town: 'Saint Augustine Beach',
      region: 'FL',
      postcode: '32080-4417',
      phone: '(202) 555-0143',
      mobile: '(202) 555-0187',
      mail: 'workshop@spokeandchainbicycleworks.example',
      web: 'www.spokeandchainbicycleworks.example',
      handle: '@spokeandchainbicycles',
      secondHandle: '@spokechainworks',
      registration: 'EIN 00-0000000',
    },
    country: 'US',
  },
  { firm: { name: 'Ó' }, country: 'IE' },
  {
    firm: {
      name: 'Wolkenstein Werkstätten für Holz und Metall',
      line: 'Möbel nach Maß',
      street: 'Friedrich-Wilhelm-Weber-Straße 112',
      town: 'Mönchengladbach',
      postcode: '41061',
      country: 'Deutschland',
      phone: '+49 30 23125 000',
      mail: 'post@wolkenstein-werkstatt.example',
      web: 'wolkenstein-werkstatt.example',
      registration: 'HRB 00000, Amtsgericht Mönchengladbach',
    },
    country: 'DE',
  },
  {
    firm: {
      name: 'Hoa Sen Studio',
      line: 'Thiết kế và in ấn',
      street: '12 Phố Hàng Gai, Hoàn Kiếm',
      town: 'Hà Nội',
      postcode: '100000',
      phone: '+84 24 7300 0001',
      web: 'hoasen.example',
    },
    country: 'VN',
  },
  {
    firm: {
      name: 'Ελαιώνας & Υιοί',
      line: 'Ελαιόλαδο από το 1921',
      street: 'Λεωφόρος Δημοκρατίας 45',
      town: 'Καλαμάτα',
      postcode: '241 00',
      phone: '+30 21 0000 0001',
      mail: 'info@elia.example',
    },
    country: 'GR',
  },
  { firm: { name: 'Tern', web: 'tern.example' }, country: 'CA' },
  { firm: {} },
];

const MARKS: readonly Marks[] = ['none', 'square', 'wide', 'tall', 'reversed too'];
const COLOURS = Object.keys(INKS) as Colours[];

/** Each firm with five of the people, logos and colours: the whole cross of them would be a thousand. */
export const CLIENTS: readonly Client[] = FIRMS.flatMap(({ firm, country }, f) =>
  MARKS.map((marks, m): Client => {
    const colours = COLOURS[(f + m) % COLOURS.length]!;
    const person = PEOPLE[(f * 3 + m) % PEOPLE.length]!;
    const bare = {
      ...makeJob('job', firm.name ?? 'New', '2026-03-04T05:06:07.000Z'),
      firm,
      ...(country ? { country } : {}),
      spelling: {
        language: isEnglish(person) ? (countryOf(country)?.spelling ?? 'en-GB') : ('none' as const),
        words: [],
      },
    };
    const inked = INKS[colours].reduce(addInk, bare);
    const staffed =
      f === FIRMS.length - 1
        ? inked
        : addPerson(inked, { id: 'one', name: '', title: '', direct: '', mail: '', ...person });
    return { name: `${firm.name ?? 'nobody'}, ${marks}, ${colours}`, job: withMarks(staffed, marks) };
  }),
);
