import { describe, expect, it } from 'vitest';
import { symbolOf } from '../../../core/codes/symbols';
import type { Made } from '../../../core/job/table';
import { madeCell } from '../../../core/run/made';

type Post = Extract<Made, { kind: 'post' }>;
const asked = (code: Post['code'], more: Partial<Post> = {}): Post => ({
  kind: 'post',
  code,
  postcode: 'p',
  street: 's',
  service: '300',
  mailer: '901234',
  ...more,
});
const said = (made: Post, postcode: string, street = '', row = 0): string =>
  madeCell(made, row, { country: 'GB', cell: (_, key) => (key === 'p' ? postcode : street) });

describe('what the post’s own code holds', () => {
  it.each([
    ['royalmail', 'le2 8hs', '', 'LE28HS9Z'],
    ['royalmail', 'W1A 1AA', '', 'W1A1AA9Z'],
    ['royalmail', '27101', '', ''],
    ['kix', '2500 GG', 'Postbus 30250', '2500GG30250'],
    ['kix', '1016 gv', 'Keizersgracht 12 a', '1016GV12XA'],
    ['kix', '1016 gv', 'Keizersgracht 12-III', '1016GV12XIII'],
    ['kix', '1016 GV', 'Keizersgracht', ''],
    ['kix', 'LE2 8HS', 'Mill Lane 3', ''],
  ] as const)('%s of %s %s is %s, and can be drawn', (code, postcode, street, content) => {
    expect(said(asked(code), postcode, street)).toBe(content);
    if (content !== '') expect(symbolOf(code, content).dark.length).toBeGreaterThan(20);
  });

  it('numbers letters by row for USPS, twenty figures before the ZIP', () => {
    expect(said(asked('imb'), '01234-5678', '', 41)).toBe('00300901234000000042012345678');
    expect(said(asked('imb', { mailer: '123456789' }), '01234', '', 0)).toBe('0030012345678900000101234');
    expect(said(asked('imb', { mailer: '12' }), '01234')).toBe('');
    expect(said(asked('imb'), 'LE2 8HS')).toBe('');
    expect(symbolOf('imb', said(asked('imb'), '01234-5678', '', 41)).dark).toHaveLength(65);
  });
});
