import type { Finish } from '../../../../core/job/finishing';
import { makeShape } from '../../../../core/job/make';
import type { Element } from '../../../../core/job/schema';
import { mm } from '../../../kit';
import { area, type Fault, ink, jobOf, line, pieceWith, words } from './fault';

/** Faults of finishing, on a card of 85 × 55 mm: limits of tools are common practice. */

const KINDS: readonly Finish[] = [
  { id: 'foil', kind: 'foil' },
  { id: 'varnish', kind: 'varnish' },
  { id: 'die-line', kind: 'die line' },
  { id: 'crease', kind: 'crease' },
  { id: 'perforation', kind: 'perforation' },
  { id: 'holes', kind: 'holes' },
  { id: 'glue', kind: 'glue' },
  { id: 'white', kind: 'white' },
  { id: 'embossing', kind: 'embossing' },
];

const on = (finish: string, element: Element): Element => ({ ...element, finish });

/** A job whose card has the finishes that its elements name, and those that cover its side. */
function finished(elements: readonly Element[], whole: readonly string[] = [], rest: object = {}) {
  const named = new Set([...elements.map(({ finish }) => finish), ...whole]);
  const job = jobOf(elements);
  const [face] = job.pieces[0]!.faces;
  const finishing = KINDS.filter(({ id }) => named.has(id)).map((each) =>
    whole.includes(each.id) ? { ...each, whole: [face!.id] } : each,
  );
  return pieceWith(job, { ...(finishing.length > 0 ? { finishing } : {}), ...rest });
}

const one = (check: string, says: string, bad: readonly Element[], good: readonly Element[]): Fault => ({
  check,
  says,
  faulty: finished(bad),
  twin: finished(good),
});

const ellipse = (id: string, x: number, y: number, width: number, height: number): Element => ({
  ...makeShape({ id, x: mm(x), y: mm(y), width: mm(width), height: mm(height) }),
  form: { kind: 'ellipse' },
});
const scooped = (radius: number) => {
  const corner = { radius: mm(radius), form: 'scooped' as const };
  return [corner, corner, corner, corner] as [typeof corner, typeof corner, typeof corner, typeof corner];
};
const plate = (x = 0, y = 0, width = 85, height = 55): Element => ({
  ...area('die', x, y, width, height),
  corners: scooped(6),
  finish: 'die-line',
});
const ground = (inset: number): Element =>
  area('ground', -3 + inset, -3 + inset, 91 - 2 * inset, 61 - 2 * inset, ink('green', 0.1));

export const FINISHING: readonly Fault[] = [
  one(
    'die-cuts',
    'a word in a scooped corner',
    [plate(), words('w', 'Iris', 4, 4.5)],
    [plate(), words('w', 'Iris', 30, 20)],
  ),
  one('die-bleed', 'a ground that ends a millimetre outside a die line', [ground(2), plate()], [ground(0), plate()]),
  one('die-form', 'a die line past the trim', [plate(-1, 0, 86, 55)], [plate()]),
  one('die-form', 'a strip of a millimetre beside a die line', [plate(1, 0, 84, 55)], [plate(3, 0, 82, 55)]),
  one('die-form', 'a die line that is a rule', [on('die-line', line('r', 20, 20, 30, 1))], [plate()]),
  one(
    'tool-through',
    'a hole through a name',
    [on('holes', ellipse('h', 30, 20, 5, 5)), words('w', 'Iris Calloway', 25, 20)],
    [on('holes', ellipse('h', 60, 20, 5, 5)), words('w', 'Iris Calloway', 25, 20)],
  ),
  one(
    'tool-through',
    'a perforation through a name',
    [on('perforation', line('p', 5, 21.5, 75, 1)), words('w', 'Iris Calloway', 25, 20)],
    [on('perforation', line('p', 5, 30, 75, 1)), words('w', 'Iris Calloway', 25, 20)],
  ),
  one(
    'finish-thin',
    'a foil line of 0.15 mm',
    [on('foil', line('f', 20, 20, 30, mm(0.15)))],
    [on('foil', line('f', 20, 20, 30, mm(0.3)))],
  ),
  one(
    'finish-thin',
    'an embossed line of 0.4 mm',
    [on('embossing', line('f', 20, 20, 30, mm(0.4)))],
    [on('embossing', line('f', 20, 20, 30, mm(0.6)))],
  ),
  one(
    'finish-close',
    'two foil lines 0.3 mm from each other',
    [on('foil', line('a', 20, 20, 30, mm(1))), on('foil', line('b', 20, 21.3, 30, mm(1)))],
    [on('foil', line('a', 20, 20, 30, mm(1))), on('foil', line('b', 20, 21.7, 30, mm(1)))],
  ),
  one(
    'finish-edge',
    'foil 1 mm from the trim',
    [on('foil', area('f', 1, 20, 10, 10))],
    [on('foil', area('f', 2, 20, 10, 10))],
  ),
  one(
    'finish-edge',
    'a hole 2 mm from a die line',
    [plate(), on('holes', ellipse('h', 40, 2, 4, 4))],
    [plate(), on('holes', ellipse('h', 40, 3.2, 4, 4))],
  ),
  one(
    'varnish-register',
    'varnish on letters of 7 pt',
    [on('varnish', { ...words('v', 'Iris', 20, 20, { lettering: { size: 7 } }) })],
    [on('varnish', { ...words('v', 'Iris', 20, 20, { lettering: { size: 24 } }) })],
  ),
  one(
    'glue-covered',
    'a panel of ink under a strip of glue',
    [area('a', 10, 10, 40, 10), on('glue', area('g', 10, 12, 30, 5))],
    [area('a', 10, 10, 40, 10), on('glue', area('g', 10, 25, 30, 5))],
  ),
  {
    check: 'glue-covered',
    says: 'varnish over the whole side and a strip of glue',
    faulty: finished([on('glue', area('g', 10, 12, 30, 5))], ['varnish']),
    twin: finished([on('glue', area('g', 10, 12, 30, 5)), on('varnish', area('v', 10, 24, 30, 10))]),
  },
  {
    check: 'white-under',
    says: 'colour on kraft without white',
    faulty: finished([area('a', 10, 10, 40, 10)], [], { order: order('Kraft board') }),
    twin: finished([area('a', 10, 10, 40, 10), on('white', area('w', 10, 10, 40, 10))], [], {
      order: order('Kraft board'),
    }),
  },
  {
    check: 'white-under',
    says: 'colour on a stock that is known by its colour alone; cream is as good as white',
    faulty: finished([area('a', 10, 10, 40, 10)], [], { order: { ...order('Our usual'), colour: '#c8c9c7' } }),
    twin: finished([area('a', 10, 10, 40, 10)], [], { order: { ...order('Our usual'), colour: '#f4ead2' } }),
  },
  {
    check: 'white-under',
    says: 'a stock called by the colour it has; one whose colour is said to be white is white',
    faulty: finished([area('a', 10, 10, 40, 10)], [], { order: order('Grey board') }),
    twin: finished([area('a', 10, 10, 40, 10)], [], { order: { ...order('Grey board'), colour: '#ffffff' } }),
  },
  {
    check: 'empty-finish',
    says: 'a foil that nothing is of',
    faulty: pieceWith(jobOf([]), { finishing: [{ id: 'foil', kind: 'foil' }] }),
    twin: jobOf([]),
  },
];

function order(stock: string) {
  return { quantity: 250, stock, finishing: [], notes: '' };
}
