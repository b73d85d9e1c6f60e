import { pdfDevice } from '../../devices/pdf/device';
import { ExportError, type PageBoxes } from '../../files/pdf/asked';
import type { PdfKit } from '../../files/pdf/document';
import { drawOnSheet } from '../../files/pdf/face-art';
import { drawAtPlace, drawPlaced, laidOn, platesOf, type SheetAsked, sheetBox } from '../../files/pdf/sheet';
import { fileId } from '../../files/pdf/write';
import { type Box, outset } from '../../geometry/box';
import type { Run } from '../../job/by-row';
import { makeWords, withBlack } from '../../job/make';
import type { Job } from '../../job/schema';
import { shopIn } from '../../job/shops-of';
import type { Device } from '../../scene/device';
import { drawElement } from '../../scene/face';
import { printedFaces } from '../../scene/shown-faces';
import { drawSlug, SERVICE_TYPEFACE } from '../../scene/slug';
import { sourcesOf } from '../../scene/sources';
import type { Placed, SheetForm } from '../../sheet/form';
import { drawSheetMarks, sheetMarks } from '../../sheet/marks';
import { bleedOn, itemsOf, sheetPlans } from '../../sheet/plan';
import { imposed } from '../impose';
import { letterOfRun } from '../letter-row';
import { facesFor, rowPlan } from '../row-piece';
import { type Rows, rowTitle } from '../rows';
import { type Content, formOf, objectMaker, type RunAsked, refuseRow, sideForRow, type UnitWriter } from './rows';
import { addShared, closeShared, prepare, usesForRow } from './shared';

/** A run on press sheets: each place of a sheet its own row. */

export interface SheetRun extends RunAsked {
  /** The rows in the order they are printed. */
  order: readonly number[];
  sheets: Run['sheets'];
  leaders: boolean;
}

/** Places from the top left on, line by line: the order piles are taken off in. */
const inReadingOrder = (placed: readonly Placed[]): Placed[] =>
  [...placed].sort((a, b) => (Math.abs(a.trim.y - b.trim.y) > 1 ? a.trim.y - b.trim.y : a.trim.x - b.trim.x));

/** How a run lies on its sheets: the form, and each place with the back that lies behind it. */
export interface RunSheets {
  sheetAsked: SheetAsked;
  form: SheetForm;
  places: { front: Placed; back: Placed | undefined }[];
}

/** The sheets of a run for so many rows. Throws SheetError or ExportError with words for the user. */
export function runSheets(job: Job, asked: Pick<SheetRun, 'pieceId' | 'shop' | 'standard'>, rows: number): RunSheets {
  const piece = job.pieces.find(({ id }) => id === asked.pieceId)!;
  const given = piece.sheet;
  if (!given) throw new ExportError('No press sheet is chosen for this piece. Choose one in Sheet.');
  const made = { ...given, also: [] };
  if (made.turning === 'work-and-turn' || made.turning === 'work-and-tumble')
    throw new ExportError(
      `${made.turning} prints both sides from one form, but every sheet of a run is different. Choose sheetwise or one side in Sheet.`,
    );
  const items = itemsOf(job, piece, made).map((item) => ({ ...item, quantity: Math.max(1, rows) }));
  const plans = sheetPlans(job, items, made);
  const plan = plans[Math.min(made.taken, plans.length - 1)]!;
  const form = plan.forms[0]!;
  const places = inReadingOrder(form.first).map((front) => {
    const at = form.first.indexOf(front);
    return { front, back: form.second[at] };
  });
  return {
    sheetAsked: { made, items, plan, shop: asked.shop, standard: asked.standard ?? asked.shop.standard },
    form,
    places,
  };
}

/** A card that lies on a pile: which it is, and what lies in it. */
function drawLeader(lines: readonly string[], trim: Box, job: Job, kit: PdfKit, device: Device): void {
  const size = Math.max(5, Math.min(12, trim.height / 8));
  const words = makeWords({
    id: 'leader',
    text: lines.join('\n'),
    x: trim.x + size,
    y: trim.y + size,
    lettering: { typeface: SERVICE_TYPEFACE, size, paint: { ink: 'black', tint: 1 } },
  });
  drawElement(words, sourcesOf(withBlack(job), kit.fonts), device);
}

