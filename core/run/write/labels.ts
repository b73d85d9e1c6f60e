import { ExportError, type PageBoxes } from '../../files/pdf/asked';
import { clipTo, type PdfKit, pdfBox } from '../../files/pdf/document';
import { drawOnSheet } from '../../files/pdf/face-art';
import { drawAtPlace } from '../../files/pdf/sheet';
import { fileId } from '../../files/pdf/write';
import { type Box, outset } from '../../geometry/box';
import type { Labels } from '../../job/by-row';
import type { Face, Job } from '../../job/schema';
import { shopIn } from '../../job/shops-of';
import { printedFaces } from '../../scene/shown-faces';
import { sourcesOf } from '../../scene/sources';
import type { Placed } from '../../sheet/form';
import { labelPlaces, labelSheets, onLabelSheet } from '../labels';
import { letterOfRun } from '../letter-row';
import { facesFor, rowPlan } from '../row-piece';
import type { Rows } from '../rows';
import {
  type Content,
  formOf,
  objectMaker,
  type RunAsked,
  refuseMissingShared,
  refuseRow,
  sideForRow,
  type UnitWriter,
} from './rows';
import { closeShared, prepare, usesForRow } from './shared';

/** A run on sheets of labels: a row a label, without marks, since they are cut already. */

export interface LabelRun extends Omit<RunAsked, 'marks' | 'variable'> {
  /** The rows in the order they are printed. */
  order: readonly number[];
  labels: Labels;
}

/** Opens the file of a run on labels; its units are sheets, by number from 0. Throws ExportError. */
export function openLabelRun(job: Job, asked: LabelRun, rows: Rows, kit: PdfKit): UnitWriter & { sheets: number } {
  const piece = job.pieces.find(({ id }) => id === asked.pieceId);
  if (!piece) throw new ExportError(`This job has no piece called ${asked.pieceId}.`);
  if (letterOfRun(piece)) throw new ExportError('Letters are not printed on labels. Write one PDF, or a PDF a row.');
  const { labels, order } = asked;
  const places = labelPlaces(labels, piece);
  if (!places)
    throw new ExportError(
      `${labels.columns} × ${labels.rows} labels of this size do not fit on the sheet. Choose the sheet for its size in Run.`,
    );
  const sources = sourcesOf(job, kit.fonts);
  refuseMissingShared(job, piece, sources, kit);
  const trim: Box = { x: 0, y: 0, width: piece.width, height: piece.height };
  const own = outset(trim, shopIn(job, piece.shop).bleed[piece.kind]);
  const boxes: PageBoxes = { trim, bleed: own, media: own };
  const prepared = prepare(job, piece, { ...asked, marks: false }, boxes, kit, sources);
  const sheet: Box = { x: 0, y: 0, ...labels.sheet };
  const closed = closeShared(
    { ...prepared, boxes: { trim: sheet, bleed: sheet, media: sheet } },
    piece,
    rows,
    [{ entries: `/TrimBox[0 0 ${sheet.width} ${sheet.height}]`, content: '' }],
    { title: `${job.name}: ${piece.name}, labels`, date: job.changed, id: fileId(job, asked, rows.table) },
    kit,
  );
  const plan = rowPlan(job, piece, rows, sources);
  const { make, begin } = objectMaker(prepared, closed, kit, { ...asked, marks: false });
  const [recipe] = prepared.recipes;
  const halfGap = (gap: number): number => Math.max(0, Math.min(-own.x, gap / 2));
  // What goes over the edge of a label goes half of the way to the next, and no further than it is drawn.
  const seenOf = (at: Box): Box => {
    const [x, y] = [halfGap(labels.gap.x), halfGap(labels.gap.y)];
    return { x: at.x - x, y: at.y - y, width: at.width + 2 * x, height: at.height + 2 * y };
  };
  const faceOf = (faces: readonly Face[]): Face | undefined =>
    printedFaces({ faces: [...faces] }, sources).find(({ id }) => id === recipe?.face);
  return {
    frame: closed.frame,
    begin,
    sheet,
    drawn: (n) => [
      {
        name: `Sheet ${n + 1}`,
        draw(device) {
          for (const [place, index] of onLabelSheet(labels, order.length, n).entries()) {
            const face = index === undefined ? undefined : faceOf(facesFor(plan, order[index]!).faces);
            if (!face) continue;
            const each: Placed = { item: 0, face: 0, trim: places[place]!, angle: 0 };
            const laid = { each, own: -own.x, within: seenOf(each.trim), onWhite: false };
            drawAtPlace(laid, piece, (on) => drawOnSheet(piece, face, sources, on), device);
          }
        },
      },
    ],
    sheets: labelSheets(labels, order.length),
    payload(n) {
      const uses = usesForRow(prepared.document.uses);
      const names = new Set<string>();
      const forms: Content[] = [];
      const drawn = onLabelSheet(labels, order.length, n).map((index, place) => {
        if (index === undefined || !recipe) return '';
        const row = order[index]!;
        const { faces, faults } = facesFor(plan, row);
        refuseRow(plan, row, faults);
        const face = faceOf(faces);
        if (!face) return '';
        const key = formOf(sideForRow(prepared, piece, recipe, face, uses), forms, own);
        names.add(key);
        const at = places[place]!;
        const left = at.x + own.x;
        const foot = sheet.height - at.y - at.height + own.y;
        return `q\n${clipTo(pdfBox(seenOf(at), sheet))}\n1 0 0 1 ${round(left)} ${round(foot)} cm\n/${key} Do\nQ\n`;
      });
      const page = { content: drawn.join(''), names };
      const { objects, pictures, resources, first } = make([...forms, page], uses);
      return { unit: n, objects, pictures, pages: [{ face: 0, content: first, resources }] };
    },
  };
}

const round = (n: number): number => Math.round(n * 10_000) / 10_000;
