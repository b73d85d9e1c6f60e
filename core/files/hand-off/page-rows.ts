import type { Listed } from '../../devices/listed';
import { outset } from '../../geometry/box';
import { apply } from '../../geometry/matrix';
import { type GlyphRun, runMatrix } from '../../scene/device';
import { placed } from '../../scene/run-outline';
import type { GlyphSeen } from '../pdf/drawn/hear';
import type { PageRead } from '../pdf/page-read';
import type { Row } from './comparison';
import type { PageDrawn, PageProof } from './page-drawn';
import { type PicturesProof, pictureRows } from './picture-rows';
import { CLOSE, placeSaid } from './place-said';
import { platesDifferCloser } from './plates-differ';

/** A page as it was to be drawn beside the page as the file has it: every letter, every picture, every plate. */

interface Letter {
  font: string;
  glyph: number;
  x: number;
  y: number;
  /** Degrees clockwise. */
  angle: number;
  /** The words that it is a letter of. */
  of: string;
}

const lettersOf = (run: GlyphRun): Letter[] => {
  const matrix = runMatrix(run);
  return [...placed(run)].map(({ id, x, y }) => ({
    font: run.font.postscriptName,
    glyph: id,
    ...apply(matrix, { x, y }),
    angle: run.angle ?? 0,
    of: run.text,
  }));
};

const keyOf = ({ font, glyph }: Pick<Letter, 'font' | 'glyph'>): string => `${font} ${glyph}`;

/** Whether two ways of standing, in degrees, are within one of each other. */
const sameWay = (a: number, b: number): boolean => Math.abs(((((a - b) % 360) + 540) % 360) - 180) <= 1;

/** Takes from `from` what stands at a place in that way; whether there was any. */
function take(from: Map<string, GlyphSeen[]>, letter: Letter): boolean {
  const there = from.get(keyOf(letter)) ?? [];
  const at = there.findIndex(
    ({ x, y, angle }) => Math.hypot(x - letter.x, y - letter.y) <= CLOSE && sameWay(angle, letter.angle),
  );
  if (at >= 0) there.splice(at, 1);
  return at >= 0;
}

/** What a text says, without the spaces that say where its lines end. */
const bare = (text: string): string => [...text.replace(/\s|\u00ad/g, '')].sort().join('');

function lettersRow(
  name: string,
  runs: readonly Listed<GlyphRun>[],
  letters: readonly GlyphSeen[],
  outlines: boolean,
): Row {
  const what = `${name}: letters and their places`;
  const wanted = (outlines ? [] : runs).flatMap((run) =>
    lettersOf(run.drawn).map((letter) => ({ ...letter, soft: run.seeThrough })),
  );
  const left = new Map<string, GlyphSeen[]>();
  for (const seen of letters) {
    const key = keyOf({ font: seen.font.name, glyph: seen.glyph });
    left.set(key, [...(left.get(key) ?? []), seen]);
  }
  // What is see-through may have been flattened away; all else has to be there.
  const missing = wanted.filter((letter) => !take(left, letter) && !letter.soft);
  const extra = [...left.values()].flat();
  const asked = `${wanted.length} letters`;
  const [lost] = missing;
  const [found] = extra;
  if (lost) return { what, asked, read: `no letter of “${lost.of}” ${placeSaid(lost)} in ${lost.font}`, right: false };
  if (found)
    return { what, asked, read: `a letter “${found.text}” that was not laid, ${placeSaid(found)}`, right: false };
  return { what, asked, read: asked, right: true };
}

/** The words that letters stand for: what is searched, copied and read out. */
function wordsRow(
  name: string,
  runs: readonly Listed<GlyphRun>[],
  told: readonly string[],
  letters: readonly GlyphSeen[],
  outlines: boolean,
): Row[] {
  if (outlines || runs.length === 0 || runs.some(({ seeThrough }) => seeThrough)) return [];
  const asked = bare(told.join(''));
  const read = bare(letters.map(({ text }) => text).join(''));
  const same = asked === read;
  const count = (text: string): string => `${[...text].length} characters`;
  return [
    {
      what: `${name}: text that can be searched`,
      asked: count(asked),
      read: same ? count(read) : `${count(read)}, other ones`,
      right: same,
    },
  ];
}

/** What was asked of a page beside what the file draws there. */
export function pageRows(page: PageProof, drawn: PageDrawn, read: PageRead, pictures: PicturesProof): Row[] {
  const { name, art, outlines } = page;
  const { list, told, grid } = drawn;
  const differs = platesDifferCloser(drawn, read, outset(art, 1));
  const [first] = differs;
  const plates = [...grid.plates.keys()].length;
  return [
    lettersRow(name, list.runs, read.letters, outlines),
    ...wordsRow(name, list.runs, told, read.letters, outlines),
    ...pictureRows(page, drawn, read, pictures),
    {
      what: `${name}: plates and marks`,
      asked: `${plates} as drawn`,
      read: first
        ? `${differs.map(({ plate }) => plate).join(', ')} ${differs.length === 1 ? 'differs' : 'differ'} by ${Math.round(first.by * 100)} % ${placeSaid(first)}`
        : `${plates} as drawn`,
      right: differs.length === 0,
    },
    ...(read.unread.length > 0
      ? [{ what: `${name}: all of it read`, asked: 'yes', read: `not ${read.unread.join(', ')}`, right: false }]
      : []),
  ];
}
