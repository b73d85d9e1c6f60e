import { type CountryCode, parsePhoneNumberFromString } from 'libphonenumber-js/min';
import { readPeopleVcards } from '../files/people-vcard';
import type { FirmDetail, PersonDetail } from '../job/details';
import { COUNTRIES } from '../trade/countries';
import { postalLine } from './postal-lines';

/** The details of a client out of any text that holds them: a signature, a letter's foot, an imprint, contact cards. */

/** A detail, and the line it was read from. */
export interface Read {
  value: string;
  from: string;
}
export type PersonFound = Partial<Record<PersonDetail, Read>> & { name: Read };
export interface DetailsFound {
  firm: Partial<Record<FirmDetail, Read>>;
  people: PersonFound[];
  /** Where the client is, ISO 3166-1 alpha-2, where the text tells. */
  country: string | undefined;
  /** Lines that nothing was made of. */
  unread: string[];
}

/** Longer text than this is no client's details. */
export const DETAILS_LIMIT = 200_000;
const MOST_LINES = 400;
const MOST_LETTERS = 200;

const MAIL = /[\p{L}\d._%+-]+@[\p{L}\d-]+(?:\.[\p{L}\d-]+)*\.[\p{L}]{2,}/u;
const WEB =
  /(?:https?:\/\/|www\.)[^\s,;<>|]+|(?<![@\p{L}\d.-])[\p{L}\d-]+(?:\.[\p{L}\d-]+)*\.(?:[a-z]{2,3}|example|info|shop|studio|store|online|design|agency|company|works|coffee|bike)(?:\/[^\s,;<>|]*)?(?![\p{L}\d@])/iu;
const SOCIAL =
  /(?:https?:\/\/)?(?:www\.)?(?:instagram|facebook|tiktok|x|twitter|youtube|linkedin|threads|pinterest)\.com\/(?:in\/|company\/)?@?([\w.-]+)\/?/i;
const HANDLE = /(?<![\p{L}\d.])@[\w.]{2,30}(?![\w@])/u;
const PHONE = /\+?\(?\d[\d ().\u00a0/\-–]{5,}\d(?:\s*(?:x|ext\.?|extension)\s*\d{1,6})?/giu;
const LABEL =
  /^\s*(?:(fax|telefax|f)|(mob(?:ile)?|cell|handy|mobil|m|gsm|portable|móvil)|(dir(?:ect)?(?: line)?|durchwahl|ddi|d)|(tel(?:ephone|efon|éfono|\.)?|tél(?:éphone)?|phone|office|fon|t|p|ph|call)|(e-?mail|mail|e)|(web(?:site)?|internet|w|url)|(address|adresse|addr|visit|a))\s*[.:][.:\s]*/iu;
const REGISTERED =
  /\b(company (?:no|number|reg)|registered (?:in|no|number)|reg(?:istration)?\.? (?:no|number)|vat(?: no| reg| number|[ :])|ust-?id\w*|hr[ab] ?\d|handelsregister|siren|siret|r\.?c\.?s\.?|kvk|abn|acn|ein|btw|tva|p\.? ?iva|partita iva|org\.? ?nr|cvr|cif|nif|uid)\b/iu;
const COMPANY =
  /\b(ltd|limited|llp|llc|inc|incorporated|corp|co|company|plc|gmbh|ag|kg|ohg|ug|e\.?k|gbr|sarl|sas|sa|eurl|bv|b\.v|nv|srl|spa|s\.p\.a|oy|ab|a\/s|aps|as|pty|& sons|& daughters|& co|bros|brothers|und söhne|studio|studios|works|workshop|werkstatt|werkstätten|bakery|café|cafe|bistro|restaurant|press|nursery|garage|group|partners|associates|agency|atelier|boutique|dental|clinic|salon|brewery|farm|shop|store|cycles|bicycles)\b/iu;
const TITLE =
  /\b(director|manager|founder|co-founder|owner|head|chief|officer|ceo|cto|cfo|coo|president|partner|designer|engineer|architect|developer|consultant|assistant|secretary|lead|producer|editor|baker|chef|mechanic|gardener|technician|advisor|adviser|sales|marketing|accountant|teacher|therapist|photographer|artist|curator|buyer|principal|proprietor|apprentice|master|joiner|builder|geschäftsführer(?:in)?|inhaber(?:in)?|leiter(?:in)?|prokurist(?:in)?|meister(?:in)?|gérante?|directeur|directrice|responsable|eigenaar|directeur|direttore|titolare|gerente|director(?:a)|υπεύθυν\p{L}+|διευθ\p{L}+|giám đốc)\b/iu;
const STREET =
  /\d.*\p{L}|\p{L}.*\d|\b(street|st|road|rd|avenue|ave|lane|ln|boulevard|blvd|drive|way|square|sq|court|place|suite|unit|floor|house|mill|mews|row|quay|hill|park|po box|p\.o\. box|straße|str|gasse|weg|platz|allee|rue|place|quai|via|piazza|calle|plaza|laan|straat|gade|vej|vägen|οδός|λεωφόρος|phố|đường)\b\.?/iu;
const PROSE =
  /[.!?]\s+\p{Lu}|\b(confidential|disclaimer|unsubscribe|please|sent from|kind regards|best wishes|many thanks|mit freundlichen|cordialement|regards)\b/iu;
const SEPARATORS = /\s+[|•·▪◦‣–—]\s+|\t+|\s{3,}|\s*[|•·]\s*/u;

/** What countries are called besides their names. */
const OTHER_NAMES: readonly (readonly [name: string, code: string])[] = [
  ['uk', 'GB'],
  ['england', 'GB'],
  ['scotland', 'GB'],
  ['wales', 'GB'],
  ['usa', 'US'],
  ['u.s.a.', 'US'],
  ['the netherlands', 'NL'],
];
const LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pl', 'el', 'vi', 'sv', 'da', 'pt', 'cs'];
/** Country names as they are written in some languages, lower case. */
const COUNTRY_NAMES: ReadonlyMap<string, string> = new Map([
  ...LANGUAGES.flatMap((language) => {
    const names = new Intl.DisplayNames([language], { type: 'region' });
    return COUNTRIES.map(({ code }): [string, string] => [names.of(code)!.toLowerCase(), code]);
  }),
  ...OTHER_NAMES,
]);
/** Those that are known within a line; shorter ones stand in too many words. */
const NAMES_WITHIN = [...COUNTRY_NAMES]
  .filter(([name]) => name.length > 3)
  .map(([name, code]) => [new RegExp(`(?<!\\p{L})${name.replace(/[.()]/g, '\\$&')}(?!\\p{L})`, 'iu'), code] as const);

const CODES: ReadonlySet<string> = new Set(COUNTRIES.map(({ code }) => code));

/** Letters alone, for comparing a name with an address. */
const letters = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/&/g, 'and')
    .replace(/[^\p{L}\d]/gu, '');

