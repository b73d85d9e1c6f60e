/** Numbers in order, neighbours as ranges: the first and the last of each. */
export function rangesIn(numbers: readonly number[]): [number, number][] {
  const ranges: [number, number][] = [];
  for (const number of numbers) {
    const last = ranges.at(-1);
    if (last && number === last[1] + 1) last[1] = number;
    else ranges.push([number, number]);
  }
  return ranges;
}

/** Places in a run as the command line's `--rows` takes them: neighbours as ranges. */
export const rangesOf = (places: readonly number[]): string =>
  rangesIn(places)
    .map(([from, to]) => (from === to ? `${from}` : `${from}..${to}`))
    .join(',');
