import { comparison } from '../../../core/files/hand-off/comparison';
import { pieceOf } from '../../../core/job/find';
import type { Job } from '../../../core/job/schema';
import type { Written } from '../../../workers/write-work';
import { PageShot } from '../../parts/PageShot';
import { saveFile, saveFiles } from '../../parts/save-files';
import { kB, PictureSizes } from './PictureSizes';
import { ReadBack, Verdict } from './ReadBack';

/** The files that were written: their pages as a reader draws them, and what they say beside what was asked. */
export function Results({
  job,
  files,
  zipName,
  sizes,
  onBack,
}: {
  job: Job;
  files: readonly Written[];
  zipName: string;
  sizes: Readonly<Record<string, number>>;
  onBack(): void;
}) {
  return (
    <div className="grid gap-6">
      <div className="flex flex-wrap items-center gap-3">
        {files.length > 1 && (
          <button type="button" className="btn btn-primary" onClick={() => saveFiles(files, zipName)}>
            Save all {files.length} as {zipName}
          </button>
        )}
        <button type="button" className="btn ml-auto" onClick={onBack}>
          Change and write again
        </button>
      </div>
      {files.map((file) => (
        <FileCard key={file.name} job={job} file={file} sizes={sizes} only={files.length === 1} />
      ))}
    </div>
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
  const { piece, asked, facts, rules } = file;
  const rows = comparison(job, file.as ?? pieceOf(job, piece)!, asked, facts, rules);
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
