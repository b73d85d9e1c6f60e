import Columns from 'lucide-react/icons/columns-2';
import Keyboard from 'lucide-react/icons/keyboard';
import Redo from 'lucide-react/icons/redo-2';
import Scissors from 'lucide-react/icons/scissors';
import Undo from 'lucide-react/icons/undo-2';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { byGravity, checkPiece } from '../../../core/checks';
import { withFixes } from '../../../core/checks/on-plates';
import { spellingFindings } from '../../../core/checks/spelling';
import { pieceOf } from '../../../core/job/find';
import { pressConditionOf } from '../../../core/job/press-of';
import { shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { shopOf } from '../../../core/trade/shops';
import { echoUnit } from '../../../core/units/length';
import { TopBar } from '../../parts/TopBar';
import { TypefaceFaces } from '../../parts/TypefaceFaces';
import { useFonts } from '../../parts/use-fonts';
import { useInks } from '../../parts/use-inks';
import { useKit } from '../../parts/use-kit';
import { useOffers } from '../../parts/use-offers';
import { usePreviews } from '../../parts/use-previews';
import { useProfiles } from '../../parts/use-profiles';
import { useSpelling } from '../../parts/use-spelling';
import { openSession, redoStep, select, undoStep, useJob, useSession } from '../../store/session';
import { ExportDialog } from '../hand-off/ExportDialog';
import { ActionList } from './ActionList';
import { GuidesPanel } from './arrange/GuidesPanel';
import { StraightenPanel } from './arrange/StraightenPanel';
import { type Bench, BenchContext } from './bench';
import { Contents } from './Contents';
import { Details } from './Details';
import { DrawingDialog } from './drawing-in/DrawingDialog';
import { useIncoming } from './drawing-in/incoming';
import { EdgeStrip } from './EdgeStrip';
import { IconsPanel } from './icons/IconsPanel';
import { KeysHelp } from './KeysHelp';
import { openPanel, toggleAsCut, toggleBoth, useRoom } from './room';
import { Stage } from './Stage';
import { useEditKeys } from './use-edit-keys';
import { useNowAndThen } from './use-now-and-then';
import { usePictures } from './use-pictures';
import { EDITING_WORDS } from './words/editing';

/** Whether a gesture goes on, and whether it is one of the hand: a drag or a pull, not typing. */
function useGesture(): { live: boolean; byHand: boolean } {
  const name = useSession((session) => session.live?.name);
  return { live: name !== undefined, byHand: name !== undefined && name !== EDITING_WORDS };
}

/** The bench made from the job, the address and what is loaded; undefined until all of it is here. */
function useBenchOf(
  pieceId: string,
  faceId: string | undefined,
  both: boolean,
  setFace: (id: string) => void,
): { bench: Bench | undefined; failure: string | undefined } {
  const job = useJob();
  const { kit, failure } = useKit();
  const selectedIds = useSession((session) => session.selected);
  const piece = job && pieceOf(job, pieceId);
  const shop = piece && shopOf(piece.shop);
  const condition = useMemo(() => (job && shop ? pressConditionOf(job, shop) : undefined), [job, shop]);
  const profilesHere = useProfiles(job);
  const press = kit && condition && profilesHere ? kit.press(condition) : undefined;
  const previews = usePreviews(job, condition);
  const inks = job?.inks;
  const assets = job?.assets;
  const styles = job?.styles;
  const ownFonts = job?.fonts;
  const fontsHere = useFonts(job);
  const sources = useMemo(
    () => kit && inks && assets && styles && ownFonts && { inks, assets, styles, ownFonts, fonts: kit.fonts },
    [kit, inks, assets, styles, ownFonts],
  );
  // The checks come after the stage: a key or a drag is drawn first, and checked when there is time.
  const { live, byHand } = useGesture();
  const checked = useDeferredValue(useNowAndThen(job, live, byHand));
  const words = useSpelling(checked && pieceOf(checked, pieceId), checked?.spelling);
  const onPress = useInks(checked, pieceId);
  const offers = useOffers();
  // biome-ignore lint/correctness/useExhaustiveDependencies: once more families are here, more can be offered
  const findings = useMemo(() => {
    const settled = checked && pieceOf(checked, pieceId);
    if (!settled || !kit || !fontsHere || !press) return [];
    // On the page's own record of timings, where the bench (and a browser's profiler) reads it.
    const start = performance.now();
    const misspelt = spellingFindings(settled, checked.spelling, words, sourcesOf(checked, kit.fonts));
    const context = { sources: sourcesOf(checked, kit.fonts), press };
    const onPlates = withFixes(onPress?.findings ?? [], settled, context);
    const found = [
      ...byGravity([...checkPiece(checked, settled, { fonts: kit.fonts, press }), ...onPlates]),
      ...misspelt,
    ];
    performance.measure('checks', { start });
    return found;
  }, [checked, pieceId, kit, press, fontsHere, words, onPress, offers.here]);
  useEffect(() => offers.wantedBy(findings), [findings, offers.wantedBy]);
  const faces = useMemo(
    () => (piece && sources && fontsHere ? shownFaces(piece, sources) : []),
    [piece, sources, fontsHere],
  );
  const face = faces.find((f) => f.id === faceId) ?? faces[0];
  const shown = useMemo(() => (face ? (both ? faces : [face]) : []), [faces, face, both]);
  const bench = useMemo((): Bench | undefined => {
    if (!job || !piece || !face || !shop || !kit || !sources || !fontsHere || !press) return undefined;
    const wanted = new Set(selectedIds);
    const chosen = faces.flatMap((f) => f.elements.filter((element) => wanted.has(element.id)));
    const here = new Map(chosen.map((element) => [element.id, element]));
    const selection = selectedIds.flatMap((id) => here.get(id) ?? []);
    return {
      job,
      piece,
      face,
      shown,
      selection,
      selected: selection.length === 1 ? selection[0] : undefined,
      shop,
      press,
      sources,
      previews,
      findings,
      onPress,
      unit: piece.unit,
      echo: echoUnit(piece.unit),
      setFace,
    };
  }, [
    job,
    piece,
    face,
    faces,
    shown,
    selectedIds,
    shop,
    kit,
    sources,
    fontsHere,
    press,
    previews,
    findings,
    onPress,
    setFace,
  ]);
  return { bench, failure };
}

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

function HistoryButtons() {
  const history = useSession((session) => session.history);
  const back = history?.past.at(-1)?.name;
  const forth = history?.future.at(-1)?.name;
  return (
    <div className="join">
      <button
        type="button"
        className="btn btn-sm join-item"
        disabled={!back}
        aria-label="Undo"
        title={back ? `Undo: ${back}` : 'Nothing to undo'}
        onClick={undoStep}
      >
        <Undo size={15} />
      </button>
      <button
        type="button"
        className="btn btn-sm join-item"
        disabled={!forth}
        aria-label="Redo"
        title={forth ? `Redo: ${forth}` : 'Nothing to redo'}
        onClick={redoStep}
      >
        <Redo size={15} />
      </button>
    </div>
  );
}
