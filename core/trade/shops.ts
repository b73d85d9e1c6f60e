import { lengthOf as pt } from '../units/length';
import type { ShopSpec } from './schema';

/** Shop specs that ship with the app: invented shops, with the limits that are common practice. */
export const SHOPS: readonly ShopSpec[] = [
  {
    id: 'metric-offset',
    name: 'Metric offset',
    unit: 'mm',
    bleed: { card: pt('3 mm'), letterhead: pt('3 mm'), envelope: 0, postcard: pt('3 mm'), flyer: pt('3 mm') },
    safe: { card: pt('4 mm'), letterhead: pt('10 mm'), envelope: pt('6 mm'), postcard: pt('6 mm'), flyer: pt('5 mm') },
    meetsTrim: pt('0.1 mm'),
    ppi: { wanted: 300, warn: 225, stop: 150 },
    marks: { weight: 0.25, length: pt('5 mm'), offset: pt('5 mm') },
    condition: 'general-coated',
    source: { kind: 'common practice' },
  },
  {
    id: 'inch-mail-order',
    name: 'Inch mail-order',
    unit: 'in',
    bleed: { card: pt('1/8 in'), letterhead: pt('1/8 in'), envelope: 0, postcard: pt('1/8 in'), flyer: pt('1/8 in') },
    safe: {
      card: pt('1/8 in'),
      letterhead: pt('1/2 in'),
      envelope: pt('1/4 in'),
      postcard: pt('1/4 in'),
      flyer: pt('1/8 in'),
    },
    meetsTrim: pt('0.004 in'),
    ppi: { wanted: 300, warn: 225, stop: 150 },
    marks: { weight: 0.25, length: pt('1/4 in'), offset: pt('3/16 in') },
    condition: 'general-coated',
    source: { kind: 'common practice' },
  },
];

/** The shop spec of that id, or the first one where a job names one this app does not have. */
export const shopOf = (id: string): ShopSpec => SHOPS.find((shop) => shop.id === id) ?? SHOPS[0]!;
