import {
  lazy,
  memo,
  type ReactNode,
  Suspense,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { inkBounds } from '../../../core/devices/bounds';
import { type Box, outset, type Point, unionOf } from '../../../core/geometry/box';
import { parsePath, pathData } from '../../../core/geometry/path';
import type { Face } from '../../../core/job/schema';
import { asFace } from '../../../core/job/turned';
import { elementBox, elementFrame } from '../../../core/scene/face';
import { asHeld, dieOf } from '../../../core/scene/finishing';
import { type Bench, type Printed, useBench, useFound, usePrinted } from '../../bench/bench';
import { FaceArt } from '../../bench/FaceArt';
import { UnderlayImage } from '../../bench/underlay/UnderlayImage';
import { Areas, namesOn } from './Areas';
import { CaughtLines } from './arrange/CaughtLines';
import { GuideLines } from './arrange/GuideLines';
import { dieBands } from './Bands';
import { CommentPins } from './CommentPins';
import { FaceEdges } from './FaceEdges';
import { FramePicture } from './FramePicture';
import { FillHandles } from './paint/FillHandles';
import { DrawPath } from './path/DrawPath';
import { useDrawing } from './path/drawing';
import { EditPoints } from './path/EditPoints';
import { Selection, SeveralSelected } from './Selection';
import { StageMenu } from './StageMenu';
import { useSelectionBox, useStageGestures } from './use-stage-gestures';
import { useViewKeys } from './use-view-keys';
import { ACTUAL_ZOOM, centreOn, fitView, onScreen, placeFaces, type View, zoomAt } from './view';
import { useEditing } from './words/editing';
import { ZoomBar } from './ZoomBar';

// The editor is large, and no words are open at first.
const WordsEditor = lazy(async () => ({ default: (await import('./words/WordsEditor')).WordsEditor }));

/** One face on the table, at one CSS pixel a point: the table's transform makes it larger. */
const FaceSheet = memo(function FaceSheet({
  face,
  bench,
  origin,
  asCut,
}: {
  face: Face;
  bench: Pick<Bench, 'piece' | 'shop' | 'press' | 'sources'> & Printed;
  origin: Point;
  asCut: boolean;
}) {
  const { shop, press, sources, previews, mixtures } = bench;
  const piece = asFace(bench.piece, face);
  const bleed = asCut ? 0 : shop.bleed[piece.kind];
  const die = useMemo(() => dieOf(bench.piece, face), [bench.piece, face]);
  const paper = outset({ x: 0, y: 0, width: piece.width, height: piece.height }, bleed);
  return (
    <svg
      role="img"
      aria-label={`${face.name}, ${asCut ? 'as cut' : 'with its edges'}`}
      data-face={face.id}
      width={paper.width}
      height={paper.height}
      viewBox={`${paper.x} ${paper.y} ${paper.width} ${paper.height}`}
      className={`absolute ${asCut && !die ? 'shadow-lg' : ''}`}
      style={{
        left: origin.x + paper.x,
        top: origin.y + paper.y,
        borderRadius: asCut ? piece.corner : undefined,
        clipPath: asCut && die ? `path('${pathData(die)}')` : undefined,
      }}
    >
      <FaceArt
        face={asCut ? asHeld(piece, face) : face}
        sources={sources}
        press={press}
        previews={previews}
        mixtures={mixtures}
        under={asCut ? null : <UnderlayImage face={face} over={false} />}
      />
      {!asCut && <UnderlayImage face={face} over />}
    </svg>
  );
});

function SelectionBox() {
  const { box } = useSelectionBox();
  return box ? (
    <rect {...box} fill="var(--edge-trim)" fillOpacity=".06" stroke="var(--edge-trim)" strokeDasharray="4 3" />
  ) : null;
}

/** How long after its last movement the view is at rest, in milliseconds. */
const REST = 200;

/**
 * Whether the view is being panned or zoomed: the piece is then moved as a picture, and drawn anew when it rests. So is
 * what is drawn about it while it is panned: `base` is the view it was drawn for.
 */
function useMoving(view: View | undefined): { moving: boolean; base: View | undefined } {
  const [moving, setMoving] = useState(false);
  const first = useRef(view);
  const base = useRef(view);
  if (!moving || base.current?.zoom !== view?.zoom) base.current = view;
  useEffect(() => {
    if (view === first.current) return;
    first.current = view;
    setMoving(true);
    const rest = setTimeout(() => setMoving(false), REST);
    return () => clearTimeout(rest);
  }, [view]);
  return { moving, base: base.current };
}

/** The table with the piece on it. What is drawn on the piece scales by a CSS transform; what is drawn about it does not. */
export function Stage({ asCut, children }: { asCut: boolean; children?: ReactNode }) {
  const bench = useBench();
  const { sheet: piece, shop, shown, selection, selected, sources, unit } = bench;
  const { findings } = useFound();
  const { previews, mixtures } = usePrinted();
  const window = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [view, setView] = useState<View>();
  const bleed = shop.bleed[piece.kind];
  const safe = shop.safe[piece.kind];
  // By the outlines, so that a drag of something else works out no bands again.
  const dieData = shown.map((f) => `${f.id} ${pathData(dieOf(piece, f) ?? [])}`).join('\n');
  const dies = useMemo(
    () =>
      new Map(
        dieData.split('\n').map((each) => {
          const [id = '', data] = /^(\S*) (.*)$/.exec(each)?.slice(1) ?? [];
          return [id, data ? dieBands(parsePath(data), bleed, safe) : undefined] as const;
        }),
      ),
    [dieData, bleed, safe],
  );
  const trimOfFace = (face: Face): Box => {
    const { width, height } = asFace(piece, face);
    return { x: 0, y: 0, width, height };
  };
  // The same places as long as the same faces are shown: what is drawn about them is not drawn again.
  const sizes = JSON.stringify(shown.map((f) => ({ id: f.id, width: trimOfFace(f).width })));
  const origins = useMemo(() => placeFaces(JSON.parse(sizes), bleed), [sizes, bleed]);
  const table = unionOf(
    shown.map((f) => {
      const at = origins.get(f.id)!;
      return { ...outset(trimOfFace(f), bleed), x: at.x - bleed, y: at.y - bleed };
    }),
  )!;

  useLayoutEffect(() => {
    const watch = new ResizeObserver(([entry]) =>
      setSize({ width: entry!.contentRect.width, height: entry!.contentRect.height }),
    );
    if (window.current) watch.observe(window.current);
    return () => watch.disconnect();
  }, []);

  const { x, y, width, height } = table;
  const showAll = useCallback(() => {
    if (size.width > 0) setView(fitView({ x, y, width, height }, size));
  }, [x, y, width, height, size]);
  const actual = (): void => setView(centreOn(table, size, ACTUAL_ZOOM));
  const zoomBy = (factor: number): void =>
    setView((v) => v && zoomAt(v, { x: size.width / 2, y: size.height / 2 }, factor));
  // Other faces, another size or another window: start again from the whole, before they are seen anywhere else.
  useLayoutEffect(showAll, [showAll]);

  // Where text lay when findings were last known: what is dragged draws nothing about the faces again.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is as old as the findings that stand beside it
  const texts = useMemo(
    () =>
      new Map(
        shown.map((f) => [
          f.id,
          f.elements.flatMap((e) => (e.kind === 'words' && !e.hidden ? [elementBox(e, sources)] : [])),
        ]),
      ),
    [findings, sizes],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is as old as the findings that stand beside it
  const names = useMemo(() => new Map(shown.map((f) => [f.id, namesOn(piece, f)])), [findings, sizes]);

  const drawing = useDrawing();
  const { moving, base } = useMoving(view);
  const editingId = useEditing((state) => state.id);
  const faceOf = (id: string): string => shown.find((f) => f.elements.some((e) => e.id === id))?.id ?? '';
  const editing = shown.flatMap((f) => f.elements).find((e) => e.id === editingId);

  useStageGestures(window, { view, setView, origins });
  useViewKeys({ showAll, actual, zoomBy, setView });

  const { press } = bench;
  // Pans, zooms and selections leave the drawn faces alone.
  const drawn = useMemo(
    () => ({ piece, shop, press, sources, previews, mixtures }),
    [piece, shop, press, sources, previews, mixtures],
  );

  return (
    <StageMenu>
      <main
        ref={window}
        className="relative min-h-0 min-w-0 touch-none overflow-hidden bg-[var(--table)]"
        aria-label="Stage"
        data-asking={asCut ? 'cut' : 'edges'}
      >
        {view && (
          <>
            <div
              className="absolute top-0 left-0"
              style={{
                transform: `translate(${view.x}px, ${view.y}px) scale(${view.zoom})`,
                transformOrigin: '0 0',
                willChange: moving ? 'transform' : undefined,
              }}
            >
              {shown.map((f) => (
                <FaceSheet key={f.id} face={f} bench={drawn} origin={origins.get(f.id)!} asCut={asCut} />
              ))}
            </div>
            {!asCut && base && (
              <div
                className="pointer-events-none absolute inset-0"
                style={
                  moving
                    ? { transform: `translate(${view.x - base.x}px, ${view.y - base.y}px)`, willChange: 'transform' }
                    : undefined
                }
              >
                {shown.map((f) => (
                  <FaceEdges
                    key={f.id}
                    face={f.id}
                    name={shown.length > 1 ? f.name : undefined}
                    width={trimOfFace(f).width}
                    height={trimOfFace(f).height}
                    bleed={bleed}
                    safe={safe}
                    unit={unit}
                    origin={origins.get(f.id)!}
                    view={base}
                    findings={findings}
                    chosen={selected?.id}
                    text={texts.get(f.id) ?? []}
                    names={names.get(f.id) ?? []}
                    die={dies.get(f.id)}
                  />
                ))}
                <svg
                  className="pointer-events-none absolute inset-0 size-full overflow-visible will-change-transform"
                  aria-hidden="true"
                >
                  {shown.map((f) => {
                    const origin = origins.get(f.id)!;
                    const trimShown = onScreen(trimOfFace(f), origin, base);
                    const toScreen = (box: Box): Box => onScreen(box, origin, base);
                    const mine = selected && f.elements.includes(selected) ? selected : undefined;
                    const several = selection.length > 1 ? selection.filter((e) => f.elements.includes(e)) : [];
                    const ink = mine && inkBounds(mine, sources);
                    return (
                      <g key={f.id}>
                        <Areas face={f} toScreen={toScreen} zoom={base.zoom} />
                        <GuideLines face={f} trim={trimShown} zoom={base.zoom} />
                        {several.length > 1 && (
                          <g className="pointer-events-auto">
                            <SeveralSelected
                              frames={several.map((e) => ({ id: e.id, frame: toScreen(elementBox(e, sources)) }))}
                              around={toScreen(unionOf(several.map((e) => elementBox(e, sources)))!)}
                            />
                          </g>
                        )}
                        <CommentPins face={f} toScreen={toScreen} />
                        <CaughtLines face={f.id} toScreen={toScreen} unit={unit} />
                        {drawing.drawn?.face === f.id && <DrawPath face={f} origin={origin} view={base} />}
                        {mine?.kind === 'shape' && drawing.editing?.id === mine.id && (
                          <EditPoints shape={mine} face={f} origin={origin} view={base} />
                        )}
                        {mine?.kind === 'picture' && drawing.framing === mine.id && (
                          <FramePicture picture={mine} origin={origin} view={base} />
                        )}
                        {mine && drawing.editing?.id !== mine.id && drawing.framing !== mine.id && (
                          <g className="pointer-events-auto">
                            <Selection
                              element={mine}
                              frame={toScreen(elementFrame(mine, sources))}
                              ink={ink && toScreen(ink)}
                              trim={trimShown}
                            />
                            <FillHandles element={mine} origin={origin} view={base} />
                          </g>
                        )}
                      </g>
                    );
                  })}
                  <SelectionBox />
                </svg>
              </div>
            )}
            {editing?.kind === 'words' && (
              <Suspense>
                <WordsEditor
                  key={editing.id}
                  words={editing}
                  frame={onScreen(elementFrame(editing, sources), origins.get(faceOf(editing.id))!, view)}
                  stage={size}
                />
              </Suspense>
            )}
            <ZoomBar zoom={view.zoom / ACTUAL_ZOOM} onFit={showAll} onActual={actual} onZoom={zoomBy} />
          </>
        )}
        {children}
      </main>
    </StageMenu>
  );
}
