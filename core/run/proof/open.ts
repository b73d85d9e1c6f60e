import { pdfDevice } from '../../devices/pdf/device';
import type { PdfUses } from '../../devices/pdf/uses';
import { ExportError, type PageBoxes } from '../../files/pdf/asked';
import { clipTo, type PdfKit } from '../../files/pdf/document';
import { fileId } from '../../files/pdf/write';
import { type Box, outset } from '../../geometry/box';
import { BLACK_INK, makeWords, withBlack } from '../../job/make';
import type { Job } from '../../job/schema';
import { shopIn } from '../../job/shops-of';
import { drawElement } from '../../scene/face';
import { printedFaces } from '../../scene/shown-faces';
import { SERVICE_TYPEFACE } from '../../scene/slug';
import { sourcesOf } from '../../scene/sources';
import type { RunChecked } from '../check-run';
import { facesFor, rowPlan } from '../row-piece';
import { type Rows, rowTitle } from '../rows';
import { rowStatuses } from '../status';
import {
  type Content,
  formOf,
  objectMaker,
  type RunAsked,
  type RunWriter,
  refuseMissingShared,
  sideForRow,
} from '../write/rows';
import { addShared, closeShared, prepare, usesForRow } from '../write/shared';
import { CAPTION, gridFor, HEAD_AT, PAGE, TEXT, TEXT_AT } from './pages';
import { proofLines } from './said';

/**
 * The proof of a run: what was found in words, the rows to look at first as large as they fit, and a contact sheet of all.
 * Rows are drawn as they are written for the press, and smaller; the file does not say that it is one to print from.
 */

export interface RunProofAsked extends Pick<RunAsked, 'pieceId' | 'shop'> {
  checked: Pick<RunChecked, 'findings' | 'hard' | 'unread'>;
}

const SIDES_APART = 12;
const BLACK = { ink: BLACK_INK.id, tint: 1 };
const QUIET = { ink: BLACK_INK.id, tint: 0.62 };

interface Said {
  text: string;
  x: number;
  y: number;
  size: number;
  paint: typeof BLACK;
}

/** Pages of a proof, by what is on each. */
type Page = { head: string; lines: readonly string[] } | { head: string; hard: boolean; rows: readonly number[] };

const inShares = <T>(all: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / size) }, (_, i) => all.slice(i * size, (i + 1) * size));

