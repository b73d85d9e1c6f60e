import type { FirmDetail } from '../../job/details';
import { takeAddress } from './address-in';
import { takeCards } from './cards-in';
import { COUNTRY_NAMES, likelyCountries } from './countries-in';
import type { DetailsFound, Read } from './found';
import { isOnlyLabel, type Label, labelBefore, labelOf } from './labels';
import { type Part, partsOf } from './lines';
import { takeOnline } from './online-in';
import { phonesIn } from './phones-in';
import { postalLine } from './postal-lines';
import { nameWhoIsLeft } from './who-is-left';
import { BANK, LEGAL, REGISTERED } from './words';

/** The details of a client out of any text that holds them: a signature, a letter's foot, an imprint, contact cards. */

/** Longer text than this is no client's details. */
export const DETAILS_LIMIT = 200_000;
const MOST_LETTERS = 200;

/** What a label says all of. */
const SAID: Partial<Record<Label, FirmDetail>> = {
  company: 'name',
  line: 'line',
  street: 'street',
  town: 'town',
  region: 'region',
  postcode: 'postcode',
};

/** Takes what its label says all of; gives the person and what they do, where those are labelled. */
function takeLabelled(parts: Part[], { firm }: DetailsFound): { person: Read | undefined; title: Read | undefined } {
  const people: Partial<Record<'person' | 'title', Read>> = {};
  for (let i = 0; i < parts.length; i++) {
    const { label, text: value, from } = parts[i]!;
    const detail = label && SAID[label];
    if (detail && !firm[detail]) firm[detail] = { value, from };
    else if ((label === 'person' || label === 'title') && !people[label] && !/\d|@/.test(value))
      people[label] = { value, from };
    else continue;
    parts.splice(i--, 1);
  }
  return { person: people.person, title: people.title };
}

/** The country that writes such a postcode as was labelled, where only one does. */
function countryOfCode({ firm }: DetailsFound, likely: readonly string[]): string | undefined {
  const line = [firm.town, firm.region, firm.postcode].map((read) => read?.value ?? '').join(' ');
  const found = firm.postcode && postalLine(line, likely);
  return found?.strength === 3 ? found.country : undefined;
}

/** The country on a line of its own. */
function takeCountry(parts: Part[], firm: DetailsFound['firm']): string | undefined {
  const at = parts.findIndex(({ text }) => COUNTRY_NAMES.has(text.toLowerCase()));
  if (at < 0) return undefined;
  const { text, from } = parts.splice(at, 1)[0]!;
  firm.country = { value: text, from };
  return COUNTRY_NAMES.get(text.toLowerCase());
}

/** Takes registrations out; a company before one on its line stays. */
function takeRegistrations(parts: Part[], firm: DetailsFound['firm']): Part[] {
  return parts.flatMap((part): Part[] => {
    if (BANK.test(part.text)) return [{ ...part, label: undefined }];
    const at = REGISTERED.exec(part.text)?.index;
    if (at === undefined) return [part];
    const before = part.text.slice(0, at).replace(/[\s,;:(–-]+$/u, '');
    const isFirm = LEGAL.test(before) && !/^(?:LLC|SARL|SAS|GmbH)$/i.test(before);
    const said = isFirm ? part.text.slice(at) : part.text;
    const all = firm.registration ? `${firm.registration.value}, ${said}` : said;
    firm.registration = { value: all.slice(0, MOST_LETTERS), from: part.from };
    return isFirm ? [{ ...part, text: before }] : [];
  });
}

/** Takes numbers out of the parts; gives those that are somebody's own, and all of them. */
function takePhones(parts: Part[], { firm, country }: DetailsFound): { directs: Read[]; phones: Read[] } {
  const directs: Read[] = [];
  const phones: Read[] = [];
  for (const part of parts) {
    if (BANK.test(part.text)) continue;
    const line = part.text;
    for (const { typed, written } of phonesIn(line, country)) {
      part.text = part.text.replace(typed, ' ').trim();
      const read = { value: written, from: part.from };
      const label = labelBefore(line, typed) ?? part.label;
      if (label === 'fax') continue;
      if (label === 'direct') {
        directs.push(read);
        continue;
      }
      phones.push(read);
      if (!firm.phone && label !== 'mobile') firm.phone = read;
      else if (!firm.mobile && firm.phone?.value !== written) firm.mobile = read;
    }
  }
  if (firm.mobile && !firm.phone) {
    firm.phone = firm.mobile;
    delete firm.mobile;
  }
  return { directs, phones };
}

/** What is left of a part once all that is known has been taken. */
function leftOf(parts: readonly Part[]): Part[] {
  return parts.flatMap((part): Part[] => {
    // Only what a number stood behind: "After hours:".
    if (/^[^:]{2,30}:$/.test(part.text) && part.text !== part.from) return [];
    const text = labelOf(part.text)
      .rest.replace(/^[\s,;:()/·-]+|[\s,;:(/·-]+$/g, '')
      .replace(/\s+([,;])/g, '$1');
    return /\p{L}{2}/u.test(text) && !text.split(/[\s,;]+/).every(isOnlyLabel) ? [{ ...part, text }] : [];
  });
}

/**
 * Reads a text; `told` is the country it is thought to come from, which is settled where somebody chose it. Never throws
 * for what the text says.
 */
export function readDetails(text: string, told?: string, isChosen = false): DetailsFound {
  const found: DetailsFound = { firm: {}, people: [], country: undefined, unread: [] };
  const { firm } = found;
  let plain = text.slice(0, DETAILS_LIMIT);
  if (/^\s*BEGIN:VCARD/im.test(plain)) plain = takeCards(plain, found);
  const likely = likelyCountries(plain, told);
  let parts = partsOf(plain);
  const named = takeCountry(parts, firm);
  if (named) likely.unshift(named);
  if (isChosen && told) likely.unshift(told);
  const people = takeLabelled(parts, found);
  parts = takeRegistrations(parts, firm);
  const mails = takeOnline(parts, firm);
  const where = takeAddress(parts, likely, firm) ?? countryOfCode(found, likely);
  // On the line of the town.
  if (!firm.country) takeCountry(parts, firm);
  found.country = isChosen ? told : (likely.find((code) => code === where) ?? where ?? likely[0]);
  const numbers = takePhones(parts, found);
  // What a network is called by in words is no line of a card.
  const left = leftOf(parts);
  nameWhoIsLeft(
    left.filter(({ label }) => label !== 'social'),
    { mails, ...numbers, ...people },
    found,
  );
  found.unread.push(...left.flatMap(({ label, text: words }) => (label === 'social' ? [words] : [])));
  return found;
}
