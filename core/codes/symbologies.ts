import { toPoints } from '../units/length';

const mm = (n: number): number => toPoints(n, 'mm');

/**
 * The codes that can be drawn. `module` is the width of the thinnest part, in points: the least that readers are made for,
 * and the most where there is one. EAN-13 from 80 % to 200 % of 0.33 mm (GS1 General Specifications, 5.2; from memory); QR
 * code 0.3 mm and Code 128 0.25 mm, common practice. Quiet zones in modules, left and right: QR code ISO/IEC 18004 (4), Code 128
 * ISO/IEC 15417 (10), EAN-13 GS1 General Specifications (11 and 7). From memory. Postal codes with bars of four heights:
 * the width of a bar and what stays white as the posts ask, from memory of their own specifications.
 */
export const SYMBOLOGIES = {
  qrcode: { name: 'QR code', quiet: [4, 4], square: true, module: { least: mm(0.3) } },
  code128: { name: 'Code 128', quiet: [10, 10], square: false, module: { least: mm(0.25) } },
  ean13: { name: 'EAN-13', quiet: [11, 7], square: false, module: { least: mm(0.264), most: mm(0.66) } },
  /** USPS-B-3200: bars of 0.015 to 0.025 in, an eighth of an inch white at both ends. */
  imb: { name: 'USPS Intelligent Mail', quiet: [6, 6], square: false, module: { least: mm(0.381), most: mm(0.635) } },
  /** Bars of 0.38 to 0.63 mm, 2 mm white all round. */
  royalmail: { name: 'Royal Mail 4-state', quiet: [4, 4], square: false, module: { least: mm(0.38), most: mm(0.63) } },
  kix: { name: 'PostNL KIX', quiet: [4, 4], square: false, module: { least: mm(0.38), most: mm(0.63) } },
  /** Bars of 0.4 to 0.6 mm, 6 mm white at both ends. */
  auspost: {
    name: 'Australia Post 4-state',
    quiet: [12, 12],
    square: false,
    module: { least: mm(0.4), most: mm(0.6) },
  },
  identcode: { name: 'Deutsche Post Identcode', quiet: [10, 10], square: false, module: { least: mm(0.25) } },
  leitcode: { name: 'Deutsche Post Leitcode', quiet: [10, 10], square: false, module: { least: mm(0.25) } },
} as const;
/** Those that only a post reads. */
export const POSTAL: ReadonlySet<string> = new Set(['imb', 'royalmail', 'kix', 'auspost', 'identcode', 'leitcode']);
export type Symbology = keyof typeof SYMBOLOGIES;
export const SYMBOLOGY_IDS = Object.keys(SYMBOLOGIES) as Symbology[];
