import { degrees, PDFDocument, type PDFPage, rgb, StandardFonts } from '@cantoo/pdf-lib';
import type { Box } from '../../geometry/box';
import { NO_ORDER } from '../../job/order';
import type { Job, Piece } from '../../job/schema';
import { shopIn } from '../../job/shops-of';
import { asFace } from '../../job/turned';
import { encodeJpeg } from '../../picture/jpeg-encode';
import { formatLength, formatSize } from '../../units/length';
import { A4, INK, MARGIN, type plain, QUIET, sayAt, wrapped } from '../plain-pages';
import { ticketOf } from '../ticket';
import { changedPlaces, type FaceShot, halved } from './changes';

/** What a client looks at and signs: each face as it will be cut and with its edges, and what is ordered. */

export interface LastProof {
  version: number;
  /** ISO 8601. */
  date: string;
  shots: readonly FaceShot[];
}

export interface ProofAsked {
  version: number;
  /** ISO 8601. */
  date: string;
  last?: LastProof | undefined;
}

/** Fine enough to read small type on a screen, small enough to mail. */
export const PROOF_PPI = 150;
const QUALITY = 82;
const CHANGED = rgb(0.85, 0.1, 0.45);
const TRIM = rgb(0.1, 0.45, 0.85);
const SAFE = rgb(0.1, 0.6, 0.3);
const FAINT = rgb(0.5, 0.5, 0.5);

/** The places of each face that look unlike the last proof's, by the face's name; undefined of a face that is new. */
export const changesSince = (shots: readonly FaceShot[], last: LastProof): Map<string, Box[] | undefined> =>
  new Map(
    shots.map((shot) => {
      const then = last.shots.find(({ face }) => face === shot.face);
      return [shot.face, then && changedPlaces(halved(shot), then)];
    }),
  );

/** What of a proof is kept to compare the next one with. */
export const keptOf = (shots: readonly FaceShot[], { version, date }: ProofAsked): LastProof => ({
  version,
  date,
  shots: shots.map(halved),
});

const pageSize = ({ width, height }: Piece): { width: number; height: number } =>
  width > height * 1.6 ? { width: A4.height, height: A4.width } : A4;

