import type { BoxNumbers, PdfFacts } from '../../../core/files/pdf/read-back';
import { pageBoxes } from '../../../core/files/pdf/write';
import type { Box } from '../../../core/geometry/box';
import { plainText } from '../../../core/job/look';
import type { Face, Job, Piece } from '../../../core/job/schema';
import { ontoSheet } from '../../../core/job/turned';
import { effectivePpi } from '../../../core/picture/place';
import type { OfficeSheet } from '../../../core/scene/office-sheet';
import type { ShopSpec } from '../../../core/trade/schema';
import { formatSize, type PieceUnit } from '../../../core/units/length';

/** One thing asked of the file and what the file says, and whether the two agree. */
export interface Row {
  what: string;
  asked: string;
  read: string;
  right: boolean;
}

interface Asked {
  job: Job;
  piece: Piece;
  shop: ShopSpec;
  faces: readonly number[];
  marks: boolean;
  words: 'text' | 'outlines';
  office?: OfficeSheet | undefined;
}

/** Boxes agree within a hundredth of a point, pictures within one ppi. */
const CLOSE = { points: 0.01, ppi: 1 };

const digits = (unit: PieceUnit): number => (unit === 'in' ? 3 : 2);

function boxRow(what: string, asked: Box, read: BoxNumbers, unit: PieceUnit): Row {
  const [x0, y0, x1, y1] = read;
  return {
    what,
    asked: formatSize(asked.width, asked.height, unit, digits(unit)),
    read: formatSize(x1 - x0, y1 - y0, unit, digits(unit)),
    right: Math.abs(asked.width - (x1 - x0)) < CLOSE.points && Math.abs(asked.height - (y1 - y0)) < CLOSE.points,
  };
}

const sorted = (values: number[]): number[] => [...values].sort((a, b) => a - b);

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

/** What was asked of an export beside what its file says. */
export function comparison({ job, piece, shop, faces, marks, words, office }: Asked, facts: PdfFacts): Row[] {
  const boxes = pageBoxes(piece, shop, marks, office);
  const same = (what: string, asked: string, read: string | undefined): Row => ({
    what,
    asked,
    read: read ?? 'none',
    right: asked === read,
  });
  const rows: Row[] = [
    same('Standard', 'PDF/X-4', facts.standard),
    same('PDF version', '1.6', facts.version),
    same('Pages', `${faces.length}`, `${facts.pages.length}`),
    same('Screen colours (RGB)', 'none', facts.screenColours.join(', ') || 'none'),
  ];
  faces.forEach((n, i) => {
    const face = piece.faces[n]!;
    const page = facts.pages[i];
    if (!page) return;
    rows.push(
      boxRow(`${face.name}: trim`, boxes.trim, page.trim, piece.unit),
      boxRow(`${face.name}: bleed`, boxes.bleed, page.bleed, piece.unit),
      boxRow(`${face.name}: sheet`, boxes.media, page.media, piece.unit),
    );
    if (page.wordsRun !== undefined) {
      const onto = ontoSheet(piece, face)?.angle ?? 0;
      rows.push(same(`${face.name}: words run`, wayOf(runOf(face) + onto), wayOf(page.wordsRun * 90)));
    }
    const asked = sorted(
      face.elements.flatMap((e) => {
        const asset = e.kind === 'picture' ? job.assets[e.asset] : undefined;
        return e.kind === 'picture' && asset ? [effectivePpi(e, asset.width, asset.height)] : [];
      }),
    );
    const read = sorted(page.pictures.map((picture) => picture.ppi));
    if (asked.length > 0 || read.length > 0) {
      const list = (values: number[]): string => values.map((v) => `${Math.round(v)}`).join(', ') || 'none';
      rows.push({
        what: `${face.name}: pictures, ppi`,
        asked: list(asked),
        read: list(read),
        right: asked.length === read.length && asked.every((v, j) => Math.abs(v - read[j]!) <= CLOSE.ppi),
      });
    }
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
