import { layPiece, type PieceAsked } from '../checks/on-plates';
import type { ColourEngine, Press } from '../colour/engine';
import { isProcessPlate, PROCESS_PLATES } from '../colour/ink';
import type { PlateGrid } from '../devices/plates/device';
import { viewOf } from '../devices/plates/view';
import type { Job, Piece } from '../job/schema';
import { writePng } from '../picture/png-file';
import { type TiffAsked, writeTiff } from '../picture/tiff-file';
import type { ShopSpec } from '../trade/schema';
import type { FontBook } from '../type/font';
import { apart, exportName, plainName } from './file-names';
import { refuseMissing } from './refuse-missing';

/** Faces as pictures: what is on the plates, cell by cell. */

export interface ImagesAsked {
  as: 'png' | 'tiff';
  /** Which faces, 0 first. */
  faces: readonly number[];
  ppi: number;
  /** Without the bleed. */
  trimmed: boolean;
  /** PNG alone: paper is left out instead of being white. */
  transparent: boolean;
}

export const IMAGE_PPI = { least: 20, most: 1200, usual: 300 } as const;
/** More cells than this need more memory than a browser gives. */
const MOST_CELLS = 90_000_000;

/** What was asked cannot be done; the message is for the user. */
export class ImageError extends Error {}

export interface ImageFile {
  name: string;
  bytes: Uint8Array;
}

/** A file that was written, and the pixels it was made of. */
export interface MadeImage extends ImageFile {
  made:
    | ({ as: 'png' } & Pick<PlateGrid, 'width' | 'height'> & { data: Uint8ClampedArray })
    | ({ as: 'tiff' } & TiffAsked);
}

interface ImageKit {
  engine: ColourEngine;
  fonts: FontBook;
  press: Press;
  picture: PieceAsked['picture'];
}

/** Takes white out of pixels: what is left over white looks the same. */
export function withoutWhite(rgba: Uint8ClampedArray): Uint8ClampedArray {
  for (let i = 0; i < rgba.length; i += 4) {
    const cover = 1 - Math.min(rgba[i]!, rgba[i + 1]!, rgba[i + 2]!) / 255;
    for (let c = 0; c < 3; c++) rgba[i + c] = cover > 0 ? Math.round((rgba[i + c]! - 255 * (1 - cover)) / cover) : 255;
    rgba[i + 3] = Math.round(255 * cover);
  }
  return rgba;
}

function pngOf(
  grid: PlateGrid,
  name: string,
  job: Job,
  { ppi, transparent }: ImagesAsked,
  { engine, press }: ImageKit,
): MadeImage {
  const toScreen = engine.converter(press.profile, 'sRGB', press.condition, 'quick');
  const rgba = viewOf(grid, { kind: 'proof', shown: [...grid.plates.keys()] }, job.inks, toScreen);
  const { width, height } = grid;
  const made = { as: 'png' as const, width, height, data: transparent ? withoutWhite(rgba) : rgba };
  return { name: `${name}.png`, bytes: writePng(made, 4, ppi), made };
}

/** The four process plates of a grid as bytes, a cell after another. */
function cmykOf(grid: PlateGrid): Uint8Array {
  const cells = grid.width * grid.height;
  const bytes = new Uint8Array(4 * cells);
  for (const [c, plate] of PROCESS_PLATES.entries()) {
    const amounts = grid.plates.get(plate);
    if (amounts) for (let i = 0; i < cells; i++) bytes[4 * i + c] = Math.round(255 * amounts[i]!);
  }
  return bytes;
}

const tiffFile = (name: string, asked: TiffAsked): MadeImage => ({
  name: `${name}.tif`,
  bytes: writeTiff(asked),
  made: { as: 'tiff', ...asked },
});

/** A CMYK file, and one of grey for each other plate: dark where there is ink. */
function tiffsOf(grid: PlateGrid, name: string, { ppi }: ImagesAsked, { press }: ImageKit): MadeImage[] {
  const { width, height } = grid;
  const spots = [...grid.plates].filter(([plate]) => !isProcessPlate(plate));
  const size = { width, height, ppi };
  return [
    tiffFile(name, {
      ...size,
      channels: 4,
      data: cmykOf(grid),
      profile: press.profile,
      description: `${name}, CMYK`,
    }),
    ...spots.map(([plate, amounts]) =>
      tiffFile(`${name}-${plainName(plate) || 'spot'}`, {
        ...size,
        channels: 1,
        data: Uint8Array.from(amounts, (amount) => Math.round(255 * (1 - amount))),
        description: `${name}, the plate of ${plate}`,
      }),
    ),
  ];
}

/** The chosen faces of a piece as picture files. Throws ImageError where they would be too large. */
export function faceImages(job: Job, piece: Piece, shop: ShopSpec, asked: ImagesAsked, kit: ImageKit): MadeImage[] {
  const { ppi, faces, trimmed } = asked;
  if (!(ppi >= IMAGE_PPI.least && ppi <= IMAGE_PPI.most))
    throw new ImageError(`Pictures have from ${IMAGE_PPI.least} to ${IMAGE_PPI.most} pixels an inch.`);
  const cells = ((piece.width * piece.height) / 72 ** 2) * ppi ** 2;
  if (cells > MOST_CELLS)
    throw new ImageError(
      `At ${ppi} ppi this piece has ${Math.round(cells / 1e6)} million pixels; at most ${MOST_CELLS / 1e6} million can be written. Choose fewer.`,
    );
  const chosen = piece.faces.flatMap(({ id }, i) => (faces.includes(i) ? [id] : []));
  if (chosen.length === 0) throw new ImageError('Choose a side.');
  refuseMissing(
    job,
    piece.faces.filter(({ id }) => chosen.includes(id)),
    (image) => kit.picture(image) !== undefined,
  );
  const laid = layPiece(job, piece, kit, { picture: kit.picture, ppi, trimOnly: trimmed, faces: chosen }, shop);
  const files = laid.flatMap(({ grid: plates, face }) => {
    const grid = plates();
    const pattern = /\{face\}/.test(shop.fileName) ? shop.fileName : `${shop.fileName}-{face}`;
    const name = exportName(pattern, job, piece, face);
    if (asked.as === 'tiff') return tiffsOf(grid, name, asked, kit);
    return [pngOf(grid, name, job, asked, kit)];
  });
  return apart(files);
}
