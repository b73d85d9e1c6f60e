import { produce } from 'immer';
import { KINDS, type ShopSpec, STANDARDS } from '../../../core/trade/schema';

/** What can be set of a shop's spec, by where it stands in it. */

export type Field =
  | { label: string; path: string; as: 'length' | 'points' | 'percent' | 'ppi' | 'degrees' | 'count' }
  | { label: string; path: string; as: 'text' | 'long text' }
  | { label: string; path: string; as: 'choice'; options: readonly (readonly [string, string])[] };

export interface Section {
  name: string;
  says: string;
  fields: readonly Field[];
}

const KIND_LABELS = {
  card: 'Cards',
  letterhead: 'Letterheads',
  envelope: 'Envelopes',
  postcard: 'Postcards',
  flyer: 'Flyers',
} as const;

export const SECTIONS: readonly Section[] = [
  {
    name: 'Bleed',
    says: 'How far background art runs past the trim; 0 where the shop prints no bleed.',
    fields: KINDS.map((kind) => ({ label: KIND_LABELS[kind], path: `bleed.${kind}`, as: 'length' })),
  },
  {
    name: 'Safe zone',
    says: 'How far text and logos stay inside the trim.',
    fields: KINDS.map((kind) => ({ label: KIND_LABELS[kind], path: `safe.${kind}`, as: 'length' })),
  },
  {
    name: 'Cutting',
    says: 'How far its guillotine drifts in 95 % of cuts; the cut test goes by it.',
    fields: [
      { label: 'Across', path: 'tolerance.x', as: 'length' },
      { label: 'Down', path: 'tolerance.y', as: 'length' },
      { label: 'Twist', path: 'tolerance.twist', as: 'degrees' },
      { label: 'Front-to-back register', path: 'tolerance.backs', as: 'length' },
      { label: 'At the trim within', path: 'meetsTrim', as: 'length' },
      { label: 'Lines from the trim', path: 'limits.frame', as: 'length' },
      { label: 'Text from a fold', path: 'limits.fold', as: 'length' },
    ],
  },
  {
    name: 'Pictures',
    says: 'Pixels an inch at the printed size.',
    fields: [
      { label: 'Wanted', path: 'ppi.wanted', as: 'ppi' },
      { label: 'Warn below', path: 'ppi.warn', as: 'ppi' },
      { label: 'Refuse below', path: 'ppi.stop', as: 'ppi' },
      { label: 'Heavy above', path: 'limits.heavy', as: 'ppi' },
      { label: 'Line art, warn', path: 'limits.lineArt.warn', as: 'ppi' },
      { label: 'Line art, refuse', path: 'limits.lineArt.stop', as: 'ppi' },
    ],
  },
  {
    name: 'Lines, type, tints',
    says: 'What its plates and paper hold.',
    fields: [
      { label: 'Thinnest line', path: 'limits.line.any', as: 'points' },
      { label: 'Thinnest light line', path: 'limits.line.light', as: 'points' },
      { label: 'Small type', path: 'limits.type.warn', as: 'points' },
      { label: 'Type refused', path: 'limits.type.stop', as: 'points' },
      { label: 'Type in several inks', path: 'limits.type.severalInks', as: 'points' },
      { label: 'Lightest tint', path: 'limits.tint.least', as: 'percent' },
      { label: 'Darkest tint', path: 'limits.tint.most', as: 'percent' },
      { label: 'Most ink', path: 'limits.totalInk', as: 'percent' },
    ],
  },
  {
    name: 'Plates and file',
    says: 'What it prints from, and how it wants the file.',
    fields: [
      {
        label: 'Process inks',
        path: 'plates.process',
        as: 'choice',
        options: [
          ['four', 'All four'],
          ['black', 'Black alone'],
          ['none', 'None'],
        ],
      },
      { label: 'Spot inks at most', path: 'plates.spots', as: 'count' },
      { label: 'Standard', path: 'standard', as: 'choice', options: STANDARDS.map((each) => [each, each] as const) },
      {
        label: 'Files',
        path: 'files',
        as: 'choice',
        options: [
          ['one', 'One, a page a side'],
          ['one a face', 'One a side'],
        ],
      },
      { label: 'File name', path: 'fileName', as: 'text' },
      { label: 'Crop marks, weight', path: 'marks.weight', as: 'points' },
      { label: 'Crop marks, length', path: 'marks.length', as: 'length' },
      { label: 'Crop marks, offset', path: 'marks.offset', as: 'length' },
    ],
  },
];

export function valueAt(shop: ShopSpec, path: string): string | number | undefined {
  let at: unknown = shop;
  for (const key of path.split('.')) at = (at as Record<string, unknown> | undefined)?.[key];
  return at as string | number | undefined;
}

export const withValue = (shop: ShopSpec, path: string, value: string | number): ShopSpec =>
  produce(shop, (draft) => {
    const keys = path.split('.');
    const last = keys.pop()!;
    let at = draft as unknown as Record<string, unknown>;
    for (const key of keys) at = at[key] as Record<string, unknown>;
    at[last] = value;
  });
