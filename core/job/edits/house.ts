import { produce } from 'immer';
import { countryOf } from '../../trade/countries';
import type { Span } from '../../type/style';
import { detailOf, type FirmDetail, type Person, QUOTES, type Quote, quoteName } from '../details';
import { pieceOf } from '../find';
import type { Role } from '../house';
import type { Job, Picture, Piece, Words } from '../schema';

/** Edits of the house: its firm, its people, its typefaces. What words quote of it follows. */

export const personOf = (job: Pick<Job, 'people'>, { person }: Pick<Piece, 'person'>): Person | undefined =>
  job.people.find((each) => each.id === person) ?? job.people[0];

const isQuote = (quote: string | undefined): quote is Quote => (QUOTES as readonly string[]).includes(quote ?? '');
const quotesIn = (words: Words): Span[] =>
  words.paragraphs.flatMap(({ spans }) => spans.filter((s) => isQuote(s.quote)));

/** What a span that quotes a detail says for somebody: the detail's name, while one that is asked for is empty. */
export const quoteSays = (
  { quote, ask }: Span,
  { firm, country }: Pick<Job, 'firm' | 'country'>,
  person: Person | undefined,
): string => detailOf(quote as Quote, firm, person) || (ask ? quoteName(quote as Quote, country) : '');

/** Every quote of a job brought to what its detail says now. */
export const requoted = (job: Job): Job =>
  produce(job, (draft) => {
    for (const [i, piece] of job.pieces.entries()) {
      const person = personOf(job, piece);
      for (const [k, face] of piece.faces.entries())
        for (const [n, element] of face.elements.entries()) {
          if (element.kind === 'picture' && element.quote && person?.picture && element.asset !== person.picture)
            (draft.pieces[i]!.faces[k]!.elements[n] as Picture).asset = person.picture;
          if (element.kind !== 'words') continue;
          const wanted = (span: Span): string => quoteSays(span, job, person);
          if (!quotesIn(element).some((span) => span.text !== wanted(span))) continue;
          const words = draft.pieces[i]!.faces[k]!.elements[n] as Words;
          for (const { spans } of words.paragraphs)
            for (const span of spans) if (isQuote(span.quote)) span.text = wanted(span);
        }
    }
  });

/** Where a detail is quoted, by the ids of the words. */
export const quotedIn = (job: Job, quote: Quote): string[] =>
  job.pieces.flatMap((piece) =>
    piece.faces.flatMap((face) =>
      face.elements.flatMap((e) => (e.kind === 'words' && quotesIn(e).some((s) => s.quote === quote) ? [e.id] : [])),
    ),
  );

export const setFirmDetail = (job: Job, detail: FirmDetail, value: string): Job => {
  const { [detail]: _old, ...others } = job.firm;
  const said = value.trim();
  return requoted({ ...job, firm: said === '' ? others : { ...others, [detail]: said } });
};

/** A job of a country is spelt as one spells there; what new pieces begin with follows. One that is not known changes nothing. */
export function setCountry(job: Job, code: string): Job {
  const country = countryOf(code);
  return country ? requoted({ ...job, country: code, spelling: { ...job.spelling, language: country.spelling } }) : job;
}

export const addPerson = (job: Job, person: Person): Job => requoted({ ...job, people: [...job.people, person] });

export const changePerson = (job: Job, id: string, to: Partial<Omit<Person, 'id'>>): Job =>
  requoted({ ...job, people: job.people.map((person) => (person.id === id ? { ...person, ...to } : person)) });

/** Takes a person away; pieces that showed them show the first one that is left. */
export const removePerson = (job: Job, id: string): Job =>
  requoted(
    produce(job, (draft) => {
      draft.people = draft.people.filter((person) => person.id !== id);
      for (const piece of draft.pieces) if (piece.person === id) delete piece.person;
    }),
  );

export const orderPeople = (job: Job, ids: readonly string[]): Job => {
  const byId = new Map(job.people.map((person) => [person.id, person]));
  const people = ids.flatMap((id) => byId.get(id) ?? []);
  return people.length === job.people.length ? requoted({ ...job, people }) : job;
};

/** People from a file: those of a name that is there already are brought up to date, others join at the end. */
export function takePeople(job: Job, people: readonly Omit<Person, 'id'>[], newId: () => string): Job {
  const now = [...job.people];
  for (const person of people) {
    const at = now.findIndex((each) => each.name.toLowerCase() === person.name.toLowerCase());
    const said = Object.fromEntries(Object.entries(person).filter(([, value]) => value !== ''));
    if (at >= 0) now[at] = { ...now[at]!, ...said };
    else now.push({ id: newId(), ...person });
  }
  return requoted({ ...job, people: now });
}

/** Shows a piece for one of the house's people. */
export const showFor = (job: Job, pieceId: string, personId: string): Job =>
  pieceOf(job, pieceId) && job.people.some(({ id }) => id === personId)
    ? requoted(
        produce(job, (draft) => {
          pieceOf(draft, pieceId)!.person = personId;
        }),
      )
    : job;

/** Gives a role another typeface; everything that is set in the one it had goes along. */
export const setRole = (job: Job, role: Role, typeface: string): Job =>
  produce(job, (draft) => {
    const before = draft.roles[role];
    draft.roles[role] = typeface;
    // Two roles may share a typeface: it then stays where it is, as nobody knows whose words they are.
    if (!before || Object.entries(job.roles).some(([other, face]) => other !== role && face === before)) return;
    const follow = (look: { typeface?: string | undefined }): void => {
      if (look.typeface === before) look.typeface = typeface;
    };
    for (const style of draft.styles) follow(style.lettering);
    for (const piece of draft.pieces)
      for (const face of piece.faces)
        for (const element of face.elements) {
          if (element.kind !== 'words') continue;
          follow(element.lettering);
          for (const { spans } of element.paragraphs) for (const span of spans) follow(span);
        }
  });
