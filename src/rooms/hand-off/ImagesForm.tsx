import { proxy } from 'comlink';
import { zipSync } from 'fflate';
import { useState } from 'react';
import { IMAGE_PPI, type ImagesAsked } from '../../../core/files/face-images';
import { exportName } from '../../../core/files/file-names';
import { hirePressRoom } from '../../../workers/press-room';
import { download } from '../../parts/download';
import { NumberField } from '../../parts/NumberField';
import { Tick } from '../../parts/Tick';
import { loadAssets } from '../../store/db';
import type { Subject } from './ExportDialog';
import { FaceChoice } from './FaceChoice';

const FORMATS = [
  ['png', 'PNG, in the colours of the screen', 'For a web page or a mail: what the press makes of it, as sRGB.'],
  ['tiff', 'TIFF, separated', 'CMYK with the profile of the press, and a grey file for each spot ink.'],
] as const;

/** Faces as pictures, at a resolution that is chosen; several files go into one zip. */
export function ImagesForm({ bench: { job, sheet: piece, shop } }: { bench: Subject }) {
  const [faces, setFaces] = useState<readonly number[]>(piece.faces.map((_, i) => i));
  const [as, setAs] = useState<ImagesAsked['as']>('png');
  const [ppi, setPpi] = useState<number>(IMAGE_PPI.usual);
  const [trimmed, setTrimmed] = useState(true);
  const [transparent, setTransparent] = useState(false);
  const [stop, setStop] = useState<() => void>();
  const [problem, setProblem] = useState<string>();
  const pixels = (points: number): number => Math.round((points / 72) * ppi);
  async function write(): Promise<void> {
    setProblem(undefined);
    const { room, dismiss } = hirePressRoom();
    let stopped = false;
    setStop(() => () => {
      stopped = true;
      dismiss();
      setStop(undefined);
    });
    try {
      const asked: ImagesAsked = { as, faces, ppi, trimmed, transparent: transparent && as === 'png' };
      const files = await room.exportImages(
        job,
        piece.id,
        asked,
        await loadAssets(job),
        proxy(() => {}),
      );
      const [only, ...others] = files;
      if (only && others.length === 0) download(only.bytes, only.name, as === 'png' ? 'image/png' : 'image/tiff');
      else
        download(
          // They are packed already.
          zipSync(Object.fromEntries(files.map(({ name, bytes }) => [name, bytes])), { level: 0 }),
          `${exportName(shop.fileName, job, piece)}-${as}.zip`,
          'application/zip',
        );
    } catch (error) {
      if (!stopped) setProblem((error as Error).message);
    }
    dismiss();
    setStop(undefined);
  }
  return (
    <div className="grid gap-4">
      <fieldset className="grid gap-1.5">
        <legend className="heading mb-1">Format</legend>
        {FORMATS.map(([id, says, why]) => (
          <label key={id} className="flex cursor-pointer items-baseline gap-2">
            <input
              type="radio"
              name="format"
              className="radio radio-sm"
              checked={as === id}
              onChange={() => setAs(id)}
              aria-label={says}
            />
            <span>
              {says} <span className="quiet text-[14px]">{why}</span>
            </span>
          </label>
        ))}
      </fieldset>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <FaceChoice faces={piece.faces} chosen={faces} onChange={setFaces} />
        <Tick checked={trimmed} onChange={setTrimmed}>
          Cut at the trim
        </Tick>
        {as === 'png' && (
          <Tick checked={transparent} onChange={setTransparent}>
            Without the paper
          </Tick>
        )}
        <span className="w-40">
          <NumberField label="ppi" value={ppi} least={IMAGE_PPI.least} most={IMAGE_PPI.most} onChange={setPpi} />
        </span>
        <span className="quiet text-[14px]">
          {pixels(piece.width).toLocaleString('en')} × {pixels(piece.height).toLocaleString('en')} pixels
          {trimmed ? '' : ' and the bleed'}
        </span>
      </div>
      {problem && (
        <p role="alert" className="rounded border border-error p-3 text-error">
          {problem}
        </p>
      )}
      {stop ? (
        <div className="flex items-center gap-4">
          <progress className="progress progress-primary flex-1" aria-label="Pictures" />
          <button type="button" className="btn btn-sm" onClick={stop}>
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
          Write {faces.length === 1 ? 'the picture' : 'the pictures'}
        </button>
      )}
    </div>
  );
}
