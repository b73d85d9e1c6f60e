import { type CountryCode, parsePhoneNumberFromString } from 'libphonenumber-js/min';

/** Numbers to call, in a line of text. */

const PHONE = /\+?\(?\d[\d ().\u00a0/\-–]{5,}\d(?:\s*(?:x|ext\.?|extension)\s*\d{1,6})?/giu;
/** A date, or years from and to: as many digits as a number to call. */
const DATES =
  /^(?:\d{1,2}[./-]\d{1,2}[./-](?:\d{2}|\d{4})|\d{4}-\d\d-\d\d|(?:1[89]|20)\d\d\s*[-–/]\s*(?:1[89]|20)\d\d)$/;

/** What stands for a number, written as its country writes it where the library knows it, as it was typed elsewhere. */
function phoneOf(text: string, country: string | undefined): string | undefined {
  const digits = text.replace(/\D/g, '').length;
  if (digits < 7 || digits > 20 || DATES.test(text.trim())) return undefined;
  const number = parsePhoneNumberFromString(text, country as CountryCode | undefined);
  const typed = text.replace(/\s+/g, ' ').trim();
  // One that is dialled so in another country is kept as it was typed.
  if (number && !number.isPossible() && country) return /^[+(]?0|^\+/.test(typed) ? typed : undefined;
  if (!number?.isPossible()) return typed;
  // Who writes the country's code means to be called from abroad.
  return /^(\+|00)/.test(typed) ? number.formatInternational() : number.formatNational();
}

/** The numbers of a line as they stand there, each with how its country writes it. */
export const phonesIn = (line: string, country: string | undefined): { typed: string; written: string }[] =>
  [...line.matchAll(PHONE)].flatMap(([typed]) => {
    const written = phoneOf(typed, country);
    return written ? [{ typed, written }] : [];
  });
