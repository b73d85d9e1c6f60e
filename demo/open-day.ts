import { addElement } from '../core/job/edits/elements';
import { addPiece } from '../core/job/edits/job';
import { keepStyle } from '../core/job/edits/words';
import { makePicture, makePiece, makeRule, makeShape, makeWords } from '../core/job/make';
import { quotedParagraphs } from '../core/job/quoted';
import type { Element, Job, Words } from '../core/job/schema';
import type { Paragraph } from '../core/type/style';
import { toPoints } from '../core/units/length';

const mm = (n: number): number => toPoints(n, 'mm');
const paint = (ink: string, tint = 1) => ({ ink, tint });
const DISPLAY = 'cormorant-garamond/semibold';
const TEXT = 'source-sans-3/regular';
const MARK_HEIGHT = 26;
const ROUND = { radius: mm(3), form: 'round' } as const;

/** The flyer of the open garden day: mixed styles in one box, words round a circle, prices on a tab, a row of details. */
export function buildOpenDay(before: Job, fern: { outline: string; ratio: number }, picture: string): Job {
  let job = addPiece(
    before,
    makePiece({
      id: 'open-day',
      name: 'Flyer, open garden day',
      kind: 'flyer',
      width: mm(148),
      height: mm(105),
      unit: 'mm',
      shop: 'metric-offset',
      faces: 2,
    }),
  );
  const put = (face: string, element: Element): void => {
    job = addElement(job, face, element);
  };
  const withParagraphs = (words: Words, paragraphs: Paragraph[]): Words => ({ ...words, paragraphs });

  put(
    'open-day-1',
    makePicture({
      id: 'garden',
      name: 'Glasshouse, wide',
      asset: picture,
      x: mm(-3),
      y: mm(-3),
      width: mm(154),
      height: mm(111),
    }),
  );
  put(
    'open-day-1',
    makeShape({
      id: 'panel',
      name: 'Oat panel',
      x: mm(9),
      y: mm(55),
      width: mm(78),
      height: mm(41),
      corners: [ROUND, ROUND, ROUND, ROUND],
      paint: paint('oat'),
    }),
  );
  put(
    'open-day-1',
    withParagraphs(
      makeWords({
        id: 'event',
        text: '',
        x: mm(14),
        y: mm(59.5),
        lettering: { typeface: TEXT, size: 12, paint: paint('fen') },
        frame: { behaviour: 'fixed width', width: mm(68) },
      }),
      [
        {
          spans: [
            { text: 'Open ', typeface: DISPLAY, size: 21 },
            { text: 'garden', typeface: 'cormorant-garamond/italic', size: 21, paint: paint('copper') },
            { text: ' day', typeface: DISPLAY, size: 21 },
          ],
          after: 4,
        },
        { spans: [{ text: 'Saturday 5 June, ten till five' }] },
        {
          spans: [{ text: 'Tea from the urn, plants from the bench, and Iris in the border at eleven.' }],
          before: 6,
        },
      ],
    ),
  );

  put(
    'open-day-2',
    makeShape({
      id: 'ground',
      name: 'Oat ground',
      x: mm(-3),
      y: mm(-3),
      width: mm(154),
      height: mm(111),
      paint: paint('oat'),
    }),
  );
  const markWidth = MARK_HEIGHT / fern.ratio;
  put(
    'open-day-2',
    makeShape({
      id: 'mark',
      name: 'Fern mark',
      logo: true,
      outline: fern.outline,
      x: mm(40 - markWidth / 2),
      y: mm(45 - MARK_HEIGHT / 2),
      width: mm(markWidth),
      height: mm(MARK_HEIGHT),
      paint: paint('fen'),
    }),
  );
  const radius = mm(20);
  put('open-day-2', {
    ...makeWords({
      id: 'round',
      name: 'Words round the mark',
      text: 'Hollin & Fen\u2002·\u2002tea garden and plant nursery',
      x: mm(40) - radius,
      y: mm(45) - radius,
      lettering: {
        typeface: DISPLAY,
        size: 14,
        paint: paint('fen'),
        letterCase: 'small capitals',
        tracking: 60,
      },
      setting: { align: 'centre' },
    }),
    path: { along: { kind: 'circle', radius }, start: 0, side: 'outside', backwards: false, lift: 1 },
  });
  put(
    'open-day-2',
    withParagraphs(
      makeWords({
        id: 'prices',
        text: '',
        x: mm(82),
        y: mm(25),
        lettering: { typeface: TEXT, size: 10, paint: paint('fen'), features: { tnum: 1 } },
        setting: { leading: { share: 1.45 }, tabs: [{ at: mm(54), align: 'right' }] },
        frame: { behaviour: 'fixed width', width: mm(54) },
      }),
      [
        { spans: [{ text: 'From the kitchen', typeface: DISPLAY, size: 17 }], after: 3 },
        ...[
          'Pot of tea\t£2.80',
          'Cream tea for one\t£7.50',
          'Cream tea for two\t£14.00',
          'Seed cake\t£3.20',
          'Lemonade, clear or cloudy\t£2.40',
        ].map((text): Paragraph => ({ spans: [{ text }] })),
      ],
    ),
  );
  put(
    'open-day-2',
    makeRule({
      id: 'day-rule',
      name: 'Copper line',
      x: mm(12),
      y: mm(84),
      width: mm(124),
      height: 0.75,
      paint: paint('copper'),
    }),
  );
  put('open-day-2', {
    ...makeWords({
      id: 'details',
      text: '',
      x: mm(74),
      y: mm(88),
      lettering: { typeface: TEXT, size: 9, paint: paint('fen') },
      setting: { align: 'centre' },
    }),
    paragraphs: quotedParagraphs('{firm.phone}\n{firm.web}\n{firm.street}, {firm.town} {firm.postcode}'),
    row: '·',
  });
  return keepStyle(job, 'details', 'Contact line', 'contact-line');
}
