import { produce } from 'immer';
import { findElement } from '../job/find';
import type { Element, Job } from '../job/schema';
import type { Check, CheckContext, Finding } from './check';
import { found } from './found';

/** What is typed in words, quotes left out: those are written elsewhere. */
export const typedTexts = (element: Element): string[] =>
  element.kind === 'words'
    ? element.paragraphs.flatMap(({ spans }) => spans.flatMap(({ text, quote }) => (quote ? [] : [text])))
    : [];

/** Changes what is typed in words, span by span. */
export const retype = (job: Job, id: string, change: (text: string) => string): Job =>
  produce(job, (draft) => {
    const element = findElement(draft, id)?.element;
    if (element?.kind !== 'words') return;
    for (const { spans } of element.paragraphs)
      for (const span of spans) if (!span.quote) span.text = change(span.text);
  });

/** A check of how words are typed: what is wrong in a text, and the text put right. */
export const typingCheck = (
  check: Omit<Check, 'run' | 'source' | 'severity'>,
  wrong: RegExp,
  problem: string,
  label: string,
  right: (text: string) => string,
): Check => {
  const whole: Check = {
    ...check,
    source: { kind: 'common practice' },
    severity: 'advise',
    run: (context: CheckContext) =>
      context.face.elements.flatMap((element): Finding[] => {
        const count = typedTexts(element).reduce((n, text) => n + (text.match(wrong)?.length ?? 0), 0);
        if (count === 0) return [];
        return [
          found(whole, element, context, {
            problem,
            measured: { value: count, kind: 'count' },
            fix: { label, apply: (job) => retype(job, element.id, right) },
          }),
        ];
      }),
  };
  return whole;
};
