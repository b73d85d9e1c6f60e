import { describe, expect, it } from 'vitest';
import { addFinish, copyToFinish, newFinish } from '../../../core/job/edits/finishing';
import type { Job } from '../../../core/job/schema';
import { type QuoteItem, quoteOf } from '../../../core/sheet/quote';
import { quoteItem, readQuote } from '../../../core/sheet/savings';
import { moneyText } from '../../../core/trade/money';
import { PRICES, type Prices, pricesSchema } from '../../../core/trade/prices';
import { shopSpecSchema } from '../../../core/trade/schema';
import { SHOPS } from '../../../core/trade/shops';
import { mm, openDemo } from '../../kit';

const { job } = openDemo();
const card = job.pieces[0]!;
/** Round numbers, so that each line can be worked out by hand. A sheet of 200 × 200 mm holds six cards with their bleed. */
const ROUND: Prices = {
  currency: 'EUR',
  press: { name: 'small', width: mm(200), height: mm(200), perfecting: false, unprintable: mm(5) },
  form: 10,
  plate: 2,
  spot: 5,
  thousandPasses: 100,
  paper: [
    { upTo: 300, area: 1 },
    { upTo: 2000, area: 2 },
  ],
  cut: 1,
  pile: 500,
  fold: { setup: 7, thousand: 10 },
  finishing: { foil: { setup: 20, tool: { least: 30, area: 1 }, thousand: 40 } },
  steps: [{ from: 1000, less: 0.1 }],
  quantities: [100, 500, 1000, 5000],
  least: 0,
  delivery: 3,
  days: { print: 2, finish: 1 },
};
const item = (quantity: number, more: Partial<QuoteItem> = {}): QuoteItem => ({
  ...quoteItem(job, card),
  quantity,
  ...more,
});
const line = (quote: ReturnType<typeof quoteOf>, what: RegExp) => quote!.lines.find((each) => what.test(each.what));

describe('a quote', () => {
  it('is worked out line by line', () => {
    const quote = quoteOf(job, [item(300)], ROUND)!;
    // The demo card has four process plates and a spot on each side.
    expect(line(quote, /^Make-ready/)).toMatchObject({ count: 2, sum: 20 });
    expect(line(quote, /^Plates/)).toMatchObject({ count: 10, sum: 20 });
    expect(line(quote, /^Spot/)).toMatchObject({ count: 1, sum: 5 });
    // 0.04 m² a sheet at 2 a square metre, for stock of 350 g/m².
    expect(line(quote, /^Paper/)!.sum).toBeCloseTo(quote.sheets * 0.04 * 2, 2);
    expect(line(quote, /^Printing/)).toMatchObject({ count: 2 * quote.sheets });
    expect(quote.sheets).toBeGreaterThanOrEqual(Math.ceil(300 / quote.up));
    expect(quote.sum).toBeCloseTo(
      quote.lines.reduce((sum, each) => sum + each.sum, 0),
      2,
    );
    expect(quote.days).toBe(2);
  });

  it('takes what a quantity is less, and never goes below the least', () => {
    const quote = quoteOf(job, [item(1000)], ROUND)!;
    const others = quote.lines
      .filter(({ what }) => !/less|Delivery/.test(what))
      .reduce((sum, each) => sum + each.sum, 0);
    expect(line(quote, /10 % less/)!.sum).toBeCloseTo(-others / 10, 1);
    const least = quoteOf(job, [item(100)], { ...ROUND, least: 500 })!;
    expect(least.sum).toBe(500);
    expect(least.lines.reduce((sum, each) => sum + each.sum, 0)).toBeCloseTo(500, 2);
  });

  it('never falls as more are ordered, but where a step makes it less', () => {
    const sums = [50, 100, 200, 400, 800].map((n) => quoteOf(job, [item(n)], { ...ROUND, steps: [] })!.sum);
    expect(sums).toEqual([...sums].sort((a, b) => a - b));
  });

  it('counts foil with its tool, and says what it has no price for', () => {
    const kinds = ['foil', 'embossing'] as const;
    const made = kinds.reduce<Job>((j, kind) => {
      const added = addFinish(j, card.id, newFinish(j, j.pieces[0]!, kind));
      return copyToFinish(added, new Map([['name', `${kind}-form`]]), kind);
    }, job);
    const quote = quoteOf(made, [{ ...quoteItem(made, made.pieces[0]!), quantity: 500 }], ROUND)!;
    // 8.5 × 5.5 cm at 1 a square centimetre, and 20 to set up.
    expect(line(quote, /^Foil, gold: set up and tool/)!.sum).toBeCloseTo(20 + 46.75, 2);
    expect(line(quote, /^Foil, gold$/)).toMatchObject({ count: 500, sum: 20 });
    expect(quote.unpriced).toEqual(['Embossing']);
    expect(quote.days).toBe(4);
  });
});

describe('what would save', () => {
  const read = readQuote(job, item(250), PRICES['metric-offset']!)!;
  const saving = (says: RegExp) => read.savings.find((each) => says.test(each.says));

  it('is what the quote comes to without it', () => {
    const front = quoteOf(job, [item(250, { faces: [0] })], PRICES['metric-offset']!)!;
    expect(saving(/one side/)).toMatchObject({ sum: front.sum });
    expect(saving(/one side/)!.saves).toBeCloseTo(read.quote.sum - front.sum, 2);
    // Two plates a side instead of five, of two sides, and no spot to wash up.
    expect(saving(/two inks/)!.saves).toBeCloseTo(6 * 9 + 18, 2);
  });

  it('knows that the cards of all people share sheets', () => {
    const one = read.quote.sum;
    const all = saving(/all 6 people/)!;
    expect(all.sum).toBeLessThan(2 * one);
    expect(all.saves).toBeCloseTo(6 * one - all.sum, 1);
  });

  it('finds the size at which one more fits', () => {
    // 85 mm and its bleed fit twice across 190 mm; cut to 54 mm high they fit three times down, and 55 mm does too.
    const tight: Prices = { ...ROUND, press: { ...ROUND.press, width: mm(182), height: mm(118) } };
    const found = readQuote(job, item(5000), tight)!.savings.find(({ says }) => /on a sheet instead of/.test(says));
    expect(found?.says).toMatch(/mm: \d+ on a sheet instead of \d+/);
    expect(found!.saves).toBeGreaterThan(0);
  });

  it('gives the next quantities and what each is then', () => {
    expect(read.steps.map(({ quantity }) => quantity)).toEqual([500, 1000, 2500]);
    for (const { quantity, sum, each } of read.steps) expect(each).toBeCloseTo(sum / quantity, 6);
    expect(read.steps[2]!.each).toBeLessThan(read.steps[0]!.each);
  });
});

describe('price lists', () => {
  it.each(SHOPS.filter(({ prices }) => prices).map((shop) => [shop.name, shop] as const))(
    '%s’s can be sent and read',
    (_, shop) => {
      expect(shopSpecSchema.parse(JSON.parse(JSON.stringify(shop)))).toEqual(shop);
    },
  );
  it('refuse a nonsense number', () => {
    expect(pricesSchema.safeParse({ ...ROUND, form: -1 }).success).toBe(false);
    expect(pricesSchema.safeParse({ ...ROUND, quantities: [] }).success).toBe(false);
  });
  it.each([
    [1234.5, 'EUR', '€1,234.50'],
    [0.0862, 'USD', '$0.086'],
    [12, 'GBP', '£12.00'],
  ] as const)('%d %s is %s', (sum, currency, text) => expect(moneyText(sum, currency)).toBe(text));
});