/** A part of a line, with the label that stood before it and the whole line. */
interface Part {
  text: string;
  label: Label | undefined;
  from: string;
}
type Label = 'fax' | 'mobile' | 'direct' | 'phone' | 'mail' | 'web' | 'address';
const LABELS: readonly Label[] = ['fax', 'mobile', 'direct', 'phone', 'mail', 'web', 'address'];

function partsOf(text: string): Part[] {
  const lines = text
    .replace(/\r\n?|\u2028/g, '\n')
    .split('\n')
    .slice(0, MOST_LINES);
  return lines.flatMap((line) =>
    line.split(SEPARATORS).flatMap((part): Part[] => {
      const found = LABEL.exec(part);
      const label = found ? LABELS[found.slice(1).findIndex((group) => group !== undefined)] : undefined;
      const bare = (found ? part.slice(found[0].length) : part).replace(/^[\s,;>*-]+|[\s,;]+$/g, '');
      return bare === '' ? [] : [{ text: bare.slice(0, MOST_LETTERS), label, from: line.trim() }];
    }),
  );
}

/** Countries that the text hints at: by their names, dialling codes and domains. */
function likelyCountries(text: string, told: string | undefined): string[] {
  const byName = NAMES_WITHIN.flatMap(([name, code]) => (name.test(text) ? [code] : []));
  const byDial = [...text.matchAll(/\+\d[\d ()-]{6,}/g)].flatMap(([number]) => {
    const country = parsePhoneNumberFromString(number)?.country;
    return country ? [country as string] : [];
  });
  const byDomain = [...text.matchAll(/\.([a-z]{2})(?![\p{L}\d.-])/giu)].flatMap(([, end]) => {
    const code = end!.toUpperCase() === 'UK' ? 'GB' : end!.toUpperCase();
    return CODES.has(code) ? [code] : [];
  });
  return [...new Set([...byName, ...byDial, ...(told ? [told] : []), ...byDomain])];
}

