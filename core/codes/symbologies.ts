/**
 * The codes that can be drawn. Quiet zones in modules, left and right: QR code ISO/IEC 18004 (4), Code 128
 * ISO/IEC 15417 (10), EAN-13 GS1 General Specifications (11 and 7). From memory.
 */
export const SYMBOLOGIES = {
  qrcode: { name: 'QR code', quiet: [4, 4], square: true },
  code128: { name: 'Code 128', quiet: [10, 10], square: false },
  ean13: { name: 'EAN-13', quiet: [11, 7], square: false },
} as const;
export type Symbology = keyof typeof SYMBOLOGIES;
export const SYMBOLOGY_IDS = Object.keys(SYMBOLOGIES) as Symbology[];
