import { useState } from 'react';
import type { PageInspected } from '../../../core/files/pdf/inspect';
import { boxBetween } from '../../../core/geometry/box';
import { apply } from '../../../core/geometry/matrix';
import type { PagePicture } from '../../../workers/draw-pages';
import { usePictureUrl } from '../../parts/use-picture-url';
import { asSeen } from './as-seen';

/** A page with its picture, and its number, 1 first. */
interface Shown {
  number: number;
  page: PageInspected;
  shot: PagePicture;
}

const sizeOf = ({ cut: [x0, y0, x1, y1], turned }: PageInspected): [number, number] =>
  turned % 180 === 0 ? [x1 - x0, y1 - y0] : [y1 - y0, x1 - x0];

/** The sides of each sheet: pages in pairs where they are even and alike, as a printed piece has them. */
export function sidesOf(pages: readonly PageInspected[]): number[][] {
  const alike = (a: PageInspected, b: PageInspected): boolean =>
    sizeOf(a).every((side, k) => Math.abs(side - sizeOf(b)[k]!) < 1);
  const inPairs = pages.length % 2 === 0 && pages.every((page, i) => i % 2 === 0 || alike(pages[i - 1]!, page));
  const sheets = Array.from({ length: inPairs ? pages.length / 2 : pages.length }, (_, i) => i);
  return sheets.map((i) => (inPairs ? [2 * i, 2 * i + 1] : [i]));
}

/** The part of a page's picture that is within its cut. */
function CutPage({ number, page, shot }: Shown) {
  const url = usePictureUrl(shot.image);
  const [x0, , , y1] = page.crop ?? page.media;
  const [a, b, c, d] = page.cut;
  const seen = asSeen(page);
  const corners = [
    { x: a - x0, y: y1 - d },
    { x: c - x0, y: y1 - b },
  ].map((corner) => apply(seen.matrix, corner));
  const cut = boxBetween(corners[0]!, corners[1]!);
  const style = {
    width: `${(100 * seen.width) / cut.width}%`,
    height: `${(100 * seen.height) / cut.height}%`,
    left: `${(-100 * cut.x) / cut.width}%`,
    top: `${(-100 * cut.y) / cut.height}%`,
  };
  return (
    <div className="absolute inset-0 overflow-hidden bg-white shadow-lg [backface-visibility:hidden]">
      {url && <img src={url} alt={`Page ${number}, as cut`} className="absolute max-w-none" style={style} />}
    </div>
  );
}

/** One sheet, turned over its upright edge. */
function CutSheet({ sides }: { sides: readonly Shown[] }) {
  const [over, setOver] = useState(false);
  const [front, back] = sides;
  const [width, height] = sizeOf(front!.page);
  const shown = over && back ? back : front!;
  return (
    <figure className="grid justify-items-center gap-3 rounded-lg bg-base-100 p-6 shadow-sm">
      <div className="w-full [perspective:1600px]" style={{ maxWidth: `calc(56vh * ${width / height})` }}>
        <div
          className="relative w-full transition-transform duration-500 [transform-style:preserve-3d] motion-reduce:transition-none"
          style={{ aspectRatio: `${width} / ${height}`, transform: over ? 'rotateY(180deg)' : undefined }}
        >
          <div inert={over} className="absolute inset-0 [transform-style:preserve-3d]">
            <CutPage {...front!} />
          </div>
          {back && (
            <div inert={!over} className="absolute inset-0 [transform-style:preserve-3d] [transform:rotateY(180deg)]">
              <CutPage {...back} />
            </div>
          )}
        </div>
      </div>
      <figcaption className="flex items-center gap-3 text-[14px]">
        <span role="status">
          Page {shown.number}
          {back && (over ? ', back' : ', front')}
        </span>
        {back && (
          <button type="button" className="btn btn-sm" onClick={() => setOver(!over)}>
            Turn over
          </button>
        )}
      </figcaption>
    </figure>
  );
}

/** The pages of a file as the pieces that are cut of them. */
export function CutSheets({ pages, shots }: { pages: readonly PageInspected[]; shots: readonly PagePicture[] }) {
  const seen = sidesOf(pages).filter((sides) => sides.every((i) => shots[i]));
  if (seen.length === 0) return <p className="quiet">There are no pictures of its pages.</p>;
  return seen.map((sides) => (
    <CutSheet key={sides[0]} sides={sides.map((i) => ({ number: i + 1, page: pages[i]!, shot: shots[i]! }))} />
  ));
}
