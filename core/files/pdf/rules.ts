import { parsePdf } from './parsed/file';
import { SyntaxFault } from './parsed/syntax';
import { type PdfView, viewFile } from './parsed/view';
import { COLOUR_RULES } from './rules/colour';
import { DOCUMENT_RULES } from './rules/document';
import { DRAWING_RULES } from './rules/drawing';
import type { Rule, Standard } from './rules/rule';
import { STEP_RULES } from './rules/steps';

export type { Rule, Standard } from './rules/rule';

/** The rules of ISO 15930-1, -4 and -7 that a file can be held against; from memory, except what trade-facts lists. */
export const RULES: readonly Rule[] = [...DOCUMENT_RULES, ...COLOUR_RULES, ...DRAWING_RULES, ...STEP_RULES];

/** A rule that was looked at, and where the file goes against it. */
export interface RuleSeen {
  id: string;
  says: string;
  faults: readonly string[];
}

export const rulesOf = (standard: Standard): Rule[] => RULES.filter(({ standards }) => standards.includes(standard));

/** Holds a file that has been read against every rule of a standard. */
export const held = (view: PdfView, standard: Standard): RuleSeen[] =>
  rulesOf(standard).map(({ id, says, faults }) => ({ id, says, faults: faults(view, standard) }));

/** Holds a written file against every rule of a standard. A file that cannot be read goes against the first. */
export function verify(bytes: Uint8Array, standard: Standard): RuleSeen[] {
  try {
    return held(viewFile(parsePdf(bytes)), standard);
  } catch (error) {
    if (!(error instanceof SyntaxFault)) throw error;
    return [{ id: 'readable', says: 'The file can be read.', faults: [error.message] }];
  }
}
