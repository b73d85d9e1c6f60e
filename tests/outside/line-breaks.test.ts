import { readFileSync } from 'node:fs';
import LineBreaker from 'linebreak';
import { describe, expect, it } from 'vitest';
import { breaksOf } from '../../core/type/breaks';

/** Unicode's own test of UAX #14 (LineBreakTest.txt, version 15.0, Debian's unicode-data). */
const FILE = '/usr/share/unicode/auxiliary/LineBreakTest.txt';

interface Case {
  text: string;
  breaks: number[];
  comment: string;
}

const cases = readFileSync(FILE, 'utf8')
  .split('\n')
  .flatMap((line): Case[] => {
    const [signs = '', comment = ''] = line.split('#');
    if (signs.trim() === '') return [];
    let text = '';
    const breaks: number[] = [];
    for (const sign of signs.trim().split(/\s+/)) {
      if (sign === '÷') breaks.push(text.length);
      else if (sign !== '×') text += String.fromCodePoint(Number.parseInt(sign, 16));
    }
    return [{ text, breaks: breaks.filter((at) => at > 0), comment }];
  });

function allBreaks(text: string): number[] {
  const breaker = new LineBreaker(text);
  const out: number[] = [];
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) out.push(next.position);
  return out;
}
const differing = cases.filter(({ text, breaks }) => allBreaks(text).join() !== breaks.join());

describe('line breaks', () => {
  it('are those of Unicode’s test file', () => {
    expect(cases.length).toBeGreaterThan(7000);
    // The package follows Unicode 13; 59 of 7,654 lines of the newer file differ, all of the kinds below.
    expect(differing.length).toBeLessThanOrEqual(59);
  });
  it('differ only where rules about numbers, opening brackets or emoji have changed since, or are tailored in the file', () => {
    const known = /\((NU|PO|PR|IS|SY|OP|OP_OP30|ExtPict\w*)\)|EMOJI|OP30/;
    expect(differing.filter(({ comment }) => !known.test(comment)).map(({ comment }) => comment)).toEqual([]);
  });
  it('are kept by paragraphs of words without addresses', () => {
    const plain = cases.filter(({ text }) => !/[\d@.:/]/.test(text));
    expect(plain.length).toBeGreaterThan(5000);
    for (const { text } of plain) expect(breaksOf(text).map(({ at }) => at)).toEqual(allBreaks(text));
  });
});
