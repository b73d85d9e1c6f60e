import { describe, expect, it } from 'vitest';
import type { PageInspected } from '../../core/files/pdf/inspect';
import { sidesOf } from '../../src/rooms/hand-off/CutSheets';

const page = (width: number, height: number, turned = 0): PageInspected =>
  ({ cut: [10, 10, 10 + width, 10 + height], turned }) as unknown as PageInspected;

describe('pages as the sheets that are cut of them', () => {
  it.each<[string, PageInspected[], number[][]]>([
    ['front and back', [page(240, 155), page(240, 155)], [[0, 1]]],
    [
      'two cards',
      [page(240, 155), page(240, 155), page(90, 50), page(90, 50)],
      [
        [0, 1],
        [2, 3],
      ],
    ],
    ['a page that a reader turns is as it is seen', [page(240, 155), page(155, 240, 90)], [[0, 1]]],
    ['a page more than there are backs', [page(9, 5), page(9, 5), page(9, 5)], [[0], [1], [2]]],
    ['pages of two sizes', [page(240, 155), page(155, 240)], [[0], [1]]],
    ['none', [], []],
  ])('are %s', (_, pages, sides) => {
    expect(sidesOf(pages)).toEqual(sides);
  });
});
