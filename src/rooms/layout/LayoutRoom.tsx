import Columns from 'lucide-react/icons/columns-2';
import Keyboard from 'lucide-react/icons/keyboard';
import Scissors from 'lucide-react/icons/scissors';
import { lazy, memo, type ReactNode, Suspense, useCallback, useEffect } from 'react';
import {
  type Bench,
  BenchContext,
  type Found,
  FoundContext,
  type Printed,
  PrintedContext,
  useBenchHere,
  useFound,
  usePrinted,
  useTrouble,
} from '../../bench/bench';
import { RoomBar, RoomWait } from '../../bench/RoomShell';
import { openPanel, toggleAsCut, toggleBoth, useRoom } from '../../bench/room';
import { StatusBar } from '../../bench/StatusBar';
import { useGesture } from '../../bench/use-bench-of';
import { useNowAndThen } from '../../bench/use-now-and-then';
import { asked } from '../../parts/address';
import { TypefaceFaces } from '../../parts/TypefaceFaces';
import { ActionList } from './ActionList';
import { GuidesPanel } from './arrange/GuidesPanel';
import { StraightenPanel } from './arrange/StraightenPanel';
import { Contents } from './Contents';
import { Details } from './Details';
import { DrawingDialog } from './drawing-in/DrawingDialog';
import { useIncoming } from './drawing-in/incoming';
import { IconsPanel } from './icons/IconsPanel';
import { KeysHelp } from './KeysHelp';
import { LogosPanel } from './LogosPanel';
import { LettersPanel } from './letters/LettersPanel';
import { FitsPanel } from './piece/FitsPanel';
import { Stage } from './Stage';
import { useEditKeys } from './use-edit-keys';
import { usePictures } from './use-pictures';

// Looked at now and then: it comes when it is asked for.
const LightDialog = lazy(async () => ({ default: (await import('./piece/LightDialog')).LightDialog }));

const close = (): void => openPanel(undefined);

// Drawn again only when the bench beside the stage changes.
const ContentsBeside = memo(Contents);
const DetailsBeside = memo(Details);
const StatusBarBeside = memo(StatusBar);

/** What is shown to what stands beside the stage, a little behind it. */
const Beside = ({
  bench,
  printed,
  found,
  children,
}: {
  bench: Bench | undefined;
  printed: Printed;
  found: Found;
  children: ReactNode;
}) => (
  <BenchContext value={bench}>
    <PrintedContext value={printed}>
      <FoundContext value={found}>{children}</FoundContext>
    </PrintedContext>
  </BenchContext>
);

/** The tour, where the address asks for it. */
function useTour(isThere: boolean): void {
  const wanted = isThere && asked('tour') !== undefined;
  useEffect(() => {
    if (!wanted) return;
    void import('../../bench/tour/tour').then(({ startTour }) =>
      startTour(() => {
        const address = new URL(location.href);
        address.searchParams.delete('tour');
        history.replaceState(history.state, '', address);
      }),
    );
  }, [wanted]);
}

/** Where a piece is laid out. */
export default function LayoutRoom() {
  const { both, asCut, open } = useRoom();
  const bench = useBenchHere();
  const printed = usePrinted();
  const found = useFound();
  const trouble = useTrouble();
  const pictures = usePictures(bench);
  const { take } = pictures;
  const takePictures = useCallback((files: Iterable<File>) => void take(files), [take]);
  const { live, byHand } = useGesture();
  // What is dragged or pulled changes neither the list nor the figures of the piece before it is let go.
  const listed = useNowAndThen(bench, live, byHand);
  const listedPrinted = useNowAndThen(printed, live, byHand);
  const listedFound = useNowAndThen(found, live, byHand);
  const detailed = useNowAndThen(bench, live);

  useEditKeys(bench);
  useTour(bench !== undefined);

  const { drawing } = useIncoming();

  return (
    <div className="room grid h-screen grid-cols-[264px_minmax(0,1fr)_276px] grid-rows-[auto_minmax(0,1fr)_auto]">
      <RoomBar here="layout" bench={bench}>
        {(bench?.piece.faces.length ?? 0) > 1 && (
          <button
            type="button"
            aria-pressed={both}
            className={`btn btn-sm ${both ? 'btn-neutral' : ''}`}
            onClick={toggleBoth}
          >
            <Columns size={15} /> <span className="max-[1100px]:sr-only">Both sides</span>{' '}
            <kbd className="key max-[1100px]:hidden">b</kbd>
          </button>
        )}
        <button
          type="button"
          aria-pressed={asCut}
          data-tour="as-cut"
          className={`btn btn-sm ${asCut ? 'btn-neutral' : ''}`}
          onClick={toggleAsCut}
        >
          <Scissors size={15} /> As cut <kbd className="key max-[1100px]:hidden">.</kbd>
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label="Keyboard shortcuts"
          title="Keyboard shortcuts (?)"
          onClick={() => openPanel('keys')}
        >
          <Keyboard size={16} />
        </button>
      </RoomBar>
      {bench ? (
        <>
          <TypefaceFaces />
          <Beside bench={listed} printed={listedPrinted} found={listedFound}>
            <ContentsBeside onPictures={takePictures} />
          </Beside>
          <Stage asCut={asCut}>
            {pictures.busy && (
              <p className="absolute bottom-3 left-3 rounded bg-base-100 px-3 py-1.5 shadow">Taking the picture in…</p>
            )}
            {(pictures.message ?? pictures.told) && (
              <div
                className={`absolute right-3 bottom-14 left-3 mx-auto flex w-fit max-w-xl items-start gap-3 rounded border bg-base-100 p-3 shadow-lg ${pictures.message ? 'border-error' : 'border-base-300'}`}
              >
                <div className="grid gap-1.5">
                  {pictures.message && <p role="alert">{pictures.message}</p>}
                  {pictures.told && <p role="status">{pictures.told}</p>}
                </div>
                <button type="button" className="btn btn-xs" onClick={pictures.dismiss}>
                  Dismiss
                </button>
              </div>
            )}
          </Stage>
          <BenchContext value={detailed}>
            <DetailsBeside />
          </BenchContext>
          <Beside bench={listed} printed={listedPrinted} found={listedFound}>
            <StatusBarBeside />
          </Beside>
          {open === 'actions' && <ActionList onClose={close} />}
          {open === 'icons' && <IconsPanel onClose={close} />}
          {open === 'letters' && <LettersPanel onClose={close} />}
          {open === 'fits' && <FitsPanel onClose={close} />}
          {open === 'light' && (
            <Suspense>
              <LightDialog onClose={close} />
            </Suspense>
          )}
          {open === 'logos' && <LogosPanel onClose={close} />}
          {drawing && <DrawingDialog key={drawing.name} drawing={drawing} />}
          {open === 'guides' && <GuidesPanel onClose={close} />}
          {open === 'straighten' && <StraightenPanel onClose={close} />}
        </>
      ) : (
        <RoomWait trouble={trouble} says="Laying out the piece…" />
      )}
      {open === 'keys' && <KeysHelp onClose={close} />}
    </div>
  );
}
