import type { Pen } from '../pen';
import { DOT, type Reach } from '../said';
import type { Said, Stack } from '../stacks';

/** What looks say, sizes in points. They differ in where it stands and how it is set, not in what is said. */

/** Text of a card, of a letterhead's head and foot, and of an envelope. */
export const CARD = { name: 12, text: 8 } as const;
export const LETTER = { name: 18, text: 8.5 } as const;
const SMALL = 7.5;

/** A person and what they do. */
export const person = ({ client }: Pen, more: Partial<Said> = {}): Said[] => [
  { text: client.name, size: CARD.name, role: 'heading', ...more },
  ...(client.title ? [{ text: client.title, size: CARD.text, before: 1 }] : []),
];

/** What is said, and the same in fewer lines. */
type Lines = Required<Pick<Stack, 'said' | 'or'>>;

/** What is left out where nothing else helps: social handles first, then the web address, further phones, and so on. */
const SPARE = { social: 5, web: 4, phones: 3, mail: 2, address: 1 } as const;

/** Ways to be reached, a line each, and the same in rows. */
function reached(reach: Reach, size: number): Lines {
  const line = (text: string): Said => ({ text, size });
  const spare =
    (by: number) =>
    (text: string, i: number): Said =>
      i > 0 || by === SPARE.social ? { ...line(text), spare: by } : line(text);
  const row = (texts: readonly string[], by: number): Said[] =>
    texts.length > 0 ? [{ ...line(texts.join(DOT)), ...(by > 0 ? { spare: by } : {}) }] : [];
  return {
    said: [
      ...reach.phones.map(spare(SPARE.phones)),
      ...reach.online.map(spare(SPARE.web)),
      ...reach.social.map(spare(SPARE.social)),
    ],
    or: [...row(reach.phones, 0), ...row(reach.online, SPARE.mail), ...row(reach.social, SPARE.social)],
  };
}

/** An address a line each, and in one. */
const placed = (where: readonly string[], size: number): Lines => ({
  said: where.map((text) => ({ text, size })),
  or: where.length > 0 ? [{ text: where.join(', '), size }] : [],
});

/** Lines below others in one stack, a space between. */
export const below = (first: readonly Said[], { said, or }: Lines, before: number): Lines =>
  stacked({ said: first, or: first }, { said, or }, before);

function stacked(upper: Lines, lower: Lines, before: number): Lines {
  const spaced = (above: readonly Said[], lines: readonly Said[]): readonly Said[] =>
    lines.map((line, i) => (i === 0 && above.length > 0 && before > 0 ? { ...line, before } : line));
  return {
    said: [...upper.said, ...spaced(upper.said, lower.said)],
    or: [...upper.or, ...spaced(upper.or, lower.or)],
  };
}

/** How to reach the person of a card and where that is: a detail a line, or what belongs together in one. */
export const reachOf = ({ client }: Pen): Lines => {
  const where = placed(client.address(false), CARD.text);
  const spare = (lines: readonly Said[]): Said[] => lines.map((line) => ({ ...line, spare: SPARE.address }));
  return stacked(reached(client.direct, CARD.text), { said: spare(where.said), or: spare(where.or) }, 3);
};

/** Only the fewer lines. */
export const inRows = ({ or }: Lines): Lines => ({ said: or, or });

/** The company, where it is and how it is reached, for a letter's head. */
export function company({ client }: Pen, { name = false } = {}): Lines {
  const size = LETTER.text;
  const first: Said[] = name ? [{ text: client.company, size }] : [];
  return below(first, stacked(placed(client.address(true), size), reached(client.reach, size), 0), 0);
}

/** The same in rows for a letter's foot. */
export const companyRows = ({ client }: Pen): readonly Said[] =>
  stacked(placed(client.address(true), SMALL), reached(client.reach, SMALL), 0).or;

/** What the law asks a letter to say at its foot. */
export const legal = ({ client }: Pen): Said[] =>
  client.registration ? [{ text: `${client.company}${DOT}${client.registration}`, size: SMALL }] : [];

/** A return address. */
export const sender = ({ client }: Pen, { name = true } = {}): Lines =>
  below(
    name ? [{ text: client.company, size: 10, role: 'heading' }] : [],
    placed(client.address(true), CARD.text),
    1.5,
  );

/** What a poster says large: what the company does, or else its name; and then the name, where that was not it. */
export const headline = ({ client }: Pen, size: number, more: Partial<Said> = {}): Said[] => [
  { text: client.tagline ?? client.company, size, role: 'heading', leading: 1.05, ...more },
];

/** How one comes to the company, below a headline or on the back of a poster. */
export const invitation = ({ client }: Pen, size: number): Lines =>
  stacked(placed(client.address(false), size), reached({ ...client.reach, social: [] }, size), 0);

/** Large and running text of a poster. */
export const large = (pen: Pen): number => Math.round(pen.of(0.12, 20, 54) * 2) / 2;
export const running = (pen: Pen): number => Math.round(pen.of(0.036, 8.5, 14) * 2) / 2;
