import { useState } from 'react';
import { reportJson, reportOf, type Told } from '../../../core/files/report';
import { download, fileName } from '../../parts/download';
import { useBench, useFound } from '../bench';
import { placePictures } from './place-picture';

/** What was found, to be handed on. */
export function ReportButtons() {
  const { job, sheet: piece, shop } = useBench();
  const { findings, standing, unread } = useFound();
  const [going, setGoing] = useState(false);
  const [problem, setProblem] = useState<string>();
  async function write(as: 'pdf' | 'json'): Promise<void> {
    setGoing(true);
    setProblem(undefined);
    try {
      const report = reportOf(job, piece, shop, { open: [...findings], standing: [...standing], unread: [...unread] });
      const take = placePictures(job, piece);
      const pictures = new Map<Told, Uint8Array>();
      const all = [...findings, ...standing.map(({ finding }) => finding)];
      for (const [i, row] of report.rows.entries()) {
        const picture = await take(all[i]!.face, row.place);
        if (picture) pictures.set(row, picture);
      }
      const name = `${fileName(job.name)}-${fileName(piece.name)}-findings`;
      if (as === 'json')
        download(new TextEncoder().encode(reportJson(report, pictures)), `${name}.json`, 'application/json');
      else {
        // What writes pages is large, and hardly ever asked for.
        const { reportPdf } = await import('../../../core/files/report-pdf');
        download(await reportPdf(report, pictures), `${name}.pdf`, 'application/pdf');
      }
    } catch (error) {
      setProblem(`The report could not be written: ${(error as Error).message}`);
    }
    setGoing(false);
  }
  return (
    <>
      <span className="quiet ml-auto text-[13px]">{going ? 'Taking pictures…' : 'Report'}</span>
      {(['pdf', 'json'] as const).map((as) => (
        <button
          key={as}
          type="button"
          className="btn btn-xs"
          aria-label={`Report as ${as.toUpperCase()}`}
          disabled={going}
          onClick={() => void write(as)}
        >
          {as.toUpperCase()}
        </button>
      ))}
      {problem && (
        <span role="alert" className="text-[13px] text-error">
          {problem}
        </span>
      )}
    </>
  );
}
