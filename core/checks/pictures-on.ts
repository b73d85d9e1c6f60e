import type { PlacedPage } from '../job/placed-page';
import type { Asset, Picture } from '../job/schema';
import { effectivePpi } from '../picture/place';
import type { CheckContext } from './check';

/** A page of a PDF that is placed whole, with what is known of it. */
export interface PageOn {
  picture: Picture;
  asset: Asset;
  placed: PlacedPage;
}

export const pagesOn = ({ face, sources }: CheckContext): PageOn[] =>
  face.elements.flatMap((element) => {
    const asset = element.kind === 'picture' ? sources.assets[element.asset] : undefined;
    return element.kind === 'picture' && asset?.page ? [{ picture: element, asset, placed: asset.page }] : [];
  });

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
