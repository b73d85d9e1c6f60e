import type { PDFRef } from '@cantoo/pdf-lib';
import { pieceFacts } from '../../checks/piece-facts';
import { isProcessPlate, platesOf } from '../../colour/ink';
import type { pdfDevice } from '../../devices/pdf/device';
import { kept, noUses, type PdfUses } from '../../devices/pdf/uses';
import type { PageBoxes, PdfAsked } from '../../files/pdf/asked';
import { catalog, infoOf } from '../../files/pdf/catalog';
import { type OpenDocument, openDocument, type PdfKit, pdfBox, refuseForbidden } from '../../files/pdf/document';
import { faceArt } from '../../files/pdf/face-art';
import { embedFont } from '../../files/pdf/fonts';
import type { FileFacts } from '../../files/pdf/metadata';
import { type Named, nameUses, resourcesOf } from '../../files/pdf/resources';
import { STANDARD_FACTS } from '../../files/pdf/standards';
import { flate } from '../../files/pdf/streams';
import { inkOf } from '../../job/find';
import type { Element, Face, Job, Piece, Words } from '../../job/schema';
import { letterTypeface } from '../../scene/letter-pages';
import { printedFaces } from '../../scene/shown-faces';
import type { SceneSources } from '../../scene/sources';
import { meetingsOn } from '../../scene/traps';
import { letterOfRun, wordsOfLetter } from '../letter-row';
import { followersOn } from '../row-piece';
import type { Rows } from '../rows';
import type { Frame } from './assemble';
import { foreseeGlyphs } from './glyphs';
import { bytesOf, objectBytes, objectsFrom } from './objects';
import { refuseSeeThrough } from './see-through';

/** What all rows of a run share in a file, made once: typefaces, pictures, colours, and what of each side never changes. */

/** A stretch of a side's stack: a form that all rows draw, or elements that are drawn for each row. */
export type Stretch = { form: string } | { elements: readonly string[] };

export interface FaceRecipe {
  face: string;
  stretches: Stretch[];
  /** Whether it looks the same for every row. */
  isSame: boolean;
  /** The ids of what is in it: what else is on a side for a row, as a letter's words are, lies over it. */
  ids: ReadonlySet<string>;
}

export interface Prepared {
  document: OpenDocument;
  recipes: FaceRecipe[];
  boxes: PageBoxes;
  sources: SceneSources;
  words: 'text' | 'outlines';
}

/** The elements of a face in stretches that change with the rows, and stretches that do not. */
function stretchesOf(face: Face, changing: ReadonlySet<string>): { changes: boolean; elements: Element[] }[] {
  const found: { changes: boolean; elements: Element[] }[] = [];
  for (const element of face.elements) {
    const changes = changing.has(element.id);
    const last = found.at(-1);
    if (last?.changes === changes) last.elements.push(element);
    else found.push({ changes, elements: [element] });
  }
  return found;
}

/** A form that is drawn as it is wherever it is named. */
export function addShared(
  uses: PdfUses,
  { content, names }: Pick<ReturnType<typeof pdfDevice>, 'content' | 'names'>,
  size: { width: number; height: number },
): string {
  const key = `X${uses.forms.length + 1}`;
  uses.forms.push({ key, content: content(), names: names(), isMask: false, shared: true, size });
  return key;
}

