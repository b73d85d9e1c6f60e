import { useEffect, useRef, useState } from 'react';
import { type Batch, measured } from '../../../core/files/counter/came-back';
import { shopIn } from '../../../core/job/shops-of';
import { useBench } from '../../bench/bench';
import { plateRoom } from '../../bench/kit';
import { Dialog } from '../../parts/Dialog';
import { fileAtShop } from './counter';

/** What came back of an order, once it was sent: the pieces, and how they measure up. */
export function CameBack({ id, piece, batch }: { id: string; piece: string; batch: Batch }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="btn btn-sm" onClick={() => setOpen(true)}>
        See what came back
      </button>
      {open && <CameBackDialog {...{ id, piece, batch }} onClose={() => setOpen(false)} />}
    </>
  );
}

function CameBackDialog({
  id,
  piece: name,
  batch,
  onClose,
}: {
  id: string;
  piece: string;
  batch: Batch;
  onClose(): void;
}) {
  const { job, unit } = useBench();
  const piece = job.pieces.find((each) => each.name === name);
  const [drawn, setDrawn] = useState<{ plates: number; copies: ImageData[][] }>();
  const [problem, setProblem] = useState<string>();
  const pieceId = piece?.id;
  useEffect(() => {
    if (pieceId === undefined) {
      setProblem(`${name} is no longer in this job.`);
      return;
    }
    let current = true;
    fileAtShop(id)
      .then((file) => plateRoom().cameBackPictures({ job, pieceId, file, batch }))
      .then(
        (made) => current && setDrawn(made),
        (error: Error) => current && setProblem(error.message),
      );
    return () => {
      current = false;
    };
  }, [id, name, job, pieceId, batch]);
  const lines = piece && drawn ? measured(batch, shopIn(job, piece.shop).tolerance, drawn.plates, unit) : [];
  return (
    <Dialog wide="full" title={`${name}, as it came back`} onClose={onClose}>
      <div className="grid gap-4">
        {problem && <p role="alert">{problem}</p>}
        {!drawn && !problem && <p role="status">Looking at what came…</p>}
        {lines.length > 0 && (
          <ul className="grid gap-1 text-[15px]" aria-label="Measured">
            {lines.map(({ isRight, says }) => (
              <li key={says} className={isRight ? '' : 'text-error'}>
                {isRight ? '✓' : '✗'} {says}
              </li>
            ))}
          </ul>
        )}
        {drawn && (
          <div className="grid grid-cols-3 gap-4 rounded bg-[var(--table)] p-4">
            {drawn.copies.map((sides, copy) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a copy has no other identity
              <div key={copy} className="grid content-start gap-2">
                {sides.map((image, side) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: nor has a side of it
                  <Copy key={side} image={image} says={`Copy ${copy + 1}, ${side === 0 ? 'front' : 'back'}`} />
                ))}
              </div>
            ))}
          </div>
        )}
      </div>
    </Dialog>
  );
}

function Copy({ image, says }: { image: ImageData; says: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    canvas.current?.getContext('2d')?.putImageData(image, 0, 0);
  }, [image]);
  return (
    <canvas
      ref={canvas}
      width={image.width}
      height={image.height}
      role="img"
      aria-label={says}
      className="w-full shadow-md"
    />
  );
}
