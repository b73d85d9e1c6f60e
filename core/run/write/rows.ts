import { PDFContext, PDFHexString, type PDFRef } from '@cantoo/pdf-lib';
import { pdfDevice } from '../../devices/pdf/device';
import type { PdfUses } from '../../devices/pdf/uses';
import { ExportError, type PdfAsked, pageBoxes } from '../../files/pdf/asked';
import { clipTo, type PdfKit, pdfBox } from '../../files/pdf/document';
import { drawOnSheet } from '../../files/pdf/face-art';
import { pictureDesk } from '../../files/pdf/pictures';
import { type Named, nameUses, resourcesOf } from '../../files/pdf/resources';
import { flate } from '../../files/pdf/streams';
import { drawMarks, fileId } from '../../files/pdf/write';
import { refuseMissing } from '../../files/refuse-missing';
import type { Box } from '../../geometry/box';
import type { Face, Job, Piece } from '../../job/schema';
import type { Device, ImageRef } from '../../scene/device';
import { printedFaces } from '../../scene/shown-faces';
import { type SceneSources, sourcesOf } from '../../scene/sources';
import { letterOfRun, sideOfSheet } from '../letter-row';
import { facesFor, type RowPlan, rowPlan } from '../row-piece';
import { type Rows, rowTitle } from '../rows';
import type { Frame } from './assemble';
import {
  bytesOf,
  LOCAL,
  objectBytes,
  objectsFrom,
  type Payload,
  type RowPicture,
  refTo,
  SHARED_PICTURE,
} from './objects';
import { refuseSeeThrough } from './see-through';
import {
  addShared,
  type Closed,
  closeShared,
  type FaceRecipe,
  type Prepared,
  pageEntries,
  prepare,
  usesForRow,
} from './shared';

/** A run as pages: a page for each side of each row. */

export interface RunAsked extends PdfAsked {
  /** Whether the file is PDF/VT-1: each row a document part with what it says. */
  variable?: boolean;
}

/** What makes the rows of one file. */
export interface RunWriter {
  frame: Frame;
  /** All that is in the file for a row. Throws ExportError for one that cannot be printed whole. */
  payload(row: number): Payload;
  /** Begins another file: a picture that several rows show is handed out with the first of them again. */
  begin(): void;
}

/** What makes the sheets that rows lie on, and draws them on any device, to be held against the file. */
export interface UnitWriter extends RunWriter {
  sheet: Box;
  /** The sides of a sheet by its number. */
  drawn(n: number): { name: string; draw(device: Device): void }[];
}

/** What of a row's resources is its own, once all rows' are taken away. */
function ownUses(own: PdfUses, shared: PdfUses): PdfUses {
  const beyond = <K, V>(mine: Map<K, V>, theirs: Map<K, V>): Map<K, V> =>
    new Map([...mine].filter(([key]) => !theirs.has(key)));
  return {
    fonts: new Map(),
    images: beyond(own.images, shared.images),
    plates: beyond(own.plates, shared.plates),
    mixtures: beyond(own.mixtures, shared.mixtures),
    patches: own.patches.slice(shared.patches.length),
    shades: beyond(own.shades, shared.shades),
    tones: beyond(own.tones, shared.tones),
    forms: own.forms.slice(shared.forms.length),
    states: beyond(own.states, shared.states),
  };
}

const hasOwn = (uses: PdfUses): boolean =>
  Object.values(uses).some((each) => ('size' in each ? each.size : each.length) > 0);

interface MadeObjects {
  objects: Payload['objects'];
  pictures: RowPicture[];
  /** The object of their resources, -1 where they need none of their own. */
  resources: number;
  /** The object of the first content; the others follow it. */
  first: number;
}
/** A content with the names it uses; one that is drawn as a form has a size. */
export interface Content {
  content: string;
  names: ReadonlySet<string>;
  form?: { name: string; width: number; height: number };
}
export interface ObjectMaker {
  make(contents: readonly Content[], uses: PdfUses): MadeObjects;
  begin: RunWriter['begin'];
}

