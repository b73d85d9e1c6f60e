import { type Box, bottom } from '../../geometry/box';
import { kept, type PdfState, type PdfUses } from './uses';

/** A page while it is written: the operators so far, the resources they name, and what waits around a group or a mask. */
export interface PdfPage {
  /** The sheet in the piece's coordinates; the stream's origin is its lower left corner. */
  media: Box;
  uses: PdfUses;
  words: 'text' | 'outlines';
  out: string[];
  names: Set<string>;
  outer: { out: string[]; names: Set<string> }[];
  masks: string[];
  opacities: number[];
  overprints: number;
  /** Whether what is shown stands within words that are told as a whole. */
  isTold: boolean;
}

export const blankPage = (media: Box, uses: PdfUses, words: PdfPage['words']): PdfPage => ({
  media,
  uses,
  words,
  out: [],
  names: new Set(),
  outer: [],
  masks: [],
  opacities: [],
  overprints: 0,
  isTold: false,
});

export const across = ({ media }: PdfPage, x: number): number => x - media.x;
export const up = ({ media }: PdfPage, y: number): number => bottom(media) - y;

/** A resource's name where it is used. */
export function named(page: PdfPage, key: string): string {
  page.names.add(key);
  return `/${key}`;
}

export function stateKey({ uses }: PdfPage, state: PdfState): string {
  return kept(uses.states, JSON.stringify(state), () => ({ key: `G${uses.states.size + 1}`, state })).key;
}

export function addForm({ uses, media }: PdfPage, content: string, used: ReadonlySet<string>, isMask: boolean): string {
  const key = `X${uses.forms.length + 1}`;
  uses.forms.push({ key, content, names: used, isMask, size: media });
  return key;
}

/** Begins what is to be drawn as one thing. */
export function begin(page: PdfPage): void {
  page.outer.push({ out: page.out, names: page.names });
  page.out = [];
  page.names = new Set();
}

/** Ends what was begun, and draws it as one thing in that state. */
export function end(page: PdfPage, state: PdfState): void {
  const form = addForm(page, `${page.out.join('\n')}\n`, page.names, false);
  Object.assign(page, page.outer.pop()!);
  page.out.push('q', `${named(page, stateKey(page, state))} gs`, `${named(page, form)} Do`, 'Q');
}
