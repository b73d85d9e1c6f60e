import type { DetailsFound, PersonFound, Read } from './found';
import type { Part } from './lines';
import { COMPANY, GENERAL, isMailOf, isName, isProse, isSurelyPerson, LEGAL, letters, STREET, TITLE } from './words';

/** Of the lines that are neither numbers nor addresses: who is the company, who a person, what they do, what the company says of itself. */

/** What is known of people besides those lines. */
export interface Beside {
  mails: Read[];
  /** Numbers that are somebody's own. */
  directs: Read[];
  /** Every number with the line it stands on. */
  phones: Read[];
  person: Read | undefined;
  title: Read | undefined;
}

/** What one does, with what law asks to stand before it left out. */
const bareTitle = (role: string): string =>
  role.replace(/^(?:vertreten durch|represented by)\s*:?\s*(?:(?:die|den|der|the)\s+)?/iu, '').trim();

/** Somebody and what they do, out of one line: "Managing director: Ada Quill", "Ada Quill, Owner". */
function nameAndRole(text: string): { name: string; role: string } | undefined {
  const [, role, after] = /^([^:]{3,60}):\s*(.+)$/u.exec(text) ?? [];
  if (role && after && TITLE.test(role) && isName(after)) return { name: after, role: bareTitle(role) };
  const [, what, whose] = /^(inh|prop|dir|gf)\.:?\s*(.+)$/iu.exec(text) ?? [];
  if (what && whose && isName(whose)) return { name: whose, role: `${what}.` };
  // Degrees belong to the name.
  const [, name, behind] = /^([^,(]{3,60}(?:, [A-Z]{2,5})*)(?:,\s*|\s+\()(.{2,60}?)\)?$/u.exec(text) ?? [];
  if (name && behind && TITLE.test(behind) && isName(name) && !COMPANY.test(name)) return { name, role: behind };
  return undefined;
}

/** What one does and for whom: "Founder, Wool & Wheel", "Owner at Wool & Wheel". */
function roleAndFirm(text: string, isFirm: (text: string) => boolean): { role: string; firm: string } | undefined {
  const [, role, firm] = /^(.{3,40}?)(?:,\s*|\s+(?:at|of|bei|chez|@)\s+)(.{3,60})$/u.exec(text) ?? [];
  return role && firm && TITLE.test(role) && (isFirm(firm) || LEGAL.test(firm)) ? { role, firm } : undefined;
}

/** Whether words are an address of the net, as names are made into those. */
function firmsOf(mails: readonly Read[], web: Read | undefined): (text: string) => boolean {
  const domains = [...mails.map(({ value }) => value.split('@')[1]!), ...(web ? [web.value] : [])].map((each) =>
    letters(each.replace(/^www\./i, '').split(/[/.]/)[0]!),
  );
  return (text) => {
    const own = letters(text);
    const short = letters(text.replace(/&/g, ''));
    const bare = letters(text.replace(COMPANY, ''));
    return domains.some(
      (domain) =>
        domain.length > 2 &&
        ([own, bare, short].includes(domain) ||
          (domain.length > 4 && text.split(/\s+/).some((word) => letters(word) === domain)) ||
          (own.length > 4 && (domain.startsWith(own) || own.startsWith(domain)))),
    );
  };
}

/** Lines, each of which is one thing. */
class Left {
  private readonly used = new Set<number>();
  constructor(readonly parts: readonly Part[]) {}
  find = (test: (text: string, i: number) => boolean): number =>
    this.parts.findIndex(({ text }, i) => !this.used.has(i) && test(text, i));
  isFree = (i: number): boolean => this.parts[i] !== undefined && !this.used.has(i);
  take(i: number): Read {
    this.used.add(i);
    const { text, from } = this.parts[i]!;
    return { value: text, from };
  }
  unread = (): string[] => [...new Set(this.parts.flatMap(({ text }, i) => (this.used.has(i) ? [] : [text])))];
}

/** Whether a line may be what somebody does: a known word, or a few words below a name. */
const isTitle = (text: string): boolean => TITLE.test(text) && text.length < 80 && !isProse(text);
const isShort = (text: string): boolean =>
  text !== '' && text.split(/\s+/).length <= 4 && text.length < 50 && !isProse(text) && !STREET.test(text);

/** Says of the lines that are left what they are. */
export function nameWhoIsLeft(parts: readonly Part[], beside: Beside, found: DetailsFound): void {
  const { firm, people } = found;
  const { mails, directs } = beside;
  const isFirm = firmsOf(mails, firm.web);
  const told = parts.map((part) => ({ part, both: people.length === 0 ? nameAndRole(part.text) : undefined }));
  const roled = new Set(told.flatMap(({ both }) => both?.name ?? []));
  // What a line says of two things is two lines.
  const left = new Left(
    told.flatMap(({ part, both }): Part[] => {
      if (both)
        return [
          { ...part, text: both.name },
          { ...part, text: both.role },
        ];
      const at = roleAndFirm(part.text, isFirm);
      return at
        ? [
            { ...part, text: at.role },
            { ...part, text: at.firm },
          ]
        : [part];
    }),
  );
  if (people.length === 0) takePeople(left, beside, isFirm, found);
  const named = people.length > 0;
  if (!firm.name) {
    let company = left.find(isFirm);
    if (company < 0)
      company = left.find(
        (text) =>
          (COMPANY.test(text) || LEGAL.test(text)) &&
          !isProse(text) &&
          text.length < 70 &&
          !TITLE.test(text.replace(COMPANY, '')),
      );
    if (company >= 0) firm.name = left.take(company);
  }
  // Who works alone is called as the company is.
  const isSelf = firm.name && isName(firm.name.value) && mails.some(({ value }) => isMailOf(firm.name!.value, value));
  const who = isSelf ? { ...beside, person: beside.person ?? firm.name } : beside;
  if (!named) takeSomebody(left, who, roled, isFirm, found);
  if (people.length === 0 && directs[0] && !firm.phone) firm.phone = directs[0];
  if (mails[0] && !firm.mail) firm.mail = mails[0];
  if (!firm.name) {
    const first = left.find((text) => text.length < 60 && !isProse(text));
    if (first >= 0) firm.name = left.take(first);
  }
  takeLine(left, firm);
  found.unread = left.unread();
}

/** Several people who each have an address: a name, what stands with it, and the numbers on the lines of that. */
function takePeople(
  left: Left,
  beside: Beside,
  isFirm: (text: string) => boolean,
  { firm, people }: DetailsFound,
): void {
  const owners = left.parts.flatMap(({ text }, i) => {
    const mail = isName(text) ? beside.mails.find(({ value }) => isMailOf(text, value)) : undefined;
    return mail ? [{ i, mail }] : [];
  });
  if (new Set(owners.map(({ mail }) => mail.value)).size < 2) return;
  for (const { i, mail } of owners) {
    const name = left.take(i);
    const below = left.parts[i + 1]?.text ?? '';
    const isOwn = left.isFree(i + 1) && !isFirm(below) && !isName(below) && !LEGAL.test(below);
    const title = isOwn && (isTitle(below) || isShort(below)) ? left.take(i + 1) : undefined;
    const direct = beside.phones.find(({ from }) => from === mail.from || from === name.from);
    beside.mails.splice(beside.mails.indexOf(mail), 1);
    people.push({ name, mail, ...(title ? { title } : {}), ...(direct ? { direct } : {}) });
  }
  // What is one's own is not the company's.
  const own = new Set(people.flatMap(({ direct }) => direct?.value ?? []));
  const others = beside.phones.filter(({ value }) => !own.has(value));
  for (const detail of ['phone', 'mobile'] as const)
    if (firm[detail] && own.has(firm[detail].value)) {
      const next = others.find(({ value }) => value !== firm.phone?.value && value !== firm.mobile?.value);
      if (next) firm[detail] = next;
      else delete firm[detail];
    }
}

/** One person: by the address, by what they do, or by standing first. */
function takeSomebody(
  left: Left,
  { mails, directs, person, title: said }: Beside,
  roled: ReadonlySet<string>,
  isFirm: (text: string) => boolean,
  { firm, people }: DetailsFound,
): void {
  const withMail = left.find((text) => isName(text) && mails.some(({ value }) => isMailOf(text, value)));
  let at = person ? -1 : withMail;
  if (!person && at < 0) at = left.find((text) => roled.has(text));
  if (!person && at < 0) {
    const titled = left.find(isTitle);
    const above = titled - 1;
    const isAbove = titled > 0 && left.isFree(above) && isName(left.parts[above]!.text);
    if (isAbove) at = above;
    else at = left.find(isSurelyPerson);
    if (at < 0 && firm.name) at = left.find((text, i) => i < 3 && isName(text) && !isFirm(text) && !isTitle(text));
  }
  const who = person ?? (at >= 0 ? left.take(at) : undefined);
  if (!who) return;
  let title = said;
  if (!title) {
    const titled = left.find(isTitle);
    // What stands below a name in few words is what its bearer does, whatever it is called.
    const below = at + 1;
    if (titled >= 0) title = left.take(titled);
    else if (at >= 0 && left.isFree(below) && firm.name && isShort(left.parts[below]!.text)) title = left.take(below);
  }
  const own = mails.find(({ value }) => isMailOf(who.value, value)) ?? mails.find(({ value }) => !GENERAL.test(value));
  if (own) mails.splice(mails.indexOf(own), 1);
  const entry: PersonFound = {
    name: who,
    ...(title ? { title: { ...title, value: bareTitle(title.value) } } : {}),
    ...(own ? { mail: own } : {}),
    ...(directs[0] ? { direct: directs[0] } : {}),
  };
  people.push(entry);
}

const QUOTED = /^["“„«‘'](.{4,90}?)["”“»’'][.!]?$/u;

/** What the company says of itself: in quotation marks, or in several words. */
function takeLine(left: Left, firm: DetailsFound['firm']): void {
  if (firm.line) return;
  const quoted = left.find((text) => QUOTED.test(text));
  const line =
    quoted >= 0
      ? quoted
      : left.find((text) => text.split(/\s+/).length >= 2 && text.length < 90 && !isProse(text) && !STREET.test(text));
  if (line < 0) return;
  const read = left.take(line);
  firm.line = { ...read, value: QUOTED.exec(read.value)?.[1] ?? read.value };
}
