import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import type { Job } from '../../../../core/job/schema';
import { type PutAsked, putOnTable } from '../../../../core/scene/in-hand/put';
import { GateStops } from '../../../bench/gate/GateStops';
import { useGate } from '../../../bench/gate/use-gate';
import { useHeld } from '../../../bench/use-held';
import { Dialog } from '../../../parts/Dialog';
import { download, fileName } from '../../../parts/download';
import { NumberField } from '../../../parts/NumberField';
import { InHandSettings } from './InHandSettings';
import { openStage, type Stage } from './stage';
import { useMaps } from './use-maps';
import { FIRST_VIEW, moved, type View } from './view';

/** The picture on the screen, in pixels of the page. */
const WIDE = 4 / 3;
/** Degrees that a drag across the picture turns it by. */
const DRAG = { turn: 160, tilt: 80 };
const KEYS: Readonly<Record<string, Parameters<typeof moved>[1]>> = {
  ArrowLeft: { turn: 5 },
  ArrowRight: { turn: -5 },
  ArrowUp: { tilt: 4 },
  ArrowDown: { tilt: -4 },
  '+': { near: 1.1 },
  '-': { near: 1 / 1.1 },
};
const FIRST_PUT: PutAsked = { gap: 14, pile: 12, open: 0.55, askew: 5, stands: true, turned: new Set() };
/** A picture that takes longer than this is slow; once all are drawn, changes are looked for so often. Milliseconds. */
const SLOW = 24;
const VERY_SLOW = 150;
const IDLE = 30;
const SIZE = { least: 400, most: 12_000, first: 2000 };

