import type { Box } from '../geometry/box';
import { layoutsOf, type Size, type Spot } from './search';

/** Several pieces on one sheet, as many of each as are ordered. */

export interface Item extends Size {
  quantity: number;
}

/** Where one of an item lies. */
export interface Slot extends Spot {
  item: number;
}

/** One form, and how many sheets of it are printed. */
export interface Form {
  slots: Slot[];
  sheets: number;
}

const SLACK = 0.003;

interface Rule {
  order: (a: Size, b: Size) => number;
  split: 'short' | 'long';
  fit: 'area' | 'side';
  way: 'any' | 'upright' | 'turned';
}

const ORDERS: readonly Rule['order'][] = [
  (a, b) => b.width * b.height - a.width * a.height,
  (a, b) => Math.max(b.width, b.height) - Math.max(a.width, a.height),
  (a, b) => b.width - a.width,
  (a, b) => b.height - a.height,
];
const RULES: readonly Rule[] = ORDERS.flatMap((order) =>
  (['short', 'long'] as const).flatMap((split) =>
    (['area', 'side'] as const).flatMap((fit) =>
      (['any', 'upright', 'turned'] as const).map((way) => ({ order, split, fit, way })),
    ),
  ),
);

/** Lays cells one after another into what is free, each time parting it with a straight cut; undefined where one is left. */
function packed(
  cells: readonly (Size & { item: number })[],
  area: Size,
  rule: Rule,
  allowed: Rule['way'],
): Slot[] | undefined {
  const free: Box[] = [{ x: 0, y: 0, ...area }];
  const slots: Slot[] = [];
  const ways = [false, true].filter(
    (turned) =>
      (allowed === 'any' || (allowed === 'turned') === turned) &&
      (rule.way === 'any' || (rule.way === 'turned') === turned),
  );
  for (const cell of [...cells].sort(rule.order)) {
    let best: { score: number; at: number; turned: boolean; width: number; height: number } | undefined;
    for (const [at, box] of free.entries())
      for (const turned of ways) {
        const [width, height] = turned ? [cell.height, cell.width] : [cell.width, cell.height];
        if (width > box.width + SLACK || height > box.height + SLACK) continue;
        const score =
          rule.fit === 'area'
            ? box.width * box.height - width * height
            : Math.min(box.width - width, box.height - height);
        if (!best || score < best.score) best = { score, at, turned, width, height };
      }
    if (!best) return undefined;
    const { width, height, turned } = best;
    const [box] = free.splice(best.at, 1) as [Box];
    slots.push({ item: cell.item, x: box.x, y: box.y, width, height, turned });
    const [rest, below] = [box.width - width, box.height - height];
    const level = rule.split === 'short' ? rest < below : rest >= below;
    const beside = { x: box.x + width, y: box.y, width: rest, height: level ? height : box.height };
    const under = { x: box.x, y: box.y + height, width: level ? box.width : width, height: below };
    for (const part of [beside, under]) if (part.width > SLACK && part.height > SLACK) free.push(part);
  }
  return slots;
}

/** As many of each item as it is told on one area; undefined where no way is found. */
type Packer = (counts: readonly number[]) => Slot[] | undefined;

/** A packer for some items. Those of one size share the best layout of it, which is looked for once. */
function packerFor(items: readonly Item[], gap: number, area: Size, way: Rule['way'], goOn: () => boolean): Packer {
  const [first] = items;
  const alike = items.every(({ width, height }) => width === first!.width && height === first!.height);
  if (!alike) return (counts) => packedByRules(items, counts, gap, area, way, goOn);
  const spots = layoutsOf(first!, gap, area, way)[0] ?? [];
  return (counts) => {
    const owners = counts.flatMap((count, item) => Array.from({ length: count }, () => item));
    return spots.length < owners.length ? undefined : owners.map((item, i) => ({ ...spots[i]!, item }));
  };
}

function packedByRules(
  items: readonly Item[],
  counts: readonly number[],
  gap: number,
  area: Size,
  way: Rule['way'],
  goOn: () => boolean,
): Slot[] | undefined {
  const cells = counts.flatMap((count, item) =>
    Array.from({ length: count }, () => ({
      item,
      width: items[item]!.width + gap,
      height: items[item]!.height + gap,
    })),
  );
  const room = { width: area.width + gap, height: area.height + gap };
  if (cells.reduce((sum, { width, height }) => sum + width * height, 0) > room.width * room.height + SLACK)
    return undefined;
  for (const rule of RULES) {
    if (!goOn()) return undefined;
    const slots = packed(cells, room, rule, way);
    if (slots) return slots.map((slot) => ({ ...slot, width: slot.width - gap, height: slot.height - gap }));
  }
  return undefined;
}

/** Cells on a sheet beyond which packing is not tried: nothing that small is ganged. */
const MOST_CELLS = 400;

/**
 * The fewest sheets that give each item its quantity, all on one form where they fit, on several where they do not;
 * undefined where an item fits on no sheet, or the search was stopped.
 */
export function ganged(
  items: readonly Item[],
  gap: number,
  area: Size,
  way: Rule['way'],
  goOn: () => boolean = () => true,
): Form[] | undefined {
  if (items.length === 0) return [];
  const pack = packerFor(items, gap, area, way, goOn);
  const at = (sheets: number): Slot[] | undefined => {
    const counts = items.map(({ quantity }) => Math.ceil(quantity / sheets));
    if (counts.reduce((sum, count) => sum + count, 0) > MOST_CELLS) return undefined;
    return pack(counts);
  };
  let most = Math.max(...items.map(({ quantity }) => quantity));
  const slots = at(most);
  if (!slots) {
    if (items.length === 1 || !goOn()) return undefined;
    return overSeveral(items, gap, area, way, goOn);
  }
  // The more sheets, the fewer of each on one: what fits once fits from there on.
  let [least, found] = [1, slots];
  while (least < most) {
    const middle = Math.floor((least + most) / 2);
    const tried = at(middle);
    if (tried) {
      found = tried;
      most = middle;
    } else least = middle + 1;
  }
  return [{ slots: found, sheets: most }];
}

/** As many items as fit go on the first form, the rest on others. */
function overSeveral(
  items: readonly Item[],
  gap: number,
  area: Size,
  way: Rule['way'],
  goOn: () => boolean,
): Form[] | undefined {
  const forms: Form[] = [];
  let left = items.map((item, i) => ({ item, i }));
  while (left.length > 0) {
    let taken = left.slice(0, 1);
    for (const each of left.slice(1)) {
      const tried = [...taken, each];
      const pack = packerFor(
        tried.map(({ item }) => item),
        gap,
        area,
        way,
        goOn,
      );
      if (pack(tried.map(() => 1))) taken = tried;
    }
    const form = ganged(
      taken.map(({ item }) => item),
      gap,
      area,
      way,
      goOn,
    );
    if (form?.length !== 1) return undefined;
    forms.push({
      sheets: form[0]!.sheets,
      slots: form[0]!.slots.map((slot) => ({ ...slot, item: taken[slot.item]!.i })),
    });
    left = left.filter((each) => !taken.includes(each));
  }
  return forms;
}
