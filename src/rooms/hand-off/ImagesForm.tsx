import { useState } from 'react';
import { IMAGE_PPI, type ImagesAsked } from '../../../core/files/face-images';
import { plainName } from '../../../core/files/file-names';
import type { Chosen } from '../../../core/files/hand-off/plan';
import { pieceOf } from '../../../core/job/find';
import { useBench } from '../../bench/bench';
import { ExportRow } from '../../bench/gate/ExportRow';
import type { Gate } from '../../bench/gate/use-gate';
import { NumberField } from '../../parts/NumberField';
import { RadioList } from '../../parts/RadioList';
import { saveFiles } from '../../parts/save-files';
import { Tick } from '../../parts/Tick';
import { useWriting } from '../../parts/use-writing';
import { loadAssets } from '../../store/assets';
import { keepHandOff } from '../../store/versions';

const FORMATS = [
  ['png', 'PNG, in the colours of the screen', 'For a web page or a mail: what the press makes of it, as sRGB.'],
  ['tiff', 'TIFF, separated', 'CMYK with the profile of the press, and a grey file for each spot ink.'],
] as const;

/** A screen's pixels an inch, and how many times as many are usual. */
const SCREEN = 72;
const FACTORS = [1, 2, 3, 4] as const;

/** Faces as pictures, at a resolution that is chosen; several files go into one zip. */
export function ImagesForm({ chosen, gate }: { chosen: readonly Chosen[]; gate: Gate }) {
  const { job } = useBench();
  const [as, setAs] = useState<ImagesAsked['as']>('png');
  const [ppi, setPpi] = useState<number>(IMAGE_PPI.usual);
  const [trimmed, setTrimmed] = useState(true);
  const [transparent, setTransparent] = useState(false);
  const writing = useWriting();
  const pixels = (points: number): number => Math.round((points / 72) * ppi);
  async function write(): Promise<void> {
    const assets = await loadAssets(job);
    const asked = { as, ppi, trimmed, transparent: transparent && as === 'png' };
    const files = await writing.run((room, tell) => room.exportImages(job, chosen, asked, gate.letGo, assets, tell));
    if (!files) return;
    saveFiles(files, `${plainName(job.name)}-${as}.zip`);
    void keepHandOff(
      job,
      chosen.map(({ piece }) => piece),
    );
  }
  return (
    <div className="grid gap-4 p-4">
      <RadioList name="format" says="Format" options={FORMATS} value={as} onChange={setAs} />
      <div className="grid gap-2">
        <Tick checked={trimmed} onChange={setTrimmed}>
          Cut at the trim
        </Tick>
        {as === 'png' && (
          <Tick checked={transparent} onChange={setTransparent}>
            Without the paper
          </Tick>
        )}
        <div className="flex items-center gap-1">
          <span className="quiet mr-1 text-[14px]">Times a screen’s 72</span>
          {FACTORS.map((factor) => (
            <button
              key={factor}
              type="button"
              aria-pressed={ppi === factor * SCREEN}
              className={`btn btn-xs ${ppi === factor * SCREEN ? 'btn-neutral' : ''}`}
              onClick={() => setPpi(factor * SCREEN)}
            >
              {factor}×
            </button>
          ))}
        </div>
        <span className="w-40">
          <NumberField label="ppi" value={ppi} least={IMAGE_PPI.least} most={IMAGE_PPI.most} onChange={setPpi} />
        </span>
        {chosen.map(({ piece: id }) => {
          const piece = pieceOf(job, id);
          return (
            piece && (
              <span key={id} className="quiet text-[14px]">
                {chosen.length > 1 && `${piece.name}: `}
                {pixels(piece.width).toLocaleString('en')} × {pixels(piece.height).toLocaleString('en')} pixels
                {trimmed ? '' : ' and the bleed'}
              </span>
            )
          );
        })}
      </div>
      <ExportRow
        gate={gate}
        writing={writing}
        says={chosen.length === 1 && chosen[0]!.faces?.length === 1 ? 'Export image' : 'Export images'}
        disabled={chosen.length === 0}
        onWrite={() => void write()}
      />
    </div>
  );
}
