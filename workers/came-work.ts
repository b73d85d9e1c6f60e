import { isProcessPlate } from '../core/colour/ink';
import { shifted } from '../core/devices/plates/shifted';
import { viewOf } from '../core/devices/plates/view';
import type { Batch } from '../core/files/counter/came-back';
import { readPage } from '../core/files/pdf/page-read';
import { parsePdf } from '../core/files/pdf/parsed/file';
import { viewFile } from '../core/files/pdf/parsed/view';
import { pieceOf } from '../core/job/find';
import { pressConditionOf } from '../core/job/press-of';
import { shopIn } from '../core/job/shops-of';
import { sourcesOf } from '../core/scene/sources';
import { CONDITIONS } from '../core/trade/conditions';
import type { InkAsked } from './lay';
import { shelfKit } from './shelf-kit';

/** Finished pieces as a shop sends them back, drawn from the plates of the file that it had. */

const PPI = 160;
const SIDES = 2;

export interface CameAsked extends InkAsked {
  file: Blob;
  batch: Batch;
}

/** Each copy’s sides as they were cut, and how many plates they have. */
export async function cameBackPictures({
  job,
  pieceId,
  file,
  batch,
}: CameAsked): Promise<{ plates: number; copies: ImageData[][] }> {
  const piece = pieceOf(job, pieceId);
  if (!piece) return { plates: 0, copies: [] };
  const kit = await shelfKit.load();
  await shelfKit.loadProfiles(Object.keys(job.conditions));
  const asked = pressConditionOf(job, shopIn(job, piece.shop));
  const press = kit.press(asked);
  const other = CONDITIONS.find(({ id }) => id !== press.condition.id) ?? CONDITIONS[0]!;
  const printed = batch.isOtherCondition ? kit.press(other.id) : press;
  const toScreen = kit.engine.converter(printed.profile, 'sRGB', printed.condition, 'quick');
  const { inks } = sourcesOf(job, kit.fonts);
  const view = viewFile(parsePdf(new Uint8Array(await file.arrayBuffer())));
  const sides = view.pages.slice(0, SIDES).map((_, page) => readPage(view, page).gridAt(PPI));
  const known = new Set(inks.map(({ name }) => name));
  const names = [...new Set(sides.flatMap(({ plates }) => [...plates.keys()]))].filter(
    (name) => isProcessPlate(name) || known.has(name),
  );
  const cells = PPI / 72;
  const copies = batch.copies.map(({ cut, plates: shifts }) =>
    sides.map((grid, side) => {
      const plates = new Map(
        names.flatMap((name, k) => {
          const plate = grid.plates.get(name);
          const by = shifts[k % shifts.length]!;
          // A plate lies as it does on the front; on the back left is right.
          const x = side === 0 ? by.x : -by.x;
          return plate ? [[name, shifted(plate, grid.width, grid.height, x * cells, by.y * cells)] as const] : [];
        }),
      );
      const rgba = viewOf({ ...grid, plates }, { kind: 'proof', shown: names }, inks, toScreen);
      const sheet = new OffscreenCanvas(grid.width, grid.height);
      sheet.getContext('2d')!.putImageData(new ImageData(rgba, grid.width, grid.height), 0, 0);
      const [width, height] = [Math.round(piece.width * cells), Math.round(piece.height * cells)];
      const on = new OffscreenCanvas(width, height).getContext('2d')!;
      on.fillStyle = '#fff';
      on.fillRect(0, 0, width, height);
      const way = side === 0 ? 1 : -1;
      const back = side === 0 ? { x: 0, y: 0 } : cut.back;
      on.translate(width / 2, height / 2);
      on.rotate((-way * cut.twist * Math.PI) / 180);
      on.translate(-width / 2 - (way * cut.x - back.x) * cells, -height / 2 - (cut.y - back.y) * cells);
      on.drawImage(sheet, grid.box.x * cells, grid.box.y * cells);
      return on.getImageData(0, 0, width, height);
    }),
  );
  return { plates: names.length, copies };
}
