import { describe, expect, it } from 'vitest';
import { pieceFacts } from '../../../core/checks/piece-facts';
import { pageFrame, placePage } from '../../../core/job/edits/placed';
import { pictureBox } from '../../../core/picture/place';
import { cardWith, mm } from '../../kit';

/** A page of 91 × 61 mm that is cut to 85 × 55. */
const page = {
  width: mm(91),
  height: mm(61),
  trim: { x: mm(3), y: mm(3), width: mm(85), height: mm(55) },
  inked: { x: 0, y: 0, width: mm(91), height: mm(61) },
  plates: ['Black', 'Moss'],
};
const asset = { name: 'Card', type: 'application/pdf' as const, width: 1820, height: 1220, page };

describe('a page that is placed whole', () => {
  it('lies trim on trim, bleed and all, on a piece of its size', () => {
    expect(pageFrame(asset, { width: mm(85), height: mm(55) })).toEqual({
      x: mm(-3),
      y: mm(-3),
      width: mm(91),
      height: mm(61),
    });
  });
  it('lies as it is cut on another, in the middle, its bleed outside its frame', () => {
    const frame = pageFrame(asset, { width: mm(148), height: mm(105) });
    for (const [side, n] of Object.entries({ x: 31.5, y: 25, width: 85, height: 55 }))
      expect(frame[side as 'x']).toBeCloseTo(mm(n), 6);
    const lies = pictureBox(frame, asset.width, asset.height);
    for (const [side, n] of Object.entries({ x: 28.5, y: 22, width: 91, height: 61 }))
      expect(lies[side as 'x']).toBeCloseTo(mm(n), 6);
  });
  it('is made as small as its piece, where it was dropped', () => {
    const frame = pageFrame(asset, { width: mm(50), height: mm(50) }, { x: mm(10), y: mm(20) });
    expect(frame.width).toBeCloseTo(mm(45), 6);
    expect(frame.x + frame.width / 2).toBeCloseTo(mm(10), 6);
    const lies = pictureBox(frame, asset.width, asset.height);
    // Three millimetres of bleed, as much smaller as the rest.
    expect(frame.x - lies.x).toBeCloseTo(mm(3 * (45 / 85)), 6);
    expect(frame.y - lies.y).toBeCloseTo(mm(3 * (45 / 85)), 6);
  });
  it('brings the inks along that the job has not got, and no other', () => {
    let n = 0;
    const before = cardWith([]);
    const spots = { Moss: [0.6, 0.2, 0.8, 0.1], Copper: [0, 0, 0, 1] } as const;
    const given = { hash: 'a'.repeat(64), asset, spots: spots as never };
    const after = placePage(before, 'card-1', given, pageFrame(asset, before.pieces[0]!), () => `new-${n++}`);
    expect(after.inks.slice(before.inks.length)).toEqual([
      { id: 'new-0', name: 'Moss', kind: 'spot', cmyk: [0.6, 0.2, 0.8, 0.1] },
    ]);
    expect(after.pieces[0]!.faces[0]!.elements.at(-1)).toMatchObject({ kind: 'picture', name: 'Card', x: mm(-3) });
  });
  it('is as fine, and its words as small, as it is made', () => {
    const fine = { ...asset, page: { ...page, words: 10, ppi: 300 } };
    const before = cardWith([], { width: mm(42.5), height: mm(27.5) });
    const at = { x: 0, y: 0, width: mm(45.5), height: mm(30.5) };
    const job = placePage(before, 'card-1', { hash: 'a'.repeat(64), asset: fine, spots: {} }, at, () => 'page');
    const { lowestPpi, smallestType, plates } = pieceFacts(job, job.pieces[0]!);
    expect([Math.round(lowestPpi!), smallestType!.toFixed(3), plates]).toEqual([600, '5.000', ['Black', 'Moss']]);
  });
});
