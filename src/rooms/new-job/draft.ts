import type { DetailsFound } from '../../../core/client/details/found';
import { PAIRINGS } from '../../../core/client/pairings';
import {
  FIRM_DETAILS,
  type Firm,
  type FirmDetail,
  PERSON_DETAILS,
  type Person,
  type PersonDetail,
} from '../../../core/job/details';
import { makeJob } from '../../../core/job/make';
import type { Job } from '../../../core/job/schema';
import { countryOf } from '../../../core/trade/countries';

/** A client who is on the way in: a job without pieces, and what each of its details was read from. */
export interface Draft {
  job: Job;
  /** The line that a detail was read from, by its quote. */
  from: Readonly<Record<string, string>>;
  unread: readonly string[];
}

const NOW = new Date(0).toISOString();

export const emptyDraft = (country: string): Draft => ({
  job: inCountry({ ...makeJob('new', 'New', NOW), roles: { ...PAIRINGS[0]!.roles } }, country),
  from: {},
  unread: [],
});

/** A job of a country is spelt, and measured, as that is done there. */
export const inCountry = (job: Job, code: string): Job => {
  const country = countryOf(code);
  return country ? { ...job, country: code, spelling: { ...job.spelling, language: country.spelling } } : job;
};

const NOBODY: Omit<Person, 'id'> = { name: '', title: '', direct: '', mail: '' };

export const setDetail = (job: Job, detail: FirmDetail, value: string): Job => {
  const { [detail]: _old, ...others } = job.firm;
  return { ...job, firm: value === '' ? others : { ...others, [detail]: value } };
};

/** Changes the first person; one that says nothing any more is nobody. */
export function setPerson(job: Job, detail: PersonDetail, value: string): Job {
  const [first = { id: 'person-1', ...NOBODY }, ...rest] = job.people;
  const changed = { ...first, [detail]: value };
  const isSomebody = Object.keys(PERSON_DETAILS).some((key) => changed[key as PersonDetail] !== '');
  return { ...job, people: isSomebody ? [changed, ...rest] : rest };
}

/** What was read takes the place of all that was read before. */
export function withDetails(draft: Draft, found: DetailsFound): Draft {
  const from: Record<string, string> = {};
  const firm: Firm = {};
  for (const key of Object.keys(FIRM_DETAILS) as FirmDetail[]) {
    const read = found.firm[key];
    if (!read) continue;
    firm[key] = read.value.slice(0, 200);
    from[`firm.${key}`] = read.from;
  }
  const people = found.people.map((person, i): Person => {
    const own = { id: `person-${i + 1}`, ...NOBODY };
    for (const key of Object.keys(PERSON_DETAILS) as PersonDetail[]) {
      const read = person[key];
      if (!read) continue;
      own[key] = read.value.slice(0, 200);
      if (i === 0) from[`person.${key}`] = read.from;
    }
    return own;
  });
  const job = { ...draft.job, firm, people };
  return { job: found.country ? inCountry(job, found.country) : job, from, unread: found.unread };
}

/** The country that the browser's language names, or the United Kingdom. */
export const likelyCountry = (languages: readonly string[]): string =>
  languages.flatMap((language) => countryOf(new Intl.Locale(language).region)?.code ?? [])[0] ?? 'GB';
