import type { Cmyk, Ink } from '../../../../core/colour/ink';
import { addInk, setPrintedWith } from '../../../../core/job/edits/inks';
import type { Element, Job } from '../../../../core/job/schema';
import { area, type Fault, ink, jobOf, line, pictured, sideAt, words } from './fault';

/** Faults of inks and lines: common practice, and the shops' own limits. */
const one = (
  check: string,
  says: string,
  bad: readonly Element[],
  good: readonly Element[],
  dress: (job: Job) => Job = (j) => j,
  options = {},
): Fault => ({
  check,
  says,
  faulty: dress(jobOf(bad, options)),
  twin: dress(jobOf(good, options)),
});
const withInk =
  (id: string, cmyk: Cmyk, kind: 'process' | 'spot' = 'process') =>
  (job: Job): Job =>
    addInk(job, { id, name: id, kind, cmyk });
const swatch = (paint = ink('green')) => area('a', 10, 10, 20, 20, paint);
const twoInks = (job: Job): Job => setPrintedWith(job, 'card', { plates: 'two inks', inks: ['copper', 'black'] });
const digital = { shop: 'metric-digital' };
const press = { shop: 'letterpress' };

export const INKS: readonly Fault[] = [
  // The inks of the job: copper is a spot; green is of cyan, yellow and black.
  one(
    'inks-meet',
    'a copper panel on green',
    [area('a', 10, 10, 40, 30, ink('green')), area('b', 20, 15, 10, 10, ink('copper'))],
    [area('a', 10, 10, 40, 30, ink('green')), { ...area('b', 20, 15, 10, 10, ink('copper')), overprint: 'overprints' }],
  ),
  one(
    'inks-meet',
    'copper beside green, edge to edge',
    [area('a', 10, 10, 20, 30, ink('green')), area('b', 30, 10, 10, 30, ink('copper'))],
    [area('a', 10, 10, 20, 30, ink('green')), area('b', 30.5, 10, 10, 30, ink('copper'))],
  ),
  one(
    'inks-meet',
    'two spot inks, one on the other',
    [area('a', 10, 10, 40, 30, ink('navy')), area('b', 20, 15, 10, 10, ink('copper'))],
    // A white panel keeps them apart.
    [
      area('a', 10, 10, 40, 30, ink('navy')),
      area('p', 18, 13, 14, 14, { ink: 'paper', tint: 1 }),
      area('b', 20, 15, 10, 10, ink('copper')),
    ],
    withInk('navy', [1, 0.8, 0.2, 0.3], 'spot'),
  ),
  one('thin-lines', 'a rule of 0.1 pt', [line('r', 10, 20, 30, 0.1)], [line('r', 10, 20, 30, 0.25)]),
  one('thin-lines', 'a rule of 0.2 pt', [line('r', 10, 20, 30, 0.2)], [line('r', 10, 20, 30, 0.5)]),
  one(
    'thin-lines',
    'a tinted rule of 0.3 pt',
    [line('r', 10, 20, 30, 0.3, ink('black', 0.4))],
    [line('r', 10, 20, 30, 0.5, ink('black', 0.4))],
  ),
  one(
    'thin-lines',
    'an outline of 0.1 pt',
    [{ ...swatch(), stroke: { paint: ink('black'), weight: 0.1 } } as Element],
    [{ ...swatch(), stroke: { paint: ink('black'), weight: 0.5 } } as Element],
  ),
  one('tint-light', 'a tint of 1 %', [swatch(ink('copper', 0.01))], [swatch(ink('copper', 0.1))]),
  one('tint-light', 'a tint of 2 %', [swatch(ink('black', 0.02))], [swatch(ink('black', 0.2))]),
  one(
    'tint-light',
    'a tint of 4 % on toner',
    [swatch(ink('black', 0.04))],
    [swatch(ink('black', 0.05))],
    undefined,
    digital,
  ),
  one(
    'tint-light',
    'a tint of 40 % in letterpress',
    [swatch(ink('copper', 0.4))],
    [swatch(ink('copper'))],
    undefined,
    press,
  ),
  one('tint-dark', 'a tint of 97 %', [swatch(ink('copper', 0.97))], [swatch(ink('copper', 0.9))]),
  one('tint-dark', 'a tint of 99 % of black', [swatch(ink('black', 0.99))], [swatch(ink('black', 0.8))]),
  one(
    'registration-colour',
    'an area in the colour of registration marks',
    [swatch(ink('all'))],
    [swatch()],
    withInk('all', [1, 1, 1, 1]),
  ),
  one(
    'rich-black-words',
    'small words in rich black',
    [words('w', 'Iris', 10, 20, { lettering: { paint: ink('rich') } })],
    [words('w', 'Iris', 10, 20)],
    withInk('rich', [0.6, 0.4, 0.4, 1]),
  ),
  one(
    'knocked-out-black',
    'small black words left out of a ground',
    [area('g', 8, 18, 40, 8, ink('green', 0.3)), { ...words('w', 'Iris', 10, 20), overprint: 'knocks out' }],
    [area('g', 8, 18, 40, 8, ink('green', 0.3)), words('w', 'Iris', 10, 20)],
  ),
  one(
    'black-areas',
    'a large area in black alone',
    [area('a', -3, -3, 91, 40, ink('black')), area('b', 60, 42, 12, 6)],
    [area('a', -3, -3, 91, 40), area('b', 60, 42, 12, 6)],
  ),
  one(
    'black-areas',
    'a small area in rich black',
    [area('a', 10, 10, 5, 5, ink('rich'))],
    [area('a', 10, 10, 5, 5, ink('black'))],
    withInk('rich', [0.6, 0.4, 0.4, 1]),
  ),
  // An ink of C10 Y12 at a tenth: 1 % of cyan and 1.2 % of yellow.
  one(
    'tint-light',
    'a tenth of an ink that is pale itself',
    [area('a', 10, 10, 20, 20, ink('pale', 0.1))],
    [area('a', 10, 10, 20, 20, ink('pale', 0.5))],
    withInk('pale', [0.1, 0, 0.12, 0]),
  ),
  one(
    'screened-words',
    'small words in half of black, and large ones',
    [words('w', 'Iris Calloway', 10, 10, { lettering: { size: 7, paint: ink('black', 0.7) } })],
    [words('w', 'Iris Calloway', 10, 10, { lettering: { size: 9, paint: ink('black', 0.7) } })],
  ),
  one(
    'knocked-out-black',
    'a thin black line over colour, and over paper',
    [area('a', 10, 10, 40, 20, ink('green', 0.4)), line('l', 12, 15, 30, 0.5)],
    [area('a', 10, 20, 40, 10, ink('green', 0.4)), line('l', 12, 15, 30, 0.5)],
  ),
  one(
    'knocked-out-black',
    'a small black square over colour, and a large one',
    [area('a', 10, 10, 40, 20, ink('green', 0.4)), area('b', 20, 15, 2.5, 2.5, ink('black'))],
    [area('a', 10, 10, 40, 20, ink('green', 0.4)), area('b', 20, 15, 8, 8, ink('black'))],
  ),
  one(
    'same-ink',
    'one spot under two names',
    [swatch(ink('copper')), area('b', 40, 10, 20, 20, ink('Copper C'))],
    [swatch(ink('copper')), area('b', 40, 10, 20, 20, ink('copper'))],
    withInk('Copper C', [0.2, 0.6, 0.8, 0.1], 'spot'),
  ),
  one(
    'near-inks',
    'two greens a hair apart',
    [swatch(), area('b', 40, 10, 20, 20, ink('green2'))],
    [swatch(), area('b', 40, 10, 20, 20)],
    withInk('green2', [0.81, 0.21, 0.7, 0.3]),
  ),
  one('out-of-gamut', 'a spot colour that is no use in process', [swatch(ink('orange'))], [swatch()], (job) =>
    addInk(job, { id: 'orange', name: 'Orange', kind: 'process', cmyk: [0.6, 0, 1, 0], lab: [88, -86, 83] }),
  ),
  one('stray-plates', 'a process colour in a two-ink piece', [swatch()], [swatch(ink('copper'))], twoInks),
  one(
    'stray-plates',
    'green words in a two-ink piece',
    [words('w', 'Iris', 10, 20, { lettering: { paint: ink('green') } })],
    [words('w', 'Iris', 10, 20)],
    twoInks,
  ),
  // A varnish may be shown in the colour of another spot, and is ordered beside the inks.
  one(
    'stray-plates',
    'a third ink in a two-ink piece, and a varnish',
    [area('a', 10, 10, 20, 20, ink('gloss'))],
    [area('a', 10, 10, 20, 20, ink('varnish'))],
    (job) => {
      const made = (id: string, name: string): Ink => ({ id, name, kind: 'spot', cmyk: [0.2, 0.6, 0.8, 0.1] });
      return twoInks(
        addInk(addInk(job, { ...made('gloss', 'Rust'), cmyk: [0, 0.7, 0.9, 0.4] }), made('varnish', 'UV varnish')),
      );
    },
  ),
  one('shop-plates', 'a spot at a shop that has none', [swatch(ink('copper'))], [swatch()], undefined, digital),
  one(
    'shop-plates',
    'a spot in words at a shop that has none',
    [words('w', 'Iris', 10, 20, { lettering: { paint: ink('copper') } })],
    [words('w', 'Iris', 10, 20)],
    undefined,
    digital,
  ),
  one('shop-plates', 'process inks in letterpress', [swatch()], [swatch(ink('copper'))], undefined, press),
  one(
    'see-through',
    'a thinned panel for a shop without transparency',
    [{ ...swatch(ink('copper')), opacity: 0.5 }],
    [swatch(ink('copper'))],
    undefined,
    press,
  ),
  one(
    'see-through',
    'a soft shadow for a shop without transparency',
    [{ ...swatch(ink('copper')), shadow: { ink: 'black', tint: 1, x: 2, y: 2, blur: 3 } } as Element],
    [swatch(ink('copper'))],
    undefined,
    press,
  ),
  {
    check: 'transparent-picture',
    says: 'a see-through picture for a shop without transparency',
    faulty: pictured(sideAt(600), { alpha: true }, { inks: [ink('copper')] } as Partial<Element>, press),
    twin: pictured(sideAt(600), {}, { inks: [ink('copper')] } as Partial<Element>, press),
  },
  one('doubled', 'one panel twice', [swatch(), { ...swatch(), id: 'b' }], [swatch(), { ...swatch(), id: 'b', x: 150 }]),
  one(
    'doubled',
    'one word twice',
    [words('w', 'Iris', 10, 20), words('v', 'Iris', 10, 20)],
    [words('w', 'Iris', 10, 20)],
  ),
  one('invisible', 'a panel that is wholly see-through', [{ ...swatch(), opacity: 0 }], [swatch()]),
  one('invisible', 'a panel of no tint', [swatch(ink('green', 0))], [swatch(ink('green', 0.1))]),
  one('hidden-left', 'a hidden panel', [{ ...swatch(), hidden: true }], [swatch()]),
  one('hidden-left', 'hidden words', [{ ...words('w', 'Iris', 10, 20), hidden: true }], [words('w', 'Iris', 10, 20)]),
  one(
    'locked-left',
    'locked words on a panel that is not',
    [swatch(), { ...words('w', 'Iris', 12, 14, { lettering: { paint: ink('paper') } }), locked: true }],
    [{ ...swatch(), locked: true }, words('w', 'Iris', 12, 14, { lettering: { paint: ink('paper') } })],
  ),
  one(
    'sample-left',
    'a sample on a card',
    [{ ...words('w', 'Iris', 10, 20), sample: true }],
    [words('w', 'Iris', 10, 20)],
  ),
  one(
    'covered',
    'words behind a panel',
    [words('w', 'Iris', 12, 14), swatch()],
    [swatch(), words('w', 'Iris', 12, 14, { lettering: { paint: ink('paper') } })],
  ),
  one('covered', 'a rule behind a panel', [line('r', 12, 14, 10, 1), swatch()], [swatch(), line('r', 40, 14, 10, 1)]),
  one('speck', 'a panel of 0.2 mm', [area('a', 20, 20, 0.2, 0.2)], [area('a', 20, 20, 2, 2)]),
  one('speck', 'a rule 0.2 mm long', [line('r', 20, 20, 0.2, 0.5)], [line('r', 20, 20, 20, 0.5)]),
];
