import { produce } from 'immer';
import type { Icon, Lettering, NamedStyle, Paragraph, Setting, Span } from '../../type/style';
import { findElement, findFace } from '../find';
import { lookOf } from '../look';
import { makeWords } from '../make';
import type { Job, Words, WordsFrame, WordsPath } from '../schema';

/** Edits of words and their looks. An id that is not there, or is not words, changes nothing. */

const change = (job: Job, id: string, recipe: (words: Words) => void): Job =>
  produce(job, (draft) => {
    const element = findElement(draft, id)?.element;
    if (element?.kind === 'words') recipe(element);
  });

/** Neighbouring spans of the same look are one span; empty ones are none. */
export function tidySpans(spans: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const span of spans) {
    if (span.text === '' && !span.quote) continue;
    const last = out.at(-1);
    const { text: _a, ...look } = span;
    const { text: _b, ...before } = last ?? { text: '' };
    if (last && !span.quote && JSON.stringify(look) === JSON.stringify(before))
      out[out.length - 1] = { ...last, text: last.text + span.text };
    else out.push(span);
  }
  return out;
}

/** The same words without looks of their own. */
const plainSpans = (spans: readonly Span[]): Span[] =>
  tidySpans(spans.map(({ text, quote, ask }) => ({ text, ...(quote ? { quote } : {}), ...(ask ? { ask } : {}) })));

/** Gives words new paragraphs, as an editor has them. */
export const setParagraphs = (job: Job, id: string, paragraphs: readonly Paragraph[]): Job =>
  change(job, id, (words) => {
    words.paragraphs = paragraphs.map((p) => ({ ...p, spans: tidySpans(p.spans) }));
  });

/** Changes the look of all the words in a frame; spans that differed in it follow. */
export const setLettering = (job: Job, id: string, to: Partial<Lettering>): Job =>
  change(job, id, (words) => {
    Object.assign(words.lettering, to);
    for (const paragraph of words.paragraphs) {
      for (const span of paragraph.spans) for (const key of Object.keys(to)) delete span[key as keyof Lettering];
      paragraph.spans = tidySpans(paragraph.spans);
    }
  });

/** Changes how all paragraphs of a frame are set. */
export const setSetting = (job: Job, id: string, to: Partial<Setting>): Job =>
  change(job, id, (words) => {
    Object.assign(words.setting, to);
    for (const paragraph of words.paragraphs) for (const key of Object.keys(to)) delete paragraph[key as keyof Setting];
  });

/** Changes how the frame holds its words, and where its anchor is. */
export const setWordsFrame = (
  job: Job,
  id: string,
  frame: Partial<WordsFrame>,
  place: { x?: number; y?: number } = {},
): Job =>
  change(job, id, (words) => {
    Object.assign(words.frame, frame);
    Object.assign(words, place);
  });

const scaleSetting = (from: Setting, by: number): Partial<Setting> => ({
  ...('points' in from.leading ? { leading: { points: from.leading.points * by } } : {}),
  before: from.before * by,
  after: from.after * by,
  indent: { left: from.indent.left * by, right: from.indent.right * by, first: from.indent.first * by },
  tabs: from.tabs.map((tab) => ({ ...tab, at: tab.at * by })),
});

/** Words with all their lettering larger or smaller alike: sizes, shifts, exact leading, spaces, indents, tabs. */
export const scaledWords = (words: Words, by: number, styles: readonly NamedStyle[]): Words =>
  produce(words, (draft) => {
    const { lettering, setting } = lookOf(words, styles);
    Object.assign(draft.lettering, { size: lettering.size * by, shift: lettering.shift * by });
    Object.assign(draft.setting, scaleSetting(setting, by));
    for (const paragraph of draft.paragraphs) {
      const { spans, icon: _icon, ...own } = paragraph;
      const full = scaleSetting({ ...setting, ...own } as Setting, by);
      for (const key of Object.keys(own) as (keyof Setting)[])
        if (key in full) Object.assign(paragraph, { [key]: full[key] });
      for (const span of spans) {
        if (span.size !== undefined) span.size *= by;
        if (span.shift !== undefined) span.shift *= by;
      }
    }
  });

/** Lets words go on in a new fixed box of the same size and place on another face of their piece. */
export const goOn = (job: Job, id: string, faceId: string, frameId: string): Job =>
  produce(job, (draft) => {
    const words = findElement(draft, id)?.element;
    const face = findFace(draft, faceId);
    if (words?.kind !== 'words' || !face) return;
    const frame = { ...words.frame, behaviour: 'fixed box' as const };
    face.elements.push(makeWords({ id: frameId, text: '', x: words.x, y: words.y, frame }));
    words.next = frameId;
  });