/** What makes objects for one row after another: contents, and what only they use. */
export function objectMaker(
  { document }: Prepared,
  { frame, named: shared }: Closed,
  kit: PdfKit,
  asked: PdfAsked,
): ObjectMaker {
  const { job, standard, context: whole, uses: sharedUses } = document;
  const handedOn = new Set<string>();
  const plateRef = (plate: string): PDFRef => {
    const before = whole.largestObjectNumber;
    const ref = document.plateRef(plate);
    if (whole.largestObjectNumber !== before) throw new Error(`The ink ${plate} was not foreseen.`);
    return ref;
  };
  const nameOf = (hash: string): string | undefined => job.assets[hash]?.name;
  const blank = (): PDFContext => {
    const context = PDFContext.create();
    context.largestObjectNumber = LOCAL - 1;
    return context;
  };

  /** A picture by itself, as objects that any row may name. */
  function pictureOf(image: ImageRef, ppi: number): RowPicture {
    const key = fileId(image, Math.round(ppi), standard);
    if (handedOn.has(key)) return { key, objects: [] };
    handedOn.add(key);
    const context = blank();
    const ref = pictureDesk(context, job.inks, plateRef, { ...kit, nameOf }, asked.pictures).embed(image, ppi);
    const made = objectsFrom(context, LOCAL);
    if (made.at(-1)?.number !== ref.objectNumber) throw new Error('A picture is not the last of its objects.');
    return { key, objects: made.map(({ object }) => ({ body: objectBytes(object), refers: made.length > 1 })) };
  }

  function make(contents: readonly Content[], uses: PdfUses): MadeObjects {
    const own = ownUses(uses, sharedUses);
    const context = blank();
    const pictures: RowPicture[] = [];
    const isOwn = hasOwn(own);
    const forms = contents.filter(({ form }) => form);
    const pages = contents.filter(({ form }) => !form);
    const namesOf = (some: readonly Content[]): Set<string> => new Set(some.flatMap(({ names }) => [...names]));
    let named: Named = shared;
    if (isOwn) {
      const images = new Map<string, PDFRef>();
      for (const [name, { image, ppi }] of own.images) {
        images.set(name, refTo(SHARED_PICTURE + pictures.length));
        pictures.push(pictureOf(image, ppi));
      }
      named = nameUses(context, own, { fonts: new Map(), images, plateRef }, job, shared);
    }
    if (forms.length > 0) {
      const inside = isOwn ? resourcesOf(context, namesOf(forms), named) : refTo(frame.kinds[0]!.resources);
      const withForms = new Map(named);
      for (const { content, form } of forms) {
        const { name, width, height } = form!;
        const entries = { Type: 'XObject', Subtype: 'Form', BBox: [0, 0, width, height], Resources: inside };
        withForms.set(name, { category: 'XObject', ref: context.register(flate(context, bytesOf(content), entries)) });
      }
      named = withForms;
    }
    const resources = isOwn || forms.length > 0 ? resourcesOf(context, namesOf(pages), named) : undefined;
    const first = context.largestObjectNumber - LOCAL + 1;
    for (const { content } of pages) context.register(flate(context, bytesOf(content)));
    const objects = objectsFrom(context, LOCAL).map(({ object }, i) => ({
      body: objectBytes(object),
      refers: i < first,
    }));
    return { objects, pictures, resources: resources ? resources.objectNumber - LOCAL : -1, first };
  }
  return { make, begin: () => handedOn.clear() };
}

