import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { firmDetailName, type Person, type QUOTES, quoteName } from '../../../core/job/details';
import {
  addPerson,
  changePerson,
  quotedIn,
  removePerson,
  setCountry,
  setFirmDetail,
  setRole,
  showFor,
  takePeople,
} from '../../../core/job/edits/house';
import { changeInk, replaceInk } from '../../../core/job/edits/inks';
import { changeLogo, keepLogo, placeLogo, removeLogo } from '../../../core/job/edits/logos';
import { copyLook, setParagraphs, setStyle } from '../../../core/job/edits/words';
import { findElement } from '../../../core/job/find';
import { plainText, setParagraphsOf } from '../../../core/job/look';
import { makeShape, makeWords } from '../../../core/job/make';
import type { Job, Words } from '../../../core/job/schema';
import { jobSchema } from '../../../core/job/whole';
import { withoutEmptyDetails } from '../../../core/type/quotes';
import type { Span } from '../../../core/type/style';
import { cardWith } from '../../kit';

const IRIS: Person = {
  id: 'iris',
  name: 'Iris Calloway',
  title: 'Head gardener',
  direct: '111',
  mail: 'iris@x.example',
};
const MAX: Person = { id: 'max', name: 'Max Fenn', title: 'Hedges', direct: '', mail: '' };

const q = (quote: (typeof QUOTES)[number]): Span => ({ text: '', quote });
const lines = (...paragraphs: Span[][]): Words => ({
  ...makeWords({ id: 'w', text: '', x: 0, y: 0 }),
  paragraphs: paragraphs.map((spans) => ({ spans })),
});
const house = (...paragraphs: Span[][]): Job =>
  [IRIS, MAX].reduce(addPerson, setFirmDetail(cardWith([lines(...paragraphs)]), 'phone', '01632 960100'));
const words = (job: Job): Words => findElement(job, 'w')!.element as Words;
const shown = (job: Job): string => plainText({ paragraphs: [...setParagraphsOf(words(job))] });

describe('details that words quote', () => {
  const text = [[q('person.name')], [{ text: 'Tel ' }, q('firm.phone')], [{ text: 'Direct ' }, q('person.direct')]];
  it('say what the house says, and follow it', () => {
    const job = house(...text);
    expect(shown(job)).toBe('Iris Calloway\nTel 01632 960100\nDirect 111');
    expect(shown(setFirmDetail(job, 'phone', '01632 960999'))).toContain('Tel 01632 960999');
    expect(shown(changePerson(job, 'iris', { name: 'Iris Fenn' }))).toContain('Iris Fenn');
    expect(jobSchema.safeParse(job).success).toBe(true);
  });
  it('take their line along where they are empty, and bring it back', () => {
    const job = showFor(house(...text), 'card', 'max');
    expect(shown(job)).toBe('Max Fenn\nTel 01632 960100');
    expect(shown(changePerson(job, 'max', { direct: '222' }))).toBe('Max Fenn\nTel 01632 960100\nDirect 222');
    expect(shown(setFirmDetail(job, 'phone', ' '))).toBe('Max Fenn');
  });
  it('a piece whose person has gone shows the first that is left', () => {
    const job = removePerson(showFor(house(...text), 'card', 'max'), 'max');
    expect(job.pieces[0]!.person).toBeUndefined();
    expect(shown(job)).toContain('Iris Calloway');
    expect(shown(removePerson(job, 'iris'))).toBe('Tel 01632 960100');
  });
  it('know where they are quoted', () => {
    expect(quotedIn(house(...text), 'firm.phone')).toEqual(['w']);
    expect(quotedIn(house(...text), 'firm.web')).toEqual([]);
  });
  it('stay quotes through a style, another look and new paragraphs', () => {
    const job = house(...text);
    for (const after of [
      setStyle(job, 'w', 'none'),
      copyLook(job, 'w', 'w'),
      setParagraphs(job, 'w', words(job).paragraphs),
    ])
      expect(quotedIn(after, 'firm.phone')).toEqual(['w']);
  });
  it('take the sign between them along in a line of several', () => {
    const row = [q('firm.street'), { text: ', ' }, q('firm.town'), { text: ' ' }, q('firm.postcode')];
    const job = setFirmDetail(setFirmDetail(house(row), 'street', '4 Fen Lane'), 'postcode', 'XX1 1XX');
    expect(shown(job)).toBe('4 Fen Lane XX1 1XX');
    expect(shown(setFirmDetail(job, 'street', ''))).toBe('XX1 1XX');
    expect(shown(setFirmDetail(job, 'town', 'Wend'))).toBe('4 Fen Lane, Wend XX1 1XX');
  });
  it('in a row leave no separator behind', () => {
    const job = house([q('firm.phone')], [q('firm.web')], [q('person.mail')]);
    const row = { ...words(job), row: '|' as const };
    expect(plainText({ paragraphs: [...setParagraphsOf(row)] })).toBe('01632 960100\u00a0| iris@x.example');
  });
  it('never leave a sign at either end, whatever is empty', () => {
    const full = (text: string): Span => ({ quote: 'firm.phone', text });
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 6 }), (filled) => {
        const spans = filled.flatMap((is, i) => [...(i > 0 ? [{ text: ', ' }] : []), full(is ? 'x' : '')]);
        const left = withoutEmptyDetails([{ spans }]).flatMap((p) => p.spans.map((s) => s.text));
        const wanted = filled.filter(Boolean).map(() => 'x');
        expect(left.join('')).toBe(wanted.join(', '));
      }),
    );
  });
});

