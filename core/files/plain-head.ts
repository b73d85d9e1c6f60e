/** A head in small letters, without what stands in brackets and marks at its end. */
export const headWords = (cell: string): string =>
  cell
    .toLowerCase()
    .replace(/[_\s]+/g, ' ')
    .replace(/ ?[([].*[)\]] ?|[:*.]+ ?$/g, '')
    .trim();

/** A head without the number and the kind that address books add to it: “Phone 1 - Value”. */
export const plainHead = (cell: string): string =>
  headWords(cell)
    .replace(/ *\d* *- *(value|wert|valeur|valor|valore|waarde)$/, '')
    .replace(/ \d+$/, '');
