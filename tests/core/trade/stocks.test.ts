import { describe, expect, it } from 'vitest';
import { chooseStock } from '../../../core/job/edits/pieces';
import { STOCK_GROUPS, STOCKS } from '../../../core/trade/stocks';
import { weighs } from '../../../core/trade/weight';
import { fromPoints } from '../../../core/units/length';
import { cardWith, mm } from '../../kit';

const stock = (name: string) => STOCKS.find((each) => each.name === name)!;
const mmOf = (name: string): number => fromPoints(stock(name).caliper, 'mm');

describe('common stocks', () => {
  it('are three dozen and more, each known by its name, in every group', () => {
    expect(STOCKS.length).toBeGreaterThanOrEqual(36);
    expect(new Set(STOCKS.map(({ name }) => name)).size).toBe(STOCKS.length);
    expect([...new Set(STOCKS.map(({ group }) => group))]).toEqual([...STOCK_GROUPS]);
  });

  // Paper takes 0.7 to 1.75 cm³ a gram: pressed gloss the least, cotton and folding box board the most (common practice).
  it.each(STOCKS.map((each) => [each.name, each] as const))('%s is as thick as paper of its kind', (_, each) => {
    const bulk = (fromPoints(each.caliper, 'mm') * 1000) / each.weight;
    const [least, most] = { gloss: [0.7, 1.2], silk: [0.8, 1.2], uncoated: [1.15, 1.75], 'one side': [1.5, 1.75] }[
      each.coating
    ]!;
    expect(bulk).toBeGreaterThanOrEqual(least!);
    expect(bulk).toBeLessThanOrEqual(most!);
    const said = /(\d+) g\/m²/.exec(each.name);
    expect(Number(said![1])).toBe(each.weight);
  });

  it('are thicker and less seen through, the heavier they are', () => {
    for (const group of STOCK_GROUPS.slice(0, 2))
      for (const coating of ['uncoated', 'silk', 'gloss']) {
        const row = STOCKS.filter((each) => each.group === group && each.name.toLowerCase().startsWith(coating));
        for (const [i, each] of row.entries()) {
          expect(each.caliper).toBeGreaterThan(row[i - 1]?.caliper ?? 0);
          expect(each.opacity).toBeGreaterThanOrEqual(row[i - 1]?.opacity ?? 0);
        }
      }
  });

  it('in points of a thousandth of an inch are as thick as their name says', () => {
    expect(mmOf('Cover coated 14 pt (308 g/m²)')).toBeCloseTo(0.014 * 25.4, 3);
    expect(mmOf('Cover coated 16 pt (352 g/m²)')).toBeCloseTo(0.016 * 25.4, 3);
  });

  it('say what a piece weighs: 0.148 × 0.105 m of 300 g/m² are 4.66 g', () => {
    expect(weighs({ width: mm(148), height: mm(105) }, 300)).toBeCloseTo(4.662, 3);
  });

  it('chosen for a piece, give its order a name and a weight, and it its thickness', () => {
    const job = chooseStock(cardWith([]), 'card', stock('Silk board 350 g/m²'));
    expect(job.pieces[0]).toMatchObject({ order: { stock: 'Silk board 350 g/m²', weight: 350, quantity: 250 } });
    expect(fromPoints(job.pieces[0]!.thickness!, 'mm')).toBeCloseTo(0.338, 6);
    const kraft = chooseStock(job, 'card', stock('Kraft board 300 g/m²'));
    expect(kraft.pieces[0]!.order?.colour).toBe('#c39a6b');
    expect(chooseStock(kraft, 'card', stock('Silk board 350 g/m²')).pieces[0]!.order).not.toHaveProperty('colour');
  });
});
