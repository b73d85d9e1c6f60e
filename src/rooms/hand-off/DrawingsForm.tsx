import { plainName } from '../../../core/files/file-names';
import type { Chosen } from '../../../core/files/hand-off/plan';
import { loadAssets } from '../../store/db';
import { useBench } from '../layout/bench';
import { saveFiles } from './save';
import { useWriting } from './use-writing';
import { WriteRow } from './WriteRow';

/** Faces as SVG drawings, with their bleed, in the colours that the press makes of them. */
export function DrawingsForm({ chosen }: { chosen: readonly Chosen[] }) {
  const { job } = useBench();
  const writing = useWriting();
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const ids = chosen.map(({ piece }) => piece);
    const files = await writing.run((room, tell) => room.exportDrawings(job, ids, assets, tell));
    if (files) saveFiles(files, `${plainName(job.name)}-svg.zip`);
  }
  return (
    <div className="grid gap-4 p-4">
      <p className="text-[14px]">
        A file a face with its bleed, in screen colours as the press makes them. Words are the outlines of their
        letters, so that they look the same where the typefaces are not there.
      </p>
      <WriteRow
        writing={writing}
        says="Write the drawings"
        disabled={chosen.length === 0}
        onWrite={() => void write()}
      />
    </div>
  );
}
