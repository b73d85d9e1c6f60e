import type { CHECK_DIGITS } from '../job/table';

type Kind = (typeof CHECK_DIGITS)[number];

const values = (text: string): number[] =>
  [...text.toUpperCase()].flatMap((sign) => {
    const value = Number.parseInt(sign, 36);
    return Number.isNaN(value) ? [] : [value];
  });

/** Every second figure doubled from the right, the digits summed (ISO/IEC 7812-1, annex B). Letters count as two figures. */
function mod10(text: string): string {
  const figures = values(text).flatMap((value) => (value < 10 ? [value] : [Math.floor(value / 10), value % 10]));
  const sum = figures.reverse().reduce((total, figure, i) => {
    const doubled = i % 2 === 0 ? figure * 2 : figure;
    return total + (doubled > 9 ? doubled - 9 : doubled);
  }, 0);
  return `${(10 - (sum % 10)) % 10}`;
}

/** Weights 2, 3, 4 … from the right, brought to a whole eleven; ten is X (as in ISBN-10, ISO 2108:1992). */
function mod11(text: string): string {
  const sum = values(text)
    .reverse()
    .reduce((total, value, i) => total + value * (i + 2), 0);
  const check = (11 - (sum % 11)) % 11;
  return check === 10 ? 'X' : `${check}`;
}

/** Two figures so that the whole leaves 1 by 97 (ISO/IEC 7064, MOD 97-10), letters as 10 to 35. */
function mod97(text: string): string {
  const figures = values(text).join('');
  let rest = 0;
  for (const figure of `${figures}00`) rest = (rest * 10 + Number(figure)) % 97;
  return `${98 - rest}`.padStart(2, '0');
}

const WAYS: Record<Kind, (text: string) => string> = {
  none: () => '',
  'mod 10': mod10,
  'mod 11': mod11,
  'mod 97': mod97,
};

/** What guards a number against a figure that is read wrong; signs that are neither letters nor figures do not count. */
export const checkOf = (kind: Kind, text: string): string => WAYS[kind](text);
