import { pieceFacts } from '../../checks/piece-facts';
import { pdfDevice } from '../../devices/pdf/device';
import { pdfNumber } from '../../devices/pdf/numbers';
import { type Box, bottom, outset, overlaps } from '../../geometry/box';
import { multiply, turnAbout } from '../../geometry/matrix';
import { boxPath, transformPath } from '../../geometry/path';
import { type Finish, finishPlate, withFinishes } from '../../job/finishing';
import type { Job, Piece } from '../../job/schema';
import type { SheetMade } from '../../job/sheet';
import { shopIn } from '../../job/shops-of';
import type { Device } from '../../scene/device';
import { finishedFaces } from '../../scene/finishing';
import { drawSlug } from '../../scene/slug';
import { sourcesOf } from '../../scene/sources';
import { platedFaces } from '../../scene/traps';
import { placedDevice } from '../../scene/turn';
import { colourArea } from '../../sheet/colour-area';
import type { Placed, SheetForm, SheetItem } from '../../sheet/form';
import { drawSheetMarks, sheetMarks } from '../../sheet/marks';
import { bleedOn, pieceFor, type SheetPlan } from '../../sheet/plan';
import type { ShopSpec } from '../../trade/schema';
import type { FontBook } from '../../type/font';
import { refuseMissing } from '../refuse-missing';
import { ExportError, type PicturesAsked } from './asked';
import { closeDocument, type OpenDocument, openDocument, type PageContent, type PdfKit, type Tell } from './document';
import { drawFinishOnSheet, drawOnSheet, faceArt } from './face-art';
import { inLayer } from './layers';
import type { Standard } from './standards';
import { fileId } from './write';

/** Press sheets as PDF/X: each piece is in the file once, however often it lies on the sheets. */

export interface SheetAsked {
  made: SheetMade;
  items: readonly SheetItem[];
  plan: SheetPlan;
  shop: ShopSpec;
  standard: Standard;
  words?: 'text' | 'outlines';
  pictures?: PicturesAsked;
}

/** A face as a form that is drawn as often as it is placed: its sheet is its bleed. */
function sharedFace(
  document: OpenDocument,
  job: Job,
  item: SheetItem,
  faceNumber: number,
  asked: SheetAsked,
  kit: PdfKit,
): string | undefined {
  const { job: dressed, piece } = pieceFor(job, item);
  const sources = sourcesOf(dressed, kit.fonts);
  const face = platedFaces(piece, sources)[faceNumber];
  if (!face) return undefined;
  refuseMissing(dressed, [face], ({ asset: hash }) => kit.assets[hash] !== undefined);
  const bleed = outset(
    { x: 0, y: 0, width: piece.width, height: piece.height },
    shopIn(job, piece.shop).bleed[piece.kind],
  );
  const art = faceArt(document, piece, face, sources, {
    media: bleed,
    bleed,
    ppi: asked.shop.ppi.wanted,
    words: asked.words ?? 'text',
  });
  const key = `X${document.uses.forms.length + 1}`;
  document.uses.forms.push({ key, content: art.content, names: art.names, isMask: false, shared: true, size: bleed });
  return key;
}

const numbers = (...n: number[]): string => n.map(pdfNumber).join(' ');

const rectangle = (box: Box, sheet: Box): string =>
  `${numbers(box.x, bottom(sheet) - bottom(box), box.width, box.height)} re`;

/** A box without the hair at its edges that it shares with others. */
const inside = (box: Box): Box => outset(box, -0.05);

/** What draws a form where it is placed: clipped to the colour it may lay, turned about its trim. */
export function drawPlaced(
  { trim, angle }: Placed,
  key: string,
  piece: Piece,
  own: number,
  clip: Box,
  sheet: Box,
): string {
  const middle = { x: trim.x + trim.width / 2, y: bottom(sheet) - (trim.y + trim.height / 2) };
  // The page's y grows upwards: a turn clockwise is one the other way round.
  const turn = (-angle * Math.PI) / 180;
  const [cos, sin] = [Math.round(Math.cos(turn)), Math.round(Math.sin(turn))];
  const [halfWide, halfHigh] = [piece.width / 2 + own, piece.height / 2 + own];
  const x = middle.x - cos * halfWide + sin * halfHigh;
  const y = middle.y - sin * halfWide - cos * halfHigh;
  return ['q', `${rectangle(clip, sheet)} W n`, `${numbers(cos, sin, -sin, cos, x, y)} cm`, `/${key} Do`, 'Q', ''].join(
    '\n',
  );
}

