/** What stands before a detail and says what it is: "Tel.", "E-Mail:", "City:". From memory, in several languages. */

export type Label = keyof typeof NUMBERS | keyof typeof FORMS;

/** Before numbers and addresses: with a colon, a full stop, or at once before a number. */
const NUMBERS = {
  fax: 'fax|telefax',
  mobile:
    'mob(?:ile)?(?: phone)?|cell(?: ?phone)?|handy|mobil(?:telefon)?|gsm|port(?:able)?|móvil|movil|celular|kom|tlm|κιν|whatsapp',
  direct: 'dir(?:ect)?(?: line| dial)?|durchwahl|ddi',
  phone:
    'tel(?:ephone|efon|éfono|efono|efoon)?|tlf|puh(?:elin)?|tél(?:éphone)?|phone(?: number)?|ph|office|work|main|fon|call|toll-?free|τηλ|đt|電話',
  mail: 'e-?mail|mail|courriel|correo',
  web: 'web(?:site|page)?|internet|homepage|site(?: web)?|url',
  address: 'address|adresse|addr|visit(?: us)?|dirección|indirizzo|adres|location',
  social: 'instagram|insta|ig|facebook|fb|twitter|x|linkedin|tiktok|youtube|threads|pinterest|mastodon',
} as const;
/** One letter is a label only with a colon, or at once before a number: with a full stop it is somebody's initial. */
const ONE_LETTER = {
  fax: 'f',
  mobile: '[mc]',
  direct: 'd',
  phone: '[tpo]',
  mail: 'e',
  web: 'w',
  address: 'a',
} as const;
/** Before what a form asks for: always with a colon. */
const FORMS = {
  company: 'company(?: name)?|business(?: name)?|organi[sz]ation|firm|firma|société|entreprise|empresa|azienda|bedrijf',
  person: '(?:full |your )?name|contact(?: person| name)?|ansprechpartner(?:in)?|naam|nom|nombre|nome',
  title: '(?:job )?title|position|role|funktion|function|fonction|cargo|functie',
  line: 'what we do|tagline|slogan|motto|strapline',
  street: 'street(?: address)?|straße|address line ?1',
  town: 'city|town|ort|stadt|ville|ciudad|città|plaats',
  region: 'state|region|province|county|bundesland',
  postcode: 'zip(?: ?code)?|eircode|post ?code|postal code|plz|code postal|cap',
  country: 'country|land|pays|país|paese',
} as const;

/** What may be a number to call. */
const NUMBER = '(?=\\+?\\(?\\d[\\d ().\\u00a0/–-]{4,}\\d)';
const named = (table: Readonly<Record<string, string>>, end: string): string[] =>
  Object.entries(table).map(([label, words]) => `(?<${label}>(?:${words})${end})`);
const wordy = new RegExp(`^\\s*(?:${named(NUMBERS, `(?:\\s?[.:：][.:：\\s]*|\\s+${NUMBER})`).join('|')})`, 'iu');
const short = new RegExp(`^\\s*(?:${named(ONE_LETTER, `(?:\\s?[:：]\\s*|\\.?\\s*${NUMBER})`).join('|')})`, 'iu');
const form = new RegExp(`^\\s*(?:${named(FORMS, '\\s?[:：]\\s*').join('|')})`, 'iu');

/** The label that a text begins with, and what stands behind it. */
export function labelOf(text: string): { label: Label | undefined; rest: string } {
  // "D 04229 Leipzig" is a town.
  if (/^\s*[a-z]{1,2}[- ]?\d{4,5} \p{L}/iu.test(text)) return { label: undefined, rest: text };
  const found = wordy.exec(text) ?? short.exec(text) ?? form.exec(text);
  if (!found) return { label: undefined, rest: text };
  const label = Object.entries(found.groups ?? {}).find(([, words]) => words !== undefined)?.[0];
  return { label: label as Label | undefined, rest: text.slice(found[0].length) };
}

/** The label nearest before a number on a line of several. */
export function labelBefore(line: string, number: string): Label | undefined {
  const before =
    line
      .slice(0, line.indexOf(number))
      .split(/[\d,;|•·]/)
      .at(-1) ?? '';
  return labelOf(`${before.trim().replace(/[.:]+$/, '')}: `).label;
}

const ALL = [
  ...Object.values(NUMBERS),
  ...Object.values(ONE_LETTER),
  'www|follow us|find us|contact|or|and|on|at',
].join('|');
const ONLY = new RegExp(`^(?:${ALL})[.:]?$`, 'iu');
/** Whether what is left of a line is nothing but a label whose detail has been taken. */
export const isOnlyLabel = (text: string): boolean => ONLY.test(text);
