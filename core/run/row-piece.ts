import { CodeError, codeColumns } from '../codes/symbols';
import type { Condition } from '../job/by-row';
import { mapElementPaints } from '../job/edits/inks';
import { isOfLetter, type LetterText } from '../job/letters';
import type { Code, Element, Face, Job, Picture, Piece, Words } from '../job/schema';
import { columnQuoted } from '../job/table';
import type { SceneSources } from '../scene/sources';
import { holds } from './condition';
import { fittedForRow } from './fit-row';
import { columnInLetter, letterFaces, letterOfRun, strangersInLetter } from './letter-row';
import type { Rows } from './rows';

/** A piece as it is for one row of its table. */

/** What of a row cannot be done on a face. */
export interface RowFault {
  kind: 'no picture' | 'no code' | 'does not fit' | 'no column';
  face: string;
  element: string;
  /** The column it comes from, and what that says. */
  of: string;
  said: string;
  problem: string;
}

export interface RowFaces {
  /** The sides that are printed for the row; what does not change is the same object for each. */
  faces: Face[];
  faults: RowFault[];
}

/** The columns that an element asks, in no order. */
export function columnsAsked(element: Element): string[] {
  const { shown, from, ink } = element.byRow ?? {};
  const quoted =
    element.kind === 'words'
      ? element.paragraphs.flatMap(({ spans }) => spans.flatMap(({ quote }) => columnQuoted(quote) ?? []))
      : [];
  return [...(shown?.tests ?? []).map(({ of }) => of), ...(from ? [from] : []), ...(ink ? [ink.of] : []), ...quoted];
}

/** Whether an element is another for other rows. */
export const follows = (element: Element): boolean => columnsAsked(element).length > 0;

/** Elements that change with the rows: those that ask a column, and what flows on from them or stands on them. */
export function followersOn(faces: readonly Face[]): ReadonlySet<string> {
  const all = faces.flatMap(({ elements }) => elements);
  const changing = new Set(all.filter(follows).map(({ id }) => id));
  const byId = new Map(all.map((element) => [element.id, element]));
  const along = (words: Words): string | undefined =>
    words.path?.along.kind === 'element' ? words.path.along.id : undefined;
  for (let grew = true; grew; ) {
    const before = changing.size;
    for (const element of all) {
      if (element.kind !== 'words') continue;
      if (changing.has(along(element) ?? '')) changing.add(element.id);
      if (changing.has(element.id) && element.next && byId.has(element.next)) changing.add(element.next);
    }
    grew = changing.size > before;
  }
  return changing;
}

const inOneParagraph = (text: string): string => text.replace(/\r?\n/g, '\u2028');

interface OnFace {
  face: Face;
  cell(key: string): string;
  rows: Rows;
  job: Job;
  sources: SceneSources;
  faults: RowFault[];
}

function wordsFor(words: Words, { cell, face, sources, faults }: OnFace): Words {
  const filled: Words = {
    ...words,
    paragraphs: words.paragraphs.map((paragraph) =>
      paragraph.spans.some(({ quote }) => columnQuoted(quote) !== undefined)
        ? {
            ...paragraph,
            spans: paragraph.spans.map((span) => {
              const key = columnQuoted(span.quote);
              return key === undefined ? span : { ...span, text: inOneParagraph(cell(key)) };
            }),
          }
        : paragraph,
    ),
  };
  const fit = words.byRow?.fit;
  if (!fit) return filled;
  const fitted = fittedForRow(filled, fit, sources);
  const [of = ''] = columnsAsked(words);
  if (!fitted.fits)
    faults.push({
      kind: 'does not fit',
      face: face.id,
      element: words.id,
      of,
      said: cell(of),
      problem: 'The text does not fit at its smallest size',
    });
  return fitted.words;
}

function pictureFor(picture: Picture, { cell, rows, face, faults, job }: OnFace): Picture | undefined {
  const of = picture.byRow?.from;
  if (of === undefined) return picture;
  const said = cell(of);
  const asset = rows.table.pictures[said.toLowerCase()];
  if (asset && job.assets[asset]) return { ...picture, asset };
  const problem = said === '' ? 'No picture is named' : `The picture “${said}” is not here`;
  faults.push({ kind: 'no picture', face: face.id, element: picture.id, of, said, problem });
  return undefined;
}