/** The plates of everything on the sheets. */
export const platesOf = (job: Job, items: readonly SheetItem[]): string[] => [
  ...new Set(items.flatMap(({ piece }) => pieceFacts(job, piece).plates)),
];

/** A side of a form of the plan: a page. */
export interface SheetSide {
  form: SheetForm;
  /** The number of the form, 0 first. */
  n: number;
  placed: readonly Placed[];
  side: 'front' | 'back';
}

export const sidesOf = ({ forms }: SheetPlan): SheetSide[] =>
  forms.flatMap((form, n): SheetSide[] => [
    { form, n, placed: form.first, side: 'front' },
    ...(form.second.length > 0 ? [{ form, n, placed: form.second, side: 'back' as const }] : []),
  ]);

export const sheetBox = ({ press }: Pick<SheetMade, 'press'>): Box => ({
  x: 0,
  y: 0,
  width: press.width,
  height: press.height,
});

/** A piece where it lies: within what it is shown, and its own bleed. On white, it hides what lies below. */
interface Laid {
  each: Placed;
  own: number;
  within: Box;
  onWhite: boolean;
}

/** What is drawn of each piece on a side, in the order that it is. */
export function laidOn(job: Job, { items, made }: SheetAsked, placed: readonly Placed[]): Laid[] {
  const bleed = bleedOn(job, items, made);
  const trims = placed.map(({ trim }) => trim);
  const laid = placed.map((each): Laid => {
    const { piece } = items[each.item]!;
    const own = shopIn(job, piece.shop).bleed[piece.kind];
    return { each, own, within: colourArea(each.trim, trims, Math.min(own, bleed)), onWhite: false };
  });
  // Where a corner of one's bleed lies on another's trim, that one is drawn once more, on white.
  const again = laid.filter(({ each }) =>
    laid.some((other) => other.each !== each && overlaps(other.within, inside(each.trim))),
  );
  return [...laid, ...again.map((each) => ({ ...each, within: each.each.trim, onWhite: true }))];
}

/** Draws the marks of a side. */
function drawMarksOf(
  job: Job,
  asked: SheetAsked,
  { form, n, placed, side }: SheetSide,
  fonts: FontBook,
  device: Device,
) {
  const { items, made, plan, shop } = asked;
  const bleed = bleedOn(job, items, made);
  const plates = platesOf(job, items);
  const trims = placed.map(({ trim }) => trim);
  const marks = sheetMarks(trims, bleed, shop.marks, made, plates);
  drawSheetMarks(marks, shop.marks.weight, device);
  const { slug } = marks.side;
  if (!slug) return;
  const told = `${job.name}   sheet ${n + 1} of ${plan.forms.length}, ${form.second.length > 0 ? side : made.turning}   ${plates.join(', ')}   ${form.sheets} sheets`;
  drawSlug([told], slug, sourcesOf(job, fonts), device, 1);
}

/** Draws something of a piece's size where it lies on a sheet: as far as it reaches, and as far as it is seen. */
export function drawAtPlace(
  { each: { trim, angle }, own, within, onWhite }: Pick<Laid, 'own' | 'within' | 'onWhite'> & { each: Placed },
  { width, height }: Pick<Piece, 'width' | 'height'>,
  draw: (device: Device) => void,
  device: Device,
): void {
  const middle = { x: trim.x + trim.width / 2, y: trim.y + trim.height / 2 };
  const matrix = multiply(turnAbout(middle, angle), [1, 0, 0, 1, middle.x - width / 2, middle.y - height / 2]);
  const reach = outset({ x: 0, y: 0, width, height }, own);
  if (onWhite) device.fillPath(boxPath(trim), WHITE);
  device.beginClip(boxPath(within));
  device.beginClip(transformPath(boxPath(reach), matrix));
  draw(placedDevice(device, { matrix, angle, scale: 1 }));
  device.endClip();
  device.endClip();
}

