import { useState } from 'react';
import { plainName } from '../../../core/files/file-names';
import type { Chosen } from '../../../core/files/hand-off/plan';
import type { SvgWords } from '../../../core/files/svg-file';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import type { Gate } from '../../bench/gate/use-gate';
import { RadioList } from '../../parts/RadioList';
import { saveFiles } from '../../parts/save-files';
import { useWriting } from '../../parts/use-writing';
import { loadAssets } from '../../store/assets';
import { keepHandOff } from '../../store/versions';

const WORDS = [
  ['outlines', 'As outlines', 'They look the same everywhere, and are text no longer.'],
  [
    'text',
    'As text',
    'They can be searched and read out. What is in use of each typeface goes along; ligatures, small capitals and typefaces that may not go along are outlines.',
  ],
] as const;

/** Faces as SVG drawings, with their bleed, in the colours that the press makes of them. */
export function DrawingsForm({ chosen, gate }: { chosen: readonly Chosen[]; gate: Gate }) {
  const { job } = useBench();
  const [words, setWords] = useState<SvgWords>('outlines');
  const writing = useWriting();
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const files = await writing.run((room, tell) => room.exportDrawings(job, chosen, words, gate.letGo, assets, tell));
    if (!files) return;
    saveFiles(files, `${plainName(job.name)}-svg.zip`);
    void keepHandOff(
      job,
      chosen.map(({ piece }) => piece),
    );
  }
  return (
    <div className="grid gap-4 p-4">
      <p className="text-[14px]">One file a side with its bleed, in screen colours as the press makes them.</p>
      <RadioList name="words" says="Text" options={WORDS} value={words} onChange={setWords} />
      <ExportRow
        gate={gate}
        writing={writing}
        says="Export SVG"
        disabled={chosen.length === 0}
        onWrite={() => void write()}
      />
    </div>
  );
}
