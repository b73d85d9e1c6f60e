import type { Ink } from '../../../../core/colour/ink';
import { moveElement } from '../../../../core/job/edits/elements';
import { addInk } from '../../../../core/job/edits/inks';
import { addPiece } from '../../../../core/job/edits/job';
import { NEW_LETTER, NEW_POST, setFold, setLetter, setPost, setThickness } from '../../../../core/job/edits/kinds';
import { changeLogo, keepLogo, placeLogo } from '../../../../core/job/edits/logos';
import { setOrder, setSheet } from '../../../../core/job/edits/pieces';
import { makePiece } from '../../../../core/job/make';
import { NO_ORDER } from '../../../../core/job/order';
import type { Element, Job } from '../../../../core/job/schema';
import { type SheetMade, USUAL_SHEET } from '../../../../core/job/sheet';
import { inch, mm } from '../../../kit';
import { area, code, type Fault, ink, jobOf, line, pieceWith, words } from './fault';

/** Faults of post, folds, letters and of a set that does not agree. US and UPU areas from memory; DIN 5008 and 680. */
const ids = (prefix = 'k') => {
  let n = 0;
  return () => `${prefix}${++n}`;
};
const one = (
  check: string,
  says: string,
  bad: readonly Element[],
  good: readonly Element[],
  dress: (job: Job) => Job,
  options = {},
): Fault => ({
  check,
  says,
  faulty: dress(jobOf(bad, options)),
  twin: dress(jobOf(good, options)),
});

const a6 = { kind: 'postcard' as const, width: mm(148), height: mm(105) };
const us = { kind: 'postcard' as const, width: inch(6), height: inch(4.25), unit: 'in' as const };
const posted = (rules: string) => (job: Job) =>
  setPost(
    job,
    'card',
    { ...NEW_POST, rules, face: 'card-1', divider: false, stamp: false, lines: { ...NEW_POST.lines, count: 0 } },
    ids(),
  );
const a4 = { kind: 'letterhead' as const, width: mm(210), height: mm(297) };
const letter = (job: Job): Job => setLetter(job, 'card', { ...NEW_LETTER, layout: 'din-5008-b' }, ids());
const flyer = { kind: 'flyer' as const, width: mm(297), height: mm(210) };
const rolled = (job: Job): Job => setFold(job, 'card', { kind: 'rolled', less: mm(2) });

const ordered =
  (stock: string, weight: number, finishing: string[] = ['scored']) =>
  (job: Job): Job =>
    setOrder(rolled(job), 'card', { ...NO_ORDER, stock, weight, finishing });
const laid =
  (to: Partial<SheetMade>) =>
  (job: Job): Job =>
    setSheet(job, 'card', { ...USUAL_SHEET, ...to });

const usSelfMailer = { kind: 'flyer' as const, width: inch(8), height: inch(8), unit: 'in' as const };
/** Folded upwards to 8 × 4 in, with its fold at the foot of the address. */
const selfMailed =
  (finishing: string[]) =>
  (job: Job): Job =>
    posted('us')(
      setOrder(setFold(job, 'card', { kind: 'half', less: 0, level: true }), 'card', { ...NO_ORDER, finishing }),
    );

const GOLD: Ink = { id: 'gold', name: 'Metallic Gold', kind: 'spot', cmyk: [0.2, 0.3, 0.7, 0.1] };

const box = { x: 0, y: 0, width: mm(20), height: mm(10) };
const mark = area('m', 0, 0, 20, 10, ink('copper'));
/** A job with a logo of the house on its card, so wide, at that place. */
function logoed(width: number, x: number, others: readonly Element[] = []): Job {
  const kept = keepLogo(jobOf(others), [mark], box, { id: 'logo', name: 'Fern' });
  return placeLogo(
    changeLogo(kept, 'logo', { clear: 0.5, least: mm(15) }),
    'card-1',
    'logo',
    { x: mm(x), y: mm(15), width: mm(width) },
    ids(),
  );
}
const recoloured = (job: Job): Job => ({
  ...job,
  pieces: job.pieces.map((piece) => ({
    ...piece,
    faces: piece.faces.map((face) => ({
      ...face,
      elements: face.elements.map((e): Element => (e.logo && e.kind === 'shape' ? { ...e, paint: ink('green') } : e)),
    })),
  })),
});
/** The card, and another piece beside it with another drawing of the logo. */
function twoLogos(use: 'full colour' | 'reversed'): Job {
  let job = keepLogo(jobOf([]), [area('m2', 0, 0, 20, 10)], box, { id: 'first', name: 'Fern, drawn anew' });
  job = keepLogo(job, [mark], box, { id: 'logo', name: 'Fern', use });
  const other = makePiece({
    id: 'other',
    name: 'Other',
    kind: 'flyer',
    width: mm(148),
    height: mm(210),
    unit: 'mm',
    shop: 'metric-offset',
    faces: 1,
  });
  job = placeLogo(addPiece(job, other), 'other-1', 'first', { x: mm(30), y: mm(30), width: mm(20) }, ids());
  return placeLogo(job, 'card-1', 'logo', { x: mm(30), y: mm(15), width: mm(20) }, ids('t'));
}
const beside = (width: number): Job =>
  addPiece(
    jobOf([]),
    makePiece({
      id: 'other',
      name: 'Other card',
      kind: 'card',
      width: mm(width),
      height: mm(55),
      unit: 'mm',
      shop: 'metric-offset',
      faces: 1,
    }),
  );

