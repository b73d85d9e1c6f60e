import type { Paragraph, Span } from './style';

const isEmptyQuote = ({ quote, text }: Span): boolean => quote !== undefined && text.trim() === '';
/** Signs and spaces between two details say nothing by themselves. */
const isBetween = ({ quote, text }: Span): boolean => quote === undefined && !/[\p{L}\p{N}]/u.test(text);

/** The spans that are left once empty details are gone, each with what parted it from its neighbour. */
function withoutEmpty(spans: readonly Span[]): Span[] {
  const left: Span[] = [];
  let gone = false;
  for (const span of spans) {
    if (isEmptyQuote(span)) {
      gone = true;
      const before = left.at(-1);
      if (before && isBetween(before)) left.pop();
    } else if (!(gone && isBetween(span) && left.length === 0)) left.push(span);
  }
  return left;
}

/**
 * Paragraphs as they are set: one that quotes details which are all empty is no line at all; in others an empty detail
 * takes the sign before it along. The same array where nothing is quoted.
 */
export function withoutEmptyDetails(paragraphs: readonly Paragraph[]): readonly Paragraph[] {
  if (!paragraphs.some(({ spans }) => spans.some(isEmptyQuote))) return paragraphs;
  return paragraphs.flatMap((paragraph): Paragraph[] => {
    const quotes = paragraph.spans.filter((span) => span.quote !== undefined);
    if (quotes.length === 0) return [paragraph];
    return quotes.every(isEmptyQuote) ? [] : [{ ...paragraph, spans: withoutEmpty(paragraph.spans) }];
  });
}
