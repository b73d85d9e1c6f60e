import { PROCESS_PLATES, platesOf } from '../colour/ink';
import { inkOf } from '../job/find';
import { letteringsOf } from '../job/look';
import { type Element, type Job, type Paint, type Piece, paintsOf } from '../job/schema';
import { effectivePpi } from '../picture/place';

/** The figures of a piece that a designer wants in sight: what the edge strip shows. */
export interface PieceFacts {
  /** Of all pictures, in pixels an inch; undefined without pictures. */
  lowestPpi: number | undefined;
  /** In points; undefined without words. */
  smallestType: number | undefined;
  /** Plates in use, process first. */
  plates: string[];
}

const elementsOf = (piece: Piece): Element[] => piece.faces.flatMap((face) => face.elements);

const least = (values: number[]): number | undefined => (values.length > 0 ? Math.min(...values) : undefined);

/** The paints an element shows; words by what is typed in them. */
function paintsUsed(element: Element, job: Job): Paint[] {
  if (element.kind !== 'words' || element.fill) return paintsOf(element);
  return [
    ...letteringsOf(element, job.styles).map((l) => l.paint),
    ...paintsOf({ ...element, paragraphs: [], lettering: {} }),
  ];
}

/** The plates an element prints on. A picture is separated into all four process inks. */
const platesUsed = (element: Element, job: Job): string[] => [
  ...(element.kind === 'picture' ? PROCESS_PLATES : []),
  ...paintsUsed(element, job).flatMap(({ ink, tint }) =>
    Object.entries(platesOf(inkOf(job.inks, ink), tint)).flatMap(([name, amount]) => (amount > 0 ? [name] : [])),
  ),
];

export function pieceFacts(job: Job, piece: Piece): PieceFacts {
  const elements = elementsOf(piece);
  const used = new Set(elements.flatMap((element) => platesUsed(element, job)));
  const process: string[] = PROCESS_PLATES.filter((plate) => used.has(plate));
  return {
    lowestPpi: least(
      elements.flatMap((e) => {
        const asset = e.kind === 'picture' ? job.assets[e.asset] : undefined;
        return e.kind === 'picture' && asset ? [effectivePpi(e, asset.width, asset.height)] : [];
      }),
    ),
    smallestType: least(
      elements.flatMap((e) => (e.kind === 'words' ? letteringsOf(e, job.styles).map((l) => l.size) : [])),
    ),
    plates: [...process, ...[...used].filter((plate) => !process.includes(plate)).sort()],
  };
}
