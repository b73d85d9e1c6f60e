import { describe, expect, it } from 'vitest';
import { findingsListed, pagesSaid } from '../../../../core/files/pdf/findings-listed';
import type { FileFinding } from '../../../../core/files/pdf/inspect';

const found = (check: string, page: number, says: string): FileFinding => ({ check, severity: 'warn', page, says });

describe('pages', () => {
  it.each([
    [[], 'no page'],
    [[3], 'page 3'],
    [[1, 2], 'pages 1–2'],
    [[1, 2, 3, 7, 9, 10], 'pages 1–3, 7, 9–10'],
  ])('%j are said as “%s”', (numbers, said) => {
    expect(pagesSaid(numbers)).toBe(said);
  });
});

describe('findings of a file', () => {
  it('that say the same are told once, with their pages', () => {
    const all = [found('hairline', 1, 'Thin.'), found('ppi', 1, 'Coarse.'), found('hairline', 4, 'Thin.')];
    expect(findingsListed(all)).toEqual([
      { check: 'hairline', severity: 'warn', says: 'Thin.', pages: [1, 4], places: [] },
      { check: 'ppi', severity: 'warn', says: 'Coarse.', pages: [1], places: [] },
    ]);
  });

  it('that say the same more often than there are pages are counted', () => {
    const all = [1, 1, 2].map((page) => found('ppi', page, 'Coarse.'));
    expect(findingsListed(all).map(({ says, pages }) => [says, pages])).toEqual([['Coarse. (3 times)', [1, 2]]]);
  });

  it('of one kind are told three times, then counted; one more is told too', () => {
    const all = Array.from({ length: 6 }, (_, i) => found('ppi', i + 1, `${i} ppi.`));
    expect(findingsListed(all).map(({ says, pages }) => [says, pages])).toEqual([
      ['0 ppi.', [1]],
      ['1 ppi.', [2]],
      ['2 ppi.', [3]],
      ['3 more like these.', [4, 5, 6]],
    ]);
    expect(findingsListed(all.slice(0, 4))).toHaveLength(4);
    const placed = all.map((each, i) => ({ ...each, at: { x: i, y: 2 * i } }));
    expect(findingsListed(placed).map(({ places }) => places.map(({ page, at }) => [page, at.x, at.y]))).toEqual([
      [[1, 0, 0]],
      [[2, 1, 2]],
      [[3, 2, 4]],
      [
        [4, 3, 6],
        [5, 4, 8],
        [6, 5, 10],
      ],
    ]);
  });
});
