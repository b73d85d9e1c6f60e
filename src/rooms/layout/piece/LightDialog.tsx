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
/** How many of its cells a way are drawn while the lamp moves, and how long after that it is at rest, in milliseconds. */
const COARSE = 0.62;
const REST = 120;
const SHADOW = 'drop-shadow(0 4px 8px rgb(0 0 0 / 0.3))';
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
  /** The same in fewer cells. */
  coarse: Surface;
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
    const at = (cells: number) => plateRoom().readSurfaces({ job, pieceId: piece.id, ppi: cells });
    Promise.all([at(ppi), at(ppi * COARSE)]).then(
      ([fine, coarse]) => current && setSides(fine.map((each, i) => ({ ...each, coarse: coarse[i]!.surface }))),
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

/** The pixels of a surface under a lamp. */
function litPixels(surface: Surface, lamp: Lamp): ImageData {
  const image = new ImageData(surface.width, surface.height);
  shade(surface, lamp, new Uint32Array(image.data.buffer));
  return image;
}

/** One side: drawn at most once a frame while the lamp moves, in fewer pixels; in all of them once it is at rest. */
function Lit({ side: { surface, coarse, name } }: { side: Side }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const lamp = useRef(ABOVE);
  const frame = useRef(0);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const { width, height } = surface;
  function draw(of: Surface): void {
    frame.current = 0;
    const start = performance.now();
    const on = canvas.current;
    if (on) {
      [on.width, on.height] = [of.width, of.height];
      // A shadow round a form is drawn anew with it: it waits until the lamp is at rest.
      on.style.filter = of === surface ? SHADOW : '';
      on.getContext('2d')?.putImageData(litPixels(of, lamp.current), 0, 0);
    }
    performance.measure('light', { start });
  }
  function move(to: Partial<Lamp>): void {
    lamp.current = { ...lamp.current, ...to };
    frame.current ||= requestAnimationFrame(() => draw(coarse));
    clearTimeout(rest.current);
    rest.current = setTimeout(() => draw(surface), REST);
  }
  // biome-ignore lint/correctness/useExhaustiveDependencies: the first picture of this surface; later ones follow the lamp
  useEffect(() => {
    draw(surface);
    return () => {
      cancelAnimationFrame(frame.current);
      clearTimeout(rest.current);
    };
  }, [surface]);
  function follow(event: PointerEvent): void {
    const { left, top, width: w, height: h } = event.currentTarget.getBoundingClientRect();
    move({ x: (event.clientX - left) / w, y: (event.clientY - top) / h });
  }
  return (
    <div className="grid place-items-center self-stretch justify-self-stretch" onPointerMove={follow}>
      <canvas
        ref={canvas}
        style={{ width, height }}
        tabIndex={0}
        role="img"
        aria-label={`${name}, finished, in the light`}
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
