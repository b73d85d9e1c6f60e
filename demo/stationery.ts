import { addElement } from '../core/job/edits/elements';
import { renameFace } from '../core/job/edits/faces';
import { setPrintedWith } from '../core/job/edits/inks';
import { addPiece } from '../core/job/edits/job';
import {
  NEW_LETTER,
  NEW_POST,
  setEnvelope,
  setFold,
  setLetter,
  setPost,
  setThickness,
  setTurns,
} from '../core/job/edits/kinds';
import { addLetter } from '../core/job/edits/letters';
import type { LetterText } from '../core/job/letters';
import { makePicture, makePiece, makeRule, makeShape, makeWords } from '../core/job/make';
import { quotedParagraphs } from '../core/job/quoted';
import type { Element, Job } from '../core/job/schema';
import { ENVELOPES } from '../core/trade/envelopes';
import type { Kind } from '../core/trade/schema';
import type { Alignment, Paragraph } from '../core/type/style';
import { toPoints } from '../core/units/length';

/** The demo firm's letterhead, envelopes, postcards and folded flyer. */

const DISPLAY = 'cormorant-garamond/semibold';
const ITALIC = 'cormorant-garamond/italic';
const TEXT = 'source-sans-3/regular';
const BOLD = 'source-sans-3/semibold';

export interface Art {
  fern: { outline: string; ratio: number };
  /** A picture for a card, and one as wide as an open flyer, by their hashes. */
  picture: string;
  panorama: string;
}

/** Puts things on the faces of one piece, in millimetres, naming them one after another. */
function bench(start: Job, id: string) {
  let job = start;
  let n = 0;
  const mm = (value: number): number => toPoints(value, 'mm');
  const paint = (ink: string, tint = 1) => ({ ink, tint });
  const put = (face: number, element: Element): void => {
    job = addElement(job, `${id}-${face}`, element);
  };
  const newId = (): string => `${id}-e${++n}`;
  return {
    mm,
    newId,
    job: () => job,
    edit: (change: (now: Job) => Job): void => {
      job = change(job);
    },
    area(face: number, name: string, [x, y, width, height]: readonly number[], ink: string, tint = 1): void {
      const box = { x: mm(x!), y: mm(y!), width: mm(width!), height: mm(height!) };
      put(face, makeShape({ id: newId(), name, ...box, paint: paint(ink, tint) }));
    },
    rule(face: number, name: string, [x, y, width]: readonly number[], ink: string, weight = 0.5): void {
      put(
        face,
        makeRule({ id: newId(), name, x: mm(x!), y: mm(y!), width: mm(width!), height: weight, paint: paint(ink) }),
      );
    },
    fern(face: number, { fern }: Art, x: number, y: number, height: number, ink: string, tint = 1): void {
      const size = { width: mm(height) / fern.ratio, height: mm(height) };
      const shape = { id: newId(), name: 'Fern mark', outline: fern.outline, x: mm(x), y: mm(y), ...size };
      put(face, { ...makeShape({ ...shape, paint: paint(ink, tint) }), logo: true });
    },
    picture(face: number, name: string, [x, y, width, height]: readonly number[], { picture }: Art, down = 0.5): void {
      const box = { x: mm(x!), y: mm(y!), width: mm(width!), height: mm(height!) };
      const view = { fit: 'fill' as const, zoom: 1, at: { x: 0.5, y: down } };
      put(face, makePicture({ id: newId(), name, asset: picture, ...box, ...(down === 0.5 ? {} : { view }) }));
    },
    words(
      face: number,
      [x, y, width]: readonly [number, number, number?],
      text: string | Paragraph[],
      look: {
        typeface?: string;
        size: number;
        ink?: string;
        tint?: number;
        align?: Alignment;
        leading?: number;
        name?: string;
        sample?: true;
      },
    ): void {
      const { typeface = TEXT, size, ink = 'black', tint = 1, align = 'left', leading = 1.25 } = look;
      const words = makeWords({
        id: newId(),
        text: '',
        x: mm(x),
        y: mm(y),
        ...(look.name ? { name: look.name } : {}),
        lettering: { typeface, size, paint: paint(ink, tint) },
        setting: { align, leading: { share: leading } },
        ...(width === undefined ? {} : { frame: { behaviour: 'fixed width' as const, width: mm(width) } }),
      });
      const paragraphs = typeof text === 'string' ? quotedParagraphs(text) : text;
      put(face, { ...words, paragraphs, ...(look.sample ? { sample: true as const } : {}) });
    },
  };
}

