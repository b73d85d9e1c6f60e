import { toPoints } from '../units/length';

const mm = (n: number): number => toPoints(n, 'mm');

/**
 * The codes that can be drawn. `module` is the width of the thinnest part, in points: the least that readers are made for,
 * and the most where there is one. EAN-13 from 80 % to 200 % of 0.33 mm (GS1 General Specifications, 5.2; from memory); QR
 * code 0.3 mm and Code 128 0.25 mm, common practice. Quiet zones in modules, left and right: QR code ISO/IEC 18004 (4), Code 128
 * ISO/IEC 15417 (10), EAN-13 GS1 General Specifications (11 and 7). From memory.
 */
export const SYMBOLOGIES = {
  qrcode: { name: 'QR code', quiet: [4, 4], square: true, module: { least: mm(0.3) } },
  code128: { name: 'Code 128', quiet: [10, 10], square: false, module: { least: mm(0.25) } },
  ean13: { name: 'EAN-13', quiet: [11, 7], square: false, module: { least: mm(0.264), most: mm(0.66) } },
} as const;
export type Symbology = keyof typeof SYMBOLOGIES;
export const SYMBOLOGY_IDS = Object.keys(SYMBOLOGIES) as Symbology[];
