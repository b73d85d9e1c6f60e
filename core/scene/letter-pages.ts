import { copyOfFace } from '../job/edits/faces';
import { NEW_LETTER } from '../job/edits/kinds';
import { type LetterText, wordsIdOf } from '../job/letters';
import { paragraphsOf } from '../job/look';
import { makeWords } from '../job/make';
import type { Face, Job, Piece, Words } from '../job/schema';
import { letterLayoutOf } from '../trade/letter-layouts';
import { toPoints } from '../units/length';
import { restOf } from './flow';
import type { SceneSources } from './sources';
import { wordsSet } from './words';

/** A letter on its sheets: the first, and as many that follow as its body goes on to. Lengths in points. */

/** How a letter is set: common practice. */
const SIZE = 11;
const LEADING = 1.35;
/** Sheets of one letter, at most. */
const MOST_PAGES = 60;
/** Between paragraphs. */
const AFTER = 8;
/** Where the letter begins on sheets that follow, from their head. */
const FOLLOWING = toPoints(40, 'mm');
/** Where date and body stand on a sheet without an address field. */
const PLAIN = { date: toPoints(50, 'mm'), body: toPoints(64, 'mm') };

const BLACK = { ink: 'black', tint: 1 };

/** What letters of a job are set in. */
export const letterTypeface = ({ roles }: Pick<Job, 'roles'>): string => roles.text ?? 'source-sans-3/regular';

/** The part of the body that a sheet has room for; what it has none for goes on, so no line of a paragraph is left alone. */
function box(
  id: string,
  words: Words['paragraphs'],
  at: { x: number; y: number; width: number; height: number },
  typeface: string,
): Words {
  return {
    ...makeWords({
      id,
      text: '',
      x: at.x,
      y: at.y,
      lettering: { typeface, size: SIZE, paint: BLACK },
      setting: { leading: { share: LEADING } },
      frame: { behaviour: 'fixed box', width: at.width, height: Math.max(SIZE * 2, at.height) },
    }),
    paragraphs: words,
    next: `${id}-on`,
  };
}

/** The sheets of a letter; with the letterhead's own art, or only its words for sheets that are printed already. */
export function letterPages(
  piece: Piece,
  letter: LetterText,
  { roles }: Pick<Job, 'roles'>,
  sources: SceneSources,
  withArt: boolean,
): Face[] {
  const typeface = letterTypeface({ roles });
  const layout = letterLayoutOf(piece.letter?.layout);
  const { margins } = piece.letter ?? NEW_LETTER;
  const width = piece.width - margins.left - margins.right;
  const foot = piece.height - margins.bottom;
  const lines = layout?.lines ?? { x: margins.left, y: margins.top, width: width / 2, height: toPoints(30, 'mm') };
  const top = layout?.body ?? PLAIN.body;
  let n = 0;
  const newId = (): string => wordsIdOf(letter, ++n);
  let arts = 0;
  const newArtId = (): string => `${letter.id}~${++arts}`;
  const sheet = (number: number): Face => {
    const from = piece.faces[Math.min(number, piece.faces.length - 1, 1)]!;
    const art = copyOfFace(withArt ? from : { ...from, elements: [] }, `${letter.name}, page ${number + 1}`, newArtId);
    return { ...art, elements: art.elements.filter((e) => !e.sample) };
  };
  const plain = (id: string, text: string, x: number, y: number, align: 'left' | 'right'): Words => ({
    ...makeWords({
      id,
      text,
      x,
      y,
      lettering: { typeface, size: SIZE, paint: BLACK },
      setting: { leading: { share: LEADING }, align },
    }),
  });
  const opening = [letter.salutation, ...letter.body.split('\n')].filter((text, i) => i > 0 || text !== '');
  let left: Words['paragraphs'] = paragraphsOf(opening.join('\n')).map((p) => ({ ...p, after: AFTER }));
  const pages: Face[] = [];
  while (left.length > 0 && pages.length < MOST_PAGES) {
    const first = pages.length === 0;
    const y = first ? top : FOLLOWING;
    const body = box(newId(), left, { x: margins.left, y, width, height: foot - y }, typeface);
    const { lines: held, hidden } = wordsSet(body, sources);
    const face = sheet(pages.length);
    const head = first
      ? [
          plain(newId(), letter.recipient, lines.x, lines.y, 'left'),
          plain(
            newId(),
            letter.date,
            piece.width - margins.right,
            layout ? lines.y + lines.height : PLAIN.date,
            'right',
          ),
        ]
      : [];
    const { next: _next, ...whole } = body;
    pages.push({ ...face, elements: [...face.elements, ...head, hidden.length > 0 ? body : whole] });
    left = hidden.length > 0 && held.length > 0 ? restOf(body, sources) : [];
  }
  return pages;
}
