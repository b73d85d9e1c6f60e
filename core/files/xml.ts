import { DOMParser, type Document } from '@xmldom/xmldom';

/**
 * Reads text as XML without fetching or expanding anything; undefined where it is damaged. Document types and entities
 * are for the caller to refuse first.
 */
export function readXml(text: string): Document | undefined {
  let fault = false;
  try {
    const document = new DOMParser({
      onError: (level) => {
        if (level !== 'warning') fault = true;
      },
    }).parseFromString(text, 'text/xml');
    return fault ? undefined : document;
  } catch {
    return undefined;
  }
}

/** Text as it stands in an element or between double quotes. */
export const escapeXml = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);