/** The finished pieces on a table, in perspective, as one would photograph them. */
export function InHandDialog({ job, onClose }: { job: Job; onClose(): void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const stage = useRef<Stage>(undefined);
  const frame = useRef(0);
  const [sharp, setSharp] = useState<number>();
  const [missing, setMissing] = useState(false);
  const [view, setView] = useState<View>(FIRST_VIEW);
  const [put, setPut] = useState<PutAsked>(FIRST_PUT);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const pieces = useMemo(() => job.pieces.filter(({ id }) => !left.has(id)), [job, left]);
  const { laid, waiting, problem, mapsFor } = useMaps(job, pieces, sharp);
  const things = useMemo(() => putOnTable(pieces, put), [pieces, put]);

  useEffect(() => {
    const on = canvas.current!;
    try {
      stage.current = openStage(on);
      setSharp(stage.current.sharp);
    } catch {
      setMissing(true);
      return;
    }
    const opened = stage.current;
    const measure = (): void => {
      const wide = Math.round(on.clientWidth * Math.min(2, devicePixelRatio));
      if (wide > 0) opened.resize(wide, Math.round(wide / WIDE));
    };
    const seen = new ResizeObserver(measure);
    seen.observe(on);
    measure();
    let wait: ReturnType<typeof setTimeout> | undefined;
    const draw = (): void => {
      const start = performance.now();
      const goesOn = opened.more();
      const took = performance.now() - start;
      if (took > VERY_SLOW) opened.simpler();
      // Where drawing is slow the page has as much time for itself.
      wait = setTimeout(
        () => {
          frame.current = requestAnimationFrame(draw);
        },
        goesOn ? Math.min(400, took > SLOW ? took : 0) : IDLE,
      );
    };
    frame.current = requestAnimationFrame(draw);
    return () => {
      clearTimeout(wait);
      cancelAnimationFrame(frame.current);
      seen.disconnect();
      opened.free();
    };
  }, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: what has been laid is drawn with what it shows
  useEffect(() => {
    stage.current?.put(
      things.map(({ piece, leaves }) => ({ leaves, stock: piece.order?.colour, mapsFor: mapsFor(piece.id) })),
    );
  }, [things, laid, sharp]);
  useEffect(() => {
    stage.current?.look(view);
  }, [view]);

  const turn = (by: Parameters<typeof moved>[1]): void => setView((was) => moved(was, by));
  const held = useHeld<View>({
    move(from, by, { currentTarget: { clientWidth, clientHeight } }) {
      setView(moved(from, { turn: (-by.x / clientWidth) * DRAG.turn, tilt: (by.y / clientHeight) * DRAG.tilt }));
    },
    end: (from, how) => how === 'drop' && setView(from),
  });
  function key(event: KeyboardEvent): void {
    const by = KEYS[event.key];
    if (!by) return;
    event.preventDefault();
    turn(by);
  }
  // A wheel is turned to come nearer; the page behind must not scroll.
  useEffect(() => {
    const on = canvas.current!;
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      setView((was) => moved(was, { near: Math.exp(-event.deltaY / 600) }));
    };
    on.addEventListener('wheel', wheel, { passive: false });
    return () => on.removeEventListener('wheel', wheel);
  }, []);

  return (
    <Dialog wide="full" title={`${job.name} in the hand`} onClose={onClose}>
      <div className="grid grid-cols-[minmax(0,1fr)_272px] gap-4">
        <div className="grid content-start gap-2">
          <div className="relative overflow-hidden rounded bg-[var(--table)]" style={{ aspectRatio: WIDE }}>
            <canvas
              ref={canvas}
              className="h-full w-full cursor-grab touch-none active:cursor-grabbing"
              tabIndex={0}
              role="img"
              aria-label="The finished set on a table"
              {...held(() => view)}
              onKeyDown={key}
            />
            {(missing || problem || waiting) && (
              <p
                role={missing || problem ? 'alert' : 'status'}
                className="absolute top-3 left-3 rounded bg-base-100 px-2.5 py-1 text-[14px] shadow"
              >
                {missing
                  ? 'This browser cannot draw in three dimensions (WebGL 2). Try another, or let it use the graphics card.'
                  : (problem ?? `Laying the plates of ${waiting!.name}…`)}
              </p>
            )}
          </div>
          <p className="quiet text-[14px]">
            Drag, or use the arrow keys, to go round it; the wheel, or + and −, to come nearer.
          </p>
        </div>
        <div className="grid content-start gap-4 overflow-y-auto pr-1">
          <SavePicture
            job={job}
            pieces={pieces.map(({ id }) => id)}
            ready={sharp !== undefined && !waiting && !problem}
            stage={() => stage.current}
          />
          <InHandSettings {...{ job, view, put, left }} onView={setView} onPut={setPut} onLeft={setLeft} />
        </div>
      </div>
    </Dialog>
  );
}

/** The picture as a file: as wide as is asked for, once nothing stands in the way of the pieces in it. */
function SavePicture({
  job,
  pieces,
  ready,
  stage,
}: {
  job: Job;
  pieces: readonly string[];
  ready: boolean;
  stage(): Stage | undefined;
}) {
  const [width, setWidth] = useState(SIZE.first);
  const [going, setGoing] = useState<number>();
  const [problem, setProblem] = useState<string>();
  const listed = pieces.join(' ');
  const gate = useGate(
    useMemo(
      () => job.pieces.filter(({ id }) => listed.split(' ').includes(id)).map((piece) => ({ job, piece })),
      [job, listed],
    ),
  );
  async function save(): Promise<void> {
    setProblem(undefined);
    setGoing(0);
    try {
      const picture = await stage()!.picture(width, Math.round(width / WIDE), setGoing);
      download(new Uint8Array(await picture.arrayBuffer()), `${fileName(job.name)}-in-the-hand.png`, 'image/png');
    } catch (error) {
      setProblem(`The picture could not be made: ${(error as Error).message}`);
    }
    setGoing(undefined);
  }
  return (
    <section aria-label="Picture" className="grid gap-2">
      {gate.stops.length > 0 && <GateStops gate={gate} />}
      <div className="flex items-start gap-2">
        <NumberField label="Pixels wide" value={width} least={SIZE.least} most={SIZE.most} onChange={setWidth} />
        <button
          type="button"
          className="btn btn-sm btn-primary whitespace-nowrap"
          disabled={!ready || !gate.open || going !== undefined || pieces.length === 0}
          onClick={() => void save()}
        >
          {going === undefined ? 'Export PNG' : `${Math.round(going * 100)} %`}
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-[14px] text-error">
          {problem}
        </p>
      )}
    </section>
  );
}
