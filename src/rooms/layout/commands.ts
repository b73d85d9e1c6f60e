import { COMBININGS } from '../../../core/geometry/boolean-names';
import { markElements, moveElements, removeElements, restack } from '../../../core/job/edits/elements';
import { findElement } from '../../../core/job/find';
import { unitsOf } from '../../../core/job/groups';
import { lookOf } from '../../../core/job/look';
import { type Element, paintsOf } from '../../../core/job/schema';
import type { Bench } from '../../bench/bench';
import { openPanel, toggleAsCut, toggleBoth, toggleUnderlay } from '../../bench/room';
import { goTo } from '../../parts/address';
import { act, goWithin, redoStep, select, undoStep, useSession } from '../../store/session';
import { useSettings } from '../../store/settings';
import { addBlot, addCode, addRule, addShape, addWords } from './add';
import {
  alignSelection,
  centreContent,
  fillFace,
  groupSelection,
  mirrorSelection,
  sameSize,
  spaceSelection,
  turnSelection,
  ungroupSelection,
} from './arrange/arranging';
import { copySelection, copyToOtherFace, cutSelection, duplicate, paste } from './clipboard';
import { toggleSeenThrough, toggleShadow, toggleStroke } from './paint/effects';
import { chooseFill, FILL_KINDS } from './paint/fills';
import { beginDrawing, editPoints } from './path/drawing';
import { beginRepeat, REPEAT_WAYS } from './repeating';
import {
  COMBINE_SAYS,
  combineSelection,
  cropByShape,
  extendSelection,
  linesToShapes,
  wordsToOutlines,
} from './shaping';
import { largeNudge, nudgeStep } from './steps';
import { editWords, stopEditing, useEditing } from './words/editing';

/** Something a person can do in the Layout room: by key, from the menu, or by looking it up. */
export interface Command {
  name: string;
  group: 'Edit' | 'Add' | 'Select' | 'Arrange' | 'Shape' | 'Paint' | 'Repeat' | 'See';
  /** As the key package writes them; the first is shown. */
  keys?: readonly string[];
  /** The browser sends an event of its own for it, which is listened to instead of the key. */
  byEvent?: true;
  /** How many elements must be selected; none where it is left out. */
  needs?: number;
  /** Whether it says anything to what is selected; always where it is left out. */
  applies?(bench: Bench): boolean;
  run(bench: Bench): void;
}

const idsOf = ({ selection }: Bench): string[] => selection.map((e) => e.id);
const selectable = ({ face }: Bench): Element[] => face.elements.filter((e) => !e.locked && !e.hidden);

function step(bench: Bench, by: 1 | -1): void {
  const { within } = useSession.getState();
  const all = unitsOf(bench.face, selectable(bench), within);
  const last = bench.selection.at(-1)?.id;
  const at = all.findIndex(({ elements }) => elements.some((e) => e.id === last));
  const next = all[(at + by + all.length) % all.length];
  if (next) select(...next.elements.map((e) => e.id));
}

const inksOf = (element: Element, { job }: Bench): string[] =>
  element.kind === 'words' && !element.fill
    ? [lookOf(element, job.styles).lettering.paint.ink]
    : paintsOf(element).map((paint) => paint.ink);
const typefacesOf = (element: Element, { job }: Bench): string[] =>
  element.kind === 'words' ? [lookOf(element, job.styles).lettering.typeface] : [];

/** Selects everything on the face that shares one of these with the selection. */
function selectAlike(bench: Bench, of: (element: Element, bench: Bench) => string[]): void {
  const wanted = new Set(bench.selection.flatMap((e) => of(e, bench)));
  select(...selectable(bench).flatMap((e) => (of(e, bench).some((each) => wanted.has(each)) ? [e.id] : [])));
}

/** Puts a mark on all of the selection, or takes it off where all have it. */
function toggleMark(bench: Bench, mark: 'locked' | 'hidden' | 'sample', name: string): void {
  const on = !bench.selection.every((e) => e[mark]);
  act(name, (job) => markElements(job, idsOf(bench), mark, on));
}

const nudge =
  (x: number, y: number, large: boolean) =>
  (bench: Bench): void => {
    const own = useSettings.getState().nudge;
    const by = large ? largeNudge(bench.unit, own) : (own ?? nudgeStep(bench.unit));
    const free = bench.selection.filter((e) => !e.locked);
    act('Nudge', (job) => moveElements(job, new Map(free.map((e) => [e.id, { x: x * by, y: y * by }]))));
  };

