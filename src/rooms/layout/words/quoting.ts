import Mention from '@tiptap/extension-mention';
import type { SuggestionOptions, SuggestionProps } from '@tiptap/suggestion';
import { create } from 'zustand';
import { quoteName as detailName, detailOf, QUOTES, type Quote } from '../../../../core/job/details';
import { personOf } from '../../../../core/job/edits/house';
import { quoteOfColumn, tableOfPiece } from '../../../../core/job/edits/runs';
import { pieceOf } from '../../../../core/job/find';
import type { Job } from '../../../../core/job/schema';
import { columnQuoted } from '../../../../core/job/table';
import { asked } from '../../../parts/address';
import { useSession } from '../../../store/session';
import { rowsHere } from '../../../store/tables';

/** Details, and columns of the piece's table, quoted in the editor: the sign @, a few letters of the name, and it is picked from a list. */

/** A detail on offer, with what it says now. */
export interface Offer {
  quote: string;
  name: string;
  says: string;
}

/** What a quote is called: a detail of the house, or a column of the piece's table. */
export function quoteName(quote: string): string {
  const { history } = useSession.getState();
  const job = history?.job;
  const key = columnQuoted(quote);
  if (key === undefined || !job) return detailName(quote as Quote, job?.country);
  const piece = pieceOf(job, asked('piece') ?? '');
  const table = piece && tableOfPiece(job, piece);
  return table?.columns.find((column) => column.key === key)?.name ?? 'Column that is gone';
}

/** The columns of the piece's table, with what they say in its first row. */
function columnOffers(job: Job): Offer[] {
  const piece = pieceOf(job, asked('piece') ?? '');
  const table = piece && tableOfPiece(job, piece);
  const rows = rowsHere(job, table);
  const [first] = rows?.numbers ?? [];
  return (table?.columns ?? []).map(({ key, name }) => ({
    quote: quoteOfColumn(key),
    name,
    says: rows && first !== undefined ? rows.cell(first, key).replace(/\r?\n/g, '\u2028') : '',
  }));
}

interface Quoting {
  offers: readonly Offer[];
  at: number;
  take: ((offer: Offer) => void) | undefined;
}
const CLOSED: Quoting = { offers: [], at: 0, take: undefined };
export const useQuoting = create<Quoting>(() => CLOSED);
export const isQuoting = (): boolean => useQuoting.getState().take !== undefined;

const MOST_OFFERS = 7;

/** The details that answer to some letters; those that say something first. */
function offersFor(query: string): Offer[] {
  const { history } = useSession.getState();
  const job = history?.job;
  if (!job) return [];
  const person = personOf(job, pieceOf(job, asked('piece') ?? '') ?? {});
  const wanted = query.toLowerCase();
  const details = QUOTES.map((quote) => ({
    quote,
    name: detailName(quote, job.country),
    says: detailOf(quote, job.firm, person),
  }));
  return [...columnOffers(job), ...details]
    .filter(({ name, says }) => `${name} ${says}`.toLowerCase().includes(wanted))
    .sort((a, b) => Number(b.says !== '') - Number(a.says !== ''))
    .slice(0, MOST_OFFERS);
}

const show = ({ items, command }: SuggestionProps<Offer, Offer>): void =>
  useQuoting.setState({ offers: items, at: 0, take: items.length > 0 ? command : undefined });

const suggestion: Omit<SuggestionOptions<Offer, Offer>, 'editor'> = {
  char: '@',
  items: ({ query }) => offersFor(query),
  command: ({ editor, range, props: { quote, says } }) =>
    editor
      .chain()
      .focus()
      .insertContentAt(range, { type: 'quote', attrs: { quote, text: says } })
      .run(),
  render: () => ({
    onStart: show,
    onUpdate: show,
    onExit: () => useQuoting.setState(CLOSED),
    onKeyDown: ({ event }) => {
      const { offers, at, take } = useQuoting.getState();
      if (!take) return false;
      const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
      if (step) useQuoting.setState({ at: (at + step + offers.length) % offers.length });
      else if (event.key === 'Enter' || event.key === 'Tab') take(offers[at]!);
      else if (event.key === 'Escape') useQuoting.setState(CLOSED);
      else return false;
      return true;
    },
  }),
};

/** A quoted detail between the letters, in one piece. */
export const QuoteNode = Mention.extend({
  name: 'quote',
  addAttributes: () => ({
    quote: { default: '', rendered: false },
    text: { default: '', rendered: false },
    ask: { default: undefined, rendered: false },
  }),
  parseHTML: () => [],
  renderHTML: ({ node }) => [
    'span',
    { class: 'quote-chip', title: quoteName(node.attrs['quote'] as string) },
    (node.attrs['text'] as string) || `${quoteName(node.attrs['quote'] as string)}: empty`,
  ],
  renderText: ({ node }) => node.attrs['text'] as string,
}).configure({ suggestion: suggestion as never });
