import { PROCESS_PLATES, platesOf } from '../colour/ink';
import { inkOf } from '../job/find';
import { letteringsOf } from '../job/look';
import { paintsShown } from '../job/paints-shown';
import type { Element, Job, Piece } from '../job/schema';
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

const elementsOf = (piece: Pick<Piece, 'faces'>): Element[] => piece.faces.flatMap((face) => face.elements);

const least = (values: number[]): number | undefined => (values.length > 0 ? Math.min(...values) : undefined);

// By element: edits never change one in place. Beside the element only inks and styles tell plates.
const kept = new WeakMap<Element, Pick<Job, 'inks' | 'styles'> & { plates: readonly string[] }>();

/** The plates an element prints on. */
export function platesUsed(element: Element, { inks, styles }: Pick<Job, 'inks' | 'styles'>): readonly string[] {
  const found = kept.get(element);
  if (found?.inks === inks && found.styles === styles) return found.plates;
  const plates = platesDrawn(element, { inks, styles });
  kept.set(element, { inks, styles, plates });
  return plates;
}

/** A picture is separated into all four process inks. */
const platesDrawn = (element: Element, job: Pick<Job, 'inks' | 'styles'>): string[] => [
  ...(element.kind === 'picture' && !element.inks ? PROCESS_PLATES : []),
  ...paintsShown(element, job.styles).flatMap(({ ink, tint }) =>
    Object.entries(platesOf(inkOf(job.inks, ink), tint)).flatMap(([name, amount]) => (amount > 0 ? [name] : [])),
  ),
];

export function pieceFacts(job: Job, piece: Pick<Piece, 'faces'>): PieceFacts {
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
