import { hexOf } from '../../colour/engine';
import type { Cmyk } from '../../colour/ink';
import { boxAround } from '../../geometry/matrix';
import { boxPath } from '../../geometry/path';
import { JOB_LIMITS } from '../../trade/job-limits';
import type { Art, ArtInk, ArtItem } from '../art-in/art';
import { drawPage } from '../pdf/drawn/draw';
import { baseFont } from '../pdf/drawn/fonts';
import { functionOf } from '../pdf/drawn/functions';
import type { PictureSeen } from '../pdf/drawn/hear';
import { screenBytes } from '../pdf/drawn/spaces';
import { parseAnyPdf, refuseEncrypted } from '../pdf/parsed/file';
import { faultSaid, SyntaxFault } from '../pdf/parsed/syntax';
import { arrayOf, nameOf, type PdfView, viewFile } from '../pdf/parsed/view';
import { artDevice } from './art-device';
import type { ColourList } from './colours';
import { frameOf } from './frame';
import { inLines, type LineSources } from './lines';
import { pictureFiles } from './pictures';

/** A page of a PDF as art: what is drawn on it as elements that can be changed, with the inks that it names. */

/** Told where a page cannot be taken in, in words for the user. */
export class PdfArtError extends Error {}

/** A page as art, with the files of its pictures by their keys. */
export type PageArt = Omit<Art, 'pictures'> & { files: Record<string, Uint8Array> };

export interface PdfOpened {
  view: PdfView;
  /** How many pages it has, and the names of its fonts. */
  pages: number;
  fonts: string[];
}

/** Opens a file of any make. Throws PdfArtError with what to do. */
export function openPdf(bytes: Uint8Array): PdfOpened {
  try {
    const file = parseAnyPdf(bytes);
    refuseEncrypted(file);
    const view = viewFile(file, () => undefined);
    if (view.pages.length === 0)
      throw new PdfArtError(
        `There is no page that can be read in this PDF${view.file.repaired.map((what) => `: ${what}`)[0] ?? ''}. Save it again from its program.`,
      );
    const fonts = view.dicts.flatMap((dict) => (dict.has('BaseFont') ? [baseFont(view.file, dict).name] : []));
    return { view, pages: view.pages.length, fonts: [...new Set(fonts)] };
  } catch (error) {
    if (!(error instanceof SyntaxFault)) throw error;
    throw new PdfArtError(`This PDF cannot be read: ${faultSaid(error, 'Save it again from its program.')}`);
  }
}

/** A spot ink without a stand-in that can be read is shown as this. */
const GREY: Cmyk = [0, 0, 0, 0.6];

/** What each spot ink of a file is shown as at full tint, by what its colour spaces say. */
export function standIns(view: PdfView): (name: string) => Cmyk {
  const known = new Map<string, Cmyk>();
  for (const dict of view.dicts)
    for (const value of dict.values()) {
      const list = arrayOf(view.file, value);
      const name = nameOf(view.file, list[1]);
      if (nameOf(view.file, list[0]) !== 'Separation' || !name || known.has(name)) continue;
      const shown = functionOf(view, list[3])?.(1) ?? [];
      const numbers = shown.map((n) => Math.max(0, Math.min(1, n)));
      const [a = 0, b = 0, c = 0] = numbers;
      const least = Math.min(1 - a, 1 - b, 1 - c);
      if (numbers.length === 4) known.set(name, numbers as Cmyk);
      else if (numbers.length === 3) known.set(name, [1 - a - least, 1 - b - least, 1 - c - least, least] as Cmyk);
      else if (numbers.length === 1) known.set(name, [0, 0, 0, 1 - a]);
    }
  return (name) => known.get(name) ?? GREY;
}

const countOf = (items: readonly ArtItem[]): number =>
  items.reduce((sum, item) => sum + (item.kind === 'group' ? countOf(item.items) : 1), 0);

/** The inks that things are really in: those only of what was cut off are left out. */
function inksUsed(items: readonly ArtItem[], inks: Readonly<Record<string, ArtInk>>): Record<string, ArtInk> {
  const used = new Set<string>();
  const look = (item: ArtItem): void => {
    if (item.kind === 'group') item.items.forEach(look);
    else if (item.kind === 'picture') item.ink && used.add(item.ink.key);
    else if (item.kind === 'words') used.add(item.paint.key);
    else if (item.colour.kind === 'flat') used.add(item.colour.key);
    else for (const { key } of item.colour.stops) used.add(key);
  };
  items.forEach(look);
  return Object.fromEntries(Object.entries(inks).filter(([key]) => used.has(key)));
}

/** Reads a page, 0 first, as art. Throws PdfArtError where it cannot be taken in, with what to do. */
export function readPageArt({ view }: PdfOpened, page: number, type: Omit<LineSources, 'note'>): PageArt {
  const dict = view.pages[page];
  if (!dict) throw new PdfArtError(`This PDF has ${view.pages.length} pages; choose one of them.`);
  const notes = new Set<string>();
  const note = (text: string): void => void notes.add(text);
  const colours: ColourList = { inks: {}, standIn: standIns(view) };
  const pictures = pictureFiles(view, colours, note);
  let seen: PictureSeen | undefined;
  const device = artDevice({
    colours,
    note,
    picture: (_, place) => (seen ? pictures.picture(seen, place) : []),
    tone: pictures.tone,
  });
  const { trim, frame, upright } = frameOf(view, page);
  const [width, height] = [frame[2] - frame[0], frame[3] - frame[1]];
  const sheet = boxAround({ x: 0, y: 0, width, height }, upright);
  device.beginClip(boxPath(sheet));
  try {
    drawPage(
      view,
      {
        page,
        origin: { x: frame[0], y: frame[3] },
        turned: upright,
        inksOf: (space, values) => {
          const rgb = screenBytes(space, values);
          return rgb ? { [hexOf(rgb as [number, number, number])]: 1 } : space.plates(values);
        },
      },
      device,
      {
        glyph(glyph) {
          device.letter(glyph);
          // A letter whose font is not in the file draws nothing: it is kept for what it says.
          if (glyph.seen && !glyph.font.type3 && !glyph.font.outline(glyph.glyph)) device.unseen(glyph);
        },
        lettered: device.lettered,
        noMeshes: true,
        picture: (each) => {
          seen = each;
        },
        unread: (what) => {
          if (!what.startsWith('letters of ')) note(`Not as it was: ${what}.`);
        },
      },
    );
  } catch (error) {
    if (!(error instanceof SyntaxFault)) throw error;
    throw new PdfArtError(`This page cannot be read: ${error.message}.`);
  }
  const items = inLines(device.items, { ...type, note });
  if (items.length === 0)
    throw new PdfArtError(
      notes.size > 0
        ? `Nothing of this page can be imported. ${[...notes].join(' ')}`
        : 'There is nothing to see on this page.',
    );
  if (countOf(items) > JOB_LIMITS.elements / 2)
    throw new PdfArtError(
      `This page is made of ${countOf(items)} parts, more than a piece should hold. Save it as a picture and take that in.`,
    );
  const sides = { x: trim[0] - frame[0], y: frame[3] - trim[3], width: trim[2] - trim[0], height: trim[3] - trim[1] };
  const isWhole = Math.abs(sides.width - width) < 0.01 && Math.abs(sides.height - height) < 0.01;
  return {
    width: sheet.width,
    height: sheet.height,
    ...(isWhole ? {} : { trim: boxAround(sides, upright) }),
    items,
    inks: inksUsed(items, colours.inks),
    files: pictures.files,
    notes: [...notes],
  };
}
