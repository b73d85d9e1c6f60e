import { type Finish, finishPlate, finishSays } from '../../job/finishing';
import type { Face, Piece } from '../../job/schema';
import { type FinishOnFace, finishedFaces } from '../../scene/finishing';
import type { SceneSources } from '../../scene/sources';
import { platedFaces } from '../../scene/traps';
import { ExportError, facesAsked, type PdfAsked } from './asked';
import { STANDARD_FACTS } from './standards';

/** A page of a file: a side with its inks, or what one finish does on it; a side may have finishes in layers. */
export interface PageAsked {
  /** The side as it prints. */
  face: Face;
  name: string;
  hasInk: boolean;
  finishes: readonly FinishOnFace[];
}

/** How the finishing of a piece comes with its file. */
export const FINISHING_WAYS = ['layers', 'pages', 'files'] as const;
export type FinishingWay = (typeof FINISHING_WAYS)[number];

/** Layers are of PDF 1.5: where a standard has none, each finish has pages of its own. */
export const finishingWay = ({ finishing, standard, shop }: PdfAsked): FinishingWay | 'none' | { only: string } => {
  const way = finishing ?? shop.finishing ?? 'layers';
  return way === 'layers' && !STANDARD_FACTS[standard ?? shop.standard].seeThrough ? 'pages' : way;
};

/** The name of a page that is one finish alone. */
const apartName = (face: Face, finish: Finish): string =>
  `${face.name}: ${finish.name === undefined ? finishSays(finish) : finishPlate(finish)}`;

/** The pages of a file as asked, in their order. Throws ExportError where there are none. */
export function pagesAsked(piece: Piece, asked: PdfAsked, sources: SceneSources): PageAsked[] {
  const printed = platedFaces(piece, sources);
  const way = finishingWay(asked);
  const finished = way === 'none' ? [] : finishedFaces(piece, sources);
  const wanted = asked.faces ?? printed.map((_, i) => i);
  const here = finished.filter(({ n }) => wanted.includes(n));
  const apart = (of: (finish: Finish) => boolean): PageAsked[] =>
    (piece.finishing ?? []).filter(of).flatMap((finish) =>
      here.flatMap(({ n, finishes }) =>
        finishes
          .filter((each) => each.finish.id === finish.id)
          .map((each) => ({
            face: printed[n]!,
            name: apartName(printed[n]!, finish),
            hasInk: false,
            finishes: [each],
          })),
      ),
    );
  if (typeof way === 'object') {
    const pages = apart(({ id }) => id === way.only);
    if (pages.length === 0) throw new ExportError(`Nothing of ${piece.name} has that finish.`);
    return pages;
  }
  const inked = facesAsked(printed, asked.faces).map((face): PageAsked => {
    const finishes = way === 'layers' ? (here.find(({ face: { id } }) => id === face.id)?.finishes ?? []) : [];
    return { face, name: face.name, hasInk: true, finishes };
  });
  return way === 'pages' ? [...inked, ...apart(() => true)] : inked;
}
