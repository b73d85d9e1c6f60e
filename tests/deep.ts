/** `npm run test:deep` looks at everything; `npm test` at a few of what is only many. */
export const isDeep = process.env['DEEP'] === '1';

/** All of a list in a deep run, else those that `isOne` picks: each picked for what the others have not got. */
export const someOf = <T>(all: readonly T[], isOne: (each: T) => boolean): T[] =>
  isDeep ? [...all] : all.filter(isOne);
