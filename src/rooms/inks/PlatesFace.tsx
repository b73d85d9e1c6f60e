import { useEffect, useRef } from 'react';
import type { Cmyk } from '../../../core/colour/ink';
import { processStandIn } from '../../../core/colour/ink';
import { useBench } from '../../bench/bench';
import { startInk, usePicking } from '../../bench/palette/picking';
import { amountsAt } from './amounts';
import type { PlatesShown } from './use-plates';

const VIEWS = [
  ['proof', 'All plates'],
  ['plate', 'Single plate'],
  ['total', 'Total ink'],
] as const;

/** The face as its plates print it, one of them, or their sum; what is under the pointer is told beside it. */
export function PlatesFace({ plates }: { plates: PlatesShown }) {
  const { piece, face, setFace } = useBench();
  const { looking, look } = plates;
  return (
    <main className="relative flex min-h-0 flex-col bg-[var(--table)]" aria-label="Plates of the side">
      <div className="flex flex-wrap items-center gap-3 px-3 pt-3" data-bar>
        {piece.faces.length > 1 && (
          <fieldset className="join" aria-label="Side">
            {piece.faces.map(({ id, name }) => (
              <button
                key={id}
                type="button"
                aria-pressed={id === face.id}
                className={`btn btn-sm join-item ${id === face.id ? 'btn-neutral' : ''}`}
                onClick={() => setFace(id)}
              >
                {name}
              </button>
            ))}
          </fieldset>
        )}
        <fieldset className="join" aria-label="Shown as">
          {VIEWS.map(([kind, name]) => (
            <button
              key={kind}
              type="button"
              aria-pressed={looking.kind === kind}
              className={`btn btn-sm join-item ${looking.kind === kind ? 'btn-neutral' : ''}`}
              onClick={() => look({ kind })}
            >
              {name}
            </button>
          ))}
        </fieldset>
        {looking.kind === 'proof' && (
          <label className="flex cursor-pointer items-center gap-2 text-[14px] text-[var(--table-text)]">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={looking.paper}
              onChange={(event) => look({ paper: event.target.checked })}
            />
            Paper colour
          </label>
        )}
        {looking.kind === 'total' && plates.read && (
          <span className="text-[14px] text-[var(--table-text)]">
            rust: above {Math.round(plates.read.limit * 100)} %
          </span>
        )}
      </div>
      <Sheet plates={plates} />
    </main>
  );
}

function Sheet({ plates: { read, image, cell, point } }: { plates: PlatesShown }) {
  const { piece, job, selected } = useBench();
  const canvas = useRef<HTMLCanvasElement>(null);
  const { picking } = usePicking();
  useEffect(() => {
    const on = canvas.current;
    if (!on || !image) return;
    on.width = image.width;
    on.height = image.height;
    on.getContext('2d')!.putImageData(image, 0, 0);
  }, [image]);
  if (!read) return <p className="m-auto text-[var(--table-text)]">Laying the inks on their plates…</p>;
  const cellAt = (event: { clientX: number; clientY: number }): number | undefined => {
    const box = canvas.current!.getBoundingClientRect();
    const x = Math.floor(((event.clientX - box.x) / box.width) * read.width);
    const y = Math.floor(((event.clientY - box.y) / box.height) * read.height);
    return x >= 0 && y >= 0 && x < read.width && y < read.height ? y * read.width + x : undefined;
  };
  const { box } = read;
  const marked = selected ? undefined : read.places[0]?.box;
  return (
    <div className="grid min-h-0 flex-1 place-items-center p-8">
      <div
        className="relative max-h-full max-w-full shadow-lg"
        style={{
          aspectRatio: `${read.width} / ${read.height}`,
          width: `min(100%, calc((100vh - 230px) * ${read.width / read.height}))`,
        }}
      >
        <canvas
          ref={canvas}
          data-testid="plates"
          aria-label={picking ? 'Click the point whose ink is wanted' : 'The side on its plates'}
          className={`block h-full w-full ${picking ? 'cursor-crosshair' : ''}`}
          onPointerMove={(event) => point(cellAt(event))}
          onPointerLeave={() => point(undefined)}
          onClick={(event) => {
            const at = cellAt(event);
            if (!picking || at === undefined) return;
            const amounts = amountsAt(read, at);
            const cmyk = processStandIn(amounts, job.inks).map((a) => Math.round(a * 100) / 100) as Cmyk;
            startInk({ name: '', kind: 'process', cmyk });
          }}
        />
        {/* The cut, and the place with the most ink. */}
        <svg
          className="pointer-events-none absolute inset-0 h-full w-full"
          viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
          aria-hidden="true"
        >
          <rect
            width={piece.width}
            height={piece.height}
            fill="none"
            stroke="var(--edge-trim)"
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
            strokeDasharray="6 4"
          />
          {marked && (
            <rect {...marked} fill="none" stroke="var(--amber)" strokeWidth="1.5" vectorEffect="non-scaling-stroke" />
          )}
        </svg>
      </div>
      <p className="sr-only" aria-live="polite">
        {cell === undefined ? '' : 'Amounts under the pointer are told on the right.'}
      </p>
    </div>
  );
}
