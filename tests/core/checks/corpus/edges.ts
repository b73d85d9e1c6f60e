import { makeShape } from '../../../../core/job/make';
import { mm } from '../../../kit';
import { area, code, type Fault, ink, jobOf, line, pieceWith, words } from './fault';

/** Faults at the edges. 3 mm of bleed and 4 mm of safe zone on a card: common practice. */
const one = (
  check: string,
  says: string,
  bad: Parameters<typeof jobOf>[0],
  good: Parameters<typeof jobOf>[0],
  options = {},
): Fault => ({
  check,
  says,
  faulty: jobOf(bad, options),
  twin: jobOf(good, options),
});
const frame = (inset: number, shift = 0) =>
  makeShape({
    id: 'frame',
    x: mm(inset + shift),
    y: mm(inset),
    width: mm(85 - 2 * inset),
    height: mm(55 - 2 * inset),
    paint: ink('paper'),
    stroke: { paint: ink('black'), weight: 1 },
  });
const rounds = (radius: number) => {
  const corner = { radius, form: 'round' as const };
  return [corner, corner, corner, corner] as [typeof corner, typeof corner, typeof corner, typeof corner];
};
/** A frame as drawings of others have it: an area with a hole, 0.4 mm wide. */
function ring(inset: number) {
  const [width, height] = [85 - 2 * inset, 55 - 2 * inset];
  const [x, y] = [0.4 / width, 0.4 / height];
  const outline = `M0 0H1V1H0Z M${x} ${y}V${1 - y}H${1 - x}V${y}Z`;
  return { ...area('frame', inset, inset, width, height, ink('black')), outline };
}
const inch = { shop: 'inch-mail-order', unit: 'in' as const, width: 252, height: 144 };

