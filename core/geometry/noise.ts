/** A number 0 to 1 that goes by two whole numbers alone: what looks like chance is the same each time. */
export function noise(x: number, y: number): number {
  let h = Math.imul(x, 374_761_393) ^ Math.imul(y, 668_265_263);
  h = Math.imul(h ^ (h >>> 13), 1_274_126_177);
  return ((h ^ (h >>> 16)) >>> 0) / 4_294_967_296;
}