/** Changes a word wherever some words have it as a whole word of one look. */
export const replaceWord = (job: Job, id: string, word: string, by: string): Job =>
  change(job, id, (words) => {
    const pattern = new RegExp(`(?<![\\p{L}\\p{N}])${word.replaceAll("'", "['’]")}(?![\\p{L}\\p{N}])`, 'gu');
    // What is quoted is written elsewhere.
    for (const paragraph of words.paragraphs)
      for (const span of paragraph.spans) if (!span.quote) span.text = span.text.replace(pattern, () => by);
  });

/** Joins the lines of some words to a row of details, or sets them one under another again. */
export const setRow = (job: Job, id: string, row: Words['row']): Job =>
  change(job, id, (words) => {
    if (row) words.row = row;
    else delete words.row;
  });

/** Puts a drawing before the first line of a paragraph (0 first), which moves in to make room; or takes it away. */
export const setIcon = (job: Job, id: string, paragraph: number, icon: Icon | undefined, indent: number): Job =>
  change(job, id, (words) => {
    const line = words.paragraphs[paragraph];
    if (!line) return;
    if (icon) {
      line.icon = icon;
      line.indent = { left: indent, right: line.indent?.right ?? 0, first: 0 };
    } else {
      delete line.icon;
      delete line.indent;
    }
  });

/** Sets words on a line, or straight again. */
export const setWordsPath = (job: Job, id: string, path: WordsPath | undefined): Job =>
  change(job, id, (words) => {
    if (path) words.path = path;
    else delete words.path;
  });

/** Scales words, and their fixed frame with them if asked. */
export function scaleWords(job: Job, id: string, by: number, withFrame = true): Job {
  const element = findElement(job, id)?.element;
  if (element?.kind !== 'words') return job;
  const scaled = scaledWords(element, by, job.styles);
  return change(job, id, (words) => {
    Object.assign(words, scaled);
    if (!withFrame) return;
    const { width, height, inset } = words.frame;
    words.frame = { ...words.frame, width: width * by, height: height * by, inset: inset * by };
    if (words.path?.along.kind === 'circle') {
      const { along, start, lift } = words.path;
      words.path = {
        ...words.path,
        along: { ...along, radius: along.radius * by },
        start: start * by,
        lift: lift * by,
      };
    }
  });
}

/** Sets words in a named style, dropping what they had of their own; or in none, keeping how they look. */
export function setStyle(job: Job, id: string, style: string | undefined): Job {
  return change(job, id, (words) => {
    if (style) {
      words.style = style;
      words.lettering = {};
      words.setting = {};
      for (const paragraph of words.paragraphs) paragraph.spans = plainSpans(paragraph.spans);
    } else {
      const look = lookOf(words, job.styles);
      delete words.style;
      words.lettering = look.lettering;
      words.setting = look.setting;
    }
  });
}

/** Keeps the look of some words under a name, and sets them in it. */
export function keepStyle(job: Job, id: string, name: string, styleId: string): Job {
  const found = findElement(job, id)?.element;
  if (found?.kind !== 'words') return job;
  const style: NamedStyle = { id: styleId, name, ...lookOf(found, job.styles) };
  return change({ ...job, styles: [...job.styles, style] }, id, (words) => {
    words.style = styleId;
    words.lettering = {};
    words.setting = {};
  });
}

/** Changes a named style; all words in it follow. */
export const changeStyle = (
  job: Job,
  styleId: string,
  to: { name?: string; lettering?: Partial<Lettering>; setting?: Partial<Setting> },
): Job =>
  produce(job, (draft) => {
    const style = draft.styles.find((each) => each.id === styleId);
    if (!style) return;
    if (to.name) style.name = to.name;
    Object.assign(style.lettering, to.lettering);
    Object.assign(style.setting, to.setting);
  });

/** Takes a named style away; words in it keep how they look. */
export const removeStyle = (job: Job, styleId: string): Job => {
  const words = job.pieces.flatMap((p) => p.faces.flatMap((f) => f.elements.filter((e) => e.kind === 'words')));
  const freed = words.filter((w) => w.style === styleId).reduce((j, w) => setStyle(j, w.id, undefined), job);
  return { ...freed, styles: freed.styles.filter((style) => style.id !== styleId) };
};

/** Gives one frame's look to another: its style and its own differences, not those of single spans. */
export function copyLook(job: Job, from: string, to: string): Job {
  const source = findElement(job, from)?.element;
  if (source?.kind !== 'words') return job;
  return change(job, to, (words) => {
    if (source.style) words.style = source.style;
    else delete words.style;
    words.lettering = { ...source.lettering };
    words.setting = { ...source.setting };
    words.paragraphs = words.paragraphs.map(({ spans, icon }) => ({
      spans: plainSpans(spans),
      ...(icon ? { icon } : {}),
    }));
  });
}
