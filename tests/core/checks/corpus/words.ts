import { addPerson, setFirmDetail } from '../../../../core/job/edits/house';
import { quotedParagraphs } from '../../../../core/job/quoted';
import type { Element, Job } from '../../../../core/job/schema';
import { area, code, type Fault, ink, jobOf, words } from './fault';

/** Faults of words. Sizes of type: common practice. */
const one = (check: string, says: string, bad: readonly Element[], good: readonly Element[], options = {}): Fault => ({
  check,
  says,
  faulty: jobOf(bad, options),
  twin: jobOf(good, options),
});
const said = (check: string, says: string, bad: string, good: string): Fault =>
  one(check, says, [words('w', bad, 10, 20)], [words('w', good, 10, 20)]);
const look = (check: string, says: string, bad: object, good: object, text = 'Iris Calloway'): Fault =>
  one(check, says, [words('w', text, 10, 20, { lettering: bad })], [words('w', text, 10, 20, { lettering: good })]);
const boxed = (width: number, height: number) =>
  words('w', 'Hellebores on the bench and tea in the glasshouse from ten', 10, 10, {
    frame: { behaviour: 'fixed box', width, height },
  });
const running = (width: number): Element =>
  words(
    'w',
    'The garden is open from ten until five and nobody minds at all if all you came for is the tea. '.repeat(5).trim(),
    10,
    10,
    {
      lettering: { size: 6.5 },
      frame: { behaviour: 'fixed width', width, height: 0 },
    },
  );
const house = (job: Job): Job =>
  addPerson(setFirmDetail(setFirmDetail(job, 'phone', '01632 960 110'), 'mail', 'garden@hollinandfen.example'), {
    id: 'iris',
    name: 'Iris Calloway',
    title: '',
    direct: '',
    mail: '',
  });
const quoting = (text: string): Element =>
  ({ ...words('w', '', 10, 20), paragraphs: quotedParagraphs(text) }) as Element;
const detail = (check: string, says: string, typed: string, quote: string): Fault => ({
  check,
  says,
  faulty: house(jobOf([words('w', typed, 10, 20)])),
  twin: house(jobOf([quoting(quote)])),
});

