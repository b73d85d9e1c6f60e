import type { Firm, FirmDetail, PersonDetail, Quote } from '../job/details';
import { personOf } from '../job/edits/house';
import type { Job } from '../job/schema';
import { countryOf } from '../trade/countries';

/** What a look says of a client: lines that quote the details there are. `{firm.phone!}` asks for one that is missing. */

/** Between two details of one line. */
export const DOT = '\u00a0· ';
const PLAIN_ADDRESS = ['{firm.street}', '{firm.town}, {firm.region} {firm.postcode}'] as const;

export interface Client {
  has(quote: Quote): boolean;
  /** Who the company is, and what it does. */
  company: string;
  tagline: string | undefined;
  name: string;
  title: string | undefined;
  /** How one reaches the person of the piece, or the company where it shows none: lines of one detail each. */
  direct: Reach;
  reach: Reach;
  /** The address as it is written there, a line each; asked for where it is `needed` and there is none. */
  address(needed: boolean): string[];
  registration: string | undefined;
}

/** Ways to be reached, by sort. */
export interface Reach {
  phones: string[];
  online: string[];
  social: string[];
}

/** A template whose empty details are left out, with the signs that stood before them. */
function kept(template: string, has: (quote: Quote) => boolean): string {
  const parts = template.split(/(\{[a-z]+\.[a-zA-Z]+\})/);
  let line = '';
  parts.forEach((part, i) => {
    if (i % 2 === 0 || !has(part.slice(1, -1) as Quote)) return;
    line += (line === '' ? '' : parts[i - 1]!) + part;
  });
  return line;
}

/** An address of which nothing is known yet, in its country's order. */
const askedAddress = (lines: readonly string[], withRegion: boolean): string[] =>
  lines.map((line) => kept(line, (quote) => withRegion || quote !== 'firm.region').replace(/\}/g, '!}'));

export function clientOf(job: Job, piece: { person?: string | undefined }): Client {
  const person = personOf(job, piece);
  const firm: Firm = job.firm;
  const has = (quote: Quote): boolean => {
    const [of, detail] = quote.split('.') as [string, string];
    const said = of === 'firm' ? firm[detail as FirmDetail] : person?.[detail as PersonDetail];
    return (said ?? '').trim() !== '';
  };
  const some = (...quotes: Quote[]): string[] => quotes.filter(has).map((quote) => `{${quote}}`);
  const isReached = (['firm.phone', 'firm.mobile', 'firm.mail', 'firm.web'] as const).some(has);
  const own = some('person.direct', 'person.mail').length > 0;
  const asked = { phones: ['{firm.phone!}'], online: ['{firm.mail!}', '{firm.web!}'], social: [] };
  const social = some('firm.handle', 'firm.secondHandle');
  const mail = has('person.mail') ? '{person.mail}' : undefined;
  const country = countryOf(job.country);
  const lines = country?.address ?? PLAIN_ADDRESS;
  return {
    has,
    company: '{firm.name!}',
    tagline: has('firm.line') ? '{firm.line}' : undefined,
    name: '{person.name!}',
    title: person && !has('person.title') ? undefined : '{person.title!}',
    direct:
      !isReached && !own
        ? asked
        : {
            phones: some('person.direct', 'firm.phone', 'firm.mobile'),
            online: [...(mail ? [mail] : some('firm.mail')), ...some('firm.web')],
            social,
          },
    reach: isReached
      ? { phones: some('firm.phone', 'firm.mobile'), online: some('firm.mail', 'firm.web'), social }
      : asked,
    address: (needed) => {
      const given = [...lines.map((line) => kept(line, has)), ...some('firm.country')].filter((line) => line !== '');
      return given.length > 0 || !needed ? given : askedAddress(lines, country?.needsRegion ?? false);
    },
    registration: has('firm.registration') ? '{firm.registration}' : undefined,
  };
}
