import { describe, expect, it } from 'vitest';
import { setOrder } from '../../../core/job/edits/pieces';
import { NO_ORDER } from '../../../core/job/order';
import type { Job } from '../../../core/job/schema';
import { type SheetMade, USUAL_SHEET } from '../../../core/job/sheet';
import { oversOf, sheetsWith } from '../../../core/sheet/overs';
import { itemsOf, sheetPlans } from '../../../core/sheet/plan';
import { shopOf } from '../../../core/trade/shops';
import { cardWith } from '../../kit';

const ordered = (finishing: string[], faces = 2): Job =>
  setOrder(cardWith([], { faces }), 'card', { ...NO_ORDER, quantity: 2000, finishing });
const overs = (job: Job, made: SheetMade) => oversOf(job, itemsOf(job, job.pieces[0]!, made), made);

describe('sheets beyond those ordered', () => {
  it('are what the shop asks: to make forms ready, a share a pass and a share a finishing step', () => {
    const { makeReady, pass, finishing } = shopOf('metric-offset').overs!;
    const job = ordered(['rounded corners', 'laminated']);
    // Two passes and two steps: 2 × 2 % + 2 × 1 %.
    expect(overs(job, USUAL_SHEET)).toEqual({ makeReady, share: 2 * pass + 2 * finishing });
    expect(overs(job, { ...USUAL_SHEET, turning: 'one side' })).toEqual({ makeReady, share: pass + 2 * finishing });
    // 100 sheets, two forms of 40, six in a hundred: 186.
    expect(sheetsWith(100, 2, { makeReady: 40, share: 0.06 })).toBe(186);
  });
  it('are a share by hand, and five in a hundred where nobody says', () => {
    expect(overs(ordered([]), { ...USUAL_SHEET, overs: 12 })).toEqual({ makeReady: 0, share: 0.12 });
    const other = ordered([]);
    const { overs: _, ...spec } = shopOf('metric-offset');
    const silent: Job = {
      ...other,
      shops: [{ ...spec, id: 'silent' }],
      pieces: other.pieces.map((piece) => ({ ...piece, shop: 'silent' })),
    };
    expect(overs(silent, USUAL_SHEET)).toEqual({ makeReady: 0, share: 0.05 });
    // 100 × 1.05 is no hair more than 105.
    expect(sheetsWith(100, 1, { makeReady: 0, share: 0.05 })).toBe(105);
  });
  it('count each form that is made ready: one where halves share it', () => {
    const job = ordered([]);
    const [piece] = job.pieces;
    const of = (turning: SheetMade['turning']): [number, number] => {
      const made: SheetMade = { ...USUAL_SHEET, turning };
      const [form] = sheetPlans(job, itemsOf(job, piece!, made), made)[0]!.forms;
      return [form!.run, form!.sheets];
    };
    for (const [turning, forms, passes] of [
      ['sheetwise', 2, 2],
      ['work-and-turn', 1, 2],
      ['one side', 1, 1],
    ] as const) {
      const [run, sheets] = of(turning);
      expect(sheets, turning).toBe(40 * forms + Math.ceil(Math.round(run * (1 + 0.02 * passes) * 1e6) / 1e6));
    }
  });
});
