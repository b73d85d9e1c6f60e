import { withoutEmptyDetails } from '../type/quotes';
import { joined } from '../type/separators';
import { type Lettering, type NamedStyle, type Paragraph, PLAIN, type Setting } from '../type/style';
import { allElements } from './drawn';
import type { Job, Words } from './schema';

/** What words look like once their named style and their own differences are put together. */
export interface Look {
  lettering: Lettering;
  setting: Setting;
}

/** The look of a whole frame. A style that is not there any more is plain. */
export function lookOf(words: Pick<Words, 'style' | 'lettering' | 'setting'>, styles: readonly NamedStyle[]): Look {
  const base = styles.find((style) => style.id === words.style) ?? PLAIN;
  return {
    lettering: { ...base.lettering, ...words.lettering } as Lettering,
    setting: { ...base.setting, ...words.setting } as Setting,
  };
}

/** The setting of one paragraph in a frame of that look. */
export function settingOf({ spans: _spans, icon: _icon, ...own }: Paragraph, look: Look): Setting {
  return { ...look.setting, ...own } as Setting;
}

/** Every look that some of the words have, the empty ones left out. */
export const letteringsOf = (words: Words, styles: readonly NamedStyle[]): Lettering[] => {
  const { lettering } = lookOf(words, styles);
  return words.paragraphs.flatMap((p) =>
    p.spans.flatMap(({ text, quote: _quote, ask: _ask, ...own }) =>
      text.trim() === '' ? [] : [{ ...lettering, ...own } as Lettering],
    ),
  );
};

/** The paragraphs as they are set: without empty details, and those of a row are one. */
export function setParagraphsOf({ paragraphs, row }: Pick<Words, 'paragraphs' | 'row'>): readonly Paragraph[] {
  const shown = withoutEmptyDetails(paragraphs);
  return row ? [joined(shown, row)] : shown;
}

/** The words as they are typed, a line a paragraph. */
export const plainText = ({ paragraphs }: Pick<Words, 'paragraphs'>): string =>
  paragraphs.map((p) => p.spans.map((span) => span.text).join('')).join('\n');

/** Paragraphs of plain words, a paragraph a line. */
export const paragraphsOf = (text: string): Paragraph[] =>
  text.split('\n').map((line) => ({ spans: line === '' ? [] : [{ text: line }] }));

/** The typefaces that a job's words and styles name. */
export function typefacesIn({
  pieces,
  styles,
  logos,
  roles,
}: Pick<Job, 'pieces' | 'styles' | 'logos' | 'roles'>): Set<string> {
  const words = allElements({ pieces, logos }).flatMap((e) => (e.kind === 'words' ? [e] : []));
  return new Set([
    ...Object.values(roles),
    ...styles.map((style) => style.lettering.typeface),
    ...words.flatMap((w) => [
      lookOf(w, styles).lettering.typeface,
      ...w.paragraphs.flatMap((p) => p.spans.flatMap((s) => s.typeface ?? [])),
    ]),
  ]);
}