/** What draws a face for a row: the forms that all rows share, and what is its own between them and over them. */
function faceContent(
  { sources, words, boxes, document }: Prepared,
  piece: Piece,
  { stretches, ids }: FaceRecipe,
  face: Face,
  uses: PdfUses,
): { content: string; names: Set<string> } {
  const names = new Set<string>();
  const byId = new Map(face.elements.map((element) => [element.id, element]));
  const more = face.elements.filter(({ id }) => !ids.has(id)).map(({ id }) => id);
  const parts = [...stretches, ...(more.length > 0 ? [{ elements: more }] : [])].map((stretch) => {
    if ('form' in stretch) {
      names.add(stretch.form);
      return `/${stretch.form} Do\n`;
    }
    const elements = stretch.elements.flatMap((id) => byId.get(id) ?? []);
    if (elements.length === 0) return '';
    if (!document.seeThrough) refuseSeeThrough(elements, sources, document.desk.separated);
    const device = pdfDevice(boxes.media, uses, words);
    drawOnSheet(piece, { ...face, elements }, sources, device);
    for (const name of device.names()) names.add(name);
    return device.content();
  });
  return { content: parts.join(''), names };
}

/** Whether a side is as it is for every row. */
export const isSideShared = (recipe: FaceRecipe, face: Face): boolean =>
  recipe.isSame && face.elements.every(({ id }) => recipe.ids.has(id));

/** A side for a row: a form that all rows share, or a content of its own. */
export function sideForRow(
  prepared: Prepared,
  piece: Piece,
  recipe: FaceRecipe,
  face: Face,
  uses: PdfUses,
): { form: string } | { content: string; names: Set<string> } {
  const [only, ...more] = recipe.stretches;
  if (isSideShared(recipe, face) && only && 'form' in only && more.length === 0) return only;
  return faceContent(prepared, piece, recipe, face, uses);
}

/** The name of what is drawn of a side at a place: the form that all rows share, or one added to the row's own. */
export function formOf(
  drawn: ReturnType<typeof sideForRow>,
  forms: Content[],
  { width, height }: Pick<Box, 'width' | 'height'>,
): string {
  if ('form' in drawn) return drawn.form;
  const name = `R${forms.length + 1}`;
  forms.push({ ...drawn, form: { name, width, height } });
  return name;
}

/** Why a row cannot be written, in words, where it cannot. */
export function refuseRow(
  { rows, piece }: RowPlan,
  row: number,
  faults: readonly { problem: string; kind: string }[],
): void {
  const fault = faults.find(({ kind }) => kind !== 'does not fit');
  if (!fault) return;
  const said = rowTitle(rows, row);
  throw new ExportError(
    `Row ${row + 1}${said ? ` (${said})` : ''} of ${piece.name}: ${fault.problem}. Mend the row, or leave it out with a reason.`,
  );
}

const hex = (sign: string): string => sign.charCodeAt(0).toString(16).padStart(2, '0');
/** Text as a hexadecimal string: a byte a sign where plain ASCII does (ISO 32000-1, 7.9.2). */
const hexText = (text: string): string =>
  /^[\x20-\x7e]*$/.test(text) ? `<${[...text].map(hex).join('')}>` : PDFHexString.fromText(text).toString();

/** What a row says, as metadata of a document part: its columns as text. */
export function rowMetadata({ table, cell }: Rows, row: number): string {
  const entry = (key: string, said: string): string => `/${key.replace(/-/g, '_')}${hexText(said)}`;
  const said = table.columns.map(({ key }) => entry(`TDYE_${key}`, cell(row, key)));
  return `<<${entry('TDYE_Row', `${row + 1}`)}${said.join('')}>>`;
}

/** Throws ExportError where a die or a plate for a finish would be another for each row. */
function refuseRowedFinish({ name, faces }: Piece): void {
  for (const { elements } of faces)
    if (elements.some(({ finish, byRow }) => finish !== undefined && byRow !== undefined))
      throw new ExportError(
        `The finishing of ${name} follows its rows: a die or a plate is one for all of them. Take the row off what is finished.`,
      );
}

/** Throws ExportError where a picture that all rows show is not here. */
export function refuseMissingShared(job: Job, piece: Piece, sources: SceneSources, { assets }: PdfKit): void {
  const faces = printedFaces(piece, sources).map((face) => ({
    ...face,
    elements: face.elements.filter((e) => e.kind !== 'picture' || e.byRow?.from === undefined),
  }));
  refuseMissing(job, faces, ({ asset }) => assets[asset] !== undefined);
}

