import type { Asset, Picture } from '../job/schema';
import { effectivePpi } from '../picture/place';
import type { CheckContext } from './check';

/** The pictures of a face with what is known of their files, and their pixels an inch. */
export const picturesOn = ({ face, sources }: CheckContext): { picture: Picture; asset: Asset; ppi: number }[] =>
  face.elements.flatMap((element) => {
    const asset = element.kind === 'picture' ? sources.assets[element.asset] : undefined;
    return element.kind === 'picture' && asset
      ? [{ picture: element, asset, ppi: effectivePpi(element, asset.width, asset.height) }]
      : [];
  });

/** Black and white alone: a drawing that is not screened. */
export const isLineArt = ({ bits, space }: Asset): boolean => bits === 1 && space !== 'RGB';
