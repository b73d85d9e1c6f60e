import ICAL from 'ical.js';
import { vcard } from '../codes/contact';
import type { Firm, Person } from '../job/details';
import { PEOPLE_LIMITS, PeopleFileError, type PersonRead, personFrom } from './people';

/** People as vCards (RFC 6350; 2426 and 2.1 are read as well). */

/** RFC 6350, 3.2: lines go on after 75 octets; a character is never cut. */
function folded(line: string): string {
  const encoder = new TextEncoder();
  const out: string[] = [];
  let now = '';
  let size = 0;
  for (const character of line) {
    const octets = encoder.encode(character).length;
    if (size + octets > 75) {
      out.push(now);
      now = ' ';
      size = 1;
    }
    now += character;
    size += octets;
  }
  return [...out, now].join('\r\n');
}

/** Each person with the firm they belong to. */
export const writePeopleVcards = (people: readonly Person[], firm: Firm): string =>
  people
    .map(({ name, title, direct, mail }) => {
      const contact = { name, firm: firm.name ?? '', title, phone: direct, mail, web: firm.web ?? '' };
      const card = vcard(contact, 'printed');
      return card.split('\r\n').map(folded).join('\r\n');
    })
    .map((card) => `${card}\r\n`)
    .join('');

/** vCard 2.1 writes what is not ASCII as quoted-printable (RFC 2045, 6.7), lines that go on ending in =. */
function unquoted(text: string): string {
  const joined = text.replace(/=\r?\n/g, (end, at: number) => (isQuoted(text, at) ? '' : end));
  return joined.replace(/^([^:\r\n]*);ENCODING=QUOTED-PRINTABLE([^:\r\n]*):(.*)$/gim, (_, before, after, value) => {
    const bytes: number[] = [];
    for (let i = 0; i < value.length; i++) {
      const hex = /^=([0-9A-F]{2})/i.exec(value.slice(i, i + 3))?.[1];
      if (hex) {
        bytes.push(Number.parseInt(hex, 16));
        i += 2;
      } else bytes.push(...new TextEncoder().encode(value[i]));
    }
    const plain = new TextDecoder().decode(Uint8Array.from(bytes)).replace(/\r?\n/g, '\\n');
    return `${before}${String(after).replace(/;CHARSET=[^;:]*/i, '')}:${plain}`;
  });
}
/** Whether the line that a soft break ends is quoted-printable: its property says so. */
const isQuoted = (text: string, at: number): boolean =>
  /ENCODING=QUOTED-PRINTABLE/i.test(text.slice(Math.max(0, text.lastIndexOf('\nBEGIN', at)), at));

/** vCard 2.1 names types without saying that they are. */
const typed = (text: string): string =>
  text.replace(/^(TEL|EMAIL|ADR|N|FN|TITLE|ORG)((?:;[\w-]+)+):/gim, (_, name, types) => {
    const named = String(types).replace(/;/g, ';TYPE=');
    return `${name}${named}:`;
  });

const said = (value: unknown): string =>
  // The parser leaves an escaped semicolon as it is (RFC 6350, 3.4).
  (Array.isArray(value) ? value.flat().join(' ') : String(value ?? '')).replaceAll('\\;', ';');

/** A name from its parts: family, given, more given, before, after (RFC 6350, 6.2.2). */
function nameOfParts(value: unknown): string {
  const [family = '', given = '', more = '', before = ''] = (Array.isArray(value) ? value : [value]).map(said);
  return [before, given, more, family].join(' ');
}

/** Reads all the cards of a file. Throws with words for the user. */
export function readPeopleVcards(text: string): PersonRead[] {
  const plain = typed(unquoted(text.replace(/^\uFEFF/, ''))).trim();
  if (!/^BEGIN:VCARD/i.test(plain))
    throw new PeopleFileError('This is no file of contact cards. Save the contacts as vCard (.vcf), or as CSV.');
  const cards = cardsIn(plain);
  if (cards.length > PEOPLE_LIMITS.people)
    throw new PeopleFileError(
      `This file has ${cards.length} cards; a house has at most ${PEOPLE_LIMITS.people} people.`,
    );
  return cards.flatMap(personFrom);
}

/** The cards of a text. The parser reads values only when they are asked for, so all of it is done here. */
function cardsIn(text: string): PersonRead[] {
  try {
    const parsed = ICAL.parse(text) as unknown[];
    return (parsed[0] === 'vcard' ? [parsed] : parsed).map((card) => {
      const component = new ICAL.Component(card as never);
      const value = (name: string): unknown => component.getFirstPropertyValue(name);
      const name = said(value('fn')).trim() || nameOfParts(value('n'));
      const direct = said(value('tel')).replace(/^tel:/i, '');
      return { name, title: said(value('title')), direct, mail: said(value('email')) };
    });
  } catch {
    throw new PeopleFileError('These contact cards are damaged. Save them again as vCard 3.0 or 4.0, or as CSV.');
  }
}
