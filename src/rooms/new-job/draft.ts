import type { DetailsFound, Read } from '../../../core/client/details/found';
import { PAIRINGS } from '../../../core/client/pairings';
import { FIRM_KEYS, type FirmDetail, PERSON_KEYS, type Person, type PersonDetail } from '../../../core/job/details';
import { setCountry } from '../../../core/job/edits/house';
import { makeJob } from '../../../core/job/make';
import type { Job } from '../../../core/job/schema';
import { countryOf } from '../../../core/trade/countries';

/** A client who is on the way in: a job without pieces, and what each of its details was read from. */
export interface Draft {
  job: Job;
  /** What was read of a detail and the line it was read from, by its quote. */
  read: Readonly<Record<string, Read>>;
  /** Whether somebody chose the country: what is read settles it no more. */
  isCountryChosen: boolean;
  unread: readonly string[];
}

const NOW = new Date(0).toISOString();

export const emptyDraft = (country: string): Draft => ({
  job: setCountry({ ...makeJob('new', 'New', NOW), roles: { ...PAIRINGS[0]!.roles } }, country),
  read: {},
  isCountryChosen: false,
  unread: [],
});

const NOBODY: Omit<Person, 'id'> = { name: '', title: '', direct: '', mail: '' };

export const setDetail = (job: Job, detail: FirmDetail, value: string): Job => {
  const { [detail]: _old, ...others } = job.firm;
  return { ...job, firm: value === '' ? others : { ...others, [detail]: value } };
};

/** Changes the first person; one that says nothing any more is nobody. */
export function setPerson(job: Job, detail: PersonDetail, value: string): Job {
  const [first = { id: 'person-1', ...NOBODY }, ...rest] = job.people;
  const changed = { ...first, [detail]: value };
  const isSomebody = PERSON_KEYS.some((key) => changed[key] !== '');
  return { ...job, people: isSomebody ? [changed, ...rest] : rest };
}

/**
 * What a detail says once the text was read anew: what was typed or corrected by hand stays, unless another line of the
 * text says it now.
 */
function saidOf(quote: string, { read }: Draft, said: string, anew: Read | undefined): string {
  const before = read[quote];
  const isByHand = said !== (before?.value ?? '');
  return isByHand && (!before || before.from === anew?.from) ? said : (anew?.value ?? '');
}

/** What was read takes the place of what was read before. */
export function withDetails(draft: Draft, found: DetailsFound): Draft {
  const read: Record<string, Read> = {};
  const take = (quote: string, said: string, anew: Read | undefined): string => {
    if (anew) read[quote] = { ...anew, value: anew.value.slice(0, 200) };
    return saidOf(quote, draft, said, read[quote]);
  };
  let job = { ...draft.job, people: draft.job.people.slice(0, 1) };
  for (const key of FIRM_KEYS) job = setDetail(job, key, take(`firm.${key}`, job.firm[key] ?? '', found.firm[key]));
  const [first, ...others] = found.people;
  for (const key of PERSON_KEYS)
    job = setPerson(job, key, take(`person.${key}`, job.people[0]?.[key] ?? '', first?.[key]));
  const rest = others.map((person, i): Person => {
    const said = PERSON_KEYS.map((key) => [key, person[key]?.value.slice(0, 200) ?? '']);
    return { ...NOBODY, ...Object.fromEntries(said), id: `person-${i + 2}` };
  });
  job = { ...job, people: [...job.people.slice(0, 1), ...rest] };
  return { ...draft, job: found.country ? setCountry(job, found.country) : job, read, unread: found.unread };
}

/** The country as somebody chose it. */
export const choseCountry = (draft: Draft, code: string): Draft => ({
  ...draft,
  job: setCountry(draft.job, code),
  isCountryChosen: true,
});

/** The country that the browser's language names, or the United Kingdom. */
export const likelyCountry = (languages: readonly string[]): string =>
  languages.flatMap((language) => countryOf(new Intl.Locale(language).region)?.code ?? [])[0] ?? 'GB';
