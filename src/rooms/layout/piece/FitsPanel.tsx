import { envelopesOf } from '../../../../core/job/envelopes-of';
import { finishedSize } from '../../../../core/job/folds-of';
import type { Envelope } from '../../../../core/trade/data-schema';
import { ENVELOPES } from '../../../../core/trade/envelopes';
import { type Fit, foldsThatFit, WAYS, whatFits } from '../../../../core/trade/fits';
import { letterLayoutOf } from '../../../../core/trade/letter-layouts';
import { formatLength, formatSize } from '../../../../core/units/length';
import { useBench } from '../../../bench/bench';
import { Dialog } from '../../../parts/Dialog';
import { BehindWindow, type WithWindow } from './BehindWindow';

const hasWindow = (envelope: Envelope): envelope is WithWindow => envelope.window !== undefined;

/** Which envelopes the piece goes into, flat or folded; and where a letter's address lands behind their windows. */
export function FitsPanel({ onClose }: { onClose(): void }) {
  const { job, sheet: piece, unit } = useBench();
  const own = envelopesOf(job);
  const folded = finishedSize(piece);
  const fits = whatFits(folded, [...own, ...ENVELOPES]);
  const layout = piece.kind === 'letterhead' ? letterLayoutOf(piece.letter?.layout) : undefined;
  const windows = layout
    ? fits.flatMap(({ envelope }) =>
        hasWindow(envelope)
          ? foldsThatFit({ ...piece, folds: layout.folds }, envelope).map((folds) => ({ envelope, folds }))
          : [],
      )
    : [];
  return (
    <Dialog wide title={`What ${piece.name} fits`} onClose={onClose}>
      <p className="quiet mb-2">
        {formatSize(piece.width, piece.height, unit)}
        {piece.fold ? `, folded to ${formatSize(folded.width, folded.height, unit)}` : ''}. A sheet wants 3 mm of room
        each way.
      </p>
      <table className="w-full text-[14px]">
        <thead>
          <tr className="quiet text-left">
            <th className="font-normal">Envelope</th>
            <th className="font-normal">The piece</th>
            <th className="text-right font-normal">Room, long way</th>
            <th className="text-right font-normal">Short way</th>
            <th className="pl-4 font-normal">Verdict</th>
          </tr>
        </thead>
        <tbody>
          {fits.map((fit, i) => (
            <Row key={`${fit.envelope.name} ${fit.envelope.width}`} fit={fit} own={i < own.length} />
          ))}
        </tbody>
      </table>
      {fits.length === 0 && <p>None of the envelopes in the table is large enough.</p>}
      {layout && (
        <div className="mt-4 grid gap-4">
          {windows.map(({ envelope, folds }) => (
            <BehindWindow
              key={`${envelope.name} ${envelope.width} ${folds.length}`}
              envelope={envelope}
              letter={{ ...piece, folds, lines: layout.lines }}
            />
          ))}
        </div>
      )}
    </Dialog>
  );
}

function Row({ fit, own }: { fit: Fit; own: boolean }) {
  const { unit } = useBench();
  const digits = unit === 'in' ? 3 : 1;
  return (
    <tr className="border-t border-base-300">
      <td className="py-0.5">
        {fit.envelope.name}
        {own ? ' (of this job)' : ''}
      </td>
      <td>{WAYS[fit.way].says}</td>
      <td className="text-right tabular-nums">{formatLength(fit.room[0], unit, digits)}</td>
      <td className="text-right tabular-nums">{formatLength(fit.room[1], unit, digits)}</td>
      <td className={`pl-4 ${fit.verdict === 'tight' ? 'font-semibold text-[var(--amber)]' : ''}`}>
        {fit.verdict === 'tight' ? 'is tight' : 'fits'}
      </td>
    </tr>
  );
}
