import { describe, expect, it } from 'vitest';
import type { Column } from '../../../core/job/table';
import { addressColumns, contactColumns } from '../../../core/run/guess-columns';

const columns = (...names: string[]): Column[] => names.map((name, at) => ({ key: `k${at}`, name, type: 'text', at }));
/** The heads that the parts are fed by. */
const heads = (found: Record<string, string>, all: readonly Column[]) =>
  Object.fromEntries(Object.entries(found).map(([part, key]) => [part, all.find((each) => each.key === key)?.name]));

describe('columns of an address', () => {
  it.each([
    [
      ['Customer Name', 'Address Line 1', 'Address Line 2', 'City', 'State', 'ZIP Code', 'Country'],
      ['Customer Name', 'Address Line 1', 'Address Line 2', 'City', 'State', 'ZIP Code', 'Country'],
    ],
    [
      ['Firma', 'Name', 'Straße', 'PLZ', 'Ort', 'Land', 'Transport', 'Landline'],
      ['Name', 'Straße', undefined, 'Ort', undefined, 'PLZ', 'Land'],
    ],
    [
      ['Nom', 'Rue', 'Code postal', 'Ville', 'Pays'],
      ['Nom', 'Rue', undefined, 'Ville', undefined, 'Code postal', 'Pays'],
    ],
    [
      ['Sort', 'Report', 'Statement', 'Recipient', 'street_address', 'post_town', 'County', 'Post code'],
      ['Recipient', 'street_address', undefined, 'post_town', 'County', 'Post code', undefined],
    ],
  ])('of %j', (names, [name, street, more, town, region, postcode, country]) => {
    const all = columns(...names);
    const { company: _company, ...found } = heads(addressColumns(all), all);
    const wanted = { name, street, more, town, region, postcode, country };
    expect(found).toEqual(Object.fromEntries(Object.entries(wanted).filter(([, head]) => head !== undefined)));
  });

  it('are those that were read, each for one part', () => {
    const all = columns('Address', 'Company Name', 'Name');
    expect(heads(addressColumns(all), all)).toEqual({ street: 'Address', company: 'Company Name', name: 'Name' });
    const made = all.map((column) => ({ ...column, made: { kind: 'postcode', of: 'k0' } as const }));
    expect(addressColumns(made)).toEqual({});
  });
});

it('finds the columns of a contact card', () => {
  const all = columns('Ansprechpartner', 'Firma', 'Funktion', 'Durchwahl', 'E-Mail', 'Website', 'Username');
  expect(heads(contactColumns(all), all)).toEqual({
    name: 'Ansprechpartner',
    firm: 'Firma',
    title: 'Funktion',
    phone: 'Durchwahl',
    mail: 'E-Mail',
    web: 'Website',
  });
});
