import { expect, it } from 'vitest';
import { columnWidth } from '../../src/rooms/run/column-width';

it('makes a column as wide as most of its cells and its head, within limits', () => {
  const addresses = Array.from({ length: 40 }, (_, i) => `somebody-${i}@hollinandfen.example`);
  expect(columnWidth('Email', addresses)).toBeGreaterThan(7 * 31);
  expect(columnWidth('No.', ['1', '2', '3'])).toBe(64);
  expect(columnWidth('A head with many words', ['1'])).toBeGreaterThan(160);
  expect(columnWidth('Says', [...Array.from({ length: 40 }, () => 'short'), 'x'.repeat(3000)])).toBeLessThan(100);
  expect(columnWidth('Says', ['x'.repeat(3000)])).toBe(240);
  expect(columnWidth('Empty', [])).toBeGreaterThanOrEqual(64);
});
