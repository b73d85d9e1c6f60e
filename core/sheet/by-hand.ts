import { type Box, contains, overlaps } from '../geometry/box';
import type { SheetBlock, SheetByHand } from '../job/sheet';
import { cuttingPlan, NotCuttable } from './cutting';
import type { Placed, SheetForm, SheetItem } from './form';
import type { Form, Slot } from './gang';
import { gridOf } from './search';
import { SheetError } from './sheet-error';

/** Layouts that are put together by hand, from blocks of rows and columns. Lengths in points. */

/** More than a sheet of business cards the size of a door holds. */
const MOST_PLACES = 5000;

/** Lengths that differ by less are the same: rounding of what was typed. */
const HAIR = 0.01;

const near = (a: number, b: number): boolean => Math.abs(a - b) < HAIR;

/** The places of a block. */
export function slotsOf(block: SheetBlock, items: readonly SheetItem[], gap: number): Slot[] {
  const { item, rows, columns, turned, x, y } = block;
  const piece = items[item]?.piece;
  if (!piece) return [];
  return gridOf(piece, gap, rows, columns, turned).map((spot) => ({ ...spot, x: spot.x + x, y: spot.y + y, item }));
}

/** The fronts of a form as the fewest blocks that a walk from its head finds. */
function blocksOf({ first }: SheetForm, gap: number): SheetBlock[] {
  const free = new Set(first.filter(({ face }) => face === 0));
  const lies = (one: Placed, x: number, y: number): Placed | undefined =>
    [...free].find(
      ({ item, angle, trim }) => item === one.item && angle === one.angle && near(trim.x, x) && near(trim.y, y),
    );
  const blocks: SheetBlock[] = [];
  const order = [...free].sort((a, b) => a.trim.y - b.trim.y || a.trim.x - b.trim.x);
  for (const one of order) {
    if (!free.has(one)) continue;
    const { x, y, width, height } = one.trim;
    const rowAt = (row: number, most: number): Placed[] => {
      const found: Placed[] = [];
      for (let n = 0; n < most; n++) {
        const next = lies(one, x + n * (width + gap), y + row * (height + gap));
        if (!next) break;
        found.push(next);
      }
      return found;
    };
    const head = rowAt(0, Number.POSITIVE_INFINITY);
    const rows = [head];
    for (;;) {
      const next = rowAt(rows.length, head.length);
      if (next.length < head.length) break;
      rows.push(next);
    }
    for (const each of rows.flat()) free.delete(each);
    blocks.push({ item: one.item, rows: rows.length, columns: head.length, turned: one.angle === 90, x, y });
  }
  return blocks;
}

/** A layout that was found, to be changed by hand. */
export const asHand = (forms: readonly SheetForm[], gap: number): SheetByHand => ({
  forms: forms.map((form) => ({ ...(forms.length > 1 ? { run: form.run } : {}), blocks: blocksOf(form, gap) })),
});

const nameOf = ({ piece }: SheetItem): string => piece.name;

interface Asked {
  items: readonly SheetItem[];
  gap: number;
  /** Where trims may lie. */
  area: Box;
  /** How often a place is printed on a sheet: twice where halves meet. */
  doubled: number;
}

/** Refuses what cannot be printed or cut, with words for the user. */
function refuse(slots: readonly Slot[], { items, area, doubled }: Asked): void {
  const out = slots.find((slot) => !contains(area, slot, HAIR));
  if (out)
    throw new SheetError(
      `${nameOf(items[out.item]!)} runs out of what can be printed on${doubled > 1 ? ', or past the middle where the halves of the sheet meet' : ''}. Take fewer rows or columns, or move them back.`,
    );
  for (const [i, one] of slots.entries()) {
    const inside = { x: one.x + HAIR, y: one.y + HAIR, width: one.width - 2 * HAIR, height: one.height - 2 * HAIR };
    const other = slots.slice(i + 1).find((each) => overlaps(inside, each));
    if (other)
      throw new SheetError(
        `${nameOf(items[one.item]!)} and ${nameOf(items[other.item]!)} lie over one another. Move one of the blocks.`,
      );
  }
  try {
    cuttingPlan(area, slots);
  } catch (error) {
    if (!(error instanceof NotCuttable)) throw error;
    throw new SheetError(
      'A guillotine cannot part these: no straight cut runs between them from edge to edge. Line the blocks up with one another.',
    );
  }
}

/** The forms of a layout by hand and how many sheets of each are needed. Throws SheetError. */
export function formsByHand(hand: SheetByHand, asked: Asked): Form[] {
  const { items, gap, doubled } = asked;
  const forms = hand.forms.map(({ run, blocks }) => {
    if (blocks.reduce((sum, { rows, columns }) => sum + rows * columns, 0) > MOST_PLACES)
      throw new SheetError('No sheet holds so many pieces. Take fewer rows or columns.');
    const slots = blocks.flatMap((block) => slotsOf(block, items, gap));
    refuse(slots, asked);
    const each = items.map((_, i) => slots.filter(({ item }) => item === i).length * doubled);
    return { run, slots, each };
  });
  for (const [i, item] of items.entries())
    if (!forms.some(({ each }) => each[i]! > 0))
      throw new SheetError(`${nameOf(item)} is not on the sheet. Add a block of it, or take it off the list.`);
  const needs = items.map(({ quantity }, i) => quantity / forms[0]!.each[i]!);
  const runs = forms.length === 1 ? [Math.ceil(Math.max(...needs))] : forms.map(({ run }) => run ?? 1);
  for (const [i, item] of items.entries()) {
    const made = forms.reduce((sum, { each }, n) => sum + each[i]! * runs[n]!, 0);
    if (made < item.quantity)
      throw new SheetError(
        `These sheets give ${made} of ${nameOf(item)}; ${item.quantity} are ordered. Print more sheets of a form, or put more on it.`,
      );
  }
  return forms.map(({ slots }, n) => ({ slots, sheets: runs[n]! }));
}
