import { addPiece } from '../../../../core/job/edits/job';
import { NEW_LETTER, NEW_POST, setFold, setLetter, setPost } from '../../../../core/job/edits/kinds';
import { changeLogo, keepLogo, placeLogo } from '../../../../core/job/edits/logos';
import { makePiece } from '../../../../core/job/make';
import type { Element, Job } from '../../../../core/job/schema';
import { inch, mm } from '../../../kit';
import { area, type Fault, ink, jobOf, words } from './fault';

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

export const KINDS: readonly Fault[] = [
  one(
    'keep-clear',
    'art in the franking zone of an A6 card',
    [area('a', 120, 10, 10, 10)],
    [area('a', 20, 10, 10, 10)],
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
