import { describe, expect, it } from 'vitest';
import { USUAL_SHEET } from '../../../core/job/sheet';
import { freshSheet } from '../../../core/run/labels';
import { openLabelRun } from '../../../core/run/write/labels';
import { proveUnits, sheetsToProve } from '../../../core/run/write/prove-run';
import { openSheetRun } from '../../../core/run/write/sheets';
import { LABEL_SHEETS } from '../../../core/trade/label-sheets';
import { shopOf } from '../../../core/trade/shops';
import { kit } from '../../kit';
import { codeOf, NAMES, staffCard } from './staff';

const shop = shopOf('metric-offset');
const on = { ...kit, press: kit.press(shop.condition), assets: {} };
const asked = { pieceId: 'card', shop, standard: 'PDF/X-4' as const };
const cells = Array.from({ length: 30 }, (_, i) => [`${NAMES[i % 5]} ${i}`, `Gardener no. ${i}`]);
const made = staffCard(cells, [codeOf('name')]);
const wrong = (proven: { rows: { what: string; right: boolean }[] }): string[] =>
  proven.rows.filter(({ right }) => !right).map(({ what }) => what);

describe('sheets of a run, read back', () => {
  const { rows } = made;
  const job = { ...made.job, pieces: [{ ...made.piece, sheet: { ...USUAL_SHEET, turning: 'one side' as const } }] };
  const open = (order: readonly number[], leaders = false) =>
    openSheetRun(job, { ...asked, marks: true, order, sheets: 'cut and stack', leaders }, rows, on);

  it('are what is drawn at their places, leader cards too', () => {
    const writer = open(rows.numbers, true);
    expect(writer.sheets).toBeGreaterThan(1);
    expect(wrong(proveUnits(writer, [0, writer.sheets - 1], asked, on))).toEqual([]);
  });

  it('are told of where rows lie at each other’s places', () => {
    const [right, other] = [open(rows.numbers), open([...rows.numbers].reverse())];
    const mixed = { ...right, drawn: other.drawn };
    expect(wrong(proveUnits(mixed, [0], asked, on))).not.toEqual([]);
  });

  it('are the first that has rows, and the last', () => {
    expect(sheetsToProve(6, true)).toEqual([1, 5]);
    expect(sheetsToProve(6, false)).toEqual([0, 5]);
    expect(sheetsToProve(1, false)).toEqual([0]);
  });
});

describe('sheets of labels, read back', () => {
  it('are what is drawn on each label, and nothing past its edge; one label moved is told of', () => {
    const sold = LABEL_SHEETS[6]!;
    const piece = { ...made.piece, ...sold.label };
    const job = { ...made.job, pieces: [piece] };
    const labels = { ...freshSheet(sold), from: 3 };
    const writer = openLabelRun(job, { ...asked, order: made.rows.numbers, labels }, made.rows, on);
    expect(wrong(proveUnits(writer, sheetsToProve(writer.sheets, false), asked, on))).toEqual([]);
    const nudged = { ...labels, nudge: { x: 3, y: 0 } };
    const moved = openLabelRun(job, { ...asked, order: made.rows.numbers, labels: nudged }, made.rows, on);
    expect(wrong(proveUnits({ ...writer, drawn: moved.drawn }, [0], asked, on))).not.toEqual([]);
  });
});
