import { type Box, bottom, outset, right } from '../../../core/geometry/box';
import type { Job, Piece } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { asFace } from '../../../core/job/turned';
import { plateRoom } from '../kit';

/** Around a place, points: enough of its neighbours to know it by. */
const AROUND = 18;
/** Pixels of a picture's longer side. */
const SIDE = 420;

/** A face as the press shows it, with its bleed. */
async function faceShown(job: Job, piece: Piece, faceId: string) {
  const asked = { job, pieceId: piece.id, faceId };
  const plates = await plateRoom().facePlates(asked);
  if (!plates) return undefined;
  const view = { kind: 'proof' as const, shown: [...plates.plates.keys()] };
  const pixels = await plateRoom().lookAt({ ...asked, view, paper: false });
  if (!pixels) return undefined;
  const canvas = new OffscreenCanvas(pixels.width, pixels.height);
  canvas.getContext('2d')!.putImageData(pixels, 0, 0);
  return { canvas, scale: plates.ppi / 72 };
}

/** Takes pictures of places of a piece: a frame round each, and something of what is beside it. PNG bytes. */
export function placePictures(job: Job, piece: Piece): (faceId: string, place: Box) => Promise<Uint8Array | undefined> {
  const shown = new Map<string, ReturnType<typeof faceShown>>();
  const bleed = shopIn(job, piece.shop).bleed[piece.kind];
  return async (faceId, place) => {
    const face = piece.faces.find(({ id }) => id === faceId);
    if (!face) return undefined;
    const sheet = asFace(piece, face);
    const found = shown.get(faceId) ?? faceShown(job, piece, faceId);
    shown.set(faceId, found);
    const art = await found;
    if (!art) return undefined;
    const all: Box = outset({ x: 0, y: 0, width: sheet.width, height: sheet.height }, bleed);
    const wide = outset(place, AROUND);
    const x = Math.max(all.x, wide.x);
    const y = Math.max(all.y, wide.y);
    const box: Box = {
      x,
      y,
      width: Math.max(AROUND, Math.min(right(all), right(wide)) - x),
      height: Math.max(AROUND, Math.min(bottom(all), bottom(wide)) - y),
    };
    const scale = SIDE / Math.max(box.width, box.height);
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(box.width * scale)),
      Math.max(1, Math.round(box.height * scale)),
    );
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#fff';
    context.fillRect(0, 0, canvas.width, canvas.height);
    const from = (value: number): number => (value + bleed) * art.scale;
    context.drawImage(
      art.canvas,
      from(box.x),
      from(box.y),
      box.width * art.scale,
      box.height * art.scale,
      0,
      0,
      canvas.width,
      canvas.height,
    );
    context.strokeStyle = '#b9832a';
    context.lineWidth = 3;
    context.strokeRect((place.x - box.x) * scale, (place.y - box.y) * scale, place.width * scale, place.height * scale);
    return new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
  };
}
