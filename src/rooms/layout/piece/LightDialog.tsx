import { type PointerEvent, useEffect, useRef, useState } from 'react';
import { type Lamp, shade } from '../../../../core/devices/light/shade';
import type { Surface } from '../../../../core/devices/light/surface';
import { finishesUsed, finishSays } from '../../../../core/job/finishing';
import { useBench } from '../../../bench/bench';
import { plateRoom } from '../../../bench/kit';
import { Dialog } from '../../../parts/Dialog';

/** The room that a side is drawn in, in pixels; finer than this no screen here needs. */
const ROOM = { width: 760, height: 460 };
const FINEST = 400;
const ABOVE: Lamp = { x: 0.3, y: 0.15, height: 0.55 };
/** How far an arrow key moves the lamp, as a share of the side. */
const STEP = 0.05;
const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface Side {
  face: string;
  name: string;
  surface: Surface;
}

/** The finished piece under a lamp that follows the pointer. */
export function LightDialog({ onClose }: { onClose(): void }) {
  const { job, sheet: piece, face } = useBench();
  const [sides, setSides] = useState<Side[]>();
  const [problem, setProblem] = useState<string>();
  const [shown, setShown] = useState(face.id);
  const ppi = Math.min(FINEST, 72 * Math.min(ROOM.width / piece.width, ROOM.height / piece.height));
  useEffect(() => {
    let current = true;
    plateRoom()
      .readSurfaces({ job, pieceId: piece.id, ppi })
      .then(
        (read) => current && setSides(read),
        (error: Error) => current && setProblem(error.message),
      );
    return () => {
      current = false;
    };
  }, [job, piece.id, ppi]);
  const side = sides?.find((each) => each.face === shown) ?? sides?.[0];
  return (
    <Dialog wide="full" title={`${piece.name} in the light`} onClose={onClose}>
      <div className="grid gap-3">
        <div className="grid min-h-[480px] place-items-center rounded bg-[var(--table)] p-5">
          {problem ? (
            <p className="text-[var(--table-text)]">It could not be drawn: {problem}</p>
          ) : side ? (
            <Lit key={side.face} side={side} />
          ) : (
            <p className="text-[var(--table-text)]">Laying the plates…</p>
          )}
        </div>
        <div className="flex flex-wrap items-center gap-3">
          {sides && sides.length > 1 && (
            <div role="tablist" aria-label="Side in the light" className="flex gap-1.5">
              {sides.map(({ face: id, name }) => (
                <button
                  key={id}
                  type="button"
                  role="tab"
                  aria-selected={id === side?.face}
                  className={`btn btn-sm ${id === side?.face ? 'btn-neutral' : ''}`}
                  onClick={() => setShown(id)}
                >
                  {name}
                </button>
              ))}
            </div>
          )}
          <p className="quiet text-[14px]">
            {finishesUsed(piece).map(finishSays).join('; ') || 'No finishing yet'}. Move the pointer, or use the arrow
            keys, to move the lamp.
          </p>
        </div>
      </div>
    </Dialog>
  );
}

/** One side; it is drawn again at most once a frame. */
function Lit({ side: { surface, name } }: { side: Side }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const lamp = useRef(ABOVE);
  const waiting = useRef(0);
  const { width, height } = surface;
  const out = useRef(new ImageData(width, height));
  function draw(): void {
    waiting.current = 0;
    const start = performance.now();
    shade(surface, lamp.current, new Uint32Array(out.current.data.buffer));
    canvas.current?.getContext('2d')?.putImageData(out.current, 0, 0);
    performance.measure('light', { start });
  }
  function move(to: Partial<Lamp>): void {
    lamp.current = { ...lamp.current, ...to };
    waiting.current ||= requestAnimationFrame(draw);
  }
  // biome-ignore lint/correctness/useExhaustiveDependencies: the first picture of this surface; later ones follow the lamp
  useEffect(() => {
    draw();
    return () => cancelAnimationFrame(waiting.current);
  }, [surface]);
  function follow(event: PointerEvent): void {
    const { left, top, width: w, height: h } = event.currentTarget.getBoundingClientRect();
    move({ x: (event.clientX - left) / w, y: (event.clientY - top) / h });
  }
  return (
    <div className="grid place-items-center self-stretch justify-self-stretch" onPointerMove={follow}>
      <canvas
        ref={canvas}
        width={width}
        height={height}
        tabIndex={0}
        role="img"
        aria-label={`${name}, finished, in the light`}
        className="drop-shadow-lg"
        onKeyDown={(event) => {
          const way = WAYS[event.key];
          if (!way) return;
          event.preventDefault();
          move({ x: lamp.current.x + way[0] * STEP, y: lamp.current.y + way[1] * STEP });
        }}
      />
    </div>
  );
}
