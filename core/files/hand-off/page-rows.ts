import type { PieceAsked } from '../../checks/on-plates';
import { type DrawnList, type Listed, listedDevice } from '../../devices/listed';
import { platesDevice } from '../../devices/plates/device';
import { type Box, outset } from '../../geometry/box';
import { apply, type Matrix } from '../../geometry/matrix';
import { type Device, type GlyphRun, runMatrix } from '../../scene/device';
import { placed } from '../../scene/run-outline';
import type { GlyphSeen } from '../pdf/drawn/hear';
import { cellsFor, type PageRead } from '../pdf/page-read';
import type { Row } from './comparison';
import { platesDiffer } from './plates-differ';

/** A page as it was to be drawn beside the page as the file has it: every letter, every picture, every plate. */

/** Letters and pictures stand where they were laid within a tenth of a millimetre; in points. */
const CLOSE = (0.1 / 25.4) * 72;

interface Letter {
  font: string;
  glyph: number;
  x: number;
  y: number;
  /** The words that it is a letter of. */
  of: string;
}

const lettersOf = (run: GlyphRun): Letter[] => {
  const matrix = runMatrix(run);
  return [...placed(run)].map(({ id, x, y }) => ({
    font: run.font.postscriptName,
    glyph: id,
    ...apply(matrix, { x, y }),
    of: run.text,
  }));
};

const keyOf = ({ font, glyph }: Pick<Letter, 'font' | 'glyph'>): string => `${font} ${glyph}`;

/** Takes from `from` what lies at a place; whether there was any. */
function take(from: Map<string, GlyphSeen[]>, letter: Letter): boolean {
  const there = from.get(keyOf(letter)) ?? [];
  const at = there.findIndex(({ x, y }) => Math.hypot(x - letter.x, y - letter.y) <= CLOSE);
  if (at >= 0) there.splice(at, 1);
  return at >= 0;
}

const mm = (points: number): string => ((points / 72) * 25.4).toFixed(1);
const placeSaid = ({ x, y }: { x: number; y: number }): string => `at ${mm(x)}, ${mm(y)} mm`;

/** What a text says, without the spaces that say where its lines end. */
const bare = (text: string): string => [...text.replace(/\s|\u00ad/g, '')].sort().join('');

function lettersRow(
  name: string,
  runs: readonly Listed<GlyphRun>[],
  letters: readonly GlyphSeen[],
  outlines: boolean,
): Row {
  const what = `${name}: letters and their places`;
  const isText = ({ drawn }: Listed<GlyphRun>): boolean => !outlines && drawn.font.program !== 'drawn';
  const wanted = runs
    .filter(isText)
    .flatMap((run) => lettersOf(run.drawn).map((letter) => ({ ...letter, soft: run.seeThrough })));
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
  const texts = runs.filter(({ drawn }) => drawn.font.program !== 'drawn');
  if (outlines || texts.length === 0 || texts.some(({ seeThrough }) => seeThrough)) return [];
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

const CORNERS = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 0, y: 1 },
];
const onPlace = (one: Matrix, other: Matrix): boolean =>
  CORNERS.every((corner) => {
    const [a, b] = [apply(one, corner), apply(other, corner)];
    return Math.hypot(a.x - b.x, a.y - b.y) <= CLOSE;
  });

function picturesRow(
  name: string,
  list: DrawnList,
  read: PageRead,
  hasAlpha: (asset: string) => boolean,
  flat: boolean,
): Row[] {
  const wanted = list.pictures.map(({ drawn, seeThrough }) => ({
    ...drawn,
    // Flattened, what shows through a picture is in it.
    maybe: flat && (seeThrough || hasAlpha(drawn.image.asset)),
  }));
  const left = read.pictures.filter(({ partly }) => !partly);
  const what = `${name}: pictures and their places`;
  const asked = `${wanted.length} pictures`;
  const lost = wanted.find(({ place, maybe }) => {
    const at = left.findIndex((seen) => onPlace(seen.place, place));
    if (at >= 0) left.splice(at, 1);
    return at < 0 && !maybe;
  });
  if (wanted.length === 0 && left.length === 0) return [];
  const placeOf = (place: Matrix) => placeSaid({ x: place[4], y: place[5] });
  const found = lost
    ? `none ${placeOf(lost.place)}`
    : left[0] && !flat
      ? `one that was not laid, ${placeOf(left[0].place)}`
      : asked;
  return [{ what, asked, read: found, right: found === asked }];
}

/** A page as it is to be: what draws it, on which sheet, and where more than marks may lie. */
export interface PageProof {
  name: string;
  draw(device: Device): void;
  media: Box;
  art: Box;
  picture: PieceAsked['picture'];
  hasAlpha(asset: string): boolean;
  /** Whether nothing may be see-through, and words are the outlines of their letters. */
  flat: boolean;
  outlines: boolean;
}

/** What was asked of a page beside what the file draws there. */
export function pageRows({ name, draw, media, art, outlines, ...asked }: PageProof, read: PageRead): Row[] {
  const list: DrawnList = { runs: [], pictures: [] };
  const told: string[] = [];
  const device = platesDevice({ box: media, ppi: cellsFor(media), picture: asked.picture });
  let within = 0;
  const heard = listedDevice(device, list);
  draw({
    ...heard,
    // Words that are told as a whole are told once; others run by run.
    beginWords: (text) => {
      within++;
      told.push(text);
    },
    endWords: () => {
      within--;
    },
    showGlyphs: (run, colour) => {
      if (within === 0 && run.font.program !== 'drawn') told.push(run.text);
      heard.showGlyphs(run, colour);
    },
  });
  const differs = platesDiffer(device.grid(), read.grid, outset(art, 1));
  const [first] = differs;
  const plates = [...device.grid().plates.keys()].length;
  return [
    lettersRow(name, list.runs, read.letters, outlines),
    ...wordsRow(name, list.runs, told, read.letters, outlines),
    ...picturesRow(name, list, read, asked.hasAlpha, asked.flat),
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
