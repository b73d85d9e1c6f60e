import Papa from 'papaparse';
import type { Person } from '../job/details';
import { PEOPLE_LIMITS, PeopleFileError, type PersonRead, personFrom, refuseLong } from './people';

/** People as rows of a table (RFC 4180), a header first. */

type Column = 'name' | 'title' | 'direct' | 'mail';
const HEADS: Readonly<Record<Column, string>> = {
  name: 'Name',
  title: 'Job title',
  direct: 'Direct line',
  mail: 'Email',
};

type Head = Column | 'given' | 'family';
/** What tables call these columns, in small letters, in the languages of those who write them. */
const CALLED: Readonly<Record<Head, string>> = {
  name: 'name|full name|display name|vollständiger name|nom complet|nombre completo|nome completo|volledige naam|naam|fullständigt namn|namn|navn|imię i nazwisko|nombre|nome|nom',
  given:
    'given name|first name|firstname|forename|vorname|prénom|prenom|voornaam|förnamn|fornavn|imię|imie|etunimi|jméno|keresztnév',
  family:
    'family name|last name|lastname|surname|nachname|familienname|nom de famille|apellido|apellidos|cognome|sobrenome|apelido|achternaam|efternamn|etternavn|efternavn|nazwisko|sukunimi|příjmení|vezetéknév',
  title:
    'title|job title|role|position|job|titel|funktion|berufsbezeichnung|stellung|fonction|poste|titre|cargo|puesto|ruolo|mansione|qualifica|função|functie|befattning|stilling|stanowisko|tehtävänimike|pozice|beosztás',
  direct:
    'direct line|direct|phone|telephone|mobile|mobile phone|business phone|work phone|primary phone|phone number|tel|telefon|durchwahl|mobil|handy|mobiltelefon|telefon geschäftlich|téléphone|telephone portable|portable|mobile professionnel|teléfono|móvil|telefono|cellulare|telefone|celular|telefoon|mobiel|puhelin',
  mail: 'mail|email|e-mail|email address|e-mail address|e-mail-adresse|mailadresse|courriel|adresse e-mail|adresse électronique|correo|correo electrónico|correo electronico|indirizzo e-mail|posta elettronica|endereço de e-mail|e-mailadres|e-post|e-postadress|epost|adres e-mail|sähköposti',
};
const KNOWN: ReadonlyMap<string, Head> = new Map(
  (Object.entries(CALLED) as [Head, string][]).flatMap(([head, names]) => names.split('|').map((name) => [name, head])),
);
/** A head without the number and the kind that address books add to it: “Phone 1 - Value”. */
const plainHead = (cell: string): string =>
  cell
    .trim()
    .toLowerCase()
    .replace(/\s*\d*\s*-\s*(value|wert|valeur|valor|valore|waarde)$/, '')
    .replace(/\s+\d+$/, '');

/** What the columns of a table hold, by its heads. Beside given names, what is called the name is the family's; beside families', the given one. */
function columnsOf(heads: readonly string[]): (Head | undefined)[] {
  const columns = heads.map((cell) => KNOWN.get(plainHead(cell)));
  const [hasGiven, hasFamily] = [columns.includes('given'), columns.includes('family')];
  if (hasGiven === hasFamily) return columns;
  return columns.map((column) => (column === 'name' ? (hasGiven ? 'family' : 'given') : column));
}

/** A sheet would take a cell that begins so for a formula; a space before it keeps it words. */
const FORMULA = /^[=+\-@\t\r]/;
const kept = (text: string): string => (FORMULA.test(text) && !/^\+[\d ()-]+$/.test(text) ? ` ${text}` : text);

export const writePeopleCsv = (people: readonly Person[]): string =>
  Papa.unparse({
    fields: Object.values(HEADS),
    data: people.map((person) => (Object.keys(HEADS) as Column[]).map((column) => kept(person[column]))),
  });

/** Reads people out of a table with a head; commas, semicolons or tabs part its cells. Throws with words for the user. */
export function readPeopleCsv(text: string): PersonRead[] {
  refuseLong(text);
  // Some sheets say first what parts their cells.
  const [, said, table = ''] = /^\uFEFF?(?:"?sep=(.)"?\r?\n)?([\s\S]*)$/i.exec(text) ?? [];
  const { data, errors } = Papa.parse<string[]>(table, {
    skipEmptyLines: 'greedy',
    ...(said ? { delimiter: said } : {}),
  });
  const open = errors.find(({ code }) => code === 'MissingQuotes');
  if (open)
    throw new PeopleFileError(
      `A quotation mark in row ${(open.row ?? 0) + 1} is never closed, so that all after it is one cell. Close it, then take the file in again.`,
    );
  const [head, ...rows] = data;
  const columns = columnsOf(head ?? []);
  if (!columns.includes('name') && !columns.includes('given'))
    throw new PeopleFileError(
      'This table has no column called Name. Give its first row the headings Name, Job title, Direct line, Email.',
    );
  if (rows.length > PEOPLE_LIMITS.people)
    throw new PeopleFileError(
      `This table has ${rows.length} rows; a house has at most ${PEOPLE_LIMITS.people} people.`,
    );
  const cell = (row: readonly string[], column: string): string => {
    const at = (columns as (string | undefined)[]).indexOf(column);
    return at < 0 ? '' : (row[at] ?? '');
  };
  return rows.flatMap((row) => {
    const name = cell(row, 'name') || [cell(row, 'given'), cell(row, 'family')].join(' ');
    return personFrom({ name, title: cell(row, 'title'), direct: cell(row, 'direct'), mail: cell(row, 'mail') });
  });
}
