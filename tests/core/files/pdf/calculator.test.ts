import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculated, NotCalculable, programOf } from '../../../../core/files/pdf/drawn/calculator';

const made = (program: string, ...inputs: number[]): number[] => calculated(programOf(`{ ${program} }`), inputs);

/** Worked out by hand from table 42 of ISO 32000-1, and from what PostScript says of each operator. */
describe('a function that calculates', () => {
  it.each<[string, number[], number[]]>([
    ['1 exch sub', [0.25], [0.75]],
    ['dup mul', [3], [9]],
    ['2 copy add 3 1 roll mul', [3, 4], [7, 12]],
    ['3 1 roll', [1, 2, 3], [3, 1, 2]],
    ['3 -1 roll', [1, 2, 3], [2, 3, 1]],
    ['1 index', [5, 6], [5, 6, 5]],
    ['7 2 idiv 7 2 mod -7 2 idiv', [], [3, 1, -3]],
    ['90 sin 180 cos 0 1 atan 1 0 atan -1 0 atan', [], [1, -1, 0, 90, 270]],
    ['9 sqrt 2 3 exp 100 log', [], [3, 8, 2]],
    ['3.2 ceiling 3.8 floor 3.5 round -3.5 round -3.8 truncate', [], [4, 3, 4, -3, -3]],
    ['6 3 and 6 3 or 6 3 xor 0 not 1 3 bitshift 8 -2 bitshift', [], [2, 7, 5, -1, 8, 2]],
    ['dup 0.5 gt { pop 1 } { pop 0 } ifelse', [0.6], [1]],
    ['dup 0.5 gt { pop 1 } { pop 0 } ifelse', [0.5], [0]],
    ['true { 1 } if false { 2 } if true false or { 3 } if', [], [1, 3]],
    ['% said beside\n2 .5 mul +1 add -2. add', [], [0]],
  ])('%s of %j is %j', (program, inputs, wanted) => {
    expect(made(program, ...inputs)).toEqual(wanted.map((each) => expect.closeTo(each, 9)));
  });
  // The example of ISO 32000-1, 7.10.5: half the sum of two sines.
  it('has the standard’s own example right', () => {
    const spot = '360 mul sin 2 div exch 360 mul sin 2 div add';
    expect(made(spot, 0.25, 0.25)[0]).toBeCloseTo(1, 9);
    expect(made(spot, 0.25, 0.75)[0]).toBeCloseTo(0, 9);
  });
  it.each([
    'add',
    'dup',
    '1 exch',
    '5 index',
    '9 copy',
    '3 1 roll',
    '1 { 2 } if',
    'true if',
    'nosuch',
    '} {',
    '1 2 eq add',
  ])('%s is none', (program) => {
    expect(() => made(program)).toThrow(NotCalculable);
  });
  it('is no number by itself, and none without end', () => {
    expect(() => programOf('1')).toThrow(NotCalculable);
    expect(() => programOf(`{${'1 '.repeat(30_000)}}`)).toThrow(NotCalculable);
    expect(() => made('1 '.repeat(200))).toThrow(NotCalculable);
  });
  it('is worked out or refused, whatever is written', () => {
    const words = [
      '{',
      '}',
      '1',
      '0.5',
      'dup',
      'exch',
      'roll',
      'copy',
      'index',
      'add',
      'if',
      'ifelse',
      'true',
      'gt',
      'not',
    ];
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...words), { maxLength: 30 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (text, t) => {
          try {
            expect(made(text.join(' '), t).every((each) => typeof each === 'number')).toBe(true);
          } catch (error) {
            expect(error).toBeInstanceOf(NotCalculable);
          }
        },
      ),
    );
  });
});
