import ICAL from 'ical.js';
import { vcard } from '../codes/contact';
import type { Firm, Person } from '../job/details';
import { PEOPLE_LIMITS, PeopleFileError, type PersonRead, personFrom, refuseLong } from './people';

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

const QUOTED = /^([^:]*);ENCODING=QUOTED-PRINTABLE([^:]*):(.*)$/i;

/** What quoted-printable text stands for (RFC 2045, 6.7). */
function unquotedValue(value: string): string {
  const bytes = new TextEncoder().encode(value);
  const out = new Uint8Array(bytes.length);
  let size = 0;
  for (let i = 0; i < bytes.length; i++) {
    const digits = bytes[i] === 0x3d ? String.fromCharCode(...bytes.subarray(i + 1, i + 3)) : '';
    const isHex = /^[0-9A-F]{2}$/i.test(digits);
    out[size++] = isHex ? Number.parseInt(digits, 16) : bytes[i]!;
    if (isHex) i += 2;
  }
  return new TextDecoder().decode(out.subarray(0, size)).replace(/\r?\n/g, '\\n');
}

/** vCard 2.1 writes what is not ASCII as quoted-printable, lines that go on ending in =. */
function unquoted(text: string): string {
  const lines = text.split(/\r?\n/);
  const out: string[] = [];
  for (let i = 0; i < lines.length; i++) {
    const [, before, after, begin] = QUOTED.exec(lines[i]!) ?? [];
    if (before === undefined) {
      out.push(lines[i]!);
      continue;
    }
    const parts = [begin!];
    while (parts.at(-1)!.endsWith('=') && i + 1 < lines.length) {
      parts.push(parts.pop()!.slice(0, -1));
      parts.push(lines[++i]!);
    }
    out.push(`${before}${after!.replace(/;CHARSET=[^;:]*/i, '')}:${unquotedValue(parts.join(''))}`);
  }
  return out.join('\r\n');
}

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
  refuseLong(text);
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

/** A line of a card: what it tells, its parameters, and a value (RFC 6350, 3.3); or one that goes on. */
const LINE = /^(?:[\w-]+\.)?[\w-]+(?:;[^:]*)?:|^[ \t]/;

/** The cards of a text, one that cannot be read without its bad lines. */
function cardsIn(text: string): PersonRead[] {
  try {
    return readCards(text);
  } catch {
    const cards = text.match(/BEGIN:VCARD[\s\S]*?END:VCARD/gi) ?? [];
    const read = cards.flatMap((card) => {
      try {
        return readCards(
          card
            .split(/\r?\n/)
            .filter((line) => LINE.test(line))
            .join('\r\n'),
        );
      } catch {
        return [];
      }
    });
    if (read.length > 0) return read;
    throw new PeopleFileError('These contact cards are damaged. Save them again as vCard 3.0 or 4.0, or as CSV.');
  }
}

/** The parser reads values only when they are asked for, so all of it is done here. Throws as the parser does. */
function readCards(text: string): PersonRead[] {
  const parsed = ICAL.parse(text) as unknown[];
  return (parsed[0] === 'vcard' ? [parsed] : parsed).map((card) => {
    const component = new ICAL.Component(card as never);
    const value = (name: string): unknown => component.getFirstPropertyValue(name);
    const name = said(value('fn')).trim() || nameOfParts(value('n'));
    const direct = said(value('tel')).replace(/^tel:/i, '');
    return { name, title: said(value('title')), direct, mail: said(value('email')) };
  });
}
