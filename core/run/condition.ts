import type { Condition, Test } from '../job/by-row';
import { numberIn } from './values';

type Ask = (said: string, to: string) => boolean;
const low = (text: string): string => text.trim().toLocaleLowerCase();
const compared = (said: string, to: string): number | undefined => {
  const [a, b] = [numberIn(said), numberIn(to)];
  return a === undefined || b === undefined ? undefined : a - b;
};

/** Capitals make no difference: tables are typed by many hands. */
const ASKED: Record<Test, Ask> = {
  'is empty': (said) => said.trim() === '',
  'is not empty': (said) => said.trim() !== '',
  is: (said, to) => low(said) === low(to),
  'is not': (said, to) => low(said) !== low(to),
  contains: (said, to) => low(said).includes(low(to)),
  'begins with': (said, to) => low(said).startsWith(low(to)),
  'is more than': (said, to) => (compared(said, to) ?? 0) > 0,
  'is less than': (said, to) => (compared(said, to) ?? 0) < 0,
};

/** Whether a condition holds for what the cells of a row say. */
export function holds({ every, tests }: Condition, cell: (key: string) => string): boolean {
  const one = ({ of, test, to }: Condition['tests'][number]): boolean => ASKED[test](cell(of), to);
  return every ? tests.every(one) : tests.some(one);
}

/** A condition as a sentence, with the names of its columns. */
export function conditionSays({ every, tests }: Condition, nameOf: (key: string) => string): string {
  const parts = tests.map(({ of, test, to }) =>
    test === 'is empty' || test === 'is not empty' ? `${nameOf(of)} ${test}` : `${nameOf(of)} ${test} “${to}”`,
  );
  return `Shown if ${parts.join(every ? ' and ' : ' or ')}.`;
}
