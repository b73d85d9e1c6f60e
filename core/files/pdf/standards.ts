import type { STANDARDS } from '../../trade/schema';

export type Standard = (typeof STANDARDS)[number];

/** What a file of a standard is built on and says (ISO 15930-1:2001, 15930-4:2003 and 15930-7:2010; from memory). */
export interface StandardFacts {
  pdf: readonly [major: number, minor: number];
  /** Whether things may be see-through in the file. */
  seeThrough: boolean;
  /** Whether it names the standard in an XMP packet. */
  xmp: boolean;
  /** What names the standard in Info. */
  info: Readonly<Record<string, string>>;
}

export const STANDARD_FACTS: Readonly<Record<Standard, StandardFacts>> = {
  'PDF/X-4': { pdf: [1, 6], seeThrough: true, xmp: true, info: {} },
  'PDF/X-1a:2001': {
    pdf: [1, 3],
    seeThrough: false,
    xmp: false,
    info: {
      GTS_PDFXVersion: 'PDF/X-1:2001',
      GTS_PDFXConformance: 'PDF/X-1a:2001',
    },
  },
  'PDF/X-1a:2003': {
    pdf: [1, 4],
    seeThrough: false,
    xmp: false,
    info: { GTS_PDFXVersion: 'PDF/X-1a:2003' },
  },
};
