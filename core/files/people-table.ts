import { PEOPLE_LIMITS, PeopleFileError, type PersonRead, personFrom } from './people';
import { plainHead } from './plain-head';

/** People out of the rows of a table that others made: by its heads, wherever those stand, or by what its cells look like. */

export type Column = 'name' | 'title' | 'direct' | 'mail';
type Head = Column | 'given' | 'family';
/** What tables call these columns, in small letters, in the languages of those who write them. */
const CALLED: Readonly<Record<Head, string>> = {
  name: 'name|full name|display name|vollständiger name|nom complet|nombre completo|nome completo|volledige naam|naam|fullständigt namn|namn|navn|imię i nazwisko|nombre|nome|nom|contact|contact name|employee|employee name|staff|member|person|mitarbeiter|mitarbeiterin|collaborateur|empleado|dipendente|medewerker',
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
/** Words within a head that say what it is, where the head as a whole is none that is known; what comes first counts. */
const WITHIN: readonly (readonly [RegExp, Head | undefined])[] = [
  [
    /company|firm|organi[sz]ation|society|société|empresa|azienda|bedrijf|user ?name|file ?name|street|town|city/,
    undefined,
  ],
  [/e-?mail|correo|courriel|e-?post|@/, 'mail'],
  [/\bext(ension)?\b|\bfax|telefax/, undefined],
  [/phone|\btel|mobile|\bcell|direct|\bdial|handy|durchwahl|móvil|cellulare|portable/, 'direct'],
  [/first ?name|given|vorname|prénom|voornaam/, 'given'],
  [/last ?name|surname|family|nachname|achternaam/, 'family'],
  [/title|position|role|funktion|fonction|function|cargo|designation/, 'title'],
  [/\bname\b|naam|\bnom\b|nombre|imię/, 'name'],
];

function headOf(cell: string): Head | undefined {
  const plain = plainHead(cell);
  if (plain.length > 40) return undefined;
  return KNOWN.get(plain) ?? WITHIN.find(([words]) => words.test(plain))?.[1];
}

/** What the columns of a table hold, by its heads. Beside given names, what is called the name is the family's; beside families', the given one. */
function columnsOf(heads: readonly string[]): (Head | undefined)[] {
  const columns = heads.map(headOf);
  const [hasGiven, hasFamily] = [columns.includes('given'), columns.includes('family')];
  if (hasGiven === hasFamily) return columns;
  return columns.map((column) => (column === 'name' ? (hasGiven ? 'family' : 'given') : column));
}

const isNamed = (columns: readonly (Head | undefined)[]): boolean =>
  columns.includes('name') || columns.includes('given') || columns.includes('family');

/** Titles and dates stand in so many rows above the heads at most. */
const ABOVE = 20;

/** The row of heads and what is below it: the first that names a column of names and another, else the first that names one of names. */
function underHeads(
  rows: readonly (readonly string[])[],
): { columns: (Head | undefined)[]; below: readonly (readonly string[])[] } | undefined {
  const all = rows.slice(0, ABOVE).map((row, i) => ({ columns: columnsOf(row), i }));
  const named = all.filter(({ columns, i }) => isNamed(columns) && !rows[i]!.some((cell) => MAIL.test(cell)));
  const best = named.find(({ columns }) => columns.filter(Boolean).length > 1) ?? named[0];
  return best && { columns: best.columns, below: rows.slice(best.i + 1) };
}

const MAIL = /^[^\s@]+@[^\s@]+\.[^\s@]+$/;
const PHONE = /^\+?[\d\s()./–-]{5,}(?:(?:x|ext\.?)\s*\d+)?$/i;
const NAME = /^\p{L}[\p{L}\p{M}'’.-]*(?: \p{L}[\p{L}\p{M}'’.-]*){1,4}$/u;

/** What the columns of a table without heads hold, by most of their cells: nothing where none looks like names beside addresses or numbers. */
function byLooks(rows: readonly (readonly string[])[]): (Head | undefined)[] | undefined {
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  const columns = new Array<Head | undefined>(width).fill(undefined);
  const cellsAt = (at: number): string[] => rows.map((row) => (row[at] ?? '').trim()).filter((cell) => cell !== '');
  const take = (head: Head, looks: (cell: string) => boolean): void => {
    const at = columns.findIndex((taken, i) => {
      const cells = taken === undefined ? cellsAt(i) : [];
      return cells.length > 0 && cells.filter(looks).length > cells.length / 2;
    });
    if (at >= 0) columns[at] = head;
  };
  take('mail', (cell) => MAIL.test(cell));
  take('direct', (cell) => PHONE.test(cell));
  take('name', (cell) => NAME.test(cell));
  if (!columns.includes('name') || !(columns.includes('mail') || columns.includes('direct'))) return undefined;
  take('title', (cell) => /\p{L}{2}/u.test(cell) && cell.length < 60);
  return columns;
}

/** The people in the rows of a table. Throws PeopleFileError with words for the user. */
export function peopleOfRows(all: readonly (readonly string[])[]): PersonRead[] {
  const rows = all.filter((row) => row.some((cell) => cell.trim() !== ''));
  const headed = underHeads(rows);
  const columns = headed?.columns ?? byLooks(rows);
  if (!columns)
    throw new PeopleFileError(
      'This table has no column called Name. Give its first row the headings Name, Job title, Direct line, Email.',
    );
  const people = headed?.below ?? rows;
  if (people.length > PEOPLE_LIMITS.people)
    throw new PeopleFileError(
      `This table has ${people.length} rows; a house has at most ${PEOPLE_LIMITS.people} people.`,
    );
  // Of several numbers or addresses of somebody, the first that is there.
  const cell = (row: readonly string[], column: Head): string =>
    columns.flatMap((each, at) => (each === column ? [(row[at] ?? '').trim()] : [])).find((text) => text !== '') ?? '';
  return people.flatMap((row) => {
    const name = cell(row, 'name') || [cell(row, 'given'), cell(row, 'family')].join(' ');
    return personFrom({ name, title: cell(row, 'title'), direct: cell(row, 'direct'), mail: cell(row, 'mail') });
  });
}
