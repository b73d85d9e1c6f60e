import * as z from 'zod';
import { lengthOf as pt } from '../units/length';
import { FINISH_KINDS } from './finishes';

/** What a shop charges, as data that it can send: an open form of our own. Money in whole units of its currency. */

const money = z.number().min(0).max(1_000_000);
const length = z.number().positive().max(14_400);

/** What a finish costs: to set up, for its tool by its size, and for a thousand pieces. */
const finishPriceSchema = z.strictObject({
  setup: money,
  /** A die, block or plate of its own: at least so much, and so much a square centimetre. */
  tool: z.strictObject({ least: money, area: money }).optional(),
  thousand: money,
});

export const pricesSchema = z.strictObject({
  /** ISO 4217. */
  currency: z.string().regex(/^[A-Z]{3}$/),
  /** What it prints on: the sheet, points, and whether both sides go through at once. */
  press: z.strictObject({
    name: z.string().min(1).max(80),
    width: length,
    height: length,
    perfecting: z.boolean(),
    unprintable: z.number().min(0).max(200),
  }),
  /** To make a side of a form ready; each plate; each spot ink, for washing up. */
  form: money,
  plate: money,
  spot: money,
  /** A thousand sheets through the press once. */
  thousandPasses: money,
  /** Paper, a square metre, by how heavy it is: the first row that is heavy enough. */
  paper: z
    .array(z.strictObject({ upTo: z.number().min(20).max(2000), area: money }))
    .min(1)
    .max(20),
  /** A cut through a pile of so many sheets. */
  cut: money,
  pile: z.int().min(1).max(5000),
  fold: z.strictObject({ setup: money, thousand: money }),
  /** What it does itself; what is left out it does not do. */
  finishing: z.partialRecord(z.enum(FINISH_KINDS), finishPriceSchema),
  /** Less by so much, 0 to 1, from so many pieces. */
  steps: z.array(z.strictObject({ from: z.int().min(1).max(10_000_000), less: z.number().min(0).max(0.9) })).max(20),
  /** The quantities that it likes to be asked for. */
  quantities: z.array(z.int().min(1).max(10_000_000)).min(1).max(40),
  least: money,
  delivery: money,
  /** Working days, and those that each finish adds. */
  days: z.strictObject({ print: z.int().min(0).max(200), finish: z.int().min(0).max(60) }),
});
export type Prices = z.infer<typeof pricesSchema>;

