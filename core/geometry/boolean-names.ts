/** What can be made of two areas. `divide` gives each of their parts as an area of its own. */
export const COMBININGS = ['unite', 'subtract', 'intersect', 'exclude', 'divide'] as const;
export type Combining = (typeof COMBININGS)[number];
