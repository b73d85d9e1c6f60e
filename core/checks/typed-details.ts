import { produce } from 'immer';
import { detailOf, QUOTES, type Quote, quoteName } from '../job/details';
import { personOf } from '../job/edits/house';
import { findElement } from '../job/find';
import type { Element, Job } from '../job/schema';
import type { Span } from '../type/style';
import type { CheckContext } from './check';

/** Details that are typed where they could be quoted. */

/** Details that are numbers, addresses or names of the net: what they say is known even when it is typed differently. */
const NUMBERS: readonly Quote[] = ['firm.phone', 'firm.mobile', 'person.direct'];
const ADDRESSES: readonly Quote[] = ['firm.mail', 'firm.web', 'person.mail', 'firm.handle', 'firm.secondHandle'];
/** Shorter details may stand in any words by chance. */
const LEAST = 6;

export interface Typed {
  element: Element;
  quote: Quote;
  name: string;
  /** As it stands in the words, and as the house says it. */
  typed: string;
  said: string;
}

const digits = (text: string): string => text.replace(/\D/g, '');

/** Where a text has a number, however it is spaced. */
function numberIn(text: string, said: string): string | undefined {
  const wanted = digits(said);
  if (wanted.length < LEAST) return undefined;
  const pattern = new RegExp(`\\+?${[...wanted].join('[\\s().\\/–-]*')}(?!\\d)`);
  return pattern.exec(text)?.[0];
}

const addressIn = (text: string, said: string): string | undefined => {
  const at = text.toLowerCase().indexOf(said.toLowerCase());
  return at < 0 ? undefined : text.slice(at, at + said.length);
};

// Two checks ask for the same.
const kept = new WeakMap<CheckContext, Typed[]>();

/** The details of the house that words on a face have typed instead of quoted. */
export function typedDetails(context: CheckContext): Typed[] {
  const known = kept.get(context) ?? findTyped(context);
  kept.set(context, known);
  return known;
}

function findTyped({ face, piece, job }: CheckContext): Typed[] {
  const person = personOf(job, piece);
  return face.elements.flatMap((element) => {
    if (element.kind !== 'words' || element.logo) return [];
    const spans = element.paragraphs.flatMap((paragraph) => paragraph.spans).filter(({ quote }) => !quote);
    return (
      [...NUMBERS, ...ADDRESSES]
        .filter((quote) => QUOTES.includes(quote))
        .flatMap((quote): Typed[] => {
          const said = detailOf(quote, job.firm, person);
          if (said.length < LEAST) return [];
          const find = NUMBERS.includes(quote) ? numberIn : addressIn;
          const typed = spans.map(({ text }) => find(text, said)).find((each) => each !== undefined);
          return typed === undefined ? [] : [{ element, quote, name: quoteName(quote, job.country), typed, said }];
        })
        // A web address inside a mail address is one detail, the longer.
        .filter(
          (each, _, all) =>
            !all.some(
              (o) =>
                o !== each &&
                o.typed.length > each.typed.length &&
                o.typed.toLowerCase().includes(each.typed.toLowerCase()),
            ),
        )
    );
  });
}

/** Puts a quote in the place of what is typed. */
export const quoteInstead = (job: Job, { element: { id }, quote, typed, said }: Typed): Job =>
  produce(job, (draft) => {
    const element = findElement(draft, id)?.element;
    if (element?.kind !== 'words') return;
    for (const paragraph of element.paragraphs)
      paragraph.spans = paragraph.spans.flatMap((span): Span[] => {
        const at = span.quote ? -1 : span.text.indexOf(typed);
        if (at < 0) return [span];
        const before = span.text.slice(0, at);
        const after = span.text.slice(at + typed.length);
        return [
          ...(before ? [{ ...span, text: before }] : []),
          { ...span, text: said, quote },
          ...(after ? [{ ...span, text: after }] : []),
        ];
      });
  });
