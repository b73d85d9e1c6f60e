import { existsSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { profileFile } from '../../../cli/kit';
import { CONDITIONS, conditionOf } from '../../../core/trade/conditions';
import { KINDS, pressConditionSchema, shopSpecSchema, sizeRowSchema } from '../../../core/trade/schema';
import { SHOPS, shopOf } from '../../../core/trade/shops';
import { measuresOf, SIZES, sizesOf } from '../../../core/trade/sizes';
import { formatNumber, fromPoints, parseLength, toPoints } from '../../../core/units/length';

describe('finished sizes', () => {
  it.each(SIZES)('$kind $name is a full row with a source', (row) => {
    sizeRowSchema.parse(row);
    if (row.source.kind === 'standard') expect(row.source.name).toBeTruthy();
  });

  it.each(SIZES)('$kind $name prints as it was typed, and comes back the same through either unit', (row) => {
    const { width, height, unit } = measuresOf(row);
    expect(`${formatNumber(width, unit)} ${unit}`).toBe(row.width);
    expect(`${formatNumber(height, unit)} ${unit}`).toBe(row.height);
    for (const each of ['mm', 'in'] as const)
      for (const side of [width, height]) {
        const text = formatNumber(side, each);
        const back = parseLength(text, each);
        expect(back.ok && formatNumber(back.points, each)).toBe(text);
        expect(back.ok && Math.abs(back.points - side)).toBeLessThan(toPoints(0.00005, 'in') + 1e-9);
      }
  });

  it('has every kind, no size twice', () => {
    for (const kind of KINDS) {
      const sizes = sizesOf(kind).map((row) => `${row.width} × ${row.height}`);
      expect(sizes.length).toBeGreaterThan(3);
      expect(new Set(sizes).size).toBe(sizes.length);
    }
  });

  // ISO 216: A0 is 841 × 1189 mm; each next size halves the long side, rounded down to the millimetre.
  it('halves the A series from A0 as ISO 216 does', () => {
    let [short, long] = [841, 1189];
    const series = new Map<string, [number, number]>();
    for (let n = 0; n <= 10; n++) {
      series.set(`A${n}`, [short, long]);
      [short, long] = [Math.floor(long / 2), short];
    }
    expect(series.get('A10')).toEqual([26, 37]);
    const rows = SIZES.filter((row) => row.source.name === 'ISO 216');
    expect(rows.length).toBeGreaterThanOrEqual(6);
    for (const row of rows) {
      const { width, height } = measuresOf(row);
      const sides = [width, height].map((s) => Math.round(fromPoints(s, 'mm') * 1e6) / 1e6).sort((a, b) => a - b);
      expect(sides).toEqual(series.get(row.name));
    }
  });

  it('keeps the ratio of ISO 216: 1 to √2 within the rounding to a millimetre', () => {
    for (const row of SIZES.filter((r) => r.source.name === 'ISO 216')) {
      const { width, height } = measuresOf(row);
      const [short, long] = [width, height].map((s) => fromPoints(s, 'mm')).sort((a, b) => a - b) as [number, number];
      expect(Math.abs(long - short * Math.SQRT2)).toBeLessThan(1);
    }
  });
});

describe('shop specs', () => {
  it.each(SHOPS)('$name is a full row', (shop) => {
    shopSpecSchema.parse(shop);
    for (const kind of KINDS) {
      expect(shop.bleed[kind]).toBeGreaterThanOrEqual(0);
      expect(shop.safe[kind]).toBeGreaterThan(0);
    }
    expect(() => conditionOf(shop.condition)).not.toThrow();
  });

  it('ships one in millimetres and one in inches', () => {
    expect(new Set(SHOPS.map((shop) => shop.unit))).toEqual(new Set(['mm', 'in']));
  });

  // Common practice: a card of 3.5 × 2 in is supplied as 3.75 × 2.25 in, a 6 × 4 in postcard as 6.25 × 4.25 in.
  it('adds the bleed of common practice', () => {
    const { bleed } = shopOf('inch-mail-order');
    expect(fromPoints(toPoints(3.5, 'in') + 2 * bleed.card, 'in')).toBeCloseTo(3.75, 9);
    expect(fromPoints(toPoints(4, 'in') + 2 * bleed.postcard, 'in')).toBeCloseTo(4.25, 9);
    expect(fromPoints(shopOf('metric-offset').bleed.card, 'mm')).toBeCloseTo(3, 9);
  });

  it('prints ready-made envelopes without bleed', () => {
    for (const shop of SHOPS) expect(shop.bleed.envelope).toBe(0);
  });
});

describe('press conditions', () => {
  it.each(CONDITIONS)('$name is a full row, and its profile is there', (condition) => {
    pressConditionSchema.parse(condition);
    expect(existsSync(profileFile(condition.profile))).toBe(true);
  });
  it('says so when it does not know one', () => {
    expect(() => conditionOf('newsprint')).toThrow(/newsprint/);
  });
});
