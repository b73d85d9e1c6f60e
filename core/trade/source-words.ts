import type { Source } from './schema';

/** Where a fact comes from, in words. */
export const sourceWords = ({ kind, name }: Source): string =>
  kind === 'common practice'
    ? 'common practice'
    : kind === 'standard'
      ? (name ?? 'a standard')
      : `${name ?? 'a standard'}, from memory`;
