import { proxy } from 'comlink';
import { useRef, useState } from 'react';
import { type Finding, findingKey } from '../../../core/checks/check';
import { exportName } from '../../../core/files/file-names';
import type { PdfFacts } from '../../../core/files/pdf/read-back';
import type { Progress } from '../../../core/files/pdf/write';
import { findElement, titleOf } from '../../../core/job/find';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Job, Piece } from '../../../core/job/schema';
import { OFFICE_SHEETS, type OfficeSheet } from '../../../core/scene/office-sheet';
import type { ShopSpec } from '../../../core/trade/schema';
import { hirePressRoom } from '../../../workers/press-room';
import { Dialog } from '../../parts/Dialog';
import { download } from '../../parts/download';
import { loadAssets, noteExport } from '../../store/db';
import { comparison } from './comparison';
import { FaceChoice } from './FaceChoice';
import { ImagesForm } from './ImagesForm';
import { ReadBack } from './ReadBack';

export interface Exported {
  bytes: Uint8Array;
  facts: PdfFacts;
}

interface Going {
  progress: Progress;
  stop(): void;
}

/** What is handed over, and what is known about it beforehand. */
export interface Subject {
  job: Job;
  sheet: Piece;
  shop: ShopSpec;
  findings: readonly Finding[];
}

/** Writes the print-ready file in a worker, reads it back, and shows what came out beside what was asked. */
export function ExportDialog({ bench, onClose }: { bench: Subject; onClose(): void }) {
  const { job, sheet: piece, shop, findings } = bench;
  const [faces, setFaces] = useState<readonly number[]>(piece.faces.map((_, i) => i));
  const [as, setAs] = useState<'pdf' | 'pictures'>('pdf');
  const [marks, setMarks] = useState(true);
  const [office, setOffice] = useState<OfficeSheet>();
  const [words, setWords] = useState<'text' | 'outlines'>('text');
  const [going, setGoing] = useState<Going>();
  const [done, setDone] = useState<Exported>();
  const [problem, setProblem] = useState<string>();
  const cancelled = useRef(false);
  const stops = findings.filter((finding) => finding.severity === 'stop');
  const name = `${exportName(shop.fileName, job, piece)}${office ? `-${office.toLowerCase()}` : ''}.pdf`;

  async function write(): Promise<void> {
    setProblem(undefined);
    setDone(undefined);
    cancelled.current = false;
    const { room, dismiss } = hirePressRoom();
    const stop = (): void => {
      cancelled.current = true;
      dismiss();
      setGoing(undefined);
    };
    setGoing({ progress: { done: 0, what: 'Starting' }, stop });
    try {
      const tell = proxy((progress: Progress) => setGoing({ progress, stop }));
      const written = await room.exportPdf(
        job,
        { pieceId: piece.id, shop, faces, marks, words, ...(office ? { office } : {}) },
        await loadAssets(job),
        tell,
      );
      if (!cancelled.current) {
        setDone(written);
        void noteExport(job, piece.id);
      }
    } catch (error) {
      if (!cancelled.current) setProblem((error as Error).message);
    }
    dismiss();
    setGoing(undefined);
  }

  return (
    <Dialog
      title={`Export ${piece.name} for print`}
      wide
      onClose={() => {
        going?.stop();
        onClose();
      }}
    >
      {!done && (
        <div className="join mb-4" role="tablist" aria-label="What is written">
          {(
            [
              ['pdf', 'PDF for the shop'],
              ['pictures', 'Pictures'],
            ] as const
          ).map(([id, says]) => (
            <button
              key={id}
              type="button"
              role="tab"
              aria-selected={as === id}
              className={`btn btn-sm join-item ${as === id ? 'btn-neutral' : ''}`}
              onClick={() => setAs(id)}
            >
              {says}
            </button>
          ))}
        </div>
      )}
      {as === 'pictures' && <ImagesForm bench={bench} />}
      {as === 'pdf' && !done && (
        <div className="grid gap-4">
          <p>
            One PDF/X-4 file for <b>{shop.name}</b>, a page a face: trim and bleed boxes, words as embedded type,
            pictures separated for {pressConditionOf(job, shop).name.toLowerCase()}.
          </p>
          {stops.length > 0 && <Stops job={job} stops={stops} />}
          <div className="flex flex-wrap gap-x-6 gap-y-2">
            <FaceChoice faces={piece.faces} chosen={faces} onChange={setFaces} />
            <label className="flex cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={marks}
                onChange={(event) => setMarks(event.target.checked)}
              />
              Crop marks, outside the bleed
            </label>
            <label className="flex cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={words === 'outlines'}
                onChange={(event) => setWords(event.target.checked ? 'outlines' : 'text')}
              />
              Words as outlines, not as text
            </label>
          </div>
          <label className="flex items-center gap-2">
            On
            <select
              className="select select-sm w-auto"
              aria-label="The sheet"
              value={office ?? ''}
              onChange={(event) =>
                setOffice((Object.keys(OFFICE_SHEETS) as OfficeSheet[]).find((each) => each === event.target.value))
              }
            >
              <option value="">a sheet of its own, for the shop</option>
              <option value="A4">A4, for your own printer and knife</option>
              <option value="Letter">Letter, for your own printer and knife</option>
            </select>
            {office && (
              <span className="quiet text-[14px]">
                At exactly 100 %, with a line of {OFFICE_SHEETS[office].says} to measure.
              </span>
            )}
          </label>
          {problem && (
            <p role="alert" className="rounded border border-error p-3 text-error">
              {problem}
            </p>
          )}
          {going ? (
            <div className="flex items-center gap-4">
              <progress
                className="progress progress-primary flex-1"
                value={going.progress.done}
                max={1}
                aria-label="Export"
              />
              <span className="w-56 truncate">{going.progress.what}</span>
              <button type="button" className="btn btn-sm" onClick={going.stop}>
                Cancel
              </button>
            </div>
          ) : (
            <button
              type="button"
              className="btn btn-primary justify-self-start"
              disabled={faces.length === 0}
              onClick={() => void write()}
            >
              {stops.length > 0 ? 'Write the file all the same' : 'Write the file'}
            </button>
          )}
        </div>
      )}
      {as === 'pdf' && done && (
        <div className="grid gap-4">
          <ReadBack rows={comparison({ job, piece, shop, faces, marks, words, office }, done.facts)} />
          <div className="flex items-center gap-3">
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => download(done.bytes, name, 'application/pdf')}
            >
              Save {name}
            </button>
            <span className="quiet">{Math.ceil(done.bytes.length / 1000).toLocaleString()} kB</span>
            <button type="button" className="btn btn-ghost ml-auto" onClick={() => setDone(undefined)}>
              Change and write again
            </button>
          </div>
        </div>
      )}
    </Dialog>
  );
}

function Stops({ job, stops }: { job: Job; stops: readonly Finding[] }) {
  return (
    <div className="rounded bg-warning p-3 text-warning-content">
      <b className="font-semibold">
        {stops.length === 1 ? 'One thing' : `${stops.length} things`} a shop would stop at:
      </b>
      <ul className="mt-1 list-disc pl-5">
        {stops.map((finding) => {
          const found = findElement(job, finding.element);
          return (
            <li key={findingKey(finding)}>
              {found && titleOf(found.element, job.assets)}: {finding.problem.toLowerCase()}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
