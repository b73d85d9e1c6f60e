/** Places in a run as the command line's `--rows` takes them: neighbours as ranges. */
export function rangesOf(places: readonly number[]): string {
  const ranges: [number, number][] = [];
  for (const place of places) {
    const last = ranges.at(-1);
    if (last && place === last[1] + 1) last[1] = place;
    else ranges.push([place, place]);
  }
  return ranges.map(([from, to]) => (from === to ? `${from}` : `${from}..${to}`)).join(',');
}
