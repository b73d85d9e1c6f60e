import Columns from 'lucide-react/icons/columns-2';
import Keyboard from 'lucide-react/icons/keyboard';
import Scissors from 'lucide-react/icons/scissors';
import { memo, useCallback, useEffect, useState } from 'react';
import { pieceOf } from '../../../core/job/find';
import { HistoryButtons } from '../../parts/HistoryButtons';
import { RoomLinks } from '../../parts/RoomLinks';
import { TopBar } from '../../parts/TopBar';
import { TypefaceFaces } from '../../parts/TypefaceFaces';
import { openSession, select, useJob } from '../../store/session';
import { ExportDialog } from '../hand-off/ExportDialog';
import { ActionList } from './ActionList';
import { GuidesPanel } from './arrange/GuidesPanel';
import { StraightenPanel } from './arrange/StraightenPanel';
import { BenchContext } from './bench';
import { Contents } from './Contents';
import { Details } from './Details';
import { DrawingDialog } from './drawing-in/DrawingDialog';
import { useIncoming } from './drawing-in/incoming';
import { EdgeStrip } from './EdgeStrip';
import { IconsPanel } from './icons/IconsPanel';
import { KeysHelp } from './KeysHelp';
import { openPanel, toggleAsCut, toggleBoth, useRoom } from './room';
import { Stage } from './Stage';
import { useBenchOf, useGesture } from './use-bench-of';
import { useEditKeys } from './use-edit-keys';
import { useNowAndThen } from './use-now-and-then';
import { usePictures } from './use-pictures';

const close = (): void => openPanel(undefined);
const asked = new URLSearchParams(typeof location === 'undefined' ? '' : location.search);

// Drawn again only when the bench beside the stage changes.
const ContentsBeside = memo(Contents);
const DetailsBeside = memo(Details);
const EdgeStripBeside = memo(EdgeStrip);

/** Where a piece is laid out. */
export default function LayoutRoom() {
  const [faceId, setFaceId] = useState<string>();
  const { both, asCut, open } = useRoom();
  const [problem, setProblem] = useState<string>();
  const { bench, failure } = useBenchOf(asked.get('piece') ?? '', faceId, both, setFaceId);
  const pictures = usePictures(bench);
  const { take } = pictures;
  const takePictures = useCallback((files: Iterable<File>) => void take(files), [take]);
  const { live, byHand } = useGesture();
  // What is dragged or pulled changes neither the list nor the figures of the piece before it is let go.
  const listed = useNowAndThen(bench, live, byHand);
  const detailed = useNowAndThen(bench, live);

  useEffect(() => {
    openSession(asked.get('job') ?? '').then(
      (found) => found || setProblem('This job is not in this browser. Open its file under Jobs.'),
      (error: Error) => setProblem(error.message),
    );
  }, []);
  useEditKeys(bench);

  const { drawing } = useIncoming();
  const job = useJob();
  const missing =
    job && !bench && !pieceOf(job, asked.get('piece') ?? '')
      ? 'This piece is not in the job any more. Choose another under Jobs.'
      : undefined;
  const trouble = problem ?? failure ?? missing;

  return (
    <div className="grid h-screen grid-cols-[264px_minmax(0,1fr)_276px] grid-rows-[52px_minmax(0,1fr)_46px]">
      <div className="col-span-3">
        <TopBar
          crumb={
            bench && (
              <>
                <a href="/" className="hover:underline">
                  {bench.job.name}
                </a>{' '}
                / <b className="font-semibold text-base-content">{bench.piece.name}</b>
              </>
            )
          }
        >
          <RoomLinks here="layout" />
          <HistoryButtons />
          {(bench?.piece.faces.length ?? 0) > 1 && (
            <button
              type="button"
              aria-pressed={both}
              className={`btn btn-sm ${both ? 'btn-neutral' : ''}`}
              onClick={toggleBoth}
            >
              <Columns size={15} /> Both faces <kbd className="key">b</kbd>
            </button>
          )}
          <button
            type="button"
            aria-pressed={asCut}
            className={`btn btn-sm ${asCut ? 'btn-neutral' : ''}`}
            onClick={toggleAsCut}
          >
            <Scissors size={15} /> As cut <kbd className="key">.</kbd>
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label="Show the keys"
            onClick={() => openPanel('keys')}
          >
            <Keyboard size={16} />
          </button>
          <button
            type="button"
            className="btn btn-primary btn-sm"
            disabled={!bench}
            onClick={() => openPanel('export')}
          >
            Export for print
          </button>
        </TopBar>
      </div>
      {bench ? (
        <BenchContext value={bench}>
          <TypefaceFaces />
          <BenchContext value={listed}>
            <ContentsBeside onPictures={takePictures} />
          </BenchContext>
          <Stage asCut={asCut}>
            {pictures.busy && (
              <p className="absolute bottom-3 left-3 rounded bg-base-100 px-3 py-1.5 shadow">Taking the picture in…</p>
            )}
            {pictures.message && (
              <p
                role="alert"
                className="absolute right-3 bottom-14 left-3 mx-auto flex w-fit max-w-xl items-start gap-3 rounded border border-error bg-base-100 p-3 shadow-lg"
              >
                {pictures.message}
                <button type="button" className="btn btn-xs" onClick={pictures.dismiss}>
                  Dismiss
                </button>
              </p>
            )}
          </Stage>
          <BenchContext value={detailed}>
            <DetailsBeside />
          </BenchContext>
          <BenchContext value={listed}>
            <EdgeStripBeside />
          </BenchContext>
          {open === 'export' && <ExportDialog bench={bench} onClose={close} />}
          {open === 'actions' && <ActionList onClose={close} />}
          {open === 'icons' && <IconsPanel onClose={close} />}
          {drawing && <DrawingDialog key={drawing.name} drawing={drawing} />}
          {open === 'guides' && <GuidesPanel onClose={close} />}
          {open === 'straighten' && <StraightenPanel onClose={close} />}
        </BenchContext>
      ) : (
        <p className="col-span-3 place-self-center" role={trouble ? 'alert' : 'status'}>
          {trouble ?? 'Laying out the piece…'}
          {trouble && (
            <a href="/" className="btn btn-sm ml-4" onClick={() => select()}>
              To the jobs
            </a>
          )}
        </p>
      )}
      {open === 'keys' && <KeysHelp onClose={close} />}
    </div>
  );
}