/** A flyer folded on a heavy stock, its sheet laid out like that. */
const grained =
  (along: SheetMade['along'], weight: number) =>
  (job: Job): Job =>
    laid({ along })(ordered('Coated silk 250 g/m²', weight)(job));
const nothing: readonly Element[] = [];

export const KINDS: readonly Fault[] = [
  // Folds of a flyer 297 mm wide run beside its short side.
  {
    check: 'fold-grain',
    says: 'grain across the folds of a flyer',
    faulty: grained('long side', 250)(jobOf(nothing, flyer)),
    twin: grained('short side', 250)(jobOf(nothing, flyer)),
  },
  {
    check: 'fold-grain',
    says: 'heavy stock with no word of its grain, and light paper',
    faulty: grained('any', 200)(jobOf(nothing, flyer)),
    twin: grained('any', 150)(jobOf(nothing, flyer)),
  },
  {
    check: 'fold-grain',
    says: 'grain across the folds of paper that is not heavy, and of thin paper',
    faulty: grained('long side', 135)(jobOf(nothing, flyer)),
    twin: grained('long side', 115)(jobOf(nothing, flyer)),
  },
  {
    check: 'solid-by-fold',
    says: 'a solid that ends at the fold, on uncoated and on coated paper',
    faulty: ordered('Uncoated 120 g/m²', 120)(jobOf([area('s', 60, 60, 37, 40, ink('copper'))], flyer)),
    twin: ordered('Coated silk 130 g/m²', 130)(jobOf([area('s', 60, 60, 37, 40, ink('copper'))], flyer)),
  },
  {
    check: 'solid-by-fold',
    says: 'a solid at the fold of a recycled stock, and one that keeps away',
    faulty: ordered('Recycled natural', 120)(jobOf([area('s', 80, 60, 30, 40, ink('copper'))], flyer)),
    twin: ordered('Recycled natural', 120)(jobOf([area('s', 60, 60, 35, 40, ink('copper'))], flyer)),
  },
  {
    check: 'solid-by-fold',
    says: 'a solid at the fold, and a tint there',
    faulty: ordered('Uncoated 120 g/m²', 120)(jobOf([area('s', 80, 60, 30, 40, ink('copper'))], flyer)),
    twin: ordered('Uncoated 120 g/m²', 120)(jobOf([area('s', 80, 60, 30, 40, ink('copper', 0.5))], flyer)),
  },
  {
    check: 'edges-unlike',
    says: 'a panel at one edge, without a gutter and with one',
    faulty: laid({ gutter: 'none' })(jobOf([area('p', -3, -3, 30, 61)])),
    twin: laid({ gutter: 'twice the bleed' })(jobOf([area('p', -3, -3, 30, 61)])),
  },
  {
    check: 'edges-unlike',
    says: 'one colour at both edges, and another at the foot',
    faulty: laid({ gutter: 'none' })(jobOf([area('g', -3, -3, 91, 61, ink('green', 0.3)), area('p', -3, 48, 91, 10)])),
    twin: laid({ gutter: 'none' })(jobOf([area('g', -3, -3, 91, 61, ink('green', 0.3)), area('p', 20, 20, 20, 10)])),
  },
  {
    check: 'edges-unlike',
    says: 'a bar off one edge, and one across from edge to edge',
    faulty: laid({ gutter: 'none' })(jobOf([area('b', -3, 20, 60, 8)])),
    twin: laid({ gutter: 'none' })(jobOf([area('b', -3, 20, 91, 8)])),
  },
  one(
    'keep-clear',
    'art in the franking zone of an A6 card',
    [area('a', 120, 10, 10, 10)],
    [area('a', 20, 10, 10, 10)],
    posted('international'),
    a6,
  ),
  // 15 mm at the foot, 140 mm from the right edge: UPU, from memory.
  one(
    'keep-clear',
    'dark art in the coding strip of an A6 card, and light art',
    [area('a', 60, 92, 10, 6)],
    [area('a', 60, 92, 10, 6, ink('green', 0.15))],
    posted('international'),
    a6,
  ),
  one(
    'keep-clear',
    'art in the address of an A6 card',
    [area('a', 100, 60, 10, 10)],
    [area('a', 20, 60, 10, 10)],
    posted('international'),
    a6,
  ),
  one(
    'keep-clear',
    'art in the barcode of a US card',
    [area('a', 120, 96, 10, 4)],
    [area('a', 12, 80, 10, 4)],
    posted('us'),
    us,
  ),
  {
    check: 'post-size',
    says: 'a US card of 6 × 3 in',
    faulty: posted('us')(jobOf([], { ...us, height: inch(3) })),
    twin: posted('us')(jobOf([], us)),
  },
  {
    check: 'post-size',
    says: 'a US card with corners of a quarter inch, and of an eighth',
    faulty: posted('us')(pieceWith(jobOf([], us), { corner: inch(1 / 4) })),
    twin: posted('us')(pieceWith(jobOf([], us), { corner: inch(1 / 8) })),
  },
  one(
    'across-fold',
    'words across the fold of a flyer',
    [words('w', 'A year in the garden, week by week', 80, 100)],
    [words('w', 'A year in the garden, week by week', 120, 100)],
    rolled,
    flyer,
  ),
  one(
    'near-fold',
    'words a millimetre beside a fold',
    [words('w', 'A year', 98.66, 100)],
    [words('w', 'A year', 105, 100)],
    rolled,
    flyer,
  ),
  one(
    'keep-clear',
    'a dark panel in the address of a US card, and a light one',
    [area('a', 100, 60, 20, 10)],
    [area('a', 100, 60, 20, 10, ink('green', 0.15)), area('b', 122, 60, 10, 10, ink('paper'))],
    posted('us'),
    us,
  ),
  // Turned, the box around a line reaches into the barcode's area; the line does not.
  one(
    'keep-clear',
    'a turned line into the barcode of a US card',
    [{ ...line('l', 12, 97, 40, 1), turn: 15 }],
    [{ ...line('l', 12, 87.5, 36, 1), turn: -45 }],
    posted('us'),
    us,
  ),
  one(
    'across-fold',
    'a code across the fold of a flyer',
    [code('c', 90, 100, 24)],
    [code('c', 120, 100, 24)],
    rolled,
    flyer,
  ),
  one(
    'across-fold',
    'a logo across the fold of a flyer',
    [{ ...area('l', 90, 100, 20, 10, ink('copper')), logo: true as const }],
    [{ ...area('l', 120, 100, 20, 10, ink('copper')), logo: true as const }],
    rolled,
    flyer,
  ),
  // On the outside of 297 mm in three, 2 mm less, folds lie at 97.67 and 197.33 mm.
  one(
    'dense-fold',
    'much ink on a fold, and up to it',
    [area('a', 90, 100, 30, 30, ink('dense'))],
    [area('a', (297 + 2) / 3 - 2, 100, 30, 30, ink('dense'))],
    (job) => rolled(addInk(job, { id: 'dense', name: 'Dense', kind: 'process', cmyk: [0.8, 0.7, 0.6, 0.2] })),
    flyer,
  ),
  {
    check: 'fold-score',
    says: 'a flyer of 250 g/m² that is folded unscored',
    faulty: laid({ along: 'short side' })(ordered('', 250, [])(jobOf([], flyer))),
    twin: laid({ along: 'short side' })(ordered('', 250, ['Scored'])(jobOf([], flyer))),
  },
  {
    // 0.5 mm for the folder, and twice 0.4 mm: 1.3 mm.
    check: 'tuck-tight',
    says: 'a panel 1 mm shorter in board of 0.4 mm, and one 1.3 mm shorter',
    faulty: setThickness(setFold(jobOf([], flyer), 'card', { kind: 'rolled', less: mm(1) }), 'card', mm(0.4)),
    twin: setThickness(setFold(jobOf([], flyer), 'card', { kind: 'rolled', less: mm(1.3) }), 'card', mm(0.4)),
  },
  {
    check: 'tuck-tight',
    says: 'four panels rolled up, all but alike, and as a concertina',
    faulty: setThickness(setFold(jobOf([], flyer), 'card', { kind: 'roll', less: 0 }), 'card', mm(0.15)),
    twin: setThickness(setFold(jobOf([], flyer), 'card', { kind: 'concertina', less: 0 }), 'card', mm(0.15)),
  },
  {
    check: 'tuck-tight',
    says: 'wings of a gate in stock of 0.2 mm, 0.5 mm from the middle, and 1',
    faulty: setThickness(setFold(jobOf([], flyer), 'card', { kind: 'gate', less: mm(0.5) }), 'card', mm(0.2)),
    twin: setThickness(setFold(jobOf([], flyer), 'card', { kind: 'gate', less: mm(1) }), 'card', mm(0.2)),
  },
  {
    check: 'fold-score',
    says: 'a flyer of 171 g/m² that is folded unscored, and one of 170',
    faulty: laid({ along: 'short side' })(ordered('', 171, [])(jobOf([], flyer))),
    twin: laid({ along: 'short side' })(ordered('', 170, [])(jobOf([], flyer))),
  },
  {
    check: 'across-fold',
    says: 'a code over the level fold of a cross fold, and one above it',
    faulty: setFold(jobOf([code('c', 200, 95, 20)], flyer), 'card', { kind: 'cross', less: 0 }),
    twin: setFold(jobOf([code('c', 200, 60, 20)], flyer), 'card', { kind: 'cross', less: 0 }),
  },
  {
    check: 'post-size',
    says: 'a folded piece whose edges nobody closes, and one with tabs',
    faulty: selfMailed([])(moveElement(jobOf([], usSelfMailer), 'quiet', { x: mm(4), y: mm(-25) })),
    twin: selfMailed(['Tabs'])(moveElement(jobOf([], usSelfMailer), 'quiet', { x: mm(4), y: mm(-25) })),
  },
  {
    check: 'across-fold',
    says: 'words over the level fold of what opens upwards, and over where an upright one would be',
    faulty: setFold(jobOf([words('w', 'Across the fold', 200, 103)], flyer), 'card', {
      kind: 'half',
      less: 0,
      level: true,
    }),
    twin: setFold(jobOf([words('w', 'Across the fold', 135, 30)], flyer), 'card', {
      kind: 'half',
      less: 0,
      level: true,
    }),
  },
  {
    check: 'near-fold',
    says: 'words 1 mm below the level fold of a cross fold, and 12 mm',
    faulty: setFold(jobOf([area('a', 200, 20, 10, 4), words('w', 'On the cover', 180, 106)], flyer), 'card', {
      kind: 'cross',
      less: 0,
    }),
    twin: setFold(jobOf([area('a', 200, 20, 10, 4), words('w', 'On the cover', 180, 120)], flyer), 'card', {
      kind: 'cross',
      less: 0,
    }),
  },
  {
    check: 'laser-letterhead',
    says: 'a letterhead in gold, and a card in it',
    faulty: addInk(letter(jobOf([area('a', 40, 20, 10, 4, ink('gold'))], a4)), GOLD),
    twin: addInk(jobOf([area('a', 40, 20, 10, 4, ink('gold'))]), GOLD),
  },
  one(
    'laser-letterhead',
    'a band of 180 × 20 mm on a letterhead, and one of 90 × 20',
    [area('a', 20, 20, 180, 20, ink('black'))],
    [area('a', 20, 20, 90, 20, ink('black'))],
    letter,
    a4,
  ),
  one(
    'unprintable-margin',
    'a rule in the office printer’s margin',
    [area('a', 2, 100, 2, 10)],
    [area('a', 12, 100, 2, 10)],
    letter,
    a4,
  ),
  one(
    'keep-clear',
    'art in the address field of a letterhead',
    [area('a', 30, 60, 10, 10)],
    [area('a', 130, 60, 10, 10)],
    letter,
    a4,
  ),
  one(
    'letter-would-print',
    'a salutation that would print',
    [words('w', 'Dear Mrs Thornbury,', 30, 120)],
    [{ ...words('w', 'Dear Mrs Thornbury,', 30, 120), sample: true }],
    letter,
    a4,
  ),
  { check: 'logo-small', says: 'a logo of 12 mm that needs 15', faulty: logoed(12, 30), twin: logoed(20, 30) },
  {
    check: 'logo-crowded',
    says: 'a panel 2 mm beside a logo',
    faulty: logoed(20, 30, [area('n', 52, 16, 8, 8)]),
    twin: logoed(20, 30, [area('n', 65, 16, 8, 8)]),
  },
  { check: 'logo-altered', says: 'a logo in another ink', faulty: recoloured(logoed(20, 30)), twin: logoed(20, 30) },
  {
    check: 'logo-versions',
    says: 'two drawings of the logo in one set',
    faulty: twoLogos('full colour'),
    twin: twoLogos('reversed'),
  },
  { check: 'near-piece-sizes', says: 'cards of 85 and 86 mm', faulty: beside(86), twin: beside(85) },
  { check: 'near-piece-sizes', says: 'cards of 85 and 84.5 mm', faulty: beside(84.5), twin: beside(90) },
];
