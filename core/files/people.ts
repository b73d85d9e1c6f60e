import type { Person } from '../job/details';
import { JOB_LIMITS } from '../trade/job-limits';

/** People that come out of a file, before they have ids. */
export type PersonRead = Pick<Person, 'name' | 'title' | 'direct' | 'mail'>;

/** A file of people that cannot be used; the message is for the user. */
export class PeopleFileError extends Error {}

export const PEOPLE_LIMITS = { people: JOB_LIMITS.people, detail: 200, text: 50_000_000 } as const;

/** Refuses a file that no number of people could fill. */
export function refuseLong(text: string): void {
  if (text.length > PEOPLE_LIMITS.text)
    throw new PeopleFileError(
      'This file is far larger than a table of people. Choose another, or save it without pictures.',
    );
}

/** One line of words, not too long. */
const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim().slice(0, PEOPLE_LIMITS.detail).trim();

/** Words on as many lines as they came on, none of them empty. */
const lines = (text: string): string =>
  text
    .split(/\r\n|\r|\n/)
    .map(oneLine)
    .filter((line) => line !== '')
    .join('\n')
    .slice(0, PEOPLE_LIMITS.detail)
    .trim();

/** A person with name and mail on one line each; none where there is no name. */
export function personFrom({ name, title, direct, mail }: PersonRead): PersonRead[] {
  const person = { name: oneLine(name), title: lines(title), direct: lines(direct), mail: oneLine(mail) };
  return person.name === '' ? [] : [person];
}
