import { headWords } from '../files/plain-head';
import type { AddressPart, Column, ContactPart } from '../job/table';

/** Which columns of a table feed the parts of an address or of a contact card, by what they are called; from memory, in several languages. */

/** What a part's column is called, and words within a longer head; the surest first. */
interface Called {
  heads: string;
  within?: RegExp;
}

const NAME: Called = {
  heads:
    'name|full name|recipient|addressee|contact|contact name|customer|guest|empfänger|ansprechpartner|vollständiger name|nom complet|destinataire|nombre completo|destinatario|naam|namn|navn|imię i nazwisko|nom|nome|nombre',
  within: /\b(full|customer|contact|recipient|guest|client) name\b/,
};
const COMPANY: Called = {
  heads:
    'company|company name|firm|organisation|organization|business|firma|unternehmen|société|entreprise|raison sociale|empresa|azienda|ditta|bedrijf|företag|spółka',
  within: /\b(company|firm|organi[sz]ation|business)\b/,
};

const ADDRESS: Readonly<Record<AddressPart, Called>> = {
  name: NAME,
  company: COMPANY,
  street: {
    heads:
      'street|street address|address|address 1|address line 1|address1|addr1|road|straße|strasse|anschrift|adresse|adresse 1|rue|calle|dirección|direccion|domicilio|via|indirizzo|straat|adres|gata|gade|ulica',
    within: /\b(street|address( line)? ?1|mailing address|delivery address|straße)\b/,
  },
  more: {
    heads:
      'address 2|address line 2|address2|addr2|street 2|apartment|suite|unit|adresszusatz|zusatz|adresse 2|complément|complément d’adresse|piso|interno|toevoeging',
    within: /\b(address( line)? ?2|line 2)\b/,
  },
  town: {
    heads:
      'town|city|post town|postal town|place|ort|stadt|wohnort|ville|commune|ciudad|localidad|población|città|citta|comune|località|plaats|woonplaats|stad|by|miasto|miejscowość|město',
    within: /\b(town|city)\b/,
  },
  region: {
    heads:
      'region|state|county|province|bundesland|kanton|département|région|provincia|estado|provincie|stan|województwo',
    within: /\b(state|county|province)\b/,
  },
  postcode: {
    heads:
      'postcode|post code|postal code|zip|zip code|zipcode|zip/postal code|plz|postleitzahl|code postal|cp|código postal|codigo postal|cap|postnummer|postnr|kod pocztowy|psč|eircode',
    within: /\b(post ?code|postal code|zip)\b/,
  },
  country: { heads: 'country|country code|land|pays|país|pais|paese|nazione|kraj|země', within: /\bcountry\b/ },
};

const CONTACT: Readonly<Record<ContactPart, Called>> = {
  name: NAME,
  firm: COMPANY,
  title: {
    heads:
      'job title|title|role|position|titel|funktion|fonction|poste|cargo|puesto|ruolo|functie|befattning|stilling|stanowisko',
    within: /\b(job title|position|role)\b/,
  },
  phone: {
    heads:
      'phone|telephone|tel|direct line|direct|mobile|cell|phone number|telefon|durchwahl|mobil|handy|téléphone|portable|teléfono|móvil|telefono|cellulare|telefoon',
    within: /\b(phone|tel|mobile|cell|direct)\b/,
  },
  mail: {
    heads: 'email|e-mail|mail|email address|e-mail address|e-mail-adresse|courriel|correo|correo electrónico|e-post',
    within: /e-?mail/,
  },
  web: { heads: 'web|website|web site|url|homepage|site|site web|internet|web address', within: /\b(web|url)\b/ },
};

/** The key of the column that is called so: by its whole head first, then by words within it. */
function columnOf(columns: readonly Column[], { heads, within }: Called): string | undefined {
  const names = heads.split('|');
  const read = columns.filter(({ made }) => made === undefined);
  const whole = read
    .map((column) => ({ column, rank: names.indexOf(headWords(column.name)) }))
    .filter(({ rank }) => rank >= 0)
    .sort((a, b) => a.rank - b.rank)[0];
  return (whole?.column ?? read.find(({ name }) => within?.test(headWords(name))))?.key;
}

/** The columns of the parts that are there; none feeds two. */
function guessed<P extends string>(
  columns: readonly Column[],
  parts: Readonly<Record<P, Called>>,
): Partial<Record<P, string>> {
  const taken = new Set<string>();
  const found: Partial<Record<P, string>> = {};
  for (const [part, called] of Object.entries(parts) as [P, Called][]) {
    const key = columnOf(
      columns.filter((column) => !taken.has(column.key)),
      called,
    );
    if (key === undefined) continue;
    found[part] = key;
    taken.add(key);
  }
  return found;
}

export const addressColumns = (columns: readonly Column[]): Partial<Record<AddressPart, string>> =>
  guessed(columns, ADDRESS);
export const contactColumns = (columns: readonly Column[]): Partial<Record<ContactPart, string>> =>
  guessed(columns, CONTACT);
