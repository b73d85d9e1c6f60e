import type { PdfView } from '../parsed/view';

/** The standards that files are written by; said here so that the rules share nothing with the writer. */
export type Standard = 'PDF/X-4' | 'PDF/X-1a:2001' | 'PDF/X-1a:2003';

/** One thing that a standard asks of a file. */
export interface Rule {
  id: string;
  /** In a sentence. */
  says: string;
  standards: readonly Standard[];
  /** Where a file goes against it; nothing where it does not. */
  faults(view: PdfView, standard: Standard): string[];
}

export const X4: readonly Standard[] = ['PDF/X-4'];
export const X1A: readonly Standard[] = ['PDF/X-1a:2001', 'PDF/X-1a:2003'];
export const ALL: readonly Standard[] = [...X1A, ...X4];

/** A fault where something does not hold. */
export const unless = (holds: boolean, fault: string): string[] => (holds ? [] : [fault]);
