import { lengthOf as pt } from '../units/length';
import { PRICES } from './prices';
import type { ShopSpec } from './schema';

/** Shop specs that ship with the app: invented shops, with the limits that are common practice. */

/** What most presses hold: common practice; line art and ppi from memory of the Ghent Workgroup's sheet-fed specification. */
const LIMITS: ShopSpec['limits'] = {
  line: { any: 0.25, light: 0.5 },
  type: { warn: 6, stop: 5, severalInks: 8 },
  lineArt: { warn: 800, stop: 550 },
  heavy: 450,
  tint: { least: 0.03, most: 0.95 },
  frame: pt('3 mm'),
  fold: pt('3 mm'),
};

/** The parts of a spec that shops seldom word for themselves. */
const COMMON = {
  limits: LIMITS,
  sizes: {},
  plates: { process: 'four', spots: 12 },
  standard: 'PDF/X-4',
  fileName: '{client}-{piece}-{size}',
  files: 'one',
  // Pictures are separated when the file is written: few shops want to hear of it.
  asks: { 'rgb-picture': 'off' },
  source: { kind: 'common practice' },
} satisfies Partial<ShopSpec>;

const size = (name: string, width: string, height: string) => ({ name, width: pt(width), height: pt(height) });

const BARE: readonly ShopSpec[] = [
  {
    ...COMMON,
    id: 'metric-offset',
    name: 'Metric offset',
    unit: 'mm',
    bleed: { card: pt('3 mm'), letterhead: pt('3 mm'), envelope: 0, postcard: pt('3 mm'), flyer: pt('3 mm') },
    safe: { card: pt('4 mm'), letterhead: pt('10 mm'), envelope: pt('6 mm'), postcard: pt('6 mm'), flyer: pt('5 mm') },
    meetsTrim: pt('0.1 mm'),
    ppi: { wanted: 300, warn: 225, stop: 150 },
    marks: { weight: 0.25, length: pt('5 mm'), offset: pt('5 mm') },
    condition: 'general-coated',
    tolerance: { x: pt('1 mm'), y: pt('1 mm'), twist: 0.3, backs: pt('0.5 mm') },
    overs: { makeReady: 40, pass: 0.02, finishing: 0.01 },
    notes: 'Sheet-fed offset on coated and uncoated stocks. One PDF with a page a side, front then back.',
  },
  {
    ...COMMON,
    id: 'inch-mail-order',
    name: 'Inch mail-order',
    unit: 'in',
    bleed: { card: pt('1/8 in'), letterhead: pt('1/8 in'), envelope: 0, postcard: pt('1/8 in'), flyer: pt('1/8 in') },
    safe: {
      card: pt('1/8 in'),
      letterhead: pt('1/2 in'),
      envelope: pt('1/4 in'),
      postcard: pt('1/4 in'),
      flyer: pt('1/8 in'),
    },
    meetsTrim: pt('0.004 in'),
    ppi: { wanted: 300, warn: 225, stop: 150 },
    marks: { weight: 0.25, length: pt('1/4 in'), offset: pt('3/16 in') },
    condition: 'general-coated',
    tolerance: { x: pt('1/16 in'), y: pt('1/16 in'), twist: 0.4, backs: pt('1/32 in') },
    sizes: {
      card: [
        size('Standard card', '3.5 in', '2 in'),
        size('Tall card', '3.5 in', '2.125 in'),
        size('Slim card', '3.5 in', '1.5 in'),
        size('Square card', '2.5 in', '2.5 in'),
        size('Folded card, flat', '3.5 in', '4 in'),
      ],
      postcard: [
        size('Small postcard', '5.47 in', '4.21 in'),
        size('Postcard', '6 in', '4 in'),
        size('Postcard, 4 1/4', '6 in', '4.25 in'),
        size('Large postcard', '8.5 in', '5.47 in'),
        size('Jumbo postcard', '9 in', '6 in'),
      ],
      flyer: [
        size('Half sheet', '5.5 in', '8.5 in'),
        size('Full sheet', '8.5 in', '11 in'),
        size('Rack card', '4 in', '9 in'),
      ],
      letterhead: [size('Letter', '8.5 in', '11 in')],
      envelope: [
        size('No. 10', '9.5 in', '4 1/8 in'),
        size('A6', '6.5 in', '4.75 in'),
        size('A7', '7.25 in', '5.25 in'),
      ],
    },
    plates: { process: 'four', spots: 2 },
    fileName: '{client}_{piece}_{face}',
    files: 'one a face',
    overs: { makeReady: 50, pass: 0.03, finishing: 0.01 },
    notes: 'Process jobs are ganged on large sheets, and colours drift a little. Up to two spot inks.',
  },
  {
    ...COMMON,
    id: 'metric-digital',
    name: 'Metric digital',
    unit: 'mm',
    bleed: { card: pt('2 mm'), letterhead: pt('2 mm'), envelope: 0, postcard: pt('2 mm'), flyer: pt('2 mm') },
    safe: { card: pt('3 mm'), letterhead: pt('8 mm'), envelope: pt('8 mm'), postcard: pt('4 mm'), flyer: pt('4 mm') },
    meetsTrim: pt('0.1 mm'),
    ppi: { wanted: 300, warn: 200, stop: 150 },
    marks: { weight: 0.25, length: pt('4 mm'), offset: pt('3 mm') },
    condition: 'general-coated',
    limits: { ...LIMITS, totalInk: 2.8, tint: { least: 0.05, most: 0.95 }, line: { any: 0.3, light: 0.6 } },
    tolerance: { x: pt('1 mm'), y: pt('1 mm'), twist: 0.4, backs: pt('1 mm') },
    plates: { process: 'four', spots: 0 },
    asks: {},
    overs: { makeReady: 5, pass: 0.02, finishing: 0.01 },
    notes: 'Toner on sheets up to SRA3. Fronts and backs may lie 1 mm apart.',
  },
  {
    ...COMMON,
    id: 'letterpress',
    name: 'Letterpress, two inks',
    unit: 'mm',
    bleed: { card: pt('4 mm'), letterhead: pt('4 mm'), envelope: 0, postcard: pt('4 mm'), flyer: pt('4 mm') },
    safe: { card: pt('5 mm'), letterhead: pt('12 mm'), envelope: pt('8 mm'), postcard: pt('6 mm'), flyer: pt('6 mm') },
    meetsTrim: pt('0.1 mm'),
    ppi: { wanted: 600, warn: 450, stop: 300 },
    marks: { weight: 0.3, length: pt('6 mm'), offset: pt('6 mm') },
    condition: 'estimated-uncoated',
    limits: {
      ...LIMITS,
      line: { any: 0.35, light: 0.75 },
      type: { warn: 7, stop: 6, severalInks: 10 },
      lineArt: { warn: 1200, stop: 800 },
      heavy: 1200,
      // Plates of polymer hold no screens worth having: a tint is another ink.
      tint: { least: 1, most: 1 },
    },
    tolerance: { x: pt('0.7 mm'), y: pt('0.7 mm'), twist: 0.2, backs: pt('0.7 mm') },
    plates: { process: 'none', spots: 2 },
    standard: 'PDF/X-1a:2003',
    asks: { 'low-ppi': 'warn', 'black-areas': 'off', 'rgb-picture': 'off' },
    overs: { makeReady: 30, pass: 0.04, finishing: 0.02 },
    notes: 'Two inks at most, each mixed by hand; black is an ink like others. No tints, no photographs.',
  },
  {
    ...COMMON,
    id: 'office-printer',
    name: 'Office printer',
    unit: 'mm',
    bleed: { card: 0, letterhead: 0, envelope: 0, postcard: 0, flyer: 0 },
    safe: { card: pt('6 mm'), letterhead: pt('6 mm'), envelope: pt('8 mm'), postcard: pt('6 mm'), flyer: pt('6 mm') },
    meetsTrim: pt('0.1 mm'),
    ppi: { wanted: 200, warn: 150, stop: 100 },
    marks: { weight: 0.5, length: pt('4 mm'), offset: pt('2 mm') },
    condition: 'estimated-uncoated',
    limits: { ...LIMITS, totalInk: 2.4, tint: { least: 0.06, most: 0.92 }, line: { any: 0.4, light: 0.75 } },
    tolerance: { x: pt('1.5 mm'), y: pt('1.5 mm'), twist: 0.8, backs: pt('1.5 mm') },
    plates: { process: 'four', spots: 0 },
    asks: { 'total-ink': 'warn', 'rgb-picture': 'off' },
    overs: { makeReady: 0, pass: 0.02, finishing: 0 },
    notes: 'Your own printer, scissors or a small trimmer: nothing can be printed to the edge of its sheet.',
  },
];

/** The shops, with what those that sell print charge for it. */
export const SHOPS: readonly ShopSpec[] = BARE.map((shop) => {
  const prices = PRICES[shop.id];
  return prices ? { ...shop, prices } : shop;
});

/** The shop spec of that id, or the first one where none that ships has it. */
export const shopOf = (id: string): ShopSpec => SHOPS.find((shop) => shop.id === id) ?? SHOPS[0]!;
