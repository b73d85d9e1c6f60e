/** Makes something once for each thread; a failure is forgotten, so that it can be tried again. */
export function once<T>(make: () => Promise<T>): () => Promise<T> {
  let made: Promise<T> | undefined;
  return () => {
    made ??= make().catch((error) => {
      made = undefined;
      throw error;
    });
    return made;
  };
}
