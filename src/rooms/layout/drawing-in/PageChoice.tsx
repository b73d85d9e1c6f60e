import { useEffect, useRef, useState } from 'react';
import { NumberField } from '../../../parts/NumberField';
import { drawPdfPage } from '../../../parts/pdf-picture';

/** Pixels of the longer side of the picture. */
const SIDE = 660;

/** Which page of a PDF, with a picture of it as the file has it. */
export function PageChoice({
  bytes,
  page,
  pages,
  onChange,
}: {
  bytes: Uint8Array;
  page: number;
  pages: number;
  onChange(page: number): void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [isGone, setIsGone] = useState(false);
  useEffect(() => {
    let isHere = true;
    setIsGone(false);
    drawPdfPage(bytes, page, 200, SIDE).then(
      ({ canvas: drawn }) => {
        const target = canvas.current;
        if (!isHere || !target) return;
        target.width = drawn.width;
        target.height = drawn.height;
        target.getContext('2d')?.drawImage(drawn, 0, 0);
      },
      // The picture only helps to choose: what is wrong with the page is told by who reads it.
      () => isHere && setIsGone(true),
    );
    return () => {
      isHere = false;
    };
  }, [bytes, page]);
  return (
    <section aria-label="Page" className="grid content-start gap-2">
      {isGone ? (
        <p className="quiet text-[13px]">This page cannot be shown.</p>
      ) : (
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Page ${page}`}
          width={3}
          height={2}
          className="max-h-80 w-full border border-black/25 bg-white object-contain"
        />
      )}
      {pages > 1 && (
        <div className="flex items-center gap-2">
          <NumberField label="Page" value={page} least={1} most={pages} onChange={onChange} />
          <span className="quiet text-[13px] whitespace-nowrap">of {pages}</span>
        </div>
      )}
    </section>
  );
}
