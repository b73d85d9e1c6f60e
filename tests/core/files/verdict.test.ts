import { describe, expect, it } from 'vitest';
import type { OrderAsked } from '../../../core/files/counter/order';
import { type FileSaid, type Manner, verdictOn } from '../../../core/files/counter/verdict';
import { shopOf } from '../../../core/trade/shops';

const asked: OrderAsked = {
  key: 'key-000001',
  shop: 'metric-offset',
  client: 'Hollin & Fen',
  piece: 'Card',
  width: 85,
  height: 55,
  sides: 1,
  quantity: 250,
  stock: '',
  finishing: [],
  delivery: '',
  file: { name: 'a.pdf', size: 1, sha256: 'a'.repeat(64) },
};
const pt = 72 / 25.4;
const page = (width: number, height: number, trim = true) => {
  const cut: [number, number, number, number] = [0, 0, width * pt, height * pt];
  return { cut, unit: 1, trim: trim ? cut : undefined };
};
type Read = Exclude<FileSaid, { problem: string }>;
const said = (more: Partial<Read> = {}): FileSaid => ({
  pages: [page(85, 55)],
  findings: [],
  rules: [],
  unread: [],
  standard: 'PDF/X-4',
  ...more,
});
const verdict = (what: FileSaid, manner: Manner = 'strict') => verdictOn(what, asked, shopOf('metric-offset'), manner);
const finding = (check: string, severity: 'stop' | 'warn' | 'advise') => ({
  check,
  severity,
  page: 1,
  says: 'It is so.',
});

describe('what a clerk says', () => {
  it.each<[string, FileSaid, Manner, string]>([
    ['what is right', said(), 'strict', 'accepted'],
    ['a file by another standard', said({ standard: 'PDF/X-1a:2003' }), 'strict', 'accepted'],
    ['a file by no standard', said({ standard: undefined }), 'strict', 'back'],
    ['the same at a lenient counter', said({ standard: undefined }), 'lenient', 'changes'],
    ['a card that lies upright', said({ pages: [page(55, 85)] }), 'strict', 'accepted'],
    ['a third of a millimetre', said({ pages: [page(85.3, 55)] }), 'strict', 'accepted'],
    ['half a millimetre', said({ pages: [page(85.5, 55)] }), 'lenient', 'back'],
    ['no page', said({ pages: [] }), 'lenient', 'back'],
    [
      'a page more: finishing, or what was not ordered',
      said({ pages: [page(85, 55), page(10, 10)] }),
      'strict',
      'accepted',
    ],
    ['a page with its bleed and no trim box', said({ pages: [page(91, 61, false)] }), 'lenient', 'changes'],
    ['the same at a strict counter', said({ pages: [page(91, 61, false)] }), 'strict', 'back'],
    ['an error', said({ findings: [finding('low-ppi', 'stop')] }), 'lenient', 'back'],
    ['a warning', said({ findings: [finding('low-ppi', 'warn')] }), 'strict', 'accepted'],
    ['too much ink', said({ findings: [finding('total-ink', 'stop')] }), 'lenient', 'changes'],
    ['too much ink at a strict counter', said({ findings: [finding('total-ink', 'stop')] }), 'strict', 'back'],
    ['a rule that does not hold', said({ rules: [{ says: 'A rule.', faults: ['a fault'] }] }), 'strict', 'back'],
    [
      'a rule that does not hold, written anew',
      said({ rules: [{ says: 'A rule.', faults: ['a fault'] }] }),
      'lenient',
      'changes',
    ],
    ['a rule that holds', said({ rules: [{ says: 'A rule.', faults: [] }] }), 'strict', 'accepted'],
    ['what could not be read', said({ unread: ['page 1'] }), 'lenient', 'back'],
    ['what cannot be opened', { problem: 'It cannot be opened.' }, 'lenient', 'back'],
  ])('%s', (_, what, manner, wanted) => {
    const { verdict: given, lines } = verdict(what, manner);
    expect(given).toBe(wanted);
    if (wanted === 'accepted') expect(lines.every(({ kind }) => kind === 'note')).toBe(true);
    // A clerk always says why.
    if (wanted === 'back') expect(lines.some(({ kind, says }) => kind === 'wrong' && says.length > 5)).toBe(true);
    if (wanted === 'changes') expect(lines.some(({ kind }) => kind === 'change')).toBe(true);
  });

  it('keeps the place, so that it can be shown', () => {
    const { lines } = verdict(said({ findings: [{ ...finding('outside-safe', 'warn'), at: { x: 3, y: 4 } }] }));
    expect(lines[0]).toMatchObject({ kind: 'note', page: 1, at: { x: 3, y: 4 } });
  });
});
