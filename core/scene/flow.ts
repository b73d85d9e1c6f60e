import { lookOf, setParagraphsOf } from '../job/look';
import type { Element, Face, Words } from '../job/schema';
import { CASED } from '../type/runs';
import type { Paragraph, Span } from '../type/style';
import { type TypeSources, wordsSet } from './words';

/** Index in a span's text of what stands at `at` in the text as it is set: a change of case can change its length. */
function sourceIndex(text: string, at: number, cased: (text: string) => string): number {
  if (cased(text).length === text.length) return at;
  let index = 0;
  while (index < text.length && cased(text.slice(0, index)).length < at) index++;
  return index;
}

/** The spans of a paragraph from one of its characters on, as it is set. */
function spansFrom(spans: readonly Span[], start: number, base: Words, { styles }: TypeSources): Span[] {
  const { letterCase: usual } = lookOf(base, styles).lettering;
  let at = 0;
  return spans.flatMap((span) => {
    const cased = CASED[span.letterCase ?? usual];
    const length = cased(span.text).length;
    const from = Math.max(0, start - at);
    at += length;
    if (from >= length) return [];
    return [from === 0 ? span : { ...span, text: span.text.slice(sourceIndex(span.text, from, cased)) }];
  });
}

/** The paragraphs that some words have no room for; the first of them goes on in the middle. */
export function restOf(words: Words, sources: TypeSources): Paragraph[] {
  const first = wordsSet(words, sources).hidden[0];
  if (!first) return [];
  const paragraphs = setParagraphsOf(words);
  const paragraph = paragraphs[first.paragraph]!;
  const { setting } = lookOf(words, sources.styles);
  const indent = { ...setting.indent, ...paragraph.indent, first: 0 };
  const rest: Paragraph =
    first.start === 0
      ? paragraph
      : { ...paragraph, spans: spansFrom(paragraph.spans, first.start, words, sources), indent, before: 0 };
  return [rest, ...paragraphs.slice(first.paragraph + 1)];
}

const kept = new WeakMap<Words, { from: Words; styles: TypeSources['styles']; words: Words }>();

/** A frame that others' words go on in: its own place and frame, their look. */
function filled(frame: Words, from: Words, sources: TypeSources): Words {
  const found = kept.get(frame);
  if (found?.from === from && found.styles === sources.styles) return found.words;
  const rest = restOf(from, sources);
  const { style: _own, ...place } = frame;
  const words: Words = {
    ...place,
    ...(from.style ? { style: from.style } : {}),
    lettering: from.lettering,
    setting: from.setting,
    paragraphs: rest.length > 0 ? rest : [{ spans: [] }],
  };
  kept.set(frame, { from, styles: sources.styles, words });
  return words;
}

/** The faces of a piece with each frame that words go on in holding what is left for it. */
export function flowFaces(faces: readonly Face[], sources: TypeSources): readonly Face[] {
  const words = faces.flatMap((face) => face.elements.filter((e): e is Words => e.kind === 'words'));
  if (!words.some((w) => w.next)) return faces;
  const byId = new Map(words.map((w) => [w.id, w]));
  const followers = new Set(words.flatMap((w) => w.next ?? []));
  const shown = new Map<string, Words>();
  for (const head of words.filter((w) => w.next && !followers.has(w.id)))
    for (let now: Words = head; now.next; ) {
      const frame = byId.get(now.next);
      if (!frame || shown.has(frame.id)) break;
      now = filled(frame, now, sources);
      shown.set(frame.id, now);
    }
  return faces.map((face) =>
    face.elements.some((e) => shown.has(e.id))
      ? { ...face, elements: face.elements.map((e): Element => shown.get(e.id) ?? e) }
      : face,
  );
}