export const EDGES: readonly Fault[] = [
  one('short-of-bleed', 'a panel that ends at the left trim', [area('a', 0, -3, 20, 61)], [area('a', -3, -3, 23, 61)]),
  one(
    'short-of-bleed',
    'a panel that ends at the right trim',
    [area('a', 65, -3, 20, 61)],
    [area('a', 65, -3, 23, 61)],
  ),
  one('short-of-bleed', 'a band that ends at the head', [area('a', -3, 0, 91, 8)], [area('a', -3, -3, 91, 11)]),
  one('short-of-bleed', 'a band a millimetre past the foot', [area('a', -3, 52, 91, 4)], [area('a', -3, 52, 91, 6)]),
  one(
    'short-of-bleed',
    'a background that ends at the trim all round',
    [area('a', 0, 0, 85, 55, ink('green', 0.1))],
    [area('a', -3, -3, 91, 61, ink('green', 0.1))],
  ),
  one(
    'outside-safe',
    'words 2 mm from the left trim',
    [words('w', 'Iris Calloway', 2, 20)],
    [words('w', 'Iris Calloway', 5, 20)],
  ),
  one(
    'outside-safe',
    'words across the head trim',
    [words('w', 'Iris Calloway', 10, -1)],
    [words('w', 'Iris Calloway', 10, 6)],
  ),
  one('outside-safe', 'words by the right trim', [words('w', 'Iris', 78, 20)], [words('w', 'Iris', 70, 20)]),
  one(
    'outside-safe',
    'a logo by the foot',
    [{ ...area('l', 20, 47, 6, 6), logo: true as const }],
    [{ ...area('l', 20, 40, 6, 6), logo: true as const }],
  ),
  one(
    'sliver-inside',
    'a panel half a millimetre inside the left trim',
    [area('a', 0.5, 10, 20, 10)],
    [area('a', 6, 10, 20, 10)],
  ),
  one(
    'sliver-inside',
    'a band half a millimetre above the foot',
    [area('a', -3, 46.5, 91, 8, ink('green', 0.1))],
    [area('a', -3, 46.5, 91, 11.5, ink('green', 0.1))],
  ),
  one(
    'background-gap',
    'a background that leaves 3 mm bare at the right',
    [area('a', -3, -3, 85, 61, ink('green', 0.1))],
    [area('a', -3, -3, 91, 61, ink('green', 0.1))],
  ),
  one(
    'background-gap',
    'a background that leaves 4 mm bare at the foot',
    [area('a', -3, -3, 91, 54, ink('green', 0.1))],
    [area('a', -3, -3, 91, 54, ink('green', 0.1)), area('b', -3, 50.9, 91, 7.1, ink('green', 0.2))],
  ),
  // A background turned by 2°: 85 mm × tan 2° is 3 mm, which the bleed of 3 mm has not got.
  one(
    'short-of-bleed',
    'a turned background that runs out of the bleed along the top',
    [{ ...area('a', -8, -4, 101, 70, ink('green', 0.1)), turn: 2 }],
    [{ ...area('a', -8, -8, 101, 76, ink('green', 0.1)), turn: 2 }],
  ),
  one(
    'background-gap',
    'a turned background with bare paper at two corners',
    [{ ...area('a', -12, -4, 109, 63, ink('green', 0.1)), turn: 8 }],
    [{ ...area('a', -14, -14, 113, 83, ink('green', 0.1)), turn: 8 }],
  ),
  one(
    'background-gap',
    'a background whose own corners are round',
    [{ ...area('a', -3, -3, 91, 61, ink('green', 0.1)), corners: rounds(mm(15)) }],
    [{ ...area('a', -3, -3, 91, 61, ink('green', 0.1)), corners: rounds(mm(5)) }],
  ),
  one(
    'short-of-bleed',
    'a white panel that ends at the trim of a coloured ground',
    [area('g', -3, -3, 91, 61, ink('green', 0.1)), area('a', 0, 10, 20, 20, ink('paper'))],
    [area('a', 0, 10, 20, 20, ink('paper'))],
  ),
  one(
    'frame-near-trim',
    'a frame without a fill 2 mm inside',
    [{ ...frame(2), paint: { kind: 'none' } }],
    [{ ...frame(6), paint: { kind: 'none' } }],
  ),
  one('frame-near-trim', 'a frame that is drawn as an area with a hole', [ring(2)], [ring(6)]),
  one(
    'frame-near-trim',
    'a line that is drawn as a thin area',
    [area('a', 10, 1.5, 65, 0.4)],
    [area('a', 10, 8, 65, 0.4)],
  ),
  one(
    'outside-safe',
    'a word 4.2 mm from both edges of a rounded corner',
    [words('w', 'Iris Calloway', 4.2, 4.2)],
    [words('w', 'Iris Calloway', 6.5, 6)],
  ),
  // Two words turned by 45°: the box around the letters reaches to the trim, the letters do not.
  one(
    'outside-safe',
    'a turned word by the left trim',
    [{ ...words('w', 'Tea garden', 0, 18), turn: 45 }],
    [{ ...words('w', 'Tea garden', 4, 18), turn: 45 }],
  ),
  one('frame-near-trim', 'a frame 2 mm inside', [frame(2)], [frame(6)]),
  one('frame-near-trim', 'a rule 1.5 mm from the head', [line('r', 10, 1.5, 65, 1)], [line('r', 10, 8, 65, 1)]),
  one('frame-uneven', 'a frame half a millimetre off the middle', [frame(6, 0.25)], [frame(6)]),
  one(
    'frame-uneven',
    'a panel one millimetre off the middle',
    [area('a', 9.5, 6, 67, 43, ink('green', 0.1))],
    [area('a', 9, 6, 67, 43, ink('green', 0.1))],
  ),
  one('off-face', 'a panel wholly to the right of the card', [area('a', 95, 10, 10, 10)], [area('a', 60, 10, 10, 10)]),
  one('off-face', 'a word above the card', [words('w', 'Iris', 20, -20)], [words('w', 'Iris', 20, 20)]),
  one('size-not-offered', 'a card of 85 × 55 mm at a shop that cuts inches', [], [], {}),
  one('code-at-edge', 'a code half a millimetre from the head', [code('c', 20, 0.5, 20)], [code('c', 20, 6, 20)]),
  {
    check: 'corner-cut',
    says: 'a word in a corner of 18 mm',
    faulty: pieceWith(jobOf([words('w', 'Iris Calloway', 4.2, 4.2)]), { corner: mm(18) }),
    twin: pieceWith(jobOf([words('w', 'Iris Calloway', 4.2, 4.2)]), { corner: mm(3) }),
  },
  {
    check: 'empty-face',
    says: 'a back with nothing on it',
    faulty: jobOf([], { faces: 2 }),
    twin: jobOf([], { faces: 1 }),
  },
]
  .map((fault) =>
    fault.says.includes('rounded corner')
      ? {
          ...fault,
          faulty: pieceWith(fault.faulty, { corner: mm(10) }),
          twin: pieceWith(fault.twin, { corner: mm(10) }),
        }
      : fault,
  )
  .map((fault) =>
    fault.check === 'size-not-offered'
      ? { ...fault, faulty: jobOf([], { ...inch, width: mm(85), height: mm(55) }), twin: jobOf([], inch) }
      : fault,
  );
