import { describe, expect, it } from 'vitest';
import { USUAL_SHEET } from '../../../core/job/sheet';
import { sheetMarks } from '../../../core/sheet/marks';
import { shopOf } from '../../../core/trade/shops';
import { mm } from '../../kit';

/** A sheet of 320 × 450 mm, 5 mm white at each edge. Bleed 3 mm; a mark keeps half a point off it, and is 3 points long at least. */
const marks = (trims: readonly (readonly [x: number, y: number, w: number, h: number])[], unit: 'mm' | 'in' = 'mm') =>
  sheetMarks(
    trims.map(([x, y, width, height]) => ({ x: mm(x), y: mm(y), width: mm(width), height: mm(height) })),
    mm(3),
    shopOf('metric-offset').marks,
    USUAL_SHEET,
    ['Cyan', 'Magenta', 'Yellow', 'Black'],
    unit,
  ).noRoom.filter((says) => says.startsWith('cut marks'));

// 3 mm of bleed, 0.18 mm of white and 1.06 mm of mark are 4.23 mm beyond the trim, from 5 mm of the sheet's edge on.
describe('what would make room for cut marks', () => {
  it('is nothing where every cut has one at both ends', () => {
    expect(marks([[60, 60, 85, 55]])).toEqual([]);
  });
  it('is to move a layout that lies at one edge and has paper at the other', () => {
    expect(marks([[7, 60, 85, 55]])).toEqual([
      'cut marks at both ends of 2 of 4 cut lines (to make room: move the layout 2.2 mm away from the left)',
    ]);
  });
  it('is a larger sheet, or fewer pieces, where there is no paper at either', () => {
    const [says] = marks([[7, 60, 306, 55]]);
    expect(says).toContain('2.2 mm more paper at the left: a larger sheet, or fewer pieces on it');
    expect(says).toContain('2.2 mm more paper at the right');
  });
  it('is a gutter where a neighbour’s colour stands at the end of a cut', () => {
    // The lower card lies across the end of the upper one's left cut, 2 mm below it.
    const [says] = marks([
      [100, 60, 85, 55],
      [60, 117, 85, 55],
    ]);
    // Twice 3.18 mm and 1.06 mm.
    expect(says).toMatch(/\(to make room: a gutter of 7\.4 mm\)$/);
  });
  it('is told in the unit of the piece', () => {
    expect(marks([[7, 60, 85, 55]], 'in')[0]).toMatch(/move the layout 0\.088 in away from the left/);
  });
});
