import type { PlacedPage } from '../job/placed-page';
import type { Asset, Element, Job, Picture } from '../job/schema';
import { effectivePpi, pointsPerPixel } from '../picture/place';
import type { CheckContext } from './check';

/** A page of a PDF that is placed whole, with what is known of it. */
export interface PageOn {
  picture: Picture;
  asset: Asset;
  placed: PlacedPage;
}

/** How much larger a page is where it lies than at its own size. */
export const pageScale = ({ picture, asset, placed }: PageOn): number =>
  (pointsPerPixel(picture, asset.width, asset.height) * asset.width) / placed.width;

export const pagesIn = (elements: readonly Element[], assets: Job['assets']): PageOn[] =>
  elements.flatMap((element) => {
    const asset = element.kind === 'picture' ? assets[element.asset] : undefined;
    return element.kind === 'picture' && asset?.page ? [{ picture: element, asset, placed: asset.page }] : [];
  });

export const pagesOn = ({ face, sources }: CheckContext): PageOn[] => pagesIn(face.elements, sources.assets);

/** The pictures of a face that have pixels, with what is known of their files, and their pixels an inch. */
export const picturesOn = ({ face, sources }: CheckContext): { picture: Picture; asset: Asset; ppi: number }[] =>
  face.elements.flatMap((element) => {
    const asset = element.kind === 'picture' ? sources.assets[element.asset] : undefined;
    return element.kind === 'picture' && asset && !asset.page
      ? [{ picture: element, asset, ppi: effectivePpi(element, asset.width, asset.height) }]
      : [];
  });

/** Black and white alone: a drawing that is not screened. */
export const isLineArt = ({ bits, space }: Asset): boolean => bits === 1 && space !== 'RGB';