/** Opens the file of a run as pages. Throws ExportError. */
export function openRun(job: Job, asked: RunAsked, rows: Rows, kit: PdfKit): RunWriter {
  const piece = job.pieces.find(({ id }) => id === asked.pieceId);
  if (!piece) throw new ExportError(`This job has no piece called ${asked.pieceId}.`);
  if (piece.run?.letter !== undefined && !letterOfRun(piece))
    throw new ExportError('The letter that is written to each row is not there. Choose one in Run.');
  if (asked.variable && (asked.standard ?? asked.shop.standard) !== 'PDF/X-4')
    throw new ExportError('PDF/VT-1 is built on PDF/X-4. Choose PDF/X-4, or leave the document parts out.');
  refuseRowedFinish(piece);
  const sources = sourcesOf(job, kit.fonts);
  refuseMissingShared(job, piece, sources, kit);
  const boxes = pageBoxes(piece, asked.shop, asked.marks, asked.office, asked.also);
  const prepared = prepare(job, piece, asked, boxes, kit, sources);
  const faces = printedFaces(piece, sources);
  const kinds = faces.map((face, i) => kindOf(job, piece, face, i, asked, prepared));
  const facts = {
    title: `${job.name}: ${piece.name}`,
    date: job.changed,
    id: fileId(job, asked, rows.table),
    ...(asked.variable ? { variable: true } : {}),
  };
  const closed = closeShared(
    prepared,
    piece,
    rows,
    kinds.map(({ entries, whole }) => ({ entries, content: whole })),
    facts,
    kit,
  );
  const plan = rowPlan(job, piece, rows, sources);
  const { make, begin } = objectMaker(prepared, closed, kit, asked);
  const { uses } = prepared.document;
  const clip = clipTo(pdfBox(boxes.bleed, boxes.media));
  return {
    frame: closed.frame,
    begin,
    payload(row) {
      const { faces: made, faults } = facesFor(plan, row);
      refuseRow(plan, row, faults);
      const own = usesForRow(uses);
      const contents: { content: string; names: Set<string>; face: number }[] = [];
      const pages: Payload['pages'] = [];
      for (const face of printedFaces({ faces: made }, sources)) {
        const i = prepared.recipes.findIndex((recipe) => recipe.face === sideOfSheet(face.id));
        const recipe = prepared.recipes[i];
        if (!recipe) continue;
        if (isSideShared(recipe, face)) {
          pages.push({ face: i, content: -1, resources: -1 });
          continue;
        }
        const { content, names } = faceContent(prepared, piece, recipe, face, own);
        const marks = kinds[i]!.marks;
        names.add(marks);
        pages.push({ face: i, content: contents.length, resources: -1 });
        contents.push({ content: `q\n${clip}\n${content}Q\n/${marks} Do\n`, names, face: i });
      }
      const { objects, pictures, resources, first } = make(contents, own);
      return {
        unit: row,
        objects,
        pictures,
        pages: pages.map((page) => (page.content < 0 ? page : { ...page, content: first + page.content, resources })),
        ...(asked.variable ? { metadata: rowMetadata(rows, row) } : {}),
      };
    },
  };
}

/** A side as a kind of page: its boxes, the form of its marks, and its whole content where no row changes it. */
function kindOf(
  job: Job,
  piece: Piece,
  face: Face,
  i: number,
  asked: RunAsked,
  { document, recipes, boxes, words, sources }: Prepared,
): { entries: string; marks: string; whole: string } {
  const device = pdfDevice(boxes.media, document.uses, words);
  drawMarks({ job, piece, face, asked, boxes, sources }, device);
  const marks = addShared(document.uses, device, boxes.media);
  const recipe = recipes[i]!;
  const forms = recipe.stretches.map((stretch) => ('form' in stretch ? `/${stretch.form} Do\n` : ''));
  const whole = recipe.isSame
    ? `q\n${clipTo(pdfBox(boxes.bleed, boxes.media))}\n${forms.join('')}Q\n/${marks} Do\n`
    : '';
  return { entries: pageEntries(boxes), marks, whole };
}
