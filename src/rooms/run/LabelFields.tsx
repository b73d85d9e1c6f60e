import type { Labels, Run } from '../../../core/job/by-row';
import type { Piece } from '../../../core/job/schema';
import { freshSheet, labelPlaces, labelSheets, sheetsFor } from '../../../core/run/labels';
import { LABEL_SHEETS } from '../../../core/trade/label-sheets';
import { formatLength, formatSize, toPoints } from '../../../core/units/length';
import { NumberField } from '../../parts/NumberField';
import { Pick } from '../../parts/Pick';

/** The sheets that labels come on: one for the size of the piece, where it begins, and how far the printer is off. */
export function LabelFields({
  piece,
  run: { labels },
  count,
  onChange,
}: {
  piece: Piece;
  run: Run;
  count: number;
  onChange(to: Partial<Omit<Run, 'table'>>): void;
}) {
  const { unit } = piece;
  const sold = sheetsFor(piece);
  const at = sold.findIndex(
    ({ columns, rows, sheet }) =>
      columns === labels?.columns && rows === labels.rows && sheet.width === labels.sheet.width,
  );
  const set = (to: Partial<Labels>): void => onChange({ labels: { ...(labels ?? freshSheet(sold[0]!)), ...to } });
  if (sold.length === 0)
    return (
      <p className="text-[14px]">
        No sheet has labels of {formatSize(piece.width, piece.height, unit)}. Begin a piece of one of these sizes:{' '}
        {LABEL_SHEETS.filter(({ paper }) => paper === (unit === 'mm' ? 'A4' : 'Letter'))
          .map(({ label }) => formatSize(label.width, label.height, unit))
          .join('; ')}
        .
      </p>
    );
  const nudge = labels?.nudge ?? { x: 0, y: 0 };
  const shown = (points: number): number => Math.round((points / toPoints(1, unit)) * 1000) / 1000;
  const most = shown(toPoints(10, 'mm'));
  const fits = labels && labelPlaces(labels, piece) !== undefined;
  return (
    <fieldset className="grid grid-cols-2 gap-2" aria-label="Sheets of labels">
      <div className="col-span-2">
        <Pick
          label="Sheet"
          value={at < 0 ? '' : `${at}`}
          options={[
            ...(at < 0 ? [['', 'Choose a sheet'] as const] : []),
            ...sold.map(
              ({ paper, columns, rows }, i) => [`${i}`, `${columns * rows} on ${paper}: ${columns} × ${rows}`] as const,
            ),
          ]}
          onChange={(chosen) => chosen !== '' && set(freshSheet(sold[Number(chosen)]!))}
        />
      </div>
      {labels && at >= 0 && (
        <>
          <NumberField
            label="First label"
            value={labels.from}
            least={1}
            most={labels.columns * labels.rows}
            step={1}
            onChange={(from) => set({ from: Math.round(from) })}
          />
          <span />
          {(['x', 'y'] as const).map((axis) => (
            <NumberField
              key={axis}
              label={axis === 'x' ? `Move right, ${unit}` : `Move down, ${unit}`}
              value={shown(nudge[axis])}
              least={-most}
              most={most}
              step={unit === 'mm' ? 0.1 : 0.005}
              onChange={(length) => set({ nudge: { ...nudge, [axis]: toPoints(length, unit) } })}
            />
          ))}
          <p className="quiet col-span-2 text-[13px]">
            {fits
              ? `${labelSheets(labels, count).toLocaleString('en')} ${labelSheets(labels, count) === 1 ? 'sheet' : 'sheets'} of ${formatLength(labels.sheet.width, unit)}. Print at 100 %.`
              : 'These labels do not fit on the sheet.'}
          </p>
        </>
      )}
    </fieldset>
  );
}
