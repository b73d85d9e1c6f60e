import type { Run } from '../job/by-row';

/** Which row lies at which place of which sheet. */

export interface Imposed {
  sheets: number;
  /** The place in the order of rows that lies there; a leader card; or nothing. */
  at(sheet: number, place: number): number | 'leader' | undefined;
  /** The rows of a pile from its top, as the sheets leave the guillotine. */
  pile(place: number): number[];
}

/**
 * Rows on sheets of `up` places. Cut and stacked, each place makes a pile whose rows are in order, and the piles laid on
 * one another are the whole run in order; across, a sheet holds neighbours. Leader cards are a first sheet.
 */
export function imposed(rows: number, up: number, way: Run['sheets'], leaders: boolean): Imposed {
  const full = Math.ceil(rows / up);
  const lead = leaders && full > 0 ? 1 : 0;
  const indexAt = (sheet: number, place: number): number | undefined => {
    const index = way === 'across' ? sheet * up + place : place * full + sheet;
    return index < rows && sheet < full ? index : undefined;
  };
  return {
    sheets: full + lead,
    at(sheet, place) {
      if (sheet >= lead) return indexAt(sheet - lead, place);
      return indexAt(0, place) === undefined ? undefined : 'leader';
    },
    pile: (place) => Array.from({ length: full }, (_, sheet) => indexAt(sheet, place)).filter((i) => i !== undefined),
  };
}

/** Where a row lies: counted from 1, as people count sheets. */
export interface RowPlace {
  row: number;
  sheet: number;
  place: number;
  /** How deep in its pile, 1 on top. */
  depth: number;
}

/** The place of every row, in the order of rows. */
export function placesOf(rows: readonly number[], up: number, way: Run['sheets'], leaders: boolean): RowPlace[] {
  const { sheets, at } = imposed(rows.length, up, way, leaders);
  const found: RowPlace[] = [];
  for (let sheet = 0; sheet < sheets; sheet++)
    for (let place = 0; place < up; place++) {
      const index = at(sheet, place);
      if (typeof index === 'number')
        found[index] = { row: rows[index]!, sheet: sheet + 1, place: place + 1, depth: sheet + 1 };
    }
  return found;
}