describe('the country of a client', () => {
  const asking = (country: string | undefined): Job => ({
    ...house([{ ...q('firm.postcode'), ask: true }]),
    ...(country ? { country } : {}),
  });

  it('names the parts of an address, where they are asked for, too', () => {
    expect(firmDetailName('postcode', 'US')).toBe('ZIP code');
    expect(firmDetailName('region', 'CA')).toBe('Province');
    expect(firmDetailName('region', 'DE')).toBe('Region');
    expect(firmDetailName('phone', 'US')).toBe('Phone');
    expect(quoteName('person.mail', 'US')).toBe('Person’s email');
    expect(shown(setCountry(asking(undefined), 'US'))).toBe('ZIP code');
    expect(shown(setCountry(asking('US'), 'IE'))).toBe('Eircode');
  });
  it('brings its spelling, and changes nothing where it is not known', () => {
    const job = asking('GB');
    expect(setCountry(job, 'US').spelling.language).toBe('en-US');
    expect(setCountry(job, 'XX')).toBe(job);
  });
});

describe('people from a file', () => {
  it('bring those up to date who are there, and join as new ones', () => {
    const read = [
      { name: 'IRIS CALLOWAY', title: 'Director', direct: '', mail: '' },
      { name: 'Ada Marsh', title: 'Seeds', direct: '', mail: '' },
    ];
    const job = takePeople(house([q('person.title')]), read, () => 'new');
    expect(job.people.map(({ name }) => name)).toEqual(['IRIS CALLOWAY', 'Max Fenn', 'Ada Marsh']);
    expect(job.people[0]).toMatchObject({ title: 'Director', direct: '111' });
    expect(shown(job)).toBe('Director');
  });
});

describe('typefaces by role', () => {
  it('go along wherever the old one was used', () => {
    const base = {
      ...house([{ text: 'a', typeface: 'lora/regular' }, { text: 'b' }]),
      roles: { heading: 'lora/regular' },
    };
    const job = setRole(base, 'heading', 'bitter/regular');
    expect(words(job).paragraphs[0]!.spans[0]!.typeface).toBe('bitter/regular');
    expect(job.roles.heading).toBe('bitter/regular');
  });
  it('but not where another role shares it', () => {
    const base = {
      ...house([{ text: 'a', typeface: 'lora/regular' }]),
      roles: { heading: 'lora/regular', text: 'lora/regular' },
    };
    expect(words(setRole(base, 'heading', 'bitter/regular')).paragraphs[0]!.spans[0]!.typeface).toBe('lora/regular');
  });
});

describe('logos of the house', () => {
  const box = { x: 10, y: 20, width: 40, height: 20 };
  const mark = makeShape({ id: 's', ...box, paint: { ink: 'green', tint: 1 } });
  const kept = (): Job => keepLogo(cardWith([mark]), [mark], box, { id: 'logo', name: 'Fern' });
  let n = 0;
  const newId = () => `n${++n}`;
  it('are kept from their own corner, and laid at another size as one group', () => {
    const job = placeLogo(kept(), 'card-1', 'logo', { x: 100, y: 50, width: 80 }, newId);
    const face = job.pieces[0]!.faces[0]!;
    const laid = face.elements.at(-1)!;
    expect(laid).toMatchObject({ x: 100, y: 50, width: 80, height: 40, logo: true });
    expect(face.groups).toMatchObject([{ id: laid.group, logo: 'logo' }]);
    expect(jobSchema.safeParse(job).success).toBe(true);
  });
  it('follow their inks', () => {
    const job = replaceInk(changeInk(kept(), 'green', { name: 'Moss' }), 'green', 'black');
    expect(job.logos[0]!.elements[0]).toMatchObject({ paint: { ink: 'black' } });
    expect(jobSchema.safeParse(job).success).toBe(true);
  });
  it('leave a plain group when they go', () => {
    const job = removeLogo(placeLogo(kept(), 'card-1', 'logo', { x: 0, y: 0, width: 40 }, newId), 'logo');
    expect(job.logos).toEqual([]);
    expect(job.pieces[0]!.faces[0]!.groups![0]).not.toHaveProperty('logo');
  });
  it('have a clear space and a least size that can be changed', () => {
    expect(changeLogo(kept(), 'logo', { clear: 0.5, least: 60 }).logos[0]).toMatchObject({ clear: 0.5, least: 60 });
  });
});
