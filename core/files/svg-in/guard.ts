import type { Document } from '@xmldom/xmldom';
import { readXml } from '../xml';

/** A drawing that is not taken in; the message says why and what to do. */
export class SvgError extends Error {}

/** Larger than this is no logo. */
const MOST_BYTES = 5_000_000;
const MOST_ELEMENTS = 20_000;
const DEEPEST = 100;

const SAVE_AGAIN = 'Save it as a plain SVG without it, and try again.';

/** What is refused wherever it stands in the file, before anything of it is read. */
const REFUSED: readonly (readonly [RegExp, string])[] = [
  [/<!ENTITY/i, `The drawing defines entities, which can blow a file up. ${SAVE_AGAIN}`],
  [/<!DOCTYPE[^>]*\[/i, `The drawing carries definitions of its own document type. ${SAVE_AGAIN}`],
  [/<\s*(?:[\w-]+:)?script[\s>/]/i, `The drawing carries a script. ${SAVE_AGAIN}`],
  [/<\s*(?:[\w-]+:)?(?:foreignObject|iframe|embed|object)[\s>/]/i, `The drawing carries a web page. ${SAVE_AGAIN}`],
  [/\son[a-z]+\s*=\s*["']/i, `The drawing carries a script in an attribute. ${SAVE_AGAIN}`],
  [/javascript\s*:/i, `The drawing carries a script in a link. ${SAVE_AGAIN}`],
  [/@import/i, `The drawing takes styles from elsewhere. ${SAVE_AGAIN}`],
  [/url\(\s*["']?\s*(?!#|data:)[^)\s"']/i, `The drawing takes something from another file. ${SAVE_AGAIN}`],
  [/<\?xml-stylesheet/i, `The drawing takes its styles from another file. ${SAVE_AGAIN}`],
];

/** Links that lead out of the file: those of a reader's own (`<a>`) are harmless, and dropped. */
const OUTSIDE = /<\s*(?:[\w-]+:)?(?!a[\s>])[\w-]+[^>]*?\s(?:xlink:)?href\s*=\s*["']\s*(?!#|data:)[^"'\s]/i;

/** Reads the bytes as XML, or refuses them. Nothing is fetched and no entity is expanded. */
export function openSvg(bytes: Uint8Array): Document {
  if (bytes.length > MOST_BYTES)
    throw new SvgError(
      `The drawing has ${(bytes.length / 1e6).toFixed(1)} MB; up to ${MOST_BYTES / 1e6} MB can be opened. Take it in as a picture instead.`,
    );
  const text = new TextDecoder().decode(bytes).replace(/^\uFEFF/, '');
  for (const [pattern, message] of REFUSED) if (pattern.test(text)) throw new SvgError(message);
  if (OUTSIDE.test(text)) throw new SvgError(`The drawing takes something from another file. ${SAVE_AGAIN}`);
  const document = readXml(text.replace(/<!DOCTYPE[^>]*>/i, ''));
  if (document?.documentElement?.localName !== 'svg')
    throw new SvgError('This is not an SVG drawing, or it is damaged. Save it again from its program.');
  const all = document.getElementsByTagName('*');
  if (all.length > MOST_ELEMENTS)
    throw new SvgError(
      `The drawing has ${all.length} parts; up to ${MOST_ELEMENTS} can be opened. Take it in as a picture instead.`,
    );
  return document;
}

/** Whether something lies so deep that it is not followed any further. */
export const isTooDeep = (depth: number): boolean => depth > DEEPEST;