/** All that slugs and leader cards may say. */
const plainLetters = (rows: Rows): string => {
  const said = rows.numbers.map((row) => rowTitle(rows, row)).join('');
  const ascii = Array.from({ length: 95 }, (_, i) => String.fromCharCode(32 + i)).join('');
  return `${ascii}–…×“”’·${said}${rows.table.name}`;
};

/** Opens the file of a run on sheets; its units are sheets, by number from 0. Throws ExportError or SheetError. */
export function openSheetRun(
  job: Job,
  asked: SheetRun,
  rows: Rows,
  kit: PdfKit,
): UnitWriter & { sheets: number; up: number } {
  const piece = job.pieces.find(({ id }) => id === asked.pieceId);
  if (!piece) throw new ExportError(`This job has no piece called ${asked.pieceId}.`);
  if (letterOfRun(piece)) throw new ExportError('Letters are not laid on press sheets. Write one PDF, or a PDF a row.');
  const { sheetAsked, form, places } = runSheets(job, asked, asked.order.length);
  const { made, items, shop } = sheetAsked;
  const sources = sourcesOf(job, kit.fonts);
  const trim: Box = { x: 0, y: 0, width: piece.width, height: piece.height };
  const own = outset(trim, shopIn(job, piece.shop).bleed[piece.kind]);
  const boxes: PageBoxes = { trim, bleed: own, media: own };
  const prepared = prepare(job, piece, { ...asked, standard: sheetAsked.standard }, boxes, kit, sources);
  const { uses } = prepared.document;
  const words = asked.words ?? 'text';
  const sheet = sheetBox(made);
  const [first] = items;
  const faceIds = (first?.faces ?? []).map((n) => piece.faces[n]!.id);
  const bleed = bleedOn(job, items, made);
  const plates = platesOf(job, items);
  const sides = [form.first, ...(form.second.length > 0 ? [form.second] : [])];
  const marksOf = sides.map((placed) => {
    const marks = sheetMarks(
      placed.map((each) => each.trim),
      bleed,
      shop.marks,
      made,
      plates,
    );
    const device = pdfDevice(sheet, uses, words);
    drawSheetMarks(marks, shop.marks.weight, device);
    const key = addShared(uses, device, sheet);
    return { key, marks };
  });
  const plain = `/BleedBox[0 0 ${sheet.width} ${sheet.height}]/TrimBox[0 0 ${sheet.width} ${sheet.height}]`;
  const facts = { title: `${job.name}: ${piece.name}, sheets`, date: job.changed, id: fileId(job, asked, rows.table) };
  const closed = closeShared(
    { ...prepared, boxes: { trim: sheet, bleed: sheet, media: sheet } },
    piece,
    rows,
    sides.map(() => ({ entries: plain, content: '' })),
    facts,
    kit,
    new Map([[SERVICE_TYPEFACE, plainLetters(rows)]]),
  );
  const plan = rowPlan(job, piece, rows, sources);
  const { make, begin } = objectMaker(prepared, closed, kit, asked);
  const { sheets, at, pile } = imposed(asked.order.length, places.length, asked.sheets, asked.leaders);
  const recipeOf = new Map(prepared.recipes.map((recipe) => [recipe.face, recipe]));
  /** What a leader card says. */
  function leaderLines(place: number): string[] {
    const inIt = pile(place).map((index) => asked.order[index]!);
    const [top] = inIt;
    const foot = inIt.at(-1);
    const say = (row: number | undefined): string =>
      row === undefined ? '' : `Row ${row + 1}: ${rowTitle(rows, row).slice(0, 60)}`;
    return [
      `Pile ${place + 1} of ${places.length}`,
      `${piece!.name}, ${inIt.length} pieces`,
      `Top: ${say(top)}`,
      `Bottom: ${say(foot)}`,
    ];
  }

  /** What is said at the head of a sheet. */
  function slugOf(n: number, side: number): string {
    const shown = places.map((_, i) => at(n, i)).filter((each) => typeof each === 'number');
    const span = shown.length > 0 ? `${shown.length} rows` : 'leader cards';
    return `${job.name}, ${piece!.name}   sheet ${n + 1} of ${sheets}, ${side === 0 ? 'front' : 'back'}   ${span}   ${plates.join(', ')}`;
  }
  const placeOn = (side: number): Map<Placed | undefined, number> =>
    new Map(places.map((each, i) => [side === 0 ? each.front : each.back, i]));

  return {
    frame: closed.frame,
    begin,
    sheet,
    drawn: (n) =>
      sides.map((placed, side) => ({
        name: `Sheet ${n + 1}, ${side === 0 ? 'front' : 'back'}`,
        draw(device) {
          const placeOf = placeOn(side);
          for (const laid of laidOn(job, sheetAsked, placed)) {
            const place = placeOf.get(laid.each) ?? 0;
            const lying = at(n, place);
            if (lying === undefined || (lying === 'leader' && side > 0)) continue;
            const faceId = faceIds[side];
            drawAtPlace(
              laid,
              piece,
              (on) => {
                if (lying === 'leader') return drawLeader(leaderLines(place), trim, job, kit, on);
                const { faces } = facesFor(plan, asked.order[lying]!);
                const face = printedFaces({ faces }, sources).find(({ id }) => id === faceId);
                if (face) drawOnSheet(piece, face, sources, on);
              },
              device,
            );
          }
          const { marks } = marksOf[side]!;
          drawSheetMarks(marks, shop.marks.weight, device);
          if (marks.side.slug) drawSlug([slugOf(n, side)], marks.side.slug, sources, device, 1);
        },
      })),
    sheets,
    up: places.length,
    payload(n) {
      const mine = usesForRow(uses);
      const forms: Content[] = [];
      /** The name of what is drawn at a place: a form of its own, or one that all rows share. */
      const keyOf = (place: number, side: number): string | undefined => {
        const lying = at(n, place);
        if (lying === undefined) return undefined;
        if (lying === 'leader') {
          if (side > 0) return undefined;
          const device = pdfDevice(own, mine, words);
          drawLeader(leaderLines(place), trim, job, kit, device);
          return formOf({ content: device.content(), names: new Set(device.names()) }, forms, own);
        }
        const row = asked.order[lying]!;
        const recipe = recipeOf.get(faceIds[side] ?? '');
        if (!recipe) return undefined;
        const found = rowFaces(row);
        const face = found.get(recipe.face);
        if (!face) return undefined;
        return formOf(sideForRow(prepared, piece, recipe, face, mine), forms, own);
      };
      const kept = new Map<number, Map<string, (typeof piece.faces)[number]>>();
      const rowFaces = (row: number) => {
        const found = kept.get(row);
        if (found) return found;
        const { faces, faults } = facesFor(plan, row);
        refuseRow(plan, row, faults);
        const made = new Map(printedFaces({ faces }, sources).map((face) => [face.id, face]));
        kept.set(row, made);
        return made;
      };
      const pages = sides.map((placed, side) => {
        const names = new Set<string>();
        const placeOf = placeOn(side);
        const laid = laidOn(job, sheetAsked, placed).map(({ each, own: reach, within, onWhite }) => {
          const key = keyOf(placeOf.get(each) ?? 0, side);
          if (!key) return '';
          names.add(key);
          const { x, y, width, height } = each.trim;
          const white = onWhite ? `0 0 0 0 k ${x} ${sheet.height - y - height} ${width} ${height} re f\n` : '';
          return white + drawPlaced(each, key, piece, reach, within, sheet);
        });
        const { key: marks, marks: asMarked } = marksOf[side]!;
        const { slug } = asMarked.side;
        names.add(marks);
        let told = '';
        if (slug) {
          const device = pdfDevice(sheet, mine, words);
          drawSlug([slugOf(n, side)], slug, sources, device, 1);
          for (const name of device.names()) names.add(name);
          told = device.content();
        }
        return { content: `${laid.join('')}/${marks} Do\n${told}`, names };
      });
      const { objects, pictures, resources, first: from } = make([...forms, ...pages], mine);
      return {
        unit: n,
        objects,
        pictures,
        pages: pages.map((_, i) => ({ face: i, content: from + i, resources })),
      };
    },
  };
}
