import type { Document } from '@xmldom/xmldom';
import { TooMuchPacked } from '../../packed/inflate';
import { readXml } from '../xml';
import { MOST_BYTES, plainBytes } from './packed';

/** A drawing that is not taken in; the message says why and what to do. */
export class SvgError extends Error {}

const MOST_ELEMENTS = 20_000;
const DEEPEST = 100;

const SAVE_AGAIN = 'Save it as a plain SVG without it, and try again.';

/** What is refused wherever it stands in the file, before anything of it is read. */
const REFUSED: readonly (readonly [RegExp, string])[] = [
  [/<\s*(?:[\w-]+:)?script[\s>/]/i, `The drawing carries a script. ${SAVE_AGAIN}`],
  [/<\s*(?:[\w-]+:)?(?:iframe|embed|object)[\s>/]/i, `The drawing carries a web page. ${SAVE_AGAIN}`],
  [/\son[a-z]+\s*=\s*["']/i, `The drawing carries a script in an attribute. ${SAVE_AGAIN}`],
  [/javascript\s*:/i, `The drawing carries a script in a link. ${SAVE_AGAIN}`],
  [/@import/i, `The drawing takes styles from elsewhere. ${SAVE_AGAIN}`],
  [/url\(\s*["']?\s*(?!#|data:)[^)\s"']/i, `The drawing takes something from another file. ${SAVE_AGAIN}`],
  [/<\?xml-stylesheet/i, `The drawing takes its styles from another file. ${SAVE_AGAIN}`],
];

/** Links that lead out of the file: those of a reader's own (`<a>`) are harmless, and dropped. */
/** Pictures are not taken in with a drawing wherever they lie; all else that leads out is refused. */
const OUTSIDE = /<\s*(?:[\w-]+:)?(?!a[\s>]|image[\s>])[\w-]+[^>]*?\s(?:xlink:)?href\s*=\s*["']\s*(?!#|data:)[^"'\s]/i;

const DOCTYPE = /<!DOCTYPE\s[^[>]*(?:\[([\s\S]*?)\]\s*)?>/i;
/** An entity that stands for plain text, such as the name of a namespace. */
const PLAIN_ENTITY = /<!ENTITY\s+([\w.:-]+)\s+(?:"([^"<&%]*)"|'([^'<&%]*)')\s*>/g;

/**
 * The text without its document type, its entities in their places. One that holds others, or is fetched from elsewhere, is
 * how a small file grows without end or takes what is not its own: it is refused.
 */
function withoutDoctype(text: string): string {
  const found = DOCTYPE.exec(text);
  const bare = text.replace(DOCTYPE, '');
  const subset = found?.[1] ?? '';
  const entities = new Map([...subset.matchAll(PLAIN_ENTITY)].map(([, name, one, two]) => [name!, one ?? two ?? '']));
  if (/<!ENTITY|<!DOCTYPE/i.test(subset.replace(PLAIN_ENTITY, '') + bare))
    throw new SvgError(`The drawing defines entities, which can blow a file up. ${SAVE_AGAIN}`);
  if (entities.size === 0) return bare;
  let left = MOST_BYTES;
  return bare.replace(/&([\w.:-]+);/g, (whole, name: string) => {
    const stands = entities.get(name);
    left -= stands?.length ?? 0;
    if (left < 0) throw new SvgError(`The drawing's entities make it far larger than it is. ${SAVE_AGAIN}`);
    return stands?.replace(/"/g, '&quot;') ?? whole;
  });
}

/** The text of a drawing, in the encoding that it says it is in (XML 1.0, 4.3.3), or UTF-8 where it says none that is known. */
function textOf(bytes: Uint8Array): string {
  const isWide = (bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff);
  const head = String.fromCharCode(...bytes.subarray(0, 200));
  const said = isWide
    ? bytes[0] === 0xff
      ? 'utf-16le'
      : 'utf-16be'
    : /^(?:\xEF\xBB\xBF)?\s*<\?xml[^>]*?encoding\s*=\s*["']([\w.:-]+)["']/.exec(head)?.[1];
  try {
    return new TextDecoder(said).decode(bytes);
  } catch {
    // An encoding that nobody knows: most of a drawing is plain letters all the same.
    return new TextDecoder().decode(bytes);
  }
}

function unpacked(given: Uint8Array): Uint8Array {
  try {
    return plainBytes(given);
  } catch (error) {
    throw new SvgError(
      error instanceof TooMuchPacked
        ? `Unpacked, the drawing has more than ${MOST_BYTES / 1e6} MB. Take it in as a picture instead.`
        : 'The drawing is packed, and damaged. Get the file again, or save it as a plain SVG.',
    );
  }
}

/** Reads the bytes as XML, or refuses them. Nothing is fetched. */
export function openSvg(given: Uint8Array): Document {
  const bytes = unpacked(given);
  if (bytes.length > MOST_BYTES)
    throw new SvgError(
      `The drawing has ${(bytes.length / 1e6).toFixed(1)} MB; up to ${MOST_BYTES / 1e6} MB can be opened. Take it in as a picture instead.`,
    );
  const text = withoutDoctype(textOf(bytes).replace(/^\uFEFF/, ''));
  for (const [pattern, message] of REFUSED) if (pattern.test(text)) throw new SvgError(message);
  if (OUTSIDE.test(text)) throw new SvgError(`The drawing takes something from another file. ${SAVE_AGAIN}`);
  const document = readXml(text);
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
