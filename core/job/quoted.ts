import type { Paragraph, Span } from '../type/style';
import { QUOTES, type Quote } from './details';

/**
 * Spans of words in which `{firm.phone}` quotes a detail, and `{firm.phone!}` asks for it while it is empty; what is no
 * detail stays as it is typed.
 */
export function quotedSpans(text: string): Span[] {
  const parts = text.split(/\{([a-z]+\.[a-zA-Z]+!?)\}/);
  return parts.flatMap((part, i): Span[] => {
    if (i % 2 === 0) return part === '' ? [] : [{ text: part }];
    const quote = part.replace('!', '');
    if (!QUOTES.includes(quote as Quote)) return [{ text: `{${part}}` }];
    return [{ text: '', quote, ...(part === quote ? {} : { ask: true as const }) }];
  });
}

/** Paragraphs of such words, a paragraph a line. They say something once the job has been told of them: `requoted`. */
export const quotedParagraphs = (text: string): Paragraph[] =>
  text.split('\n').map((line) => ({ spans: quotedSpans(line) }));
