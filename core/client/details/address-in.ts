import { COUNTRY_NAMES } from './countries-in';
import type { DetailsFound, Read } from './found';
import type { Part } from './lines';
import { COUNTY, type PostalLine, postalLine, townAndRegion } from './postal-lines';
import { COMPANY, LEGAL, SAID, STREET, STREET_START, STREET_WORD } from './words';

/** The address among the parts of a text. */

interface Found extends PostalLine {
  /** The part it was read from. */
  at: number;
}

/** The likeliest line with a postcode: the surest, then the first. */
function postalPart(parts: readonly Part[], likely: readonly string[]): Found | undefined {
  const all = parts.flatMap((part, at): Found[] => {
    const isAsked = (part.label === undefined || part.label === 'address') && !SAID.test(part.text);
    const found = isAsked ? postalLine(part.text, likely) : undefined;
    return found ? [{ ...found, at }] : [];
  });
  return all.sort((a, b) => b.strength - a.strength || a.at - b.at)[0];
}

const isStreet = (text: string): boolean => STREET_START.test(text) || STREET_WORD.test(text);

/** Of a list, what belongs to a street, and what stands before that. */
function streetOf(list: string): { street: string; before: string } {
  const parts = list
    .split(',')
    .map((each) => each.trim())
    .filter((each) => each !== '');
  const legal = parts.findLastIndex((each) => LEGAL.test(each));
  if (legal >= 0) return { street: parts.slice(legal + 1).join(', '), before: parts.slice(0, legal + 1).join(', ') };
  const first = parts.findIndex(isStreet);
  if (first < 0)
    return STREET.test(list) || parts.length < 2 ? { street: list, before: '' } : { street: '', before: list };
  return { street: parts.slice(first).join(', '), before: parts.slice(0, first).join(', ') };
}

/** Whether a part can stand above the line of a town: it is a street, and neither labelled nor a company. */
const isAbove = (part: Part | undefined, kind: RegExp): part is Part =>
  part !== undefined &&
  (part.label === undefined || part.label === 'address') &&
  kind.test(part.text) &&
  !LEGAL.test(part.text);

/** More lines than this stand above the one with the town in no address. */
const MOST_ABOVE = 3;

/** Takes the address out of the parts; gives its country. */
export function takeAddress(parts: Part[], likely: readonly string[], firm: DetailsFound['firm']): string | undefined {
  const found = postalPart(parts, likely);
  if (!found) {
    takeTown(parts, firm);
    takeStreet(parts, firm);
    return undefined;
  }
  const { at: i, after, postcode, country } = found;
  const part = parts[i]!;
  const read = (value: string): Read => ({ value, from: part.from });
  let { before, town, region } = found;
  let taken = i;
  // A postcode on a line of its own: the town stands on the line before.
  if (town === '' && i > 0) {
    taken = i - 1;
    // The county may have one of its own, too.
    if (i > 1 && COUNTY.test(parts[taken]!.text)) {
      region = parts[taken]!.text;
      taken--;
    }
    const listed = parts[taken]!.text.split(',').map((each) => each.trim());
    town = listed.at(-1)!;
    before = listed.slice(0, -1).join(', ');
  }
  const own = streetOf(before);
  let { street } = own;
  let from = parts[taken]!.from;
  if (own.before === '')
    for (let n = 0; n < MOST_ABOVE; n++) {
      const above = parts[taken - 1];
      // A street has been found: what is still above it is a part of a building, or a number with it.
      if (!isAbove(above, street === '' || !STREET.test(street) ? STREET : STREET_START)) break;
      street = street === '' ? above.text : `${above.text}, ${street}`;
      from = above.from;
      taken--;
    }
  if (street !== '') firm.street = { value: street, from };
  firm.town = read(town);
  if (region !== '') firm.region = read(region);
  firm.postcode = read(postcode);
  const rest = (text: string): Part[] =>
    text.trim() === '' ? [] : [{ text: text.trim(), label: undefined, from: part.from }];
  parts.splice(taken, i - taken + 1, ...rest(own.before), ...rest(after));
  return country;
}

/** A town and its region on a line of their own. */
function takeTown(parts: Part[], firm: DetailsFound['firm']): void {
  const at = parts.findIndex(({ text, label }) => label === undefined && townAndRegion(text) !== undefined);
  if (at < 0) return;
  const { text, from } = parts.splice(at, 1)[0]!;
  const { town, region } = townAndRegion(text)!;
  firm.town = { value: town, from };
  firm.region = { value: region, from };
}

/** An address without a postcode: a street by its words and its number, the town behind it. */
function takeStreet(parts: Part[], firm: DetailsFound['firm']): void {
  const at = parts.findIndex(
    ({ text, label }) =>
      label === 'address' ||
      (label === undefined && /\d/.test(text) && STREET_WORD.test(text) && !COMPANY.test(text) && text.length < 100),
  );
  if (at < 0) return;
  const { text, from } = parts[at]!;
  const listed = text.split(',').map((each) => each.trim());
  const country = listed.length > 1 ? COUNTRY_NAMES.get(listed.at(-1)!.toLowerCase()) : undefined;
  if (country) firm.country = { value: listed.pop()!, from };
  const end = listed.at(-1)!;
  const hasTown = !firm.town && listed.length > 1 && !STREET_WORD.test(end);
  firm.street = { value: (hasTown ? listed.slice(0, -1) : listed).join(', '), from };
  if (hasTown) firm.town = { value: end, from };
  parts.splice(at, 1);
}
