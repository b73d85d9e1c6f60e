import { isLineArt } from '../../checks/pictures-on';
import { pieceFacts } from '../../checks/piece-facts';
import { isProcessPlate } from '../../colour/ink';
import type { Box } from '../../geometry/box';
import { plainText } from '../../job/look';
import type { Face, Job, Picture, Piece } from '../../job/schema';
import { ontoSheet } from '../../job/turned';
import { effectivePpi } from '../../picture/place';
import { formatSize, type PieceUnit } from '../../units/length';
import { type PdfAsked, pageBoxes } from '../pdf/asked';
import { pdfBox } from '../pdf/document';
import type { BoxNumbers } from '../pdf/page-read';
import type { PageFacts, PdfFacts } from '../pdf/read-back';
import type { RuleSeen } from '../pdf/rules';
import { STANDARD_FACTS, type Standard } from '../pdf/standards';

/** One thing asked of the file and what the file says, and whether the two agree. */
export interface Row {
  what: string;
  asked: string;
  read: string;
  right: boolean;
}

/** Boxes agree within a hundredth of a point, pictures within one ppi. */
const CLOSE = { points: 0.01, ppi: 1 };

const digits = (unit: PieceUnit): number => (unit === 'in' ? 3 : 2);

const same = (what: string, asked: string, read: string | undefined): Row => ({
  what,
  asked,
  read: read ?? 'none',
  right: asked === read,
});

/** A box as it was asked and as it is, in its size and its place on the sheet. */
function boxRow(what: string, asked: Box, media: Box, read: BoxNumbers, unit: PieceUnit): Row {
  const [x0, y0, x1, y1] = read;
  const wanted = pdfBox(asked, media);
  const moved = wanted.some((n, i) => Math.abs(n - read[i]!) >= CLOSE.points);
  const size = formatSize(x1 - x0, y1 - y0, unit, digits(unit));
  const wantedSize = formatSize(asked.width, asked.height, unit, digits(unit));
  return { what, asked: wantedSize, read: moved && size === wantedSize ? `${size}, elsewhere` : size, right: !moved };
}

/** The way of words on a sheet, by degrees clockwise. */
const WAYS = ['upright', 'down, head to the right', 'upside down', 'up, head to the left'];
const wayOf = (degrees: number): string => WAYS[Math.round(degrees / 90) & 3]!;

/** The quarter turn, in degrees, at which most letters of a face were laid; words on a line run all ways. */
function runOf({ elements }: Face): number {
  const letters = [0, 0, 0, 0];
  for (const each of elements) {
    if (each.kind !== 'words' || each.path || each.hidden || each.sample) continue;
    const quarter = (each.turn ?? 0) / 90;
    if (Number.isInteger(Math.round(quarter * 100) / 100))
      letters[(Math.round(quarter) + 8) % 4]! += plainText(each).length;
  }
  return letters.indexOf(Math.max(...letters)) * 90;
}

/** Whether flattening leaves a picture what it is: nothing shows through it. */
const staysPicture = (job: Job, picture: Picture): boolean =>
  !job.assets[picture.asset]?.alpha && !picture.fade && (picture.opacity ?? 1) === 1;

/** The resolutions that a face's pictures are to have in the file. */
function ppiAsked(job: Job, face: Face, { standard, pictures, shop }: PdfAsked): number[] {
  const flat = !STANDARD_FACTS[standard ?? shop.standard].seeThrough;
  const fewer = pictures?.fewer;
  return face.elements.flatMap((e) => {
    const asset = e.kind === 'picture' && !e.hidden && !e.sample ? job.assets[e.asset] : undefined;
    if (!asset || e.kind !== 'picture' || (flat && !staysPicture(job, e))) return [];
    const ppi = effectivePpi(e, asset.width, asset.height);
    // Line art keeps every pixel.
    return [fewer && ppi > fewer.above && !isLineArt(asset) ? Math.min(ppi, fewer.to) : ppi];
  });
}

/** The spot inks of the faces as they are printed. */
function spotsAsked(job: Job, piece: Piece, faces: readonly number[]): string[] {
  const printed = faces.flatMap((n) => {
    const face = piece.faces[n];
    return face ? [{ ...face, elements: face.elements.filter(({ hidden, sample }) => !hidden && !sample) }] : [];
  });
  return pieceFacts(job, { faces: printed })
    .plates.filter((plate) => !isProcessPlate(plate))
    .sort();
}