/** Opens the proof of a run; its units are pages, by number from 0. Throws ExportError. */
export function openRunProof(
  job: Job,
  { pieceId, shop, checked }: RunProofAsked,
  rows: Rows,
  kit: PdfKit,
): RunWriter & { pages: number } {
  const piece = job.pieces.find(({ id }) => id === pieceId);
  if (!piece?.run) throw new ExportError('This piece is not printed from a table. Give it one in Run.');
  const sources = sourcesOf(withBlack(job), kit.fonts);
  refuseMissingShared(job, piece, sources, kit);
  const trim: Box = { x: 0, y: 0, width: piece.width, height: piece.height };
  const own = outset(trim, shopIn(job, piece.shop).bleed[piece.kind]);
  const boxes: PageBoxes = { trim, bleed: own, media: own };
  const asked: RunAsked = { pieceId, shop, marks: false, standard: 'PDF/X-4' };
  const prepared = prepare(job, piece, asked, boxes, kit, sources);
  const sides = printedFaces(piece, sources).filter((face) =>
    prepared.recipes.some((recipe) => recipe.face === face.id),
  );
  const { width, height } = piece;
  const size = { width: sides.length * (width + SIDES_APART) - SIDES_APART, height };
  const statuses = rowStatuses(piece.run, rows, checked.findings);
  const printed = [...statuses.values()].filter(({ state }) => state !== 'left out').map(({ row }) => row);
  const why = new Map(checked.hard.map((each) => [each.row, each.why.join(', ')]));
  const lines = proofLines(job, piece, rows, checked, [...statuses.values()]);
  const large = gridFor(size, 2);
  const small = gridFor(size, 12);
  const hard = checked.hard.map(({ row }) => row).filter((row) => printed.includes(row));
  const pages: Page[] = [
    ...inShares(lines, TEXT.lines).map((share) => ({ head: 'Proof of a run', lines: share })),
    ...inShares(hard, large.columns * large.lines).map((share) => ({
      head: 'Rows to look at first',
      hard: true,
      rows: share,
    })),
    ...inShares(printed, small.columns * small.lines).map((share) => ({ head: 'All rows', hard: false, rows: share })),
  ];

  /** Words of the proof itself; letters that its typeface lacks are question marks. */
  function say({ text, x, y, size: points, paint }: Said, uses: PdfUses, names: Set<string>): string {
    const font = sources.fonts.font(SERVICE_TYPEFACE);
    const plain = [...text].map((sign) => (sign === '\n' || font.has(sign.codePointAt(0)!) ? sign : '?')).join('');
    const device = pdfDevice(PAGE, uses, 'text');
    const lettering = { typeface: SERVICE_TYPEFACE, size: points, paint };
    drawElement(makeWords({ id: 'said', text: plain, x, y: y + points, lettering }), sources, device);
    for (const name of device.names()) names.add(name);
    return device.content();
  }

  const marksOf = (() => {
    const device = pdfDevice(PAGE, prepared.document.uses, 'text');
    const text = 'Not for print';
    const words = makeWords({
      id: 'not',
      text,
      x: PAGE.width - HEAD_AT.x - 92,
      y: HEAD_AT.y + 11,
      lettering: { typeface: SERVICE_TYPEFACE, size: 16, paint: { ink: BLACK_INK.id, tint: 0.45 } },
    });
    drawElement(words, sources, device);
    return addShared(prepared.document.uses, device, PAGE);
  })();
  const facts = {
    title: `Proof of a run: ${job.name}, ${piece.name}`,
    date: job.changed,
    id: fileId(job, 'proof of a run', rows.table),
    proof: true,
  };
  const closed = closeShared(
    { ...prepared, sources, boxes: { trim: PAGE, bleed: PAGE, media: PAGE } },
    piece,
    rows,
    [{ entries: `/TrimBox[0 0 ${PAGE.width} ${PAGE.height}]`, content: '' }],
    facts,
    kit,
    new Map([
      [
        SERVICE_TYPEFACE,
        everythingSaid(
          rows,
          lines,
          [...statuses.values()].map((each) => each.why),
        ),
      ],
    ]),
  );
  const plan = rowPlan(job, piece, rows, sources);
  const { make, begin } = objectMaker(prepared, closed, kit, asked);
  const recipeOf = new Map(prepared.recipes.map((recipe) => [recipe.face, recipe]));

  /** A row at its place: its sides beside one another as they are cut, and what there is to say of it. */
  function cell(
    row: number,
    at: Box,
    scale: number,
    forms: Content[],
    uses: PdfUses,
    names: Set<string>,
    note: string,
  ): string {
    const { faces, faults } = facesFor(plan, row);
    const shown = new Map(printedFaces({ faces }, sources).map((face) => [face.id, face]));
    const drawn: string[] = [];
    let x = at.x;
    for (const side of sides) {
      const face = shown.get(side.id);
      const recipe = recipeOf.get(side.id)!;
      if (face) {
        const key = formOf(sideForRow(prepared, piece!, recipe, face, uses), forms, own);
        names.add(key);
        drawn.push(placed(key, { x, y: at.y, width: width * scale, height: height * scale }, scale, own));
      }
      x += (width + SIDES_APART) * scale;
    }
    const status = statuses.get(row);
    const told = [note, status?.why, ...faults.map(({ problem }) => problem)].filter(Boolean);
    const signs = Math.max(8, Math.floor(at.width / 4.2));
    const y = at.y + at.height + 3;
    return [
      ...drawn,
      say(
        { text: `${row + 1}  ${rowTitle(rows, row)}`.slice(0, signs), x: at.x, y, size: 8, paint: BLACK },
        uses,
        names,
      ),
      told.length > 0
        ? say(
            {
              text: [...new Set(told)].join('; ').slice(0, signs),
              x: at.x,
              y: y + CAPTION / 2 - 1,
              size: 7,
              paint: QUIET,
            },
            uses,
            names,
          )
        : '',
    ].join('');
  }

  return {
    frame: closed.frame,
    begin,
    pages: pages.length,
    payload(n) {
      const page = pages[n]!;
      const uses = usesForRow(prepared.document.uses);
      const names = new Set([marksOf]);
      const forms: Content[] = [];
      const head = `${job.name}: ${piece.name}   ${page.head}   page ${n + 1} of ${pages.length}`.slice(0, 90);
      const content = [say({ text: head, ...HEAD_AT, size: 11, paint: BLACK }, uses, names), `/${marksOf} Do\n`];
      if ('lines' in page)
        for (const [i, text] of page.lines.entries()) {
          if (text.trim() === '') continue;
          const indent = text.length - text.trimStart().length;
          const at = { x: TEXT_AT.x + indent * 5, y: TEXT_AT.y + i * TEXT.leading };
          content.push(say({ text: text.trim(), ...at, size: TEXT.size, paint: BLACK }, uses, names));
        }
      else {
        const { at, scale } = page.hard ? large : small;
        for (const [i, row] of page.rows.entries())
          content.push(cell(row, at(i), scale, forms, uses, names, page.hard ? (why.get(row) ?? '') : ''));
      }
      const { objects, pictures, resources, first } = make([...forms, { content: content.join(''), names }], uses);
      return { unit: n, objects, pictures, pages: [{ face: 0, content: first, resources }] };
    },
  };
}

const number = (n: number): string => `${Math.round(n * 1000) / 1000}`;

/** A form of a whole sheet with its bleed, drawn smaller and cut to its trim, with a hairline about it. */
function placed(key: string, { x, y, width, height }: Box, scale: number, own: Box): string {
  const box = [x, PAGE.height - y - height, x + width, PAGE.height - y];
  const bleed = -own.x * scale;
  const edge = `${number(x)} ${number(box[1]!)} ${number(width)} ${number(height)} re S`;
  return `q\n${clipTo(box)}\n${number(scale)} 0 0 ${number(scale)} ${number(x - bleed)} ${number(box[1]! - bleed)} cm\n/${key} Do\nQ\nq 0.3 w 0 0 0 0.45 K ${edge} Q\n`;
}

/** All that a proof may say in its own typeface. */
function everythingSaid(rows: Rows, lines: readonly string[], why: readonly string[]): string {
  const ascii = Array.from({ length: 95 }, (_, i) => String.fromCharCode(32 + i)).join('');
  const letters = new Set<string>(`${ascii}–…×“”’·`);
  for (const text of [...lines, ...why, ...rows.numbers.map((row) => rowTitle(rows, row))])
    for (const sign of text) letters.add(sign);
  return [...letters].join('');
}