/** One up or down in the stack, the selection keeping its own order. */
function lift(bench: Bench, by: 1 | -1): void {
  act('Reorder', (job) => {
    const order = idsOf(bench).sort((a, b) => (findElement(job, b)?.index ?? 0) - (findElement(job, a)?.index ?? 0));
    return (by > 0 ? order : order.reverse()).reduce(
      (j, id) => restack(j, id, (findElement(j, id)?.index ?? 0) + by),
      job,
    );
  });
}

/** Out of the group that is worked inside of, or else nothing is selected. */
function leave(): void {
  if (useSession.getState().within) goWithin(undefined);
  else select();
}

const ARROWS = [
  ['ArrowLeft', 'left', -1, 0],
  ['ArrowRight', 'right', 1, 0],
  ['ArrowUp', 'up', 0, -1],
  ['ArrowDown', 'down', 0, 1],
] as const;

/** What is added by `a` and one key more. */
const ADDS: readonly (readonly [what: string, key: string, add: (bench: Bench) => void])[] = [
  ['text', 'w', (b) => editWords(addWords(b, 'New text'))],
  ['a rectangle', 'r', (b) => addShape(b, 'Rectangle')],
  ['an ellipse', 'c', (b) => addShape(b, 'Ellipse')],
  ['a polygon', 'n', (b) => addShape(b, 'Polygon')],
  ['a star', 'x', (b) => addShape(b, 'Star')],
  ['a blot', 'd', addBlot],
  ['a rule', 'u', addRule],
  ['a code', 'q', addCode],
];

const some =
  (...kinds: Element['kind'][]) =>
  ({ selection }: Bench): boolean =>
    selection.some(({ kind }) => kinds.includes(kind));
const hasText = some('words');
const canBeFilled = some('shape', 'rule', 'words');
const isText = ({ selected }: Bench): boolean => selected?.kind === 'words';
const isShape = ({ selected }: Bench): boolean => selected?.kind === 'shape';
const hasLine = ({ selection }: Bench): boolean =>
  selection.some((e) => e.kind === 'rule' || (e.kind === 'shape' && e.stroke !== undefined));
const areShapes = ({ selection }: Bench): boolean => selection.filter(({ kind }) => kind === 'shape').length > 1;
const isCrop = (bench: Bench): boolean => some('picture')(bench) && some('shape')(bench);
const inGroup = ({ selection }: Bench): boolean => selection.some(({ group }) => group !== undefined);
const hasOtherSide = ({ piece }: Bench): boolean => piece.faces.length > 1;

