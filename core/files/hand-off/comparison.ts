import type { Box } from '../../geometry/box';
import type { Piece } from '../../job/schema';
import { formatSize, type PieceUnit } from '../../units/length';
import { type PdfAsked, pageBoxes } from '../pdf/asked';
import { pdfBox } from '../pdf/document';
import type { BoxNumbers } from '../pdf/parsed/boxes';
import type { PdfFacts } from '../pdf/read-back';
import type { RuleSeen } from '../pdf/rules';
import { STANDARD_FACTS, type Standard } from '../pdf/standards';

/** One thing asked of the file and what the file says, and whether the two agree. */
export interface Row {
  what: string;
  asked: string;
  read: string;
  right: boolean;
}

/** Boxes agree within a hundredth of a point. */
const CLOSE = 0.01;

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
  const moved = wanted.some((n, i) => Math.abs(n - read[i]!) >= CLOSE);
  const size = formatSize(x1 - x0, y1 - y0, unit, digits(unit));
  const wantedSize = formatSize(asked.width, asked.height, unit, digits(unit));
  return { what, asked: wantedSize, read: moved && size === wantedSize ? `${size}, elsewhere` : size, right: !moved };
}

/** The spot inks that pages lay, and all that their colours name; what lies beyond the sheet may be left out. */
export interface Spots {
  laid: readonly string[];
  named: readonly string[];
}

function spotsRow({ laid, named }: Spots, read: readonly string[]): Row {
  const list = (spots: readonly string[]): string => spots.join(', ') || 'none';
  const right = laid.every((spot) => read.includes(spot)) && read.every((spot) => named.includes(spot));
  return { what: 'Spot inks', asked: list(right ? read : laid), read: list(read), right };
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
  piece: Piece,
  asked: PdfAsked,
  pages: readonly { name: string }[],
  facts: PdfFacts,
  rules: readonly RuleSeen[],
  spots: Spots,
): Row[] {
  const { shop, marks, office, also, words } = asked;
  const standard = asked.standard ?? shop.standard;
  const boxes = pageBoxes(piece, shop, marks, office, also);
  const rows: Row[] = [
    same('Standard', standard, facts.standard),
    same('PDF version', STANDARD_FACTS[standard].pdf.join('.'), facts.version),
    rulesRow(standard, rules),
    same('Pages', `${pages.length}`, `${facts.pages.length}`),
    spotsRow(spots, facts.spots),
    same('Screen colours (RGB)', 'none', facts.screenColours.join(', ') || 'none'),
  ];
  pages.forEach((face, i) => {
    const page = facts.pages[i];
    if (!page) return;
    rows.push(
      boxRow(`${face.name}: trim`, boxes.trim, boxes.media, page.trim, piece.unit),
      boxRow(`${face.name}: bleed`, boxes.bleed, boxes.media, page.bleed, piece.unit),
      boxRow(`${face.name}: sheet`, boxes.media, boxes.media, page.media, piece.unit),
    );
    if (page.crop || page.turned !== 0)
      rows.push(same(`${face.name}: way it is shown`, 'whole and upright', page.turned ? 'turned' : 'cropped'));
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
