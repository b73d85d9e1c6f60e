import type { Made } from '../job/table';

/** What the posts' own codes hold for an address; nothing for one that the post does not deliver. From memory of their specifications. */

type Asked = Extract<Made, { kind: 'post' }>;
interface Address {
  postcode: string;
  street: string;
  /** The row, 0 first: what tells a letter from the sender's others. */
  row: number;
}

const bare = (text: string): string => text.toUpperCase().replace(/[\s-]+/g, '');

/** Royal Mail: the postcode, and where it is delivered; 9Z where that is not known (Mailmark and RM4SCC guides). */
function royalMail({ postcode }: Address): string {
  const code = bare(postcode);
  return /^[A-Z]{1,2}\d[A-Z\d]?\d[A-Z]{2}$/.test(code) ? `${code}9Z` : '';
}

/** PostNL: the postcode, the house number, and after an X what follows it (KIX). */
function kix({ postcode, street }: Address): string {
  const code = bare(postcode);
  const [, number, more = ''] = /(\d{1,5})\s*[-/ ]?\s*([A-Za-z0-9]{1,6})?\s*$/.exec(street) ?? [];
  if (!/^\d{4}[A-Z]{2}$/.test(code) || !number) return '';
  return `${code}${number}${more ? `X${more.toUpperCase()}` : ''}`;
}

/** USPS: an identifier of two figures, the service, the mailer, a serial number that fills up to twenty, and the ZIP (USPS-B-3200). */
function intelligentMail({ service, mailer }: Asked, { postcode, row }: Address): string {
  const zip = bare(postcode);
  if (!/^\d{5}(\d{4}(\d{2})?)?$/.test(zip) || service.length !== 3 || (mailer.length !== 6 && mailer.length !== 9))
    return '';
  const digits = 20 - 2 - service.length - mailer.length;
  return `00${service}${mailer}${`${(row + 1) % 10 ** digits}`.padStart(digits, '0')}${zip}`;
}

const CONTENT: Readonly<Record<Asked['code'], (asked: Asked, address: Address) => string>> = {
  royalmail: (_, address) => royalMail(address),
  kix: (_, address) => kix(address),
  imb: intelligentMail,
};

export const postCodeOf = (asked: Asked, address: Address): string => CONTENT[asked.code](asked, address);