export const COMMANDS: readonly Command[] = [
  ...ADDS.map(
    ([what, key, add]): Command => ({
      name: `Add ${what}`,
      group: 'Add',
      keys: [`a ${key}`],
      run: add,
    }),
  ),
  { name: 'Select all', group: 'Select', keys: ['$mod+a'], run: (b) => select(...selectable(b).map((e) => e.id)) },
  { name: 'Select the next', group: 'Select', keys: [']'], run: (b) => step(b, 1) },
  { name: 'Select the one before', group: 'Select', keys: ['['], run: (b) => step(b, -1) },
  { name: 'Select all in the same ink', group: 'Select', needs: 1, run: (b) => selectAlike(b, inksOf) },
  {
    name: 'Select all in the same typeface',
    group: 'Select',
    needs: 1,
    applies: hasText,
    run: (b) => selectAlike(b, typefacesOf),
  },
  {
    name: 'Deselect',
    group: 'Select',
    keys: ['Escape'],
    run: () => (useEditing.getState().id ? stopEditing() : leave()),
  },
  { name: 'Undo', group: 'Edit', keys: ['$mod+z'], byEvent: true, run: undoStep },
  { name: 'Redo', group: 'Edit', keys: ['$mod+Shift+z', '$mod+Shift+Z', '$mod+y'], byEvent: true, run: redoStep },
  { name: 'Cut', group: 'Edit', keys: ['$mod+x'], needs: 1, run: cutSelection },
  { name: 'Copy', group: 'Edit', keys: ['$mod+c'], needs: 1, run: copySelection },
  { name: 'Paste', group: 'Edit', keys: ['$mod+v'], byEvent: true, run: paste },
  { name: 'Group', group: 'Edit', keys: ['j'], needs: 2, run: groupSelection },
  { name: 'Ungroup', group: 'Edit', keys: ['Shift+J'], needs: 2, applies: inGroup, run: ungroupSelection },
  { name: 'Duplicate', group: 'Edit', keys: ['$mod+d'], needs: 1, run: duplicate },
  {
    name: 'Copy to the other side',
    group: 'Edit',
    keys: ['o'],
    needs: 1,
    applies: hasOtherSide,
    run: (b) => copyToOtherFace(b),
  },
  {
    name: 'Mirrored copy to the other side',
    group: 'Edit',
    keys: ['Shift+O'],
    needs: 1,
    applies: hasOtherSide,
    run: (b) => copyToOtherFace(b, true),
  },
  {
    name: 'Delete',
    group: 'Edit',
    keys: ['Delete', 'Backspace'],
    needs: 1,
    run: (b) => {
      act('Delete', (job) => removeElements(job, idsOf(b)));
      select();
    },
  },
  {
    name: 'Edit text',
    group: 'Edit',
    keys: ['Enter'],
    needs: 1,
    applies: isText,
    run: ({ selected }) => selected?.kind === 'words' && editWords(selected.id),
  },
  { name: 'Lock', group: 'Edit', keys: ['l'], needs: 1, run: (b) => toggleMark(b, 'locked', 'Lock') },
  { name: 'Hide', group: 'Edit', keys: ['h'], needs: 1, run: (b) => toggleMark(b, 'hidden', 'Hide') },
  { name: 'Mark as sample', group: 'Edit', needs: 1, run: (b) => toggleMark(b, 'sample', 'Sample') },
  ...ARROWS.flatMap(([key, way, x, y]): Command[] => [
    { name: `Nudge ${way}`, group: 'Arrange', keys: [key], needs: 1, run: nudge(x, y, false) },
    { name: `Nudge ${way}, further`, group: 'Arrange', keys: [`Shift+${key}`], needs: 1, run: nudge(x, y, true) },
  ]),
  { name: 'One up in the stack', group: 'Arrange', keys: ['PageUp'], needs: 1, run: (b) => lift(b, 1) },
  { name: 'One down in the stack', group: 'Arrange', keys: ['PageDown'], needs: 1, run: (b) => lift(b, -1) },
  { name: 'Align left', group: 'Arrange', needs: 1, run: (b) => alignSelection(b, 'left') },
  { name: 'Align centres', group: 'Arrange', needs: 1, run: (b) => alignSelection(b, 'centre') },
  { name: 'Align right', group: 'Arrange', needs: 1, run: (b) => alignSelection(b, 'right') },
  { name: 'Align top', group: 'Arrange', needs: 1, run: (b) => alignSelection(b, 'top') },
  { name: 'Align middles', group: 'Arrange', needs: 1, run: (b) => alignSelection(b, 'middle') },
  { name: 'Align bottom', group: 'Arrange', needs: 1, run: (b) => alignSelection(b, 'bottom') },
  { name: 'Equal gaps across', group: 'Arrange', needs: 3, run: (b) => spaceSelection(b, 'x') },
  { name: 'Equal gaps down', group: 'Arrange', needs: 3, run: (b) => spaceSelection(b, 'y') },
  { name: 'Same width', group: 'Arrange', needs: 2, run: (b) => sameSize(b, 'width') },
  { name: 'Same height', group: 'Arrange', needs: 2, run: (b) => sameSize(b, 'height') },
  { name: 'Centre everything on the side', group: 'Arrange', run: centreContent },
  { name: 'Fill the side with its bleed', group: 'Arrange', keys: ['f'], needs: 1, run: fillFace },
  { name: 'Extend to bleed', group: 'Arrange', keys: ['e'], needs: 1, run: extendSelection },
  ...COMBININGS.map(
    (how): Command => ({
      name: COMBINE_SAYS[how],
      group: 'Shape',
      needs: 2,
      applies: areShapes,
      run: (b) => void combineSelection(b, how),
    }),
  ),
  { name: 'Crop by the shape', group: 'Shape', needs: 2, applies: isCrop, run: cropByShape },
  { name: 'Convert stroke to shape', group: 'Shape', needs: 1, applies: hasLine, run: linesToShapes },
  { name: 'Convert text to outlines', group: 'Shape', needs: 1, applies: hasText, run: wordsToOutlines },
  { name: 'Rotate 90° clockwise', group: 'Arrange', keys: ['t'], needs: 1, run: (b) => turnSelection(b, 90) },
  {
    name: 'Rotate 90° anticlockwise',
    group: 'Arrange',
    keys: ['Shift+T'],
    needs: 1,
    run: (b) => turnSelection(b, -90),
  },
  { name: 'Flip horizontally', group: 'Arrange', keys: ['m'], needs: 1, run: (b) => mirrorSelection(b, 'across') },
  { name: 'Flip vertically', group: 'Arrange', needs: 1, run: (b) => mirrorSelection(b, 'down') },
  { name: 'Straighten near misses…', group: 'Arrange', keys: ['s'], run: () => openPanel('straighten') },
  { name: 'Icons…', group: 'Shape', keys: ['i'], run: () => openPanel('icons') },
  { name: 'Draw a path', group: 'Shape', keys: ['p'], run: (b) => beginDrawing(b.face.id) },
  {
    name: 'Change the points of the outline',
    group: 'Shape',
    keys: ['Shift+P'],
    needs: 1,
    applies: isShape,
    run: ({ selected }) => selected?.kind === 'shape' && editPoints(selected.id),
  },
  ...FILL_KINDS.map(
    ([kind, says]): Command => ({
      name: `Fill: ${says.toLowerCase()}`,
      group: 'Paint',
      needs: 1,
      applies: canBeFilled,
      run: (b) => chooseFill(b.selection, kind, b.sources, b.unit),
    }),
  ),
  {
    name: 'Stroke',
    group: 'Paint',
    keys: ['Shift+L'],
    needs: 1,
    applies: some('shape'),
    run: (b) => toggleStroke(b.selection),
  },
  {
    name: 'Drop shadow',
    group: 'Paint',
    keys: ['Shift+S'],
    needs: 1,
    run: (b) => toggleShadow(b.selection, b.unit),
  },
  {
    name: 'Opacity 50 %',
    group: 'Paint',
    needs: 1,
    run: (b) => toggleSeenThrough(b.selection),
  },
  ...REPEAT_WAYS.map(
    ([way, says]): Command => ({
      name: `Repeat: ${says.toLowerCase()}`,
      group: 'Repeat',
      needs: 1,
      run: (b) => beginRepeat(b.selection, way, b.sources),
    }),
  ),
  { name: 'Guides…', group: 'Arrange', keys: ['g'], run: () => openPanel('guides') },
  { name: 'Show as cut', group: 'See', keys: ['.'], run: toggleAsCut },
  { name: 'Show template', group: 'See', keys: ['y'], run: toggleUnderlay },
  { name: 'Show both sides', group: 'See', keys: ['b'], run: toggleBoth },
  { name: 'Cut test…', group: 'See', keys: ['k'], run: () => openPanel('cut') },
  { name: 'All checks…', group: 'See', run: () => openPanel('checks') },
  { name: 'Shops…', group: 'See', run: () => openPanel('shops') },
  {
    name: 'Hand-off: export, proof, package…',
    group: 'See',
    run: () => goTo(`/hand-off${location.search}`),
  },
  {
    name: 'Take the tour',
    group: 'See',
    run: () => void import('../../bench/tour/tour').then(({ startTour }) => startTour(() => {})),
  },
  { name: 'Search actions…', group: 'See', keys: ['/'], run: () => openPanel('actions') },
  { name: 'Keyboard shortcuts…', group: 'See', keys: ['?', 'Shift+?'], run: () => openPanel('keys') },
];

/** Whether a command can be done now. */
export const canRun = ({ needs = 0, applies }: Command, bench: Bench): boolean =>
  bench.selection.length >= needs && (applies?.(bench) ?? true);

const SIGNS: Record<string, string> = {
  $mod: 'Ctrl',
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  PageUp: 'Page Up',
  PageDown: 'Page Down',
  Escape: 'Esc',
};
/** A key as it is written for people. */
export const shownKey = (key: string): string =>
  key
    .split('+')
    .map((part) => SIGNS[part] ?? (part.length === 1 && key.length > 1 ? part.toUpperCase() : part))
    .join(' ');
