import type { JSONContent } from '@tiptap/core';
import { tidySpans } from '../../../../core/job/edits/words';
import type { Lettering, Paragraph, Span } from '../../../../core/type/style';

/** Words to and from the editor's own form of them. */

export const toDoc = (paragraphs: readonly Paragraph[]): JSONContent => ({
  type: 'doc',
  content: paragraphs.map(({ spans, ...setting }) => ({
    type: 'paragraph',
    attrs: { setting },
    content: spans
      .filter((span) => span.text !== '' || span.quote)
      .map(({ text, quote, ask, ...own }) => ({
        ...(quote ? { type: 'quote', attrs: { quote, text, ask } } : { type: 'text', text }),
        ...(Object.keys(own).length > 0 ? { marks: [{ type: 'lettering', attrs: { own } }] } : {}),
      })),
  })),
});

const spanOf = ({ type, text = '', attrs, marks }: JSONContent): Span => ({
  ...(type === 'quote' ? { text: String(attrs?.['text'] ?? ''), quote: String(attrs?.['quote']) } : { text }),
  ...(type === 'quote' && attrs?.['ask'] ? { ask: true } : {}),
  ...(marks?.[0]?.attrs?.['own'] as Partial<Lettering> | undefined),
});

export const fromDoc = (doc: JSONContent): Paragraph[] =>
  (doc.content ?? []).map(({ attrs, content }) => ({
    ...(attrs?.['setting'] as object | undefined),
    spans: tidySpans((content ?? []).map(spanOf)),
  }));