/** Prices of the shops that ship, by id: invented, as the shops are. */
const QUANTITIES = [50, 100, 250, 500, 1000, 2500, 5000, 10_000, 25_000];
export const PRICES: Readonly<Record<string, Prices>> = {
  'metric-offset': {
    currency: 'EUR',
    press: { name: 'SRA3', width: pt('320 mm'), height: pt('450 mm'), perfecting: false, unprintable: pt('5 mm') },
    form: 14,
    plate: 9,
    spot: 18,
    thousandPasses: 21,
    paper: [
      { upTo: 120, area: 0.19 },
      { upTo: 200, area: 0.31 },
      { upTo: 300, area: 0.52 },
      { upTo: 450, area: 0.88 },
      { upTo: 2000, area: 2.1 },
    ],
    cut: 0.9,
    pile: 500,
    fold: { setup: 16, thousand: 11 },
    finishing: {
      foil: { setup: 38, tool: { least: 32, area: 0.9 }, thousand: 46 },
      varnish: { setup: 26, tool: { least: 18, area: 0.05 }, thousand: 19 },
      embossing: { setup: 34, tool: { least: 45, area: 1.3 }, thousand: 39 },
      debossing: { setup: 34, tool: { least: 40, area: 1.1 }, thousand: 39 },
      'die line': { setup: 29, tool: { least: 48, area: 0.4 }, thousand: 24 },
      crease: { setup: 15, thousand: 9 },
      perforation: { setup: 15, thousand: 10 },
      holes: { setup: 9, thousand: 7 },
      glue: { setup: 30, thousand: 34 },
    },
    steps: [
      { from: 2500, less: 0.03 },
      { from: 10_000, less: 0.06 },
    ],
    quantities: QUANTITIES,
    least: 45,
    delivery: 9,
    days: { print: 4, finish: 2 },
  },
  'inch-mail-order': {
    currency: 'USD',
    press: { name: '19 × 25 in', width: pt('19 in'), height: pt('25 in'), perfecting: true, unprintable: pt('1/4 in') },
    form: 6,
    plate: 4,
    spot: 30,
    thousandPasses: 30,
    paper: [
      { upTo: 120, area: 0.2 },
      { upTo: 300, area: 0.46 },
      { upTo: 2000, area: 0.95 },
    ],
    cut: 0.5,
    pile: 800,
    fold: { setup: 12, thousand: 8 },
    finishing: {
      varnish: { setup: 18, tool: { least: 10, area: 0.03 }, thousand: 14 },
      foil: { setup: 49, tool: { least: 40, area: 1.1 }, thousand: 52 },
      'die line': { setup: 39, tool: { least: 60, area: 0.5 }, thousand: 22 },
      crease: { setup: 12, thousand: 7 },
      perforation: { setup: 12, thousand: 8 },
      holes: { setup: 10, thousand: 6 },
    },
    steps: [
      { from: 1000, less: 0.05 },
      { from: 5000, less: 0.1 },
      { from: 25_000, less: 0.15 },
    ],
    quantities: [100, 250, 500, 1000, 2500, 5000, 10_000, 25_000],
    least: 19,
    delivery: 12,
    days: { print: 3, finish: 3 },
  },
  'metric-digital': {
    currency: 'EUR',
    press: { name: 'SRA3', width: pt('320 mm'), height: pt('450 mm'), perfecting: true, unprintable: pt('5 mm') },
    form: 4,
    plate: 0,
    spot: 0,
    // A click is paid for each side.
    thousandPasses: 190,
    paper: [
      { upTo: 160, area: 0.24 },
      { upTo: 300, area: 0.6 },
      { upTo: 2000, area: 1.05 },
    ],
    cut: 0.9,
    pile: 200,
    fold: { setup: 7, thousand: 18 },
    finishing: {
      crease: { setup: 6, thousand: 16 },
      perforation: { setup: 6, thousand: 18 },
      holes: { setup: 4, thousand: 10 },
      varnish: { setup: 12, thousand: 95 },
      foil: { setup: 15, thousand: 210 },
      white: { setup: 10, thousand: 120 },
      'die line': { setup: 12, thousand: 140 },
    },
    steps: [],
    quantities: QUANTITIES.slice(0, 6),
    least: 18,
    delivery: 7,
    days: { print: 1, finish: 1 },
  },
  letterpress: {
    currency: 'EUR',
    press: {
      name: '35 × 50 cm',
      width: pt('350 mm'),
      height: pt('500 mm'),
      perfecting: false,
      unprintable: pt('8 mm'),
    },
    form: 36,
    plate: 42,
    spot: 22,
    thousandPasses: 88,
    paper: [
      { upTo: 300, area: 1.3 },
      { upTo: 2000, area: 3.4 },
    ],
    cut: 1.4,
    pile: 200,
    fold: { setup: 22, thousand: 30 },
    finishing: {
      foil: { setup: 44, tool: { least: 40, area: 1.1 }, thousand: 66 },
      embossing: { setup: 40, tool: { least: 55, area: 1.6 }, thousand: 58 },
      debossing: { setup: 24, tool: { least: 42, area: 1.2 }, thousand: 52 },
      'die line': { setup: 34, tool: { least: 60, area: 0.6 }, thousand: 34 },
      crease: { setup: 14, thousand: 15 },
      perforation: { setup: 14, thousand: 15 },
      holes: { setup: 8, thousand: 9 },
    },
    steps: [],
    quantities: [50, 100, 250, 500, 1000, 2500],
    least: 120,
    delivery: 9,
    days: { print: 8, finish: 3 },
  },
};
