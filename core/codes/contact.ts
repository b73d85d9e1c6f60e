/** What a contact card says; empty fields are left out. */
export interface Contact {
  name: string;
  firm: string;
  title: string;
  phone: string;
  mail: string;
  web: string;
}

/** RFC 6350, 3.4: backslashes, commas, semicolons and line ends are escaped. */
const escaped = (text: string): string =>
  text
    .trim()
    .replace(/([\\,;])/g, '\\$1')
    .replace(/\r?\n/g, '\\n');

/**
 * A contact card as vCard 4.0 (RFC 6350). For codes the phone is a number to dial, which is short and sure; for files it
 * is what is printed.
 */
export function vcard({ name, firm, title, phone, mail, web }: Contact, phoneAs: 'dialled' | 'printed' = 'dialled') {
  const parts = name.trim().split(/\s+/);
  const family = parts.length > 1 ? parts.at(-1)! : '';
  const given = (parts.length > 1 ? parts.slice(0, -1) : parts).join(' ');
  const lines: [key: string, value: string][] = [
    ['FN', escaped(name)],
    ['N', name.trim() === '' ? '' : `${escaped(family)};${escaped(given)};;;`],
    ['ORG', escaped(firm)],
    ['TITLE', escaped(title)],
    // RFC 3966: a dialled number has no spaces.
    phoneAs === 'printed'
      ? ['TEL', escaped(phone)]
      : ['TEL;VALUE=uri', phone.trim() === '' ? '' : `tel:${phone.replace(/[^\d+]/g, '')}`],
    ['EMAIL', escaped(mail)],
    ['URL', web.trim()],
  ];
  const said = lines.filter(([, value]) => value !== '').map(([key, value]) => `${key}:${value}`);
  return ['BEGIN:VCARD', 'VERSION:4.0', ...said, 'END:VCARD'].join('\r\n');
}