/** Opens the file of a run: draws what never changes. Throws ExportError. */
export function prepare(
  job: Job,
  piece: Piece,
  asked: PdfAsked,
  boxes: PageBoxes,
  kit: PdfKit,
  sources: SceneSources,
): Prepared {
  const document = openDocument(job, asked.standard ?? asked.shop.standard, kit, asked.pictures);
  const { uses, seeThrough, desk } = document;
  const words = asked.words ?? 'text';
  const changing = followersOn(piece.faces);
  const recipes = printedFaces(piece, sources).map((face): FaceRecipe => {
    const parts = stretchesOf(face, changing);
    const stretches = parts.map(({ changes, elements }, i): Stretch => {
      if (changes) return { elements: elements.map(({ id }) => id) };
      // Below all that changes, what is see-through is flattened once for all rows.
      if (!seeThrough && i > 0) refuseSeeThrough(elements, sources, desk.separated);
      const lying = { ...boxes, ppi: asked.shop.ppi.wanted, words };
      // What lies above is drawn later: within a stretch inks are spread as they are on any face.
      const shown = piece.spread === undefined ? {} : { spread: meetingsOn({ elements }, piece.spread, sources) };
      const { content, names } = faceArt(document, piece, { ...face, elements, ...shown }, sources, lying);
      return { form: addShared(uses, { content: () => content, names: () => names }, boxes.media) };
    });
    return {
      face: face.id,
      stretches,
      isSame: parts.every(({ changes }) => !changes),
      ids: new Set(face.elements.map(({ id }) => id)),
    };
  });
  nameColours(document, piece);
  return { document, recipes, boxes, sources, words };
}

/** Every ink that a row may be printed in has its name before the first row. */
function nameColours({ job, uses, plateRef }: OpenDocument, piece: Piece): void {
  const byRow = piece.faces.flatMap(({ elements }) =>
    elements.flatMap(({ byRow: by }) =>
      (by?.ink?.inks ?? []).flatMap(({ ink }) => Object.keys(platesOf(inkOf(job.inks, ink), 1))),
    ),
  );
  const spots = [...new Set([...pieceFacts(job, piece).plates, ...byRow])]
    .filter((plate) => !isProcessPlate(plate))
    .sort();
  for (const plate of [...spots, 'All']) {
    plateRef(plate);
    const { plates } = uses;
    kept(plates, plate, () => `S${plates.size + 1}`);
  }
  // What overprints, and what no longer does.
  for (const overprint of [true, false]) {
    const state = { overprint };
    const { states } = uses;
    kept(states, JSON.stringify(state), () => ({ key: `G${states.size + 1}`, state }));
  }
}

/** A shared content of a page: for sides that no row changes. */
export interface PageKind {
  entries: string;
  content: string;
}

export interface Closed {
  frame: Frame;
  /** What pages name, for those that have more of their own. */
  named: Named;
}

const box = (numbers: readonly number[]): string =>
  `[${numbers.map((n) => Math.round(n * 10_000) / 10_000).join(' ')}]`;

/** The entries of a page of its own: the boxes that no other page hands down to it. */
export const pageEntries = ({ trim, bleed, media }: PageBoxes): string =>
  `/BleedBox${box(pdfBox(bleed, media))}/TrimBox${box(pdfBox(trim, media))}`;

/** The words of a piece that change with its rows, on the sides as they are printed. */
export const changingWords = (piece: Piece, sources: SceneSources): Words[] => {
  const changing = followersOn(piece.faces);
  return printedFaces(piece, sources).flatMap(({ elements }) =>
    elements.filter((element): element is Words => element.kind === 'words' && changing.has(element.id)),
  );
};

