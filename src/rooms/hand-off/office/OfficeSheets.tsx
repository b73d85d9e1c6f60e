import { useId } from 'react';
import { IDENTITY } from '../../../../core/geometry/matrix';
import type { Piece } from '../../../../core/job/schema';
import { ontoSheet } from '../../../../core/job/turned';
import { officeOutcome, pageOnPaper } from '../../../../core/scene/office-printer';
import { OFFICE_SHEETS } from '../../../../core/scene/office-sheet';
import { printedFaces } from '../../../../core/scene/shown-faces';
import { formatLength } from '../../../../core/units/length';
import { useBench, usePrinted } from '../../../bench/bench';
import { FaceArt } from '../../../bench/FaceArt';
import { type OfficeAsked, pagesFor } from './asked';

/** The sheets that come out of an office printer: what it could not reach is hatched. */
export function OfficeSheets({ piece, asked: { on, printer } }: { piece: Piece; asked: OfficeAsked }) {
  const { sources, press, unit } = useBench();
  const { previews } = usePrinted();
  const id = useId();
  const pages = pagesFor(piece, sources, on);
  if (pages.length === 0) return <p className="quiet">{piece.name} does not fit on this sheet.</p>;
  const { width, height } = OFFICE_SHEETS[printer.paper];
  const { margin } = printer;
  const { sides, isHeadDown } = officeOutcome(pages, printer);
  const faces = printedFaces(piece, sources);
  return (
    <div className="flex flex-wrap items-start justify-center gap-8 pt-4">
      {sides.map((side, i) => {
        const page = pages[i]!;
        const face = faces[i]!;
        const onto = ontoSheet(piece, face)?.matrix ?? IDENTITY;
        const art = (
          <g transform={`matrix(${pageOnPaper(page, printer).join(' ')})`}>
            <g clipPath={`url(#${id}page)`}>
              <g transform={`matrix(${onto.join(' ')})`}>
                <FaceArt face={face} sources={sources} press={press} previews={previews} />
              </g>
            </g>
          </g>
        );
        const over = i === 1 && isHeadDown;
        const says = i === 0 ? 'Front of the sheet' : 'Back of the sheet, turned over left to right';
        return (
          <figure key={face.id} className="grid gap-1.5">
            <svg
              role="img"
              aria-label={says}
              viewBox={`0 0 ${width} ${height}`}
              className="bg-white shadow-md"
              style={{ width: `min(330px, ${(66 * width) / height}vh)` }}
            >
              <defs>
                <clipPath id={`${id}page`}>
                  <rect x={0} y={0} width={piece.width} height={piece.height} />
                </clipPath>
                <pattern
                  id={`${id}hatch`}
                  width={6}
                  height={6}
                  patternUnits="userSpaceOnUse"
                  patternTransform="rotate(45)"
                >
                  <rect width={6} height={6} fill="#fff" fillOpacity={0.72} />
                  <rect width={1.6} height={6} fill="#5b5750" />
                </pattern>
              </defs>
              <g transform={over ? `rotate(180 ${width / 2} ${height / 2})` : undefined}>
                {art}
                <path
                  fillRule="evenodd"
                  fill={`url(#${id}hatch)`}
                  d={`M0 0H${width}V${height}H0ZM${margin} ${margin}V${height - margin}H${width - margin}V${margin}Z`}
                />
                <rect {...side.trim} fill="none" stroke="#5b5750" strokeWidth={0.6} strokeDasharray="4 3" />
              </g>
            </svg>
            <figcaption className="quiet text-center text-[13px]">
              {says}: {formatLength(side.trim.width, unit, 2)} × {formatLength(side.trim.height, unit, 2)}
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}
