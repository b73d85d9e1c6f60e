import type { Job } from '../../../core/job/schema';
import type { HandedOff, Written } from '../../../workers/write-work';
import { PageShot } from '../../parts/PageShot';
import { saveFile, saveFiles } from '../../parts/save-files';
import { kB, PictureSizes } from './PictureSizes';
import { ReadBack, Verdict } from './ReadBack';

/** The files that were written: their pages as a reader draws them, and what they say beside what was asked. */
export function Results({
  job,
  files,
  letGo,
  beside,
  zipName,
  sizes,
  onBack,
}: HandedOff & {
  job: Job;
  zipName: string;
  sizes: Readonly<Record<string, number>>;
  onBack(): void;
}) {
  return (
    <div className="grid gap-6">
      <div className="flex flex-wrap items-center gap-3">
        {files.length > 1 && (
          <button type="button" className="btn btn-primary" onClick={() => saveFiles([...files, ...beside], zipName)}>
            Save all {files.length} as {zipName}
          </button>
        )}
        <button type="button" className="btn ml-auto" onClick={onBack}>
          Change and write again
        </button>
      </div>
      {letGo.length > 0 && <LetGo letGo={letGo} beside={beside} />}
      {files.map((file) => (
        <FileCard key={file.name} job={job} file={file} sizes={sizes} only={files.length === 1} />
      ))}
    </div>
  );
}

/** The errors that the files left with, and the ticket that tells the shop. */
function LetGo({ letGo, beside }: Pick<HandedOff, 'letGo' | 'beside'>) {
  return (
    <section aria-label="Open errors in the files" className="rounded bg-warning p-3 text-[14px] text-warning-content">
      <b className="font-semibold">
        Exported with {letGo.length === 1 ? '1 open error' : `${letGo.length} open errors`}. The ticket tells the shop.
      </b>
      <ul className="my-1 list-disc pl-5">
        {letGo.map(({ key, says }) => (
          <li key={key}>{says}</li>
        ))}
      </ul>
      {beside.map((file) => (
        <button key={file.name} type="button" className="btn btn-sm" onClick={() => saveFile(file)}>
          Save {file.name}
        </button>
      ))}
    </section>
  );
}

function FileCard({
  job,
  file,
  sizes,
  only,
}: {
  job: Job;
  file: Written;
  sizes: Readonly<Record<string, number>>;
  only: boolean;
}) {
  const { rows } = file;
  return (
    <section aria-label={file.name} className="grid gap-3 rounded-lg bg-base-100 p-4 shadow-sm">
      <div className="flex flex-wrap items-center gap-3">
        <button type="button" className={`btn ${only ? 'btn-primary' : 'btn-sm'}`} onClick={() => saveFile(file)}>
          Save {file.name}
        </button>
        <span className="quiet">{kB(file.bytes.length)}</span>
      </div>
      <Verdict rows={rows} />
      <div className="flex flex-wrap items-end justify-center gap-6 rounded bg-base-300 p-4">
        {file.pages.map((page, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a page is known by its number
          <PageShot key={i} page={page} says={`Page ${i + 1}`} />
        ))}
      </div>
      <PictureSizes job={job} file={file} sizes={sizes} />
      <details open={only || rows.some(({ right }) => !right)}>
        <summary className="cursor-pointer text-[14px]">What was asked, and what is in the file</summary>
        <ReadBack rows={rows} />
      </details>
    </section>
  );
}
