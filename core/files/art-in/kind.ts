import { isPacked } from '../svg-in/packed';

/** A PDF may begin so many bytes after the file does (ISO 32000-1, annex H.3, note 13). */
const BEFORE_PDF = 1024;
/** What a drawing says of itself before its root: its maker's remarks and the names that it stands for. */
const BEFORE_SVG = 65_536;

export type ArtKind = 'svg' | 'pdf';

const latin = (bytes: Uint8Array): string => new TextDecoder('latin1').decode(bytes);

export const isPdfFile = (bytes: Uint8Array): boolean => /%PDF-\d/.test(latin(bytes.subarray(0, BEFORE_PDF)));

/**
 * What line art a file holds by its first bytes, whatever it is called: artwork that is a PDF under another name, a drawing
 * that is packed. Undefined where it is none that can be read.
 */
export function artKind(bytes: Uint8Array): ArtKind | undefined {
  if (isPdfFile(bytes)) return 'pdf';
  if (isPacked(bytes)) return 'svg';
  // Of two bytes a letter every other one is empty.
  const head = latin(bytes.subarray(0, BEFORE_SVG)).replace(/^[\xEF\xBB\xBF\xFE\xFF]+|\0/g, '');
  const isPage = /^\s*<(?:!doctype\s+)?html/i.test(head);
  return /^\s*</.test(head) && !isPage && /<(?:[\w-]+:)?svg[\s>]/.test(head) ? 'svg' : undefined;
}
