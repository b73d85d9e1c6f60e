import { type CountryCode, postcodeValidator, postcodeValidatorExistsForCountry } from 'postcode-validator';
import type { AddressPart } from '../job/table';
import { addressForm, countryNamed, OTHER_FORM } from '../trade/address-forms';

/** An address in its parts. */
export type Address = Partial<Record<AddressPart, string>>;

/** The country an address goes to: as it says, or the sender's where it says none. Undefined for one that is not known. */
export const countryTo = ({ country = '' }: Address, from: string): string | undefined =>
  country.trim() === '' ? from : countryNamed(country);

const tidy = (line: string): string =>
  line
    .replace(/\{\w+\}/g, '')
    .replace(/^[\s,-]+|[\s,-]+$/g, '')
    .replace(/ ,/g, ',');

/** The lines of an address, as the country it goes to writes them; a letter abroad names the country in capitals below. */
export function addressLines(address: Address, from: string): string[] {
  const to = countryTo(address, from);
  const { lines, capitals } = addressForm(to) ?? OTHER_FORM;
  const said = (part: string): string => {
    const text = (address[part as AddressPart] ?? '').replace(/\s*\r?\n\s*/g, ', ').trim();
    return (capitals as readonly string[]).includes(part) ? text.toLocaleUpperCase('en') : text;
  };
  const body = lines.map((line) => {
    const filled = line.replace(/\{(\w+)\}/g, (_, part: string) => said(part) || `{${part}}`);
    return tidy(filled);
  });
  const abroad = to === from ? '' : (addressForm(to)?.name ?? address.country ?? '').toLocaleUpperCase('en');
  return [said('name'), said('company'), ...body, abroad].filter((line) => line !== '');
}

/** What an address lacks, or has wrong, in words; none where it can be delivered as far as its form tells. */
export function addressFaults(address: Address, from: string): string[] {
  const to = countryTo(address, from);
  const has = (part: AddressPart): boolean => (address[part] ?? '').trim() !== '';
  const postcode = (address.postcode ?? '').trim().toUpperCase();
  const known = to !== undefined && postcodeValidatorExistsForCountry(to);
  return [
    ...(has('name') || has('company') ? [] : ['The address has no name']),
    ...(has('street') || has('more') ? [] : ['The address has no street']),
    ...(has('town') ? [] : ['The address has no town']),
    ...(to === undefined ? [`The country “${address.country}” is not known`] : []),
    ...(postcode === '' && known ? ['The address has no postcode'] : []),
    ...(postcode !== '' && known && !postcodeValidator(postcode, to as CountryCode)
      ? [`“${postcode}” is not a postcode of ${addressForm(to)?.name ?? to}`]
      : []),
  ];
}