/** What finishes do on a side, each where its pieces lie: over all inks, so that nothing laid later hides them. */
function finishesOfSide(
  job: Job,
  asked: SheetAsked,
  side: SheetSide,
  fonts: FontBook,
): { finish: Finish; draw(device: Device): void }[] {
  const draws = new Map<string, { finish: Finish; each: ((device: Device) => void)[] }>();
  for (const laid of laidOn(job, asked, side.placed)) {
    if (laid.onWhite) continue;
    const item = asked.items[laid.each.item]!;
    const { job: dressed, piece } = pieceFor(job, item);
    const sources = sourcesOf(dressed, fonts);
    const n = item.faces[laid.each.face]!;
    for (const { face, finishes } of finishedFaces(piece, sources).filter((each) => each.n === n))
      for (const on of finishes) {
        const plate = finishPlate(on.finish);
        const found = draws.get(plate) ?? { finish: on.finish, each: [] };
        found.each.push((device) =>
          drawAtPlace(laid, piece, (there) => drawFinishOnSheet(piece, face, on, sources, there), device),
        );
        draws.set(plate, found);
      }
  }
  return [...draws.values()].map(({ finish, each }) => ({
    finish,
    draw: (device) => {
      for (const draw of each) draw(device);
    },
  }));
}

/** Draws a side as it is asked for: its pieces where they lie, what is done to them, and its marks. */
export function drawSideAsked(job: Job, asked: SheetAsked, side: SheetSide, fonts: FontBook, device: Device): void {
  // An item lies there often: its sides are made ready once.
  const items = asked.items.map((item) => {
    const { job: dressed, piece } = pieceFor(job, item);
    const sources = sourcesOf(dressed, fonts);
    const plated = platedFaces(piece, sources);
    return { piece, sources, faces: item.faces.map((n) => plated[n]) };
  });
  for (const laid of laidOn(job, asked, side.placed)) {
    const { piece, sources, faces } = items[laid.each.item]!;
    const face = faces[laid.each.face];
    if (face) drawAtPlace(laid, piece, (on) => drawOnSheet(piece, face, sources, on), device);
  }
  for (const { draw } of finishesOfSide(job, asked, side, fonts)) draw(device);
  drawMarksOf(job, asked, side, fonts, device);
}

/** No ink on the four process plates: what was below is left out. */
const WHITE = { Cyan: 0, Magenta: 0, Yellow: 0, Black: 0 };

/** Writes the sheets of a plan, a page a side. Throws ExportError, or PictureError for a picture that cannot be read. */
export async function writeSheets(
  job: Job,
  asked: SheetAsked,
  kit: PdfKit,
  tell: Tell = () => {},
): Promise<Uint8Array> {
  const { made, items, plan } = asked;
  if (plan.forms.length === 0) throw new ExportError('There is no sheet to write.');
  const document = openDocument(
    withFinishes(
      job,
      items.map(({ piece }) => piece),
    ),
    asked.standard,
    kit,
    asked.pictures,
  );
  const sheet = sheetBox(made);
  const shared = new Map<string, string | undefined>();
  const keyOf = ({ item, face }: Placed): string | undefined => {
    const name = `${item} ${face}`;
    if (!shared.has(name))
      shared.set(name, sharedFace(document, job, items[item]!, items[item]!.faces[face]!, asked, kit));
    return shared.get(name);
  };
  const pageOf = (side: SheetSide): PageContent => {
    const names = new Set<string>();
    const art = laidOn(job, asked, side.placed).map(({ each, own, within, onWhite }) => {
      const key = keyOf(each);
      if (!key) return '';
      names.add(key);
      const white = onWhite ? `0 0 0 0 k ${rectangle(each.trim, sheet)} f\n` : '';
      return white + drawPlaced(each, key, items[each.item]!.piece, own, within, sheet);
    });
    const finished = finishesOfSide(job, asked, side, kit.fonts).map(({ finish, draw }) => {
      const on = pdfDevice(sheet, document.uses, asked.words);
      draw(on);
      const layer = inLayer(document, finish, { content: on.content(), names: on.names() });
      for (const name of layer.names) names.add(name);
      return layer.content;
    });
    const device = pdfDevice(sheet, document.uses, asked.words);
    drawMarksOf(job, asked, side, kit.fonts, device);
    for (const name of device.names()) names.add(name);
    const boxes = { trim: sheet, bleed: sheet, media: sheet };
    return { content: `${art.join('')}${finished.join('')}${device.content()}`, names, boxes };
  };
  const contents: PageContent[] = [];
  for (const side of sidesOf(plan)) {
    await tell({ done: (0.3 * side.n) / plan.forms.length, what: `Drawing sheet ${side.n + 1}` });
    contents.push(pageOf(side));
  }
  const trapped = asked.items.some(({ piece }) => piece.spread !== undefined);
  const facts = { title: `${job.name}: sheets`, date: job.changed, id: fileId(job, asked), trapped };
  return closeDocument(document, contents, facts, kit, tell, 0.3);
}