function codeFor(code: Code, { cell, face, faults }: OnFace): Code | undefined {
  const of = code.byRow?.from;
  if (of === undefined) return code;
  const said = cell(of);
  const fault = (problem: string): undefined => {
    faults.push({ kind: 'no code', face: face.id, element: code.id, of, said, problem });
    return undefined;
  };
  if (said === '') return fault('The code has nothing to say');
  try {
    codeColumns(code.symbology, said);
  } catch (error) {
    if (error instanceof CodeError) return fault(error.message);
    throw error;
  }
  return { ...code, text: said };
}

/** Every paint of an element in the ink that the row names. */
function inkFor(element: Element, { cell, sources }: OnFace): Element {
  const by = element.byRow?.ink;
  if (!by) return element;
  const said = cell(by.of).toLowerCase();
  const ink = by.inks.find(({ is }) => is.trim().toLowerCase() === said)?.ink;
  return ink ? mapElementPaints(element, sources.styles, (paint) => ({ ...paint, ink })) : element;
}

const isShown = (shown: Condition | undefined, cell: OnFace['cell']): boolean => !shown || holds(shown, cell);

function elementFor(element: Element, on: OnFace): Element | undefined {
  if (!isShown(element.byRow?.shown, on.cell)) return undefined;
  const inked = inkFor(element, on);
  if (inked.kind === 'words') return wordsFor(inked, on);
  if (inked.kind === 'picture') return pictureFor(inked, on);
  return inked.kind === 'code' ? codeFor(inked, on) : inked;
}

/** What of a piece changes with its rows, worked out once for all of them. */
export interface RowPlan {
  job: Job;
  piece: Piece;
  rows: Rows;
  sources: SceneSources;
  /** The ids of what changes. */
  changing: Pick<ReadonlySet<string>, 'has'>;
  /** The letter that is written to each row. */
  letter: LetterText | undefined;
}

export function rowPlan(job: Job, piece: Piece, rows: Rows, sources: SceneSources): RowPlan {
  const letter = letterOfRun(piece);
  const following = followersOn(piece.faces);
  const changing = letter ? { has: (id: string) => following.has(id) || isOfLetter(letter, id) } : following;
  return { job, piece, rows, sources, changing, letter };
}

/** The faces of a piece as they are for a row: the sheets of its letter, where it is one. */
export function facesFor(plan: RowPlan, row: number): RowFaces {
  const { job, piece, rows, sources, letter } = plan;
  const sides = sidesFor(plan, row);
  const [first] = sides.faces;
  if (!letter || !first) return sides;
  const strangers = strangersInLetter(letter, rows).map(
    (key): RowFault => ({
      kind: 'no column',
      face: first.id,
      element: letter.id,
      of: key,
      said: '',
      problem: `The letter quotes ${columnInLetter(key)}, which is no column of ${rows.table.name}`,
    }),
  );
  const faces = letterFaces(job, piece, letter, rows, row, sides.faces, sources);
  return { faces, faults: [...sides.faults, ...strangers] };
}

function sidesFor({ piece, rows, job, sources }: RowPlan, row: number): RowFaces {
  const faults: RowFault[] = [];
  const cell = (key: string): string => rows.cell(row, key);
  const faces = piece.faces.flatMap((face): Face[] => {
    if (!isShown(face.byRow?.shown, cell)) return [];
    if (!face.elements.some(follows)) return [face];
    const on: OnFace = { face, cell, rows, job, sources, faults };
    const gone = new Set<string>();
    const elements = face.elements.flatMap((element): Element[] => {
      if (!follows(element)) return [element];
      const made = elementFor(element, on);
      if (!made) gone.add(element.id);
      return made ? [made] : [];
    });
    // Words that stand on something that is not there have no line: they go with it.
    const standing = elements.filter(
      (e) => !(e.kind === 'words' && e.path?.along.kind === 'element' && gone.has(e.path.along.id)),
    );
    return [{ ...face, elements: standing }];
  });
  return { faces, faults };
}

/** The piece for a row. */
export const pieceForRow = (plan: RowPlan, row: number): Piece => ({ ...plan.piece, faces: facesFor(plan, row).faces });
