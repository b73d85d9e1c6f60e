import { type Box, bottom, outset, right } from '../../../core/geometry/box';
import { offsetPath } from '../../../core/geometry/offset';
import { type Path, pathData, transformPath } from '../../../core/geometry/path';
import { AreaPattern } from './Areas';

const rectData = ({ x, y, width, height }: Box): string => `M${x} ${y}h${width}v${height}h${-width}z`;

/** Open corners at the trim, in pixels. */
const CORNER = 13;
const corners = (t: Box): string =>
  [
    `M${t.x} ${t.y + CORNER}V${t.y}H${t.x + CORNER}`,
    `M${right(t) - CORNER} ${t.y}H${right(t)}V${t.y + CORNER}`,
    `M${right(t)} ${bottom(t) - CORNER}V${bottom(t)}H${right(t) - CORNER}`,
    `M${t.x + CORNER} ${bottom(t)}H${t.x}V${bottom(t) - CORNER}`,
  ].join('');

/** The hatch for what will be cut away; one for the whole stage, in pixels, so that it stays the same at any zoom. */
export function BandPatterns() {
  return (
    <defs>
      <pattern id="cut-away" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="7" height="7" fill="#fff" fillOpacity=".25" />
        <rect width="2.2" height="7" fill="var(--edge-ochre)" fillOpacity=".75" />
      </pattern>
      <AreaPattern />
    </defs>
  );
}

/** The bands of a die line: what is cut away, and what is kept free of text. In points from the trim's corner. */
export interface DieBands {
  die: Path;
  away: Path;
  safe: Path;
}

export const dieBands = (die: Path, bleed: number, safe: number): DieBands => ({
  die,
  away: offsetPath(die, bleed, 'round'),
  safe: offsetPath(die, -safe, 'round'),
});

/** The edge of a face that a die cuts: the same bands, along its line. */
function BandsOfDie({ trim, zoom, bands }: { trim: Box; zoom: number; bands: DieBands }) {
  const there = (path: Path): string => pathData(transformPath(path, [zoom, 0, 0, zoom, trim.x, trim.y]));
  const [die, away, safe] = [there(bands.die), there(bands.away), there(bands.safe)];
  return (
    <>
      <path d={away + die} fill="url(#cut-away)" fillRule="evenodd" />
      <path d={die + safe} fill="var(--edge-slate)" fillOpacity=".16" fillRule="evenodd" />
      <path d={safe} fill="none" stroke="var(--edge-slate)" strokeDasharray="1.5 4" strokeLinecap="round" />
      <path d={die} fill="none" stroke="var(--edge-trim)" strokeWidth="1.4" />
    </>
  );
}

/** The edge of a face: bleed hatched, safe band washed, trim a dark hairline. `trim` in pixels; bleed and safe in points. */
export function Bands({
  trim,
  zoom,
  bleed,
  safe,
  die,
}: {
  trim: Box;
  zoom: number;
  bleed: number;
  safe: number;
  die?: DieBands | undefined;
}) {
  const inner = outset(trim, -safe * zoom);
  if (die)
    return (
      <g pointerEvents="none">
        <BandsOfDie trim={trim} zoom={zoom} bands={die} />
        <path d={corners(trim)} fill="none" stroke="var(--edge-trim)" strokeOpacity=".5" strokeWidth="1.4" />
      </g>
    );
  return (
    <g pointerEvents="none">
      {bleed > 0 && (
        <path d={rectData(outset(trim, bleed * zoom)) + rectData(trim)} fill="url(#cut-away)" fillRule="evenodd" />
      )}
      <path d={rectData(trim) + rectData(inner)} fill="var(--edge-slate)" fillOpacity=".16" fillRule="evenodd" />
      <rect {...inner} fill="none" stroke="var(--edge-slate)" strokeDasharray="1.5 4" strokeLinecap="round" />
      <rect {...trim} fill="none" stroke="var(--edge-trim)" strokeWidth=".8" />
      <path d={corners(trim)} fill="none" stroke="var(--edge-trim)" strokeWidth="2.2" />
    </g>
  );
}