const piece = (
  job: Job,
  id: string,
  name: string,
  kind: Kind,
  [width, height]: readonly [number, number],
  inches = false,
  faces = 2,
): Job => {
  const unit = inches ? 'in' : 'mm';
  const size = { width: toPoints(width, unit), height: toPoints(height, unit) };
  const shop = inches ? 'inch-mail-order' : 'metric-offset';
  return addPiece(job, makePiece({ id, name, kind, ...size, unit, shop, faces }));
};

/** Letters that have been written, the newer one on two sheets. */
const LETTERS: readonly LetterText[] = [
  {
    id: 'letter-quill',
    name: 'Hedge along the lane, to Mr Quill',
    changed: '2026-03-02T09:30:00.000Z',
    recipient: 'Mr Bea Quill\nThe Ropewalk\nQuay Street\nEast Wend EW7 1AB',
    date: '2 March 2026',
    salutation: 'Dear Mr Quill,',
    body: [
      'Thank you for walking the lane with us on Friday. Here is what we saw, and what we think it wants, in the order in which we would do it.',
      'The hawthorn from the gate to the pump has not been laid for twenty years. It is sound at the foot and thin at the top, and the sheep have found the gaps. We would lay it this winter, from the gate up, in two stretches of forty metres, and leave every seventh stem to stand.',
      'Beyond the pump there is more elm than hawthorn. It will not lay well. We would cut it back to knee height before the birds come, fill the gaps with hazel and dogwood of our own growing, and put up a fence on the field side for four years.',
      'The ditch wants clearing on your side only. The reeds should stay where the bank bends: they hold it. What comes out can lie along the top for a week, so that whatever lives in it can walk home.',
      'At the far end, where the lane meets the road, nothing should be planted higher than a gate. Lorries turn there. We thought of low willow, cut each spring for the kitchen garden’s peas.',
      'For the first year that is eleven days for two of us, and about three hundred young plants. After that it is two days each winter. If it suits you we would begin in the second week of November, when the leaves are off and the ground still bears a barrow.',
      'Would you let us know by Easter? Wren is sowing the hazels now, and would be glad to know how many.',
      'With good wishes,',
      'Iris Calloway',
    ].join('\n'),
  },
  {
    id: 'letter-thornbury',
    name: 'A plan for the south border',
    changed: '2026-02-18T14:05:00.000Z',
    recipient: 'Mrs Adaeze Thornbury\nThe Old Maltings\nQuay Street\nEast Wend EW7 1AB',
    date: '18 February 2026',
    salutation: 'Dear Mrs Thornbury,',
    body: 'Your plan is in the roll that comes with this letter, with the two lists we spoke of.\nThe plants for this spring are on the bench with your name on them.\nWith good wishes,\nIris Calloway',
  },
];