const isName = (text: string): boolean =>
  /^(?:(?:Dr|Prof|Mr|Mrs|Ms|Mx)\.?\s+)?\p{Lu}[\p{L}\p{M}'’.-]*(?:\s+(?:(?:von|van|de|der|den|la|le|di|da|du|zu|bin|al)\s+)*\p{Lu}[\p{L}\p{M}'’.-]*){1,4}(?:,?\s+(?:Jr|Sr|PhD|BSc|MSc|[A-Z]{2,5})\.?)*$/u.test(
    text,
  ) && !/\d/.test(text);

/** Whether a name is the one of an address: "iris.calloway" and "icalloway" are Iris Calloway's. */
function isMailOf(name: string, mail: string): boolean {
  const local = letters(mail.split('@')[0]!);
  const parts = name.split(/\s+/).map(letters).filter(Boolean);
  const [first = '', last = ''] = [parts[0], parts.at(-1)];
  return [letters(name), first, last, first[0] + last, last + first[0], first + last[0], last + first].includes(local);
}

const GENERAL =
  /^(info|hello|hi|mail|office|contact|post|sales|studio|shop|team|admin|enquiries|inquiries|orders|kontakt|bonjour|hola|workshop|garden|service|support|welcome)@/i;

function takeAddress(parts: Part[], likely: readonly string[], firm: DetailsFound['firm']): string | undefined {
  for (const [i, part] of parts.entries()) {
    const found = postalLine(part.text, likely);
    if (!found || found.town === '') {
      // A postcode on a line of its own: the town stands on the line before.
      if (!found || i === 0) continue;
      found.town = parts[i - 1]!.text;
    }
    const at = (value: string): Read => ({ value, from: part.from });
    const isOwnLine = found.town === parts[i - 1]?.text;
    let taken = isOwnLine ? i - 1 : i;
    if (isOwnLine) {
      const listed = found.town.split(',').map((each) => each.trim());
      found.town = listed.at(-1)!;
      found.before = listed.slice(0, -1).join(', ');
    }
    let street = found.before;
    let streetFrom = parts[taken]!.from;
    while (street === '' || !STREET.test(street)) {
      const above = parts[taken - 1];
      if (
        !above ||
        above.label === 'phone' ||
        !STREET.test(above.text) ||
        MAIL.test(above.text) ||
        WEB.test(above.text)
      )
        break;
      street = street === '' ? above.text : `${above.text}, ${street}`;
      streetFrom = above.from;
      taken--;
    }
    if (street !== '') firm.street = { value: street, from: streetFrom };
    firm.town = at(found.town);
    if (found.region !== '') firm.region = at(found.region);
    firm.postcode = at(found.postcode);
    parts.splice(taken, i - taken + 1);
    return found.country;
  }
  return undefined;
}

/** What stands for a number, written as its country writes it where the library knows it, as it was typed elsewhere. */
function phoneOf(text: string, country: string | undefined): string | undefined {
  const digits = text.replace(/\D/g, '').length;
  if (digits < 7 || digits > 20) return undefined;
  const number = parsePhoneNumberFromString(text, country as CountryCode | undefined);
  if (number && !number.isPossible() && country) return undefined;
  const typed = text.replace(/\s+/g, ' ').trim();
  if (!number?.isPossible()) return typed;
  // Who writes the country's code means to be called from abroad.
  return /^(\+|00)/.test(typed) ? number.formatInternational() : number.formatNational();
}

