/** CSS pixels of a letter, on average, and of what stands beside words. */
const LETTER = 7.2;
const BESIDE = 22;
const LEAST = 64;
const MOST = 240;

/** How wide a column is, in CSS pixels: most of its cells are seen whole, and its head; a few long ones make none wide. */
export function columnWidth(head: string, cells: readonly string[]): number {
  const lengths = cells.map(({ length }) => length).sort((a, b) => a - b);
  const most = lengths[Math.ceil(0.95 * (lengths.length - 1))] ?? 0;
  return Math.min(MOST, Math.max(LEAST, Math.round(BESIDE + LETTER * Math.max(head.length + 2, most))));
}