/** Two inks: black and the copper spot. The letter itself is a sample. */
function letterhead(start: Job, art: Art): Job {
  const b = bench(piece(start, 'letterhead', 'Letterhead', 'letterhead', [210, 297]), 'letterhead');
  b.edit((job) => setPrintedWith(job, 'letterhead', { plates: 'two inks', inks: ['copper', 'black'] }));
  b.edit((job) => setLetter(job, 'letterhead', { ...NEW_LETTER, layout: 'din-5008-b' }, b.newId));
  for (const letter of LETTERS) b.edit((job) => addLetter(job, 'letterhead', letter));
  b.edit((job) => renameFace(job, 'letterhead', 'letterhead-1', 'First sheet'));
  b.edit((job) => renameFace(job, 'letterhead', 'letterhead-2', 'Following sheets'));
  b.fern(1, art, 25, 13, 23, 'copper');
  b.words(1, [40, 15.2], '{firm.name}', { typeface: DISPLAY, size: 25, name: 'Firm' });
  b.words(1, [40, 26.2], '{firm.line}', { typeface: ITALIC, size: 12, ink: 'copper', name: 'Line of business' });
  b.words(1, [190, 16.6], '{firm.street}\n{firm.town} {firm.postcode}\n{firm.phone}\n{firm.web}', {
    size: 8.5,
    align: 'right',
    leading: 1.35,
    name: 'Where we are',
  });
  b.rule(1, 'Foot rule', [25, 279, 165], 'copper', 0.5);
  b.words(1, [25, 281], '{firm.name}  ·  {firm.registration}', { size: 7.5, name: 'Foot' });
  b.words(1, [190, 281], '{firm.mail}', { size: 7.5, align: 'right', name: 'Mail' });
  b.fern(2, art, 25, 12.5, 13, 'copper');
  b.words(2, [33.5, 14.6], '{firm.name}', { typeface: DISPLAY, size: 15, name: 'Firm' });
  b.rule(2, 'Foot rule', [25, 279, 165], 'copper', 0.5);
  b.words(2, [190, 281], '{firm.web}', { size: 7.5, align: 'right', name: 'Web' });
  const sample = { size: 11, leading: 1.35, sample: true as const };
  b.words(1, [25, 62.7], 'Mrs Adaeze Thornbury\nThe Old Maltings\nQuay Street\nEast Wend EW7 1AB', {
    ...sample,
    name: 'Recipient',
  });
  b.words(1, [190, 93], '18 February', { ...sample, align: 'right', name: 'Date' });
  b.words(
    1,
    [25, 103.5, 150],
    [
      { spans: [{ text: 'Dear Mrs Thornbury,' }], after: 8 },
      {
        spans: [
          {
            text: 'Thank you for walking the long border with us last week. As we said, most of it only wants dividing; the far end, where the water stands, is another matter, and there we would plant for the wet and not against it.',
          },
        ],
        after: 8,
      },
      {
        spans: [
          {
            text: 'A plan is on its way to you by the end of the month, with two lists: one for this spring and one that can wait. Come and see the plants on the bench before you decide. The kettle is on from ten.',
          },
        ],
        after: 8,
      },
      { spans: [{ text: 'With good wishes,' }], after: 30 },
      { spans: [{ text: 'Iris Calloway' }] },
    ],
    { ...sample, name: 'Letter' },
  );
  return b.job();
}

function envelopes(start: Job, art: Art): Job {
  const dl = ENVELOPES.find(({ name }) => name === 'DL')!;
  const no10 = ENVELOPES.find(({ name }) => name === 'No. 10')!;
  const b = bench(piece(start, 'envelope-dl', 'Envelope DL, window', 'envelope', [220, 110]), 'envelope-dl');
  const { left, bottom, width, height } = dl.window!;
  const window = { x: left, y: dl.height - bottom - height, width, height };
  b.edit((job) => setEnvelope(job, 'envelope-dl', { flap: dl.flap, seams: dl.seams, window }));
  b.edit((job) => setPrintedWith(job, 'envelope-dl', { plates: 'two inks', inks: ['copper', 'black'] }));
  b.edit((job) => setPost(job, 'envelope-dl', { ...NEW_POST, rules: 'international', face: 'envelope-dl-1' }, b.newId));
  b.fern(1, art, 14, 10, 17, 'copper');
  b.words(1, [25.5, 11.4], '{firm.name}', { typeface: DISPLAY, size: 16, name: 'Firm' });
  b.words(1, [25.5, 18.6], '{firm.street}, {firm.town} {firm.postcode}', { size: 8, name: 'Return address' });
  b.words(1, [25.5, 22.4], '{firm.web}', { size: 8, name: 'Web' });
  const a = bench(piece(b.job(), 'envelope-10', 'Envelope No. 10', 'envelope', [9.5, 4.125], true), 'envelope-10');
  a.edit((job) => setEnvelope(job, 'envelope-10', { flap: no10.flap, seams: no10.seams }));
  a.edit((job) => setPrintedWith(job, 'envelope-10', { plates: 'two inks', inks: ['copper', 'black'] }));
  a.edit((job) => setPost(job, 'envelope-10', { ...NEW_POST, rules: 'us', face: 'envelope-10-1' }, a.newId));
  a.fern(1, art, 11, 9.5, 18, 'copper');
  a.words(1, [23, 11], '{firm.name}', { typeface: DISPLAY, size: 17, name: 'Firm' });
  a.words(1, [23, 18.8], '{firm.street}, {firm.town} {firm.postcode}\n{firm.web}', {
    size: 8.5,
    leading: 1.35,
    name: 'Return address',
  });
  return a.job();
}

