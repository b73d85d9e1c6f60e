import { describe, expect, it } from 'vitest';
import { keepPlates } from '../../../core/checks/kept-plates';
import { layPiece, platesFound } from '../../../core/checks/on-plates';
import { withHardPlates } from '../../../core/run/check-hard';
import { checkRun } from '../../../core/run/check-run';
import { checkKit } from '../../kit';
import { quoting, staffCard } from './staff';

describe('the plates of the rows to look at first', () => {
  it('tell where text that changes runs onto what it does not stand out from, in the rows where it does', async () => {
    // Green letters beside a green band: only the long one reaches it.
    const pale = quoting('green', 'name', 12, { x: 40 } as never);
    const words = {
      ...pale,
      lettering: { ...(pale as { lettering: object }).lettering, paint: { ink: 'green', tint: 1 } },
    };
    const cells = [
      ['Ana', 'x'],
      ['Dara van der Berg-Łukasiewicz of Upper Sedge', 'x'],
      ['Bo', 'x'],
    ];
    const { plan, rows } = staffCard(cells, [words as never]);
    const all = await checkRun(plan, rows.numbers, checkKit);
    const kept = keepPlates();
    const checked = await withHardPlates(plan, all, checkKit, (job, piece) =>
      layPiece(job, piece, checkKit, { picture: () => undefined, kept }).flatMap(platesFound),
    );
    const faint = checked.findings.filter(({ check }) => !all.findings.some((each) => each.check === check));
    expect(faint.map(({ element, rows: having }) => [element, having])).toEqual([['green', [1]]]);
  });
});
