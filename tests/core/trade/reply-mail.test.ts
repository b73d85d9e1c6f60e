import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { readJob } from '../../../core/files/read-job';
import { areasOf } from '../../../core/job/areas';
import { NEW_POST, setPost } from '../../../core/job/edits/kinds';
import { facingClear, REPLY_KINDS, type Reply, replyDrawn } from '../../../core/trade/reply-mail';
import { checkKit, inch } from '../../kit';
import { jobOf } from '../checks/corpus/fault';

/** From memory of the Domestic Mail Manual 505: a facing mark's bars, its place, and the bars below the box of a paid reply. */
const WIDE = inch(6);
const barsOf = (kind: Reply, name: string) =>
  replyDrawn(kind, WIDE, '123 LITTLE FALLS NY').bars.flatMap((bar) => (bar.name === name ? [bar.box] : []));
/** Which of the nine places of a facing mark have a bar, from left to right. */
const pattern = (kind: Reply): string => {
  const bars = barsOf(kind, 'Facing mark');
  const first = WIDE - inch(2 + 1 / 32 + 8 / 16);
  return Array.from({ length: 9 }, (_, i) =>
    bars.some(({ x }) => Math.abs(x - (first + (i * inch(1)) / 16)) < 1e-6) ? '1' : '0',
  ).join('');
};

describe('a reply', () => {
  it('is known by its bars: A stamped, B paid, C paid and coded; each reads the same from either end', () => {
    expect(REPLY_KINDS.map(pattern)).toEqual(['110010011', '101101101', '110101011']);
    for (const kind of REPLY_KINDS) expect([...pattern(kind)].reverse().join('')).toBe(pattern(kind));
  });
  it('has bars of 1/32 by 5/8 in, the last one 2 in from the right edge, within what is kept clear', () => {
    const clear = facingClear(WIDE);
    expect([clear.x, clear.x + clear.width]).toEqual([WIDE - inch(3), WIDE - inch(1.75)]);
    for (const kind of REPLY_KINDS) {
      const bars = barsOf(kind, 'Facing mark');
      expect(bars.at(-1)!.x + bars.at(-1)!.width).toBeCloseTo(WIDE - inch(2), 6);
      for (const { x, y, width, height } of bars) {
        expect([width, height]).toEqual([inch(1 / 32), inch(5 / 8)]);
        expect(y).toBeLessThanOrEqual(inch(1 / 8));
        expect(x).toBeGreaterThan(clear.x);
        expect(y + height).toBeLessThanOrEqual(clear.height + 1e-9);
      }
    }
  });
  it('that is paid has level bars, an inch long and 1/16 to 3/16 in thick, as far apart; one that is stamped has none', () => {
    const bars = barsOf('business', 'Level bar');
    expect(bars.length).toBeGreaterThan(3);
    for (const [i, { width, height, y }] of bars.entries()) {
      expect(width).toBeGreaterThanOrEqual(inch(1) - 1e-9);
      expect(height).toBeGreaterThanOrEqual(inch(1 / 16) - 1e-9);
      expect(height).toBeLessThanOrEqual(inch(3 / 16));
      if (i > 0) expect(y - bars[i - 1]!.y).toBeCloseTo(2 * height, 6);
    }
    expect(barsOf('courtesy', 'Level bar')).toEqual([]);
  });
  it('says who pays, by which permit', () => {
    const texts = (kind: Reply, permit: string) => replyDrawn(kind, WIDE, permit).texts.map(({ text }) => text);
    expect(texts('business', '123 LITTLE FALLS NY')).toContain('FIRST-CLASS MAIL PERMIT NO. 123 LITTLE FALLS NY');
    expect(texts('business', '')).toHaveLength(3);
    expect(texts('courtesy', '')).toEqual(['PLACE STAMP HERE']);
  });
});

describe('a reply card', () => {
  const card = { kind: 'postcard' as const, width: inch(6), height: inch(4.25), unit: 'in' as const };
  let n = 0;
  const made = (kind: Reply) =>
    setPost(
      jobOf([], card),
      'card',
      { ...NEW_POST, rules: 'us', face: 'card-1', reply: { kind, permit: '123 LITTLE FALLS NY' } },
      () => `r${++n}`,
    );
  it.each(REPLY_KINDS)('of the kind %s has no finding, keeps its mark clear, and opens again', (kind) => {
    const job = made(kind);
    expect(checkPiece(job, job.pieces[0]!, checkKit).map(({ check, problem }) => `${check}: ${problem}`)).toEqual([]);
    expect(areasOf(job.pieces[0]!, job.pieces[0]!.faces[0]!).map(({ id }) => id)).toContain('facing-mark');
    expect(readJob(JSON.parse(JSON.stringify(job))).pieces[0]!.post?.reply?.kind).toBe(kind);
  });
  it('is an ordinary card again when it is none any more', () => {
    const { reply: _, ...post } = made('business').pieces[0]!.post!;
    const job = setPost(made('business'), 'card', post, () => `r${++n}`);
    const names = job.pieces[0]!.faces[0]!.elements.map(({ name }) => name);
    expect(names).toContain('Divider');
    expect(names).not.toContain('Facing mark');
  });
});