/** Each value once, those that are as good as the same together. */
const distinct = (values: readonly number[]): number[] =>
  [...values].sort((a, b) => a - b).filter((value, i, all) => i === 0 || value - all[i - 1]! > CLOSE.ppi);

function pictureRows(job: Job, face: Face, page: PageFacts, asked: PdfAsked): Row[] {
  const wanted = distinct(ppiAsked(job, face, asked));
  // What is no larger than a pixel is the colour of a shadow; a patch is what is left of things that were see-through.
  const found = page.pictures.filter(({ width, height, patch }) => width * height > 1 && !patch);
  const read = distinct(found.map(({ ppi }) => ppi));
  if (wanted.length === 0 && read.length === 0) return [];
  const list = (values: readonly number[]): string => values.map((v) => `${Math.round(v)}`).join(', ') || 'none';
  const right =
    wanted.length === read.length && wanted.every((v, i) => Math.abs(v - read[i]!) <= Math.max(CLOSE.ppi, v * 0.005));
  const spaces = [...new Set(found.map(({ space }) => space))].join('; ');
  return [
    { what: `${face.name}: pictures, ppi`, asked: list(wanted), read: list(read), right },
    {
      what: `${face.name}: colours of pictures`,
      asked: 'inks',
      read: spaces,
      right: !/RGB|Lab|Gray/.test(spaces),
    },
  ];
}

/** Whether every rule of a standard holds. */
export function rulesRow(standard: Standard, rules: readonly RuleSeen[]): Row {
  const against = rules.filter(({ faults }) => faults.length > 0);
  const holds = `all ${rules.length} hold`;
  const broken = against.map(({ says, faults }) => `${says} (${faults[0]})`).join(' ');
  return { what: `Rules of ${standard}`, asked: holds, read: broken || holds, right: against.length === 0 };
}

/** What was asked of a file beside what it says when it is read again, and the rules of its standard. */
export function comparison(
  job: Job,
  piece: Piece,
  asked: PdfAsked,
  facts: PdfFacts,
  rules: readonly RuleSeen[],
): Row[] {
  const { shop, marks, office, also, words } = asked;
  const standard = asked.standard ?? shop.standard;
  const boxes = pageBoxes(piece, shop, marks, office, also);
  const faces = asked.faces ?? piece.faces.map((_, i) => i);
  const rows: Row[] = [
    same('Standard', standard, facts.standard),
    same('PDF version', STANDARD_FACTS[standard].pdf.join('.'), facts.version),
    rulesRow(standard, rules),
    same('Pages', `${faces.length}`, `${facts.pages.length}`),
    same('Spot inks', spotsAsked(job, piece, faces).join(', ') || 'none', facts.spots.join(', ') || 'none'),
    same('Screen colours (RGB)', 'none', facts.screenColours.join(', ') || 'none'),
  ];
  faces.forEach((n, i) => {
    const face = piece.faces[n];
    const page = facts.pages[i];
    if (!page || !face) return;
    rows.push(
      boxRow(`${face.name}: trim`, boxes.trim, boxes.media, page.trim, piece.unit),
      boxRow(`${face.name}: bleed`, boxes.bleed, boxes.media, page.bleed, piece.unit),
      boxRow(`${face.name}: sheet`, boxes.media, boxes.media, page.media, piece.unit),
    );
    if (page.crop || page.turned !== 0)
      rows.push(same(`${face.name}: way it is shown`, 'whole and upright', page.turned ? 'turned' : 'cropped'));
    if (page.wordsRun !== undefined && !also?.includes('slug') && !office) {
      const onto = ontoSheet(piece, face)?.angle ?? 0;
      rows.push(same(`${face.name}: words run`, wayOf(runOf(face) + onto), wayOf(page.wordsRun * 90)));
    }
    rows.push(...pictureRows(job, face, page, asked));
  });
  if (words === 'outlines') rows.push(same('Typefaces', '0', `${facts.fonts.length}`));
  else
    for (const font of facts.fonts) {
      const read = [
        font.embedded ? 'embedded' : 'not embedded',
        font.subset ? 'subset' : 'whole',
        font.searchable ? 'searchable' : 'not searchable',
      ].join(', ');
      rows.push(same(font.name, 'embedded, subset, searchable', read));
    }
  return rows;
}
