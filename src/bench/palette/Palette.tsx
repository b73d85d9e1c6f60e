import { nanoid } from 'nanoid';
import { useState } from 'react';
import { unusedInks } from '../../../core/checks/rules/unused-ink';
import { writeCxf, writeInkList } from '../../../core/files/ink-list';
import { takeInks } from '../../../core/job/edits/inks';
import { intake } from '../../../workers/intake';
import { download, fileName } from '../../parts/download';
import { FileChooser } from '../../parts/FileChooser';
import { act } from '../../store/session';
import { useBench } from '../bench';
import { DrawPalette } from './DrawPalette';
import { InkForm } from './InkForm';
import { InkRow } from './InkRow';
import { closeInkForm, pick, startInk, usePicking } from './picking';
import { SortableInks } from './SortableInks';

/** The job's inks: made, named, put in order, merged, taken away; in and out as files. With a face beside it, from that. */
export function Palette({ fromFace = true }: { fromFace?: boolean }) {
  const { job } = useBench();
  const { picking, form } = usePicking();
  const unused = new Set(unusedInks(job));
  return (
    <aside
      className="flex min-h-0 flex-col gap-3 overflow-y-auto border-r border-base-300 bg-base-200 p-3"
      aria-label="Inks of the job"
    >
      <h2 className="heading">Inks of the job</h2>
      <SortableInks inks={job.inks}>
        {job.inks.map((ink) => (
          <InkRow key={ink.id} ink={ink} unused={unused.has(ink.id)} />
        ))}
      </SortableInks>
      <div className="grid grid-cols-2 gap-1.5">
        <button type="button" className="btn btn-sm" onClick={() => startInk()}>
          Add an ink…
        </button>
        {fromFace && (
          <button
            type="button"
            aria-pressed={picking}
            className={`btn btn-sm ${picking ? 'btn-neutral' : ''}`}
            onClick={() => pick(!picking)}
          >
            {picking ? 'Click the side…' : 'Pick from side'}
          </button>
        )}
      </div>
      {fromFace && <DrawPalette />}
      <ListFiles />
      {form && <InkForm key={form.ink?.id ?? 'new'} ink={form.ink} from={form.from} onClose={closeInkForm} />}
    </aside>
  );
}

/** The list of inks as files. */
function ListFiles() {
  const { job, press } = useBench();
  const [told, setTold] = useState<{ text: string; bad: boolean }>();
  async function take(chosen: File): Promise<void> {
    try {
      const { inks, left } = await intake().readInks(chosen, press.condition);
      act('Import inks', (j) => takeInks(j, inks, () => nanoid(8)));
      const without = left.length > 0 ? ` Without values that can be used: ${left.join(', ')}.` : '';
      setTold({ text: `${inks.length === 1 ? 'One ink' : `${inks.length} inks`} imported.${without}`, bad: false });
    } catch (error) {
      setTold({ text: (error as Error).message, bad: true });
    }
  }
  const name = fileName(job.name);
  return (
    <section aria-label="Lists of inks" className="grid gap-1.5">
      <h2 className="heading">Ink list</h2>
      <div className="grid grid-cols-2 gap-1.5">
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            download(new TextEncoder().encode(writeInkList(job.inks)), `${name}-inks.json`, 'application/json')
          }
        >
          Export JSON
        </button>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            download(
              new TextEncoder().encode(writeCxf(job.inks, press, job.changed)),
              `${name}-inks.cxf`,
              'application/xml',
            )
          }
        >
          Export CxF
        </button>
        <FileChooser label="A list of inks" accept=".json,.cxf,.xml" onFile={(chosen) => void take(chosen)}>
          Import inks…
        </FileChooser>
      </div>
      {told && (
        <p role={told.bad ? 'alert' : 'status'} className={`text-[14px] ${told.bad ? 'text-error' : ''}`}>
          {told.text}
        </p>
      )}
    </section>
  );
}