/** One postcard for the spring opening, in the size and by the rules of each side of the water. */
function postcard(start: Job, art: Art, id: string, name: string, us: boolean): Job {
  const size = us ? ([6, 4] as const) : ([148, 105] as const);
  const [w, h] = us ? [152.4, 101.6] : [148, 105];
  const bleed = us ? 3.175 : 3;
  const b = bench(piece(start, id, name, 'postcard', size, us), id);
  b.edit((job) => renameFace(job, id, `${id}-1`, 'Picture side'));
  b.edit((job) => renameFace(job, id, `${id}-2`, 'Address side'));
  const band = 33;
  b.picture(1, 'Glasshouse, wide', [-bleed, -bleed, w + 2 * bleed, h - band + bleed + 1], art, 0.72);
  b.area(1, 'Fen band', [-bleed, h - band, w + 2 * bleed, band + bleed], 'fen');
  b.area(1, 'Copper edge', [-bleed, h - band - 0.9, w + 2 * bleed, 0.9], 'copper');
  b.fern(1, art, 13, h - band + 4.5, 21, 'oat');
  b.words(1, [31, h - band + 4.6], 'The garden wakes', { typeface: DISPLAY, size: 28, ink: 'oat', name: 'Title' });
  b.words(1, [31, h - band + 17.2], 'Spring opening, Saturday 20 March, from ten', {
    size: 11,
    ink: 'oat',
    name: 'When',
  });
  b.edit((job) => setPost(job, id, { ...NEW_POST, rules: us ? 'us' : 'international', face: `${id}-2` }, b.newId));
  b.edit((job) => setTurns(job, id, 'left–right'));
  b.edit((job) => setThickness(job, id, us ? toPoints(0.014, 'in') : toPoints(0.35, 'mm')));
  const column = us ? 60 : 56;
  b.fern(2, art, 9, 10, 14, 'copper');
  b.words(2, [18, 11.6], '{firm.name}', { typeface: DISPLAY, size: 16, ink: 'fen', name: 'Firm' });
  b.words(2, [18, 18.6], '{firm.line}', { typeface: ITALIC, size: 9, ink: 'fen', name: 'Line of business' });
  b.words(
    2,
    [9, 30, column - (us ? 4 : 2)],
    'Hellebores on the bench, tea in the glasshouse, and the long border walked with whoever made it. Bring boots and a friend.',
    { size: 9.5, ink: 'fen', leading: 1.4, name: 'Message' },
  );
  b.words(2, [9, us ? 62 : 66], '{firm.street}, {firm.town} {firm.postcode}\n{firm.phone}\n{firm.web}', {
    size: 8,
    ink: 'fen',
    leading: 1.4,
    name: 'Where we are',
  });
  return b.job();
}

const season = (name: string, text: string): Paragraph[] => [
  { spans: [{ text: name, typeface: DISPLAY, size: 26 }], after: 4 },
  { spans: [{ text }] },
];

