/** The last `most` of what is dear to make and must be freed by hand: the least used goes when another comes. */
export function keepAtMost<T>(most: number, free: (made: T) => void): (key: string, make: () => T) => T {
  const kept = new Map<string, T>();
  return (key, make) => {
    const found = kept.get(key) ?? make();
    kept.delete(key);
    kept.set(key, found);
    for (const [old, made] of kept) {
      if (kept.size <= most) break;
      kept.delete(old);
      free(made);
    }
    return found;
  };
}
