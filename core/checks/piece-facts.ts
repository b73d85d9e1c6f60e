import { PROCESS_PLATES, platesOf } from '../colour/ink';
import { inkOf } from '../job/find';
import { inked } from '../job/finishing';
import { letteringsOf } from '../job/look';
import { paintsShown } from '../job/paints-shown';
import type { Asset, Element, Job, Picture, Piece } from '../job/schema';
import { effectivePpi } from '../picture/place';
import { isLineArt, pageScale, pagesIn } from './pictures-on';

/** The figures of a piece that a designer wants in sight: what the edge strip shows. */
export interface PieceFacts {
  /** Of all pictures, in pixels an inch; undefined without pictures. */
  lowestPpi: number | undefined;
  /** In points; undefined without words. */
  smallestType: number | undefined;
  /** Plates in use, process first. */
  plates: string[];
}

const elementsOf = (piece: Pick<Piece, 'faces'>): Element[] => piece.faces.flatMap((face) => inked(face.elements));

const least = (values: number[]): number | undefined => (values.length > 0 ? Math.min(...values) : undefined);

type PlateSources = Pick<Job, 'inks' | 'styles' | 'assets'>;

// By element: edits never change one in place. Beside the element only inks, styles and files tell plates.
const kept = new WeakMap<Element, PlateSources & { plates: readonly string[] }>();

/** The plates an element prints on. */
export function platesUsed(element: Element, { inks, styles, assets }: PlateSources): readonly string[] {
  const found = kept.get(element);
  if (found?.inks === inks && found.styles === styles && found.assets === assets) return found.plates;
  const plates = platesDrawn(element, { inks, styles, assets });
  kept.set(element, { inks, styles, assets, plates });
  return plates;
}

/** A picture is separated into all four process inks, unless it is line art or grey: those are black alone. */
const platesOfPicture = ({ reseparate }: Picture, asset: Asset | undefined): readonly string[] =>
  asset?.page?.plates ??
  (asset && (isLineArt(asset) || (asset.space === 'GRAY' && !reseparate)) ? ['Black'] : PROCESS_PLATES);

const platesDrawn = (element: Element, job: PlateSources): string[] => [
  ...(element.kind === 'picture' && !element.inks ? platesOfPicture(element, job.assets[element.asset]) : []),
  ...paintsShown(element, job.styles).flatMap(({ ink, tint }) =>
    Object.entries(platesOf(inkOf(job.inks, ink), tint)).flatMap(([name, amount]) => (amount > 0 ? [name] : [])),
  ),
];

export function pieceFacts(job: Job, piece: Pick<Piece, 'faces'>): PieceFacts {
  const elements = elementsOf(piece);
  const used = new Set(elements.flatMap((element) => platesUsed(element, job)));
  // What is on a page that is placed whole is as large as the page makes it.
  const pages = pagesIn(elements, job.assets).map((page) => ({ ...page.placed, scale: pageScale(page) }));
  const process: string[] = PROCESS_PLATES.filter((plate) => used.has(plate));
  return {
    lowestPpi: least([
      ...pages.flatMap(({ ppi, scale }) => (ppi === undefined ? [] : [ppi / scale])),
      ...elements.flatMap((e) => {
        const asset = e.kind === 'picture' ? job.assets[e.asset] : undefined;
        return e.kind === 'picture' && asset && !asset.page ? [effectivePpi(e, asset.width, asset.height)] : [];
      }),
    ]),
    smallestType: least([
      ...pages.flatMap(({ words, scale }) => (words === undefined ? [] : [words * scale])),
      ...elements.flatMap((e) => (e.kind === 'words' ? letteringsOf(e, job.styles).map((l) => l.size) : [])),
    ]),
    plates: [...process, ...[...used].filter((plate) => !process.includes(plate)).sort()],
  };
}