/** Reads a text; `told` is the country it is thought to come from. Never throws for what the text says. */
export function readDetails(text: string, told?: string): DetailsFound {
  const found: DetailsFound = { firm: {}, people: [], country: undefined, unread: [] };
  const { firm } = found;
  let plain = text.slice(0, DETAILS_LIMIT);
  if (/^\s*BEGIN:VCARD/im.test(plain)) {
    plain = takeCards(plain, found);
  }
  const likely = likelyCountries(plain, told);
  const parts = partsOf(plain);
  const named = parts.findIndex(({ text: each }) => COUNTRY_NAMES.has(each.toLowerCase()));
  if (named >= 0) {
    const [line] = parts.splice(named, 1);
    firm.country = { value: line!.text, from: line!.from };
    likely.unshift(COUNTRY_NAMES.get(line!.text.toLowerCase())!);
  }
  const where = takeAddress(parts, likely, firm);
  found.country = likely.find((code) => code === where) ?? where ?? likely[0];
  const mails: Read[] = [];
  const directs: Read[] = [];
  const left: Part[] = [];
  for (const part of parts) {
    let rest = part.text;
    const read = (value: string): Read => ({ value, from: part.from });
    const cut = (value: string): void => {
      rest = rest.replace(value, ' ').trim();
    };
    if (REGISTERED.test(rest)) {
      firm.registration = read(firm.registration ? `${firm.registration.value}, ${rest}`.slice(0, MOST_LETTERS) : rest);
      continue;
    }
    for (let mail = MAIL.exec(rest); mail; mail = MAIL.exec(rest)) {
      mails.push(read(mail[0]));
      cut(mail[0]);
    }
    const social = SOCIAL.exec(rest);
    const handle = social ? `@${social[1]}` : HANDLE.exec(rest)?.[0];
    if (handle) {
      if (!firm.handle) firm.handle = read(handle);
      else if (!firm.secondHandle && firm.handle.value !== handle) firm.secondHandle = read(handle);
      cut(social?.[0] ?? handle);
    }
    const web = WEB.exec(rest);
    if (web) {
      if (!firm.web) firm.web = read(web[0].replace(/^https?:\/\//i, '').replace(/[/.]+$/, ''));
      cut(web[0]);
    }
    for (const [number] of rest.matchAll(PHONE)) {
      const phone = phoneOf(number, found.country);
      if (!phone) continue;
      cut(number);
      const inner = part.label ?? labelBefore(part.text, number);
      if (inner === 'fax') continue;
      if (inner === 'direct') directs.push(read(phone));
      else if (!firm.phone && inner !== 'mobile') firm.phone = read(phone);
      else if (!firm.mobile && firm.phone?.value !== phone) firm.mobile = read(phone);
    }
    rest = rest.replace(LABEL, '').replace(/^[\s,;:()-]+|[\s,;:(-]+$/g, '');
    if (/[\p{L}]{2}/u.test(rest) && !isOnlyLabel(rest)) left.push({ ...part, text: rest });
  }
  if (firm.mobile && !firm.phone) {
    firm.phone = firm.mobile;
    delete firm.mobile;
  }
  nameWhoIsLeft(left, mails, directs, found);
  return found;
}

const isOnlyLabel = (text: string): boolean =>
  /^(tel|phone|fax|mobile|mob|cell|direct|email|e-?mail|mail|web|www|t|m|f|e|w|d|follow us|find us|contact|or|and|on)\.?:?$/i.test(
    text,
  );

/** The label nearest before a number on a line of several. */
function labelBefore(line: string, number: string): Label | undefined {
  const before =
    line
      .slice(0, line.indexOf(number))
      .split(/[\d,;]/)
      .at(-1) ?? '';
  const word = `${before.trim().replace(/[.:]+$/, '')}:`;
  const found = LABEL.exec(word);
  return found ? LABELS[found.slice(1).findIndex((group) => group !== undefined)] : undefined;
}

/** A role and who has it, out of one line. */
function roleAndName(text: string): [role: string, name: string] | undefined {
  const [, role, name] = /^([^:]{3,40}):\s*(.+)$/u.exec(text) ?? [];
  return role && name && TITLE.test(role) && isName(name) ? [role, name] : undefined;
}

/** Says of the lines that are left who is the company, who a person, and what they do. */
function nameWhoIsLeft(left: readonly Part[], mails: Read[], directs: Read[], found: DetailsFound): void {
  const { firm, people } = found;
  const domains = [...mails.map(({ value }) => value.split('@')[1]!), ...(firm.web ? [firm.web.value] : [])].map(
    (each) => letters(each.replace(/^www\./i, '').split(/[/.]/)[0]!),
  );
  const used = new Set<number>();
  const at = (test: (text: string, i: number) => boolean): number =>
    left.findIndex(({ text }, i) => !used.has(i) && test(text, i));
  const take = (i: number): Read => {
    used.add(i);
    return { value: left[i]!.text, from: left[i]!.from };
  };
  const isDomain = (text: string): boolean => {
    const own = letters(text);
    const bare = letters(text.replace(COMPANY, ''));
    return domains.some(
      (domain) =>
        domain.length > 2 &&
        (own === domain || bare === domain || (own.length > 4 && (domain.startsWith(own) || own.startsWith(domain)))),
    );
  };
  const personAt =
    people.length > 0
      ? -1
      : at((text) => isName(text) && !TITLE.test(text) && mails.some(({ value }) => isMailOf(text, value)));
  const person = personAt >= 0 ? take(personAt) : undefined;
  let company = firm.name ? -1 : at(isDomain);
  if (company < 0 && !firm.name)
    company = at(
      (text) => COMPANY.test(text) && !PROSE.test(text) && text.length < 70 && !TITLE.test(text.replace(COMPANY, '')),
    );
  if (company >= 0) firm.name = take(company);
  const titled = at((text) => TITLE.test(text) && text.length < 80 && !PROSE.test(text));
  let who = person;
  let title: Read | undefined;
  // "Managing director: Ada Quill" names both.
  const roled = who || people.length > 0 ? -1 : at((text) => roleAndName(text) !== undefined);
  if (roled >= 0) {
    const from = take(roled);
    const [role, name] = roleAndName(from.value)!;
    who = { ...from, value: name };
    title = { ...from, value: role };
  }
  if (!who && people.length === 0) {
    const beside = titled > 0 && !used.has(titled - 1) && isName(left[titled - 1]!.text) ? titled - 1 : -1;
    const first = beside >= 0 ? beside : at((text, i) => i < 3 && isName(text) && !isDomain(text));
    if (first >= 0 && (beside >= 0 || firm.name)) who = take(first);
  }
  if (who) {
    const { value } = who;
    if (!title && titled >= 0 && !used.has(titled)) title = take(titled);
    // What stands below a name in few words is what its bearer does, whatever it is called.
    const below = left.findIndex(({ text }) => text === value) + 1;
    const says = left[below]?.text ?? '';
    const isShort = says.split(/\s+/).length <= 4 && says.length < 50 && !PROSE.test(says) && !STREET.test(says);
    if (!title && below > 0 && says !== '' && isShort && !used.has(below) && firm.name) title = take(below);
    const own =
      mails.find((mail) => isMailOf(value, mail.value)) ??
      (mails.length > 1 ? mails.find((mail) => !GENERAL.test(mail.value)) : undefined);
    const mail = own ?? (mails.length === 1 && !GENERAL.test(mails[0]!.value) ? mails[0] : undefined);
    if (mail) mails.splice(mails.indexOf(mail), 1);
    people.push({
      name: who,
      ...(title ? { title } : {}),
      ...(mail ? { mail } : {}),
      ...(directs[0] ? { direct: directs[0] } : {}),
    });
  } else if (directs[0] && !firm.phone) firm.phone = directs[0];
  if (mails[0] && !firm.mail) firm.mail = mails[0];
  if (!firm.name) {
    const first = at((text) => text.length < 60 && !PROSE.test(text));
    if (first >= 0) firm.name = take(first);
  }
  const line = at(
    (text) => text.split(/\s+/).length >= 2 && text.length < 90 && !PROSE.test(text) && !STREET.test(text),
  );
  if (line >= 0 && !firm.line) firm.line = take(line);
  found.unread = [...new Set(left.flatMap(({ text }, i) => (used.has(i) ? [] : [text])))];
}

/** People and company of contact cards; gives what they say of places and numbers as lines to read on. */
function takeCards(text: string, found: DetailsFound): string {
  const cards = text.match(/BEGIN:VCARD[\s\S]*?END:VCARD/gi) ?? [];
  for (const card of cards) {
    const from = 'contact card';
    for (const { name, title, direct, mail } of safely(() => readPeopleVcards(card)) ?? [])
      found.people.push({
        name: { value: name, from },
        ...(title ? { title: { value: title, from } } : {}),
        ...(direct ? { direct: { value: direct, from } } : {}),
        ...(mail ? { mail: { value: mail, from } } : {}),
      });
  }
  const first = (cards[0] ?? '').replace(/\r?\n[ \t]/g, '');
  const value = (name: string): string =>
    (new RegExp(`^(?:\\w+\\.)?${name}(?:;[^:\\n]*)?:(.*)$`, 'im').exec(first)?.[1] ?? '')
      .replace(/\\([,;nN])/g, '$1')
      .trim();
  const company = value('ORG').split(';')[0]!;
  if (company) found.firm.name = { value: company, from: 'contact card' };
  const [, , street = '', town = '', region = '', code = '', country = ''] = value('ADR')
    .split(';')
    .map((each) => each.trim());
  const set = (detail: FirmDetail, said: string): void => {
    if (said !== '') found.firm[detail] = { value: said, from: 'contact card' };
  };
  set('street', street);
  set('town', town);
  set('region', region);
  set('postcode', code);
  const web = value('URL')
    .replace(/^https?:\/\//i, '')
    .replace(/\/$/, '');
  set('web', web);
  return [text.replace(/BEGIN:VCARD[\s\S]*?END:VCARD/gi, ''), country].join('\n');
}

function safely<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}