/** Writes a proof of one piece. Screen colours; never a file to print from. */
export async function proofPdf(
  job: Job,
  piece: Piece,
  shots: readonly FaceShot[],
  asked: ProofAsked,
): Promise<Uint8Array> {
  const file = await PDFDocument.create();
  file.setTitle(`Proof ${asked.version}: ${job.name}, ${piece.name}`);
  const date = new Date(asked.date);
  file.setCreationDate(date);
  file.setModificationDate(date);
  const font = await file.embedFont(StandardFonts.Helvetica);
  const bold = await file.embedFont(StandardFonts.HelveticaBold);
  const shop = shopIn(job, piece.shop);
  const bleed = shop.bleed[piece.kind];
  const [told] = ticketOf(job, [piece]).pieces;
  const order = piece.order ?? NO_ORDER;
  const changes = asked.last && changesSince(shots, asked.last);
  const sheet = pageSize(piece);
  const wide = sheet.width - 2 * MARGIN;

  const head = (page: PDFPage, face: string): number => {
    sayAt(page, `${job.name}: ${piece.name}, ${face}`, { x: MARGIN, y: sheet.height - MARGIN, size: 15, font: bold });
    sayAt(page, `Proof ${asked.version} of ${asked.date.slice(0, 10)}. For looking at: not for print.`, {
      x: MARGIN,
      y: sheet.height - MARGIN - 20,
      size: 10,
      font,
      color: QUIET,
    });
    return sheet.height - MARGIN - 42;
  };

  for (const shot of shots) {
    const face = piece.faces.find(({ name }) => name === shot.face);
    const { width, height } = face ? asFace(piece, face) : piece;
    const image = await file.embedJpg(encodeJpeg(shot.rgb, 3, shot.width, shot.height, QUALITY));
    const page = file.addPage([sheet.width, sheet.height]);
    const top = head(page, shot.face);
    // As cut above, with its edges below, each as large as fits and no larger than it is.
    const room = (top - MARGIN - 46) / 2;
    const scale = Math.min(1, wide / (width + 2 * bleed), (room - 22) / (height + 2 * bleed));
    const drawn = (label: string, y: number, cut: boolean): { x: number; y: number } => {
      sayAt(page, label, { x: MARGIN, y, size: 9, font: bold });
      const outer = { width: (width + 2 * bleed) * scale, height: (height + 2 * bleed) * scale };
      const at = { x: MARGIN + (wide - outer.width) / 2, y: y - 16 - outer.height };
      page.drawImage(image, { ...at, ...outer });
      const line = (by: number, color: typeof TRIM, dash?: number[]): void => {
        page.drawRectangle({
          x: at.x + (bleed + by) * scale,
          y: at.y + (bleed + by) * scale,
          width: (width - 2 * by) * scale,
          height: (height - 2 * by) * scale,
          borderColor: color,
          borderWidth: 0.6,
          ...(dash ? { borderDashArray: dash } : {}),
        });
      };
      if (cut) {
        // What the guillotine takes off is covered in white, and the paper's edge drawn.
        const b = bleed * scale;
        const white = rgb(1, 1, 1);
        for (const [x, yy, w, h] of [
          [at.x - 1, at.y - 1, outer.width + 2, b + 1],
          [at.x - 1, at.y + outer.height - b, outer.width + 2, b + 1],
          [at.x - 1, at.y - 1, b + 1, outer.height + 2],
          [at.x + outer.width - b, at.y - 1, b + 1, outer.height + 2],
        ] as const)
          if (b > 0) page.drawRectangle({ x, y: yy, width: w, height: h, color: white });
        line(0, FAINT);
      } else {
        line(0, TRIM);
        line(shop.safe[piece.kind], SAFE, [3, 2]);
      }
      return at;
    };
    drawn(`As it will be cut${scale < 1 ? `, at ${Math.round(scale * 100)} %` : ', at its size'}`, top, true);
    const edges = drawn('With its edges: cut along the line, keep what matters inside the dashes', top - room, false);
    const places = changes?.get(shot.face);
    for (const place of places ?? [])
      page.drawRectangle({
        x: edges.x + place.x * scale - 2,
        y: edges.y + (height + 2 * bleed - place.y - place.height) * scale - 2,
        width: place.width * scale + 4,
        height: place.height * scale + 4,
        borderColor: CHANGED,
        borderWidth: 1.4,
      });
    if (asked.last) {
      const count = places?.length ?? 0;
      const words =
        places === undefined
          ? `This face was not in proof ${asked.last.version}.`
          : count === 0
            ? `Nothing changed since proof ${asked.last.version} of ${asked.last.date.slice(0, 10)}.`
            : `${count === 1 ? 'One place' : `${count} places`} changed since proof ${asked.last.version} of ${asked.last.date.slice(0, 10)}: framed.`;
      sayAt(page, words, {
        x: MARGIN,
        y: MARGIN + 14,
        size: 10,
        font: bold,
        color: count > 0 || !places ? CHANGED : QUIET,
      });
    }
    notForPrint(page, sheet, bold);
  }

  const page = file.addPage([sheet.width, sheet.height]);
  let y = head(page, 'to be signed');
  const rows: [string, string][] = [
    [
      'Size',
      `${formatSize(piece.width, piece.height, piece.unit)}${bleed > 0 ? `, and ${formatLength(bleed, piece.unit)} of bleed` : ''}`,
    ],
    ...told!.faces.map(({ name, plates }): [string, string] => [`Inks, ${name}`, plates.join(', ') || 'not printed']),
    ['Stock', [order.stock, order.weight ? `${order.weight} g/m²` : ''].filter(Boolean).join(', ') || 'not said'],
    ['Quantity', order.quantity.toLocaleString('en')],
    ['Finishing', order.finishing.join(', ') || 'none'],
    ['Shop', shop.name],
    ...(order.notes ? ([['Notes', order.notes]] as [string, string][]) : []),
  ];
  for (const [name, value] of rows) {
    const lines = wrapped(value, font, 11, wide - 110);
    sayAt(page, name, { x: MARGIN, y, size: 11, font: bold });
    for (const each of lines) {
      sayAt(page, each, { x: MARGIN + 110, y, size: 11, font });
      y -= 15;
    }
    y -= 4;
  }
  y -= 14;
  for (const each of wrapped(
    'Please read every word, name and number. Colours on a screen are not those of the press. Once this is signed, it is printed as it is.',
    font,
    11,
    wide,
  )) {
    sayAt(page, each, { x: MARGIN, y, size: 11, font });
    y -= 15;
  }
  y -= 18;
  page.drawRectangle({ x: MARGIN, y: y - 112, width: wide, height: 112, borderColor: INK, borderWidth: 0.8 });
  for (const [i, text] of [
    'To be printed as it is',
    'To be printed with the changes marked',
    'Another proof, please',
  ].entries()) {
    page.drawRectangle({
      x: MARGIN + 12,
      y: y - 24 - i * 20,
      width: 10,
      height: 10,
      borderColor: INK,
      borderWidth: 0.8,
    });
    sayAt(page, text, { x: MARGIN + 30, y: y - 13 - i * 20, size: 11, font });
  }
  for (const [i, text] of ['Name', 'Date', 'Signature'].entries()) {
    const x = MARGIN + 12 + (i * (wide - 24)) / 3;
    page.drawLine({
      start: { x, y: y - 96 },
      end: { x: x + (wide - 24) / 3 - 14, y: y - 96 },
      thickness: 0.6,
      color: INK,
    });
    sayAt(page, text, { x, y: y - 98, size: 8, font, color: QUIET });
  }
  return file.save();
}

/** Words across the page that nobody prints by mistake. */
function notForPrint(page: PDFPage, sheet: { width: number; height: number }, font: Parameters<typeof plain>[1]): void {
  const text = 'NOT FOR PRINT';
  const size = 64;
  const long = font.widthOfTextAtSize(text, size);
  const turn = Math.atan2(sheet.height, sheet.width);
  page.drawText(text, {
    x: sheet.width / 2 - (long / 2) * Math.cos(turn),
    y: sheet.height / 2 - (long / 2) * Math.sin(turn),
    size,
    font,
    rotate: degrees((turn * 180) / Math.PI),
    color: FAINT,
    opacity: 0.28,
  });
}
