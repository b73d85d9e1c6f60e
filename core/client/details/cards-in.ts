import { readPeopleVcards } from '../../files/people-vcard';
import type { FirmDetail } from '../../job/details';
import type { DetailsFound } from './found';

/** People and company of contact cards; gives what they say of places and numbers as lines to read on. */
export function takeCards(text: string, found: DetailsFound): string {
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