/** Ends what is shared: embeds it, and lays out the bytes that come before the rows. */
export function closeShared(
  { document, sources, boxes: { media } }: Prepared,
  piece: Piece,
  rows: Rows,
  kinds: readonly PageKind[],
  facts: FileFacts,
  kit: PdfKit,
  also: ReadonlyMap<string, string> = new Map(),
): Closed {
  const { context, job, standard, seeThrough, uses, desk, plateRef } = document;
  const letter = letterOfRun(piece);
  const letters = letter ? [wordsOfLetter(letter, rows, letterTypeface(job))] : [];
  foreseeGlyphs(uses, [...changingWords(piece, sources), ...letters], rows, sources, kit.cutter, also);
  refuseForbidden(uses);
  const images = new Map<string, PDFRef>();
  for (const [name, { image, ppi }] of uses.images) images.set(name, desk.embed(image, ppi));
  const fonts = new Map(
    [...uses.fonts.values()].map((use) => [use.typeface, embedFont(context, use, kit.cutter)] as const),
  );
  const named = nameUses(context, uses, { fonts, images, plateRef }, job);
  const resources = resourcesOf(context, new Set(named.keys()), named);
  const contents = kinds.map(({ content }) =>
    content === '' ? 0 : context.register(flate(context, bytesOf(content))).objectNumber,
  );
  const [pages, parts, list] = [context.nextRef(), context.nextRef(), context.nextRef()];
  const variable = facts.variable === true;
  // Our own entry: what the parts of a run are joined by. Names of one's own begin with the maker's (ISO 32000-1, annex E).
  const root = catalog(context, pages, kit.press, kit.engine.describe(kit.press.profile).name, facts, standard, {
    TDYE_Rows: list,
    ...(variable ? { DPartRoot: partsRoot(document, parts) } : {}),
  });
  const info = infoOf(context, facts, standard);
  const group = seeThrough
    ? `/Group ${context.register(context.obj({ Type: 'Group', S: 'Transparency', CS: 'DeviceCMYK', I: true })).objectNumber} 0 R`
    : '';
  const { bytes, offsets } = written(document, [pages, parts, list]);
  return {
    named,
    frame: {
      shared: bytes,
      offsets,
      catalog: root.objectNumber,
      info: info.objectNumber,
      pages: pages.objectNumber,
      parts: parts.objectNumber,
      list: list.objectNumber,
      inherited: `/MediaBox${box(pdfBox(media, media))}`,
      kinds: kinds.map(({ entries }, i) => ({
        entries: entries + group,
        content: contents[i]!,
        resources: resources.objectNumber,
      })),
      id: facts.id,
      variable,
    },
  };
}

/** The root of document parts: the job, shares of its rows, and the rows, which are the records (ISO 16612-2, 6.4; from memory). */
function partsRoot({ context }: OpenDocument, parts: PDFRef): PDFRef {
  return context.register(
    context.obj({ Type: 'DPartRoot', DPartRootNode: parts, RecordLevel: 2, NodeNameList: ['Job', 'Batch', 'Record'] }),
  );
}

/** The head of the file and its shared objects in order; those in `later` are only counted. */
function written(
  { context, standard }: OpenDocument,
  later: readonly PDFRef[],
): { bytes: Uint8Array; offsets: number[] } {
  const [major, minor] = STANDARD_FACTS[standard].pdf;
  // Four bytes beyond ASCII tell that the file is no text (ISO 32000-1, 7.5.2).
  const head = [bytesOf(`%PDF-${major}.${minor}\n`), Uint8Array.of(0x25, 0x81, 0x81, 0x81, 0x81, 0x0a, 0x0a)];
  const parts: Uint8Array[] = [...head];
  let at = head.reduce((sum, { length }) => sum + length, 0);
  const offsets: number[] = Array.from({ length: context.largestObjectNumber }, () => 0);
  const kept = new Set(later.map(({ objectNumber }) => objectNumber));
  for (const { number, object } of objectsFrom(context, 1)) {
    if (kept.has(number)) continue;
    offsets[number - 1] = at;
    for (const part of [bytesOf(`${number} 0 obj\n`), objectBytes(object), bytesOf('\nendobj\n\n')]) {
      parts.push(part);
      at += part.length;
    }
  }
  const bytes = new Uint8Array(at);
  let to = 0;
  for (const part of parts) {
    bytes.set(part, to);
    to += part.length;
  }
  return { bytes, offsets };
}

/** A document's uses as one row begins with them: it may add to its own, and nothing to those that are shared. */
export const usesForRow = (shared: PdfUses): PdfUses => ({
  ...noUses(),
  fonts: shared.fonts,
  images: new Map(shared.images),
  plates: new Map(shared.plates),
  mixtures: new Map(shared.mixtures),
  patches: [...shared.patches],
  shades: new Map(shared.shades),
  tones: new Map(shared.tones),
  forms: [...shared.forms],
  states: new Map(shared.states),
});
