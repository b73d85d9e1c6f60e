import Columns from 'lucide-react/icons/columns-2';
import Keyboard from 'lucide-react/icons/keyboard';
import Scissors from 'lucide-react/icons/scissors';
import { memo, useCallback, useState } from 'react';
import { TypefaceFaces } from '../../parts/TypefaceFaces';
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
import { LogosPanel } from './LogosPanel';
import { LettersPanel } from './letters/LettersPanel';
import { FitsPanel } from './piece/FitsPanel';
import { RoomBar, RoomWait } from './RoomShell';
import { openPanel, toggleAsCut, toggleBoth, useRoom } from './room';
import { Stage } from './Stage';
import { useBenchOf, useGesture } from './use-bench-of';
import { useEditKeys } from './use-edit-keys';
import { useNowAndThen } from './use-now-and-then';
import { askedPiece, useOpenPiece } from './use-open-piece';
import { usePictures } from './use-pictures';

const close = (): void => openPanel(undefined);

// Drawn again only when the bench beside the stage changes.
const ContentsBeside = memo(Contents);
const DetailsBeside = memo(Details);
const EdgeStripBeside = memo(EdgeStrip);

/** Where a piece is laid out. */
export default function LayoutRoom() {
  const [faceId, setFaceId] = useState<string>();
  const { both, asCut, open } = useRoom();
  const { bench, failure } = useBenchOf(askedPiece, faceId, both, setFaceId);
  const pictures = usePictures(bench);
  const { take } = pictures;
  const takePictures = useCallback((files: Iterable<File>) => void take(files), [take]);
  const { live, byHand } = useGesture();
  // What is dragged or pulled changes neither the list nor the figures of the piece before it is let go.
  const listed = useNowAndThen(bench, live, byHand);
  const detailed = useNowAndThen(bench, live);

  useEditKeys(bench);

  const { drawing } = useIncoming();
  const trouble = useOpenPiece(bench !== undefined, failure);

  return (
    <div className="grid h-screen grid-cols-[264px_minmax(0,1fr)_276px] grid-rows-[52px_minmax(0,1fr)_46px]">
      <RoomBar here="layout" bench={bench}>
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
      </RoomBar>
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
          {open === 'actions' && <ActionList onClose={close} />}
          {open === 'icons' && <IconsPanel onClose={close} />}
          {open === 'letters' && <LettersPanel onClose={close} />}
          {open === 'fits' && <FitsPanel onClose={close} />}
          {open === 'logos' && <LogosPanel onClose={close} />}
          {drawing && <DrawingDialog key={drawing.name} drawing={drawing} />}
          {open === 'guides' && <GuidesPanel onClose={close} />}
          {open === 'straighten' && <StraightenPanel onClose={close} />}
        </BenchContext>
      ) : (
        <RoomWait trouble={trouble} says="Laying out the piece…" />
      )}
      {open === 'keys' && <KeysHelp onClose={close} />}
    </div>
  );
}