/** An A4 sheet folded in three: outside from the left the tucked panel, the back and the cover. */
function folded(start: Job, art: Art): Job {
  const b = bench(piece(start, 'year', 'Flyer, a year in the garden', 'flyer', [297, 210]), 'year');
  b.edit((job) => setFold(job, 'year', { kind: 'rolled', less: toPoints(2, 'mm') }));
  b.edit((job) => renameFace(job, 'year', 'year-1', 'Outside'));
  b.edit((job) => renameFace(job, 'year', 'year-2', 'Inside'));
  const wide = 299 / 3;
  const tucked = wide - 2;
  const [back, cover] = [tucked, tucked + wide];
  b.area(1, 'Oat ground', [-3, -3, cover + 3, 216], 'oat');
  b.area(1, 'Fen cover', [cover, -3, wide + 3, 216], 'fen');
  b.fern(1, art, cover + wide / 2 - 17.5, 34, 78, 'oat');
  b.words(1, [cover + wide / 2, 126], 'A year in\nthe garden', {
    typeface: DISPLAY,
    size: 32,
    ink: 'oat',
    align: 'centre',
    leading: 1.02,
    name: 'Title',
  });
  b.rule(1, 'Copper rule', [cover + wide / 2 - 10, 158, 20], 'copper', 1);
  b.words(1, [cover + wide / 2, 164], '{firm.name}', {
    typeface: ITALIC,
    size: 16,
    ink: 'oat',
    align: 'centre',
    name: 'Firm',
  });
  b.fern(1, art, back + wide / 2 - 4.7, 122, 21, 'copper');
  b.words(1, [back + wide / 2, 150], '{firm.name}\n{firm.street}\n{firm.town} {firm.postcode}', {
    size: 12.5,
    ink: 'fen',
    align: 'centre',
    leading: 1.4,
    name: 'Where we are',
  });
  b.words(1, [back + wide / 2, 170], '{firm.phone}\n{firm.mail}\n{firm.web}', {
    size: 12.5,
    ink: 'fen',
    align: 'centre',
    leading: 1.4,
    name: 'Contact',
  });
  b.picture(1, 'Glasshouse', [-3, -3, tucked + 3, 78], art);
  b.words(
    1,
    [12, 86, tucked - 24],
    [
      { spans: [{ text: 'Come as you are', typeface: DISPLAY, size: 26 }], after: 4 },
      {
        spans: [
          {
            text: 'The gate is open from Wednesday to Sunday, ten till five. Dogs on leads are welcome, muddy boots more so, and nobody minds if all you want is tea.',
          },
        ],
        after: 8,
      },
      { spans: [{ text: 'Ask whoever is nearest. They will know the plant, or know who does.' }] },
    ],
    { size: 12.5, ink: 'fen', leading: 1.42, name: 'Welcome' },
  );
  b.picture(2, 'Glasshouse, wide', [-3, -3, 303, 108], { ...art, picture: art.panorama });
  b.area(2, 'Copper edge', [-3, 105, 303, 0.9], 'copper');
  const columns = [
    [
      'Spring',
      'Hellebores, then snakeshead fritillaries in the wet meadow by the gate. The first seedlings come to the bench in the last week of March, and the glasshouse smells of tomato leaves by the end of April.',
    ],
    [
      'Summer',
      'The long border at its tallest. Tea moves out under the limes, and on the first Saturday of June the whole garden is open, with Iris in the border at eleven for anyone with a question.',
    ],
    [
      'Autumn and winter',
      'Asters, seed heads, and the year’s apples by the basket. From November the tea room keeps a fire, and the potting shed holds evenings on grafting, hedges and how to leave well alone.',
    ],
  ] as const;
  columns.forEach(([name, text], i) => {
    const from = i * wide;
    const width = (i === 2 ? tucked : wide) - 24;
    b.words(2, [from + 12, 117, width], season(name, text), { size: 12.5, ink: 'fen', leading: 1.42, name });
  });
  b.rule(2, 'Foot rule', [12, 190, 273], 'copper', 0.75);
  b.words(2, [148.5, 193.5], 'What is on: {firm.web}', {
    typeface: BOLD,
    size: 11,
    ink: 'fen',
    align: 'centre',
    name: 'Foot',
  });
  return b.job();
}

export function buildStationery(start: Job, art: Art): Job {
  let job = envelopes(letterhead(start, art), art);
  job = postcard(job, art, 'postcard', 'Postcard, spring opening', false);
  job = postcard(job, art, 'postcard-us', 'Postcard, spring opening (US)', true);
  return folded(job, art);
}