export const WORDS: readonly Fault[] = [
  look('small-type', 'words of 5.5 pt in one ink', { size: 5.5 }, { size: 6.5 }),
  look('small-type', 'words of 5.9 pt, and of 6', { size: 5.9 }, { size: 6 }),
  look('tight-tracking', 'letters set 51 thousandths closer', { tracking: -51 }, { tracking: -49 }),
  said('double-space', 'two spaces after a stop', 'Open daily.  Tea till five', 'Open daily. Tea till five'),
  said('typewriter-quotes', 'straight single quotes', "The 'Fen' roses", 'The ‘Fen’ roses'),
  said('hyphen-for-dash', 'a hyphen in a span of months', 'March - October', 'March – October'),
  said('placeholder-words', 'filler further on', 'Tea and dolor sit amet', 'Tea and a seat in the sun'),
  one('long-lines', 'lines of a hundred letters', [running(320)], [running(200)], { width: 600, height: 400 }),
  one('hidden-words', 'words that a line more would hold', [boxed(70, 24)], [boxed(150, 60)]),
  one('almost-aligned', 'words 0.4 mm out of line', [words('w', 'Iris', 7.6, 20)], [words('w', 'Iris', 8, 20)]),
  detail('detail-typed', 'the phone in a sentence', 'Ring 01632 960 110 till five', 'Ring {firm.phone} till five'),
  one(
    'code-inks',
    'a code in three quarters of green',
    [code('c', 12, 12, 20, ink('green', 0.75))],
    [code('c', 12, 12, 20)],
  ),
  look('small-type', 'words of 4 pt in one ink', { size: 4 }, { size: 7 }),
  look('small-type', 'words of 7 pt in four inks', { size: 7, paint: ink('green') }, { size: 8, paint: ink('green') }),
  one(
    'small-type',
    'words of 6.5 pt left out of a ground',
    [area('g', 8, 18, 40, 8), words('w', 'Iris', 10, 20, { lettering: { size: 6.5, paint: ink('paper') } })],
    [area('g', 8, 18, 40, 8), words('w', 'Iris', 10, 20, { lettering: { size: 9, paint: ink('paper') } })],
  ),
  look('tight-tracking', 'letters set 90 thousandths closer', { tracking: -90 }, { tracking: -20 }),
  look('near-sizes', 'words of 9.2 pt beside others of 9', { size: 9.2 }, { size: 9 }),
  look('near-sizes', 'words of 8.7 pt beside others of 9', { size: 8.7 }, { size: 12 }),
  look('missing-glyph', 'a sign that the face has not got', {}, {}, 'Iris \u5317'),
  said('double-space', 'two spaces between words', 'Iris  Calloway', 'Iris Calloway'),
  said('double-space', 'three spaces between words', 'Head   gardener', 'Head gardener'),
  said('hyphen-for-dash', 'a hyphen in a span of days', 'Wednesday - Sunday', 'Wednesday – Sunday'),
  said('placeholder-words', 'a name that is still to come', 'New text, said large', 'Open from ten'),
  look('tight-tracking', 'letters set 60 thousandths closer', { tracking: -60 }, { tracking: -50 }),
  look('small-type', 'words of 3 pt', { size: 3 }, { size: 6 }),
  said('typewriter-quotes', 'straight double quotes', 'The "Fen" roses', 'The “Fen” roses'),
  said('typewriter-quotes', 'a straight apostrophe', "Iris's roses", 'Iris’s roses'),
  said('hyphen-for-dash', 'a hyphen between spaces', 'Tea - and plants', 'Tea – and plants'),
  said('hyphen-for-dash', 'two hyphens between spaces', 'Tea -- and plants', 'Tea – and plants'),
  said('placeholder-words', 'words that are still to come', 'New text', 'Head gardener'),
  said('placeholder-words', 'filler', 'Lorem ipsum dolor sit amet', 'Roses and ferns'),
  one('hidden-words', 'words that their box cannot hold', [boxed(60, 14)], [boxed(150, 60)]),
  one('long-lines', 'lines of some hundred and forty letters', [running(400)], [running(220)], {
    width: 600,
    height: 400,
  }),
  one('empty-frame', 'a frame with no text', [words('w', '', 10, 20)], []),
  one('empty-frame', 'a frame with a space', [words('w', ' ', 10, 20)], []),
  one(
    'white-overprint',
    'white words that overprint',
    [
      area('g', 8, 18, 40, 8),
      { ...words('w', 'Iris', 10, 20, { lettering: { paint: ink('paper') } }), overprint: 'overprints' },
    ],
    [area('g', 8, 18, 40, 8), words('w', 'Iris', 10, 20, { lettering: { paint: ink('paper') } })],
  ),
  one('almost-aligned', 'words 0.3 mm out of line', [words('w', 'Iris', 8.3, 20)], [words('w', 'Iris', 8, 20)]),
  detail('detail-typed', 'the phone typed', 'Call 01632 960 110', 'Call {firm.phone}'),
  detail('detail-typed', 'the mail typed', 'garden@hollinandfen.example', '{firm.mail}'),
  detail('detail-differs', 'the phone spaced differently', 'Call 01632 960110', 'Call {firm.phone}'),
  detail('detail-differs', 'the phone with brackets', 'Call (01632) 960-110', 'Call {firm.phone}'),
  detail('detail-differs', 'the mail in capitals', 'Garden@HollinAndFen.example', '{firm.mail}'),
  {
    check: 'empty-detail',
    says: 'a quoted detail that says nothing',
    faulty: house(jobOf([quoting('Call {firm.mobile}')])),
    twin: house(jobOf([quoting('Call {firm.phone}')])),
  },
  one(
    'unreadable-code',
    'a code on a dark ground',
    [area('g', 10, 10, 24, 24), code('c', 12, 12, 20)],
    [area('g', 10, 10, 24, 24, ink('green', 0.1)), code('c', 12, 12, 20)],
  ),
  one(
    'unreadable-code',
    'a word in its quiet zone',
    [code('c', 12, 12, 20), words('w', 'tea', 14, 14)],
    [code('c', 12, 12, 20), words('w', 'tea', 40, 14)],
  ),
  one('code-small', 'a code of 7 mm', [code('c', 12, 12, 7)], [code('c', 12, 12, 16)]),
  one('code-small', 'a code of 8 mm', [code('c', 12, 12, 8)], [code('c', 12, 12, 20)]),
  one('code-inks', 'a code in four inks', [code('c', 12, 12, 20, ink('green'))], [code('c', 12, 12, 20)]),
].map((fault) =>
  fault.says === 'a sign that the face has not got' ? { ...fault, twin: jobOf([words('w', 'Iris', 10, 20)]) } : fault,
);
