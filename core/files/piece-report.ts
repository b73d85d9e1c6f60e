import { encode as encodePng } from 'fast-png';
import { layPiece } from '../checks/on-plates';
import type { Review } from '../checks/review';
import type { PlateGrid } from '../devices/plates/device';
import { viewOf } from '../devices/plates/view';
import { type Box, outset } from '../geometry/box';
import type { Job, Piece } from '../job/schema';
import { shopIn } from '../job/shops-of';
import type { ShotKit } from './proof/shots';
import { type Pictures, type Report, reportOf, type Told } from './report';

/** Around a place, points: enough of its neighbours to know it by. */
const AROUND = 18;
const FRAME = [0xb9, 0x83, 0x2a] as const;

/** A place of a laid face with what is beside it, framed, in the colours of a screen; PNG bytes. */
function placePicture(grid: PlateGrid, rgba: Uint8ClampedArray, place: Box): Uint8Array {
  const cell = (points: number, from: number): number => Math.round(((points - from) * grid.ppi) / 72);
  const within = (n: number, most: number): number => Math.max(0, Math.min(most, n));
  const cellsOf = (box: Box): [x0: number, y0: number, x1: number, y1: number] => [
    within(cell(box.x, grid.box.x), grid.width),
    within(cell(box.y, grid.box.y), grid.height),
    within(cell(box.x + box.width, grid.box.x), grid.width),
    within(cell(box.y + box.height, grid.box.y), grid.height),
  ];
  const [x0, y0, x1, y1] = cellsOf(outset(place, AROUND));
  const [left, top, right, bottom] = cellsOf(place);
  const [width, height] = [Math.max(1, x1 - x0), Math.max(1, y1 - y0)];
  const data = new Uint8Array(width * height * 3).fill(255);
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      const inside = x >= left && x < right && y >= top && y < bottom;
      const edge = inside && (x < left + 2 || x >= right - 2 || y < top + 2 || y >= bottom - 2);
      const from = (y * grid.width + x) * 4;
      for (let c = 0; c < 3; c++) data[((y - y0) * width + x - x0) * 3 + c] = edge ? FRAME[c]! : rgba[from + c]!;
    }
  return encodePng({ width, height, channels: 3, data });
}

/** How a piece stands, with a picture of each place where something is found. */
export function pieceReport(
  job: Job,
  piece: Piece,
  review: Review,
  kit: ShotKit,
): { report: Report; pictures: Pictures } {
  const { open, standing } = review;
  const shop = shopIn(job, piece.shop);
  const laid = layPiece(job, piece, kit, { picture: kit.picture }, shop);
  const report = reportOf(job, piece, shop, review);
  const toScreen = kit.engine.converter(kit.press.profile, 'sRGB', kit.press.condition, 'quick');
  const shown = new Map<string, Uint8ClampedArray>();
  const pictures = new Map<Told, Uint8Array>();
  const all = [...open, ...standing.map(({ finding }) => finding)];
  for (const [i, row] of report.rows.entries()) {
    const context = laid.find(({ face }) => face.id === all[i]!.face);
    if (!context) continue;
    const { face } = context;
    const grid = context.grid();
    const rgba =
      shown.get(face.id) ?? viewOf(grid, { kind: 'proof', shown: [...grid.plates.keys()] }, job.inks, toScreen);
    shown.set(face.id, rgba);
    pictures.set(row, placePicture(grid, rgba, row.place));
  }
  return { report, pictures };
}
