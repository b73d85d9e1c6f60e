import { describe, expect, it } from 'vitest';
import { readDetails } from '../../core/client/details/read-details';
import { choseCountry, emptyDraft, setDetail, setPerson, withDetails } from '../../src/rooms/new-job/draft';

const SIGNATURE =
  'Rosa Dinh\nOwner\nSpoke & Chain Bicycle Works\n12 Cuna St\nSaint Augustine, FL 32084\n(904) 555-0142';

const reading = (draft: ReturnType<typeof emptyDraft>, text: string) =>
  withDetails(draft, readDetails(text, draft.job.country, draft.isCountryChosen));

describe('a client on the way in', () => {
  const read = reading(emptyDraft('GB'), SIGNATURE);

  it('has what was read, with the line it came from, and is where that says', () => {
    expect(read.job.firm.town).toBe('Saint Augustine');
    expect(read.read['firm.town']?.from).toContain('FL 32084');
    expect(read.job.country).toBe('US');
    expect(read.job.people[0]).toMatchObject({ name: 'Rosa Dinh', title: 'Owner' });
  });
  it('keeps what was typed by hand where the text says nothing of it', () => {
    const typed = { ...emptyDraft('US'), job: setDetail(emptyDraft('US').job, 'line', 'Wheels, trued') };
    const after = reading(typed, SIGNATURE);
    expect(after.job.firm.line).toBe('Wheels, trued');
    expect(reading(after, `${SIGNATURE}\nshop@spoke.example`).job.firm.line).toBe('Wheels, trued');
  });
  it('keeps what was corrected while its line is there, and takes what another line says', () => {
    const corrected = {
      ...read,
      job: setPerson(setDetail(read.job, 'town', 'St. Augustine'), 'name', 'Rosa Lan Dinh'),
    };
    const more = reading(corrected, `${SIGNATURE}\nshop@spoke.example`);
    expect(more.job.firm.town).toBe('St. Augustine');
    expect(more.job.people[0]?.name).toBe('Rosa Lan Dinh');
    expect(more.job.firm.mail ?? more.job.people[0]?.mail).toBe('shop@spoke.example');
    const other = reading(more, 'Ola Berg\nManager\nBerg Sykler AS\nStorgata 1\n0155 Oslo\nNorway');
    expect(other.job.firm.town).toBe('Oslo');
    expect(other.job.people[0]?.name).toBe('Ola Berg');
  });
  it('keeps nothing of what is not read any more', () => {
    const less = reading(read, 'Rosa Dinh\nOwner\nSpoke & Chain Bicycle Works');
    expect(less.job.firm.town).toBeUndefined();
    expect(less.job.firm.phone).toBeUndefined();
  });
  it('has its first person changed, never the second, whatever is left empty', () => {
    const both = reading(
      emptyDraft('US'),
      'Rosa Dinh\nOwner\nrosa@spoke.example\n\nTim Vale\nMechanic\ntim@spoke.example\n\nSpoke & Chain Bicycle Works',
    );
    expect(both.job.people.map(({ name }) => name)).toEqual(['Rosa Dinh', 'Tim Vale']);
    const again = reading(both, 'Tim Vale\nMechanic\ntim@spoke.example\n\nSpoke & Chain Bicycle Works');
    expect(again.job.people.map(({ name, title }) => [name, title])).toEqual([['Tim Vale', 'Mechanic']]);
  });
  it('is where somebody chose, whatever the text says; numbers are written as that country does', () => {
    const text = 'Harbour Cycles\n+49 30 901820\nTel. 030 901821';
    const here = reading(choseCountry(emptyDraft('GB'), 'DE'), text);
    expect(here.job.country).toBe('DE');
    expect([here.job.firm.phone, here.job.firm.mobile]).toContain('030 901821');
    const there = reading(choseCountry(read, 'CA'), SIGNATURE);
    expect(there.job.country).toBe('CA');
    expect(there.job.spelling.language).toBe('en-GB');
  });
});
