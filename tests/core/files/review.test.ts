import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layPiece } from '../../../core/checks/on-plates';
import { reviewPage } from '../../../core/files/review/page';
import { sidePicture } from '../../../core/files/review/pictures';
import { ReplyError, readReply, withReply } from '../../../core/files/review/reply';
import type { Reply } from '../../../core/job/comments';
import { answerComment, removeComment, setCommentState } from '../../../core/job/edits/comments';
import { jobFault } from '../../../core/job/whole';
import { sourcesOf } from '../../../core/scene/sources';
import { checkKit, kit, openDemo } from '../../kit';

const { job } = openDemo();
const card = job.pieces[0]!;
const sources = sourcesOf(job, kit.fonts);
const DATE = '2026-11-20T10:00:00.000Z';
const mm = 72 / 25.4;
const reply = (more: Partial<Reply> = {}): Reply => ({
  format: 'tidyedge-reply',
  version: 1,
  job: job.id,
  of: job.changed,
  from: 'Adaeze Thornbury',
  date: DATE,
  comments: [],
  verdicts: [],
  ...more,
});
const comment = (id: string, x: number, y: number, face = card.faces[0]!.id) => ({
  id,
  piece: card.id,
  face,
  x: x * mm,
  y: y * mm,
  text: `About ${id}`,
  date: DATE,
});

describe('a reply of the client', () => {
  it('stands at what lies there: the name, a panel, or nothing', () => {
    const taken = withReply(
      job,
      reply({ comments: [comment('a', 45, 15), comment('b', 3, 3), comment('c', 80, 3)] }),
      sources,
    );
    // A small panel is meant before the ground that fills the side.
    expect(taken.comments!.map(({ element }) => element)).toEqual(['name', 'fen-panel', 'paper-panel']);
    expect(taken.comments!.every(({ state, from }) => state === 'open' && from === 'Adaeze Thornbury')).toBe(true);
    expect(jobFault(taken)).toBeUndefined();
  });

  it('is there once, however often it is opened, and the last answer of a person to one state counts', () => {
    const first = reply({
      comments: [comment('a', 45, 15)],
      verdicts: [{ piece: card.id, isYes: false, note: 'Larger' }],
    });
    const once = withReply(job, first, sources);
    expect(withReply(once, first, sources)).toEqual(once);
    const again = withReply(once, reply({ verdicts: [{ piece: card.id, isYes: true }] }), sources);
    expect(again.approvals).toEqual([
      { piece: card.id, isYes: true, from: 'Adaeze Thornbury', date: DATE, of: job.changed },
    ]);
  });

  it('can be answered, done and deleted', () => {
    const taken = withReply(job, reply({ comments: [comment('a', 45, 15), comment('b', 3, 3)] }), sources);
    const answered = answerComment(taken, 'a', ' It is 18 pt now ');
    expect(answered.comments![0]).toMatchObject({ state: 'answered', answer: 'It is 18 pt now' });
    expect(answerComment(answered, 'a', '').comments![0]).toEqual(taken.comments![0]);
    expect(setCommentState(answered, 'a', 'done').comments![0]!.state).toBe('done');
    expect(removeComment(removeComment(taken, 'a'), 'b').comments).toBeUndefined();
  });

  it('comes in and out unchanged, a thousand of them', () => {
    const many = fc.array(
      fc.record({
        x: fc.double({ min: -50, max: 300, noNaN: true }),
        y: fc.double({ min: -50, max: 200, noNaN: true }),
        text: fc.string({ unit: 'grapheme', minLength: 1, maxLength: 60 }).filter((t) => t.trim() !== ''),
      }),
      { minLength: 1000, maxLength: 1000 },
    );
    const [all] = fc.sample(many, { numRuns: 1, seed: 7 });
    const comments = all!.map((each, i) => ({ ...comment(`c${i}`, 0, 0), ...each, text: each.text.trim() }));
    const read = readReply(JSON.stringify(reply({ comments })));
    const taken = withReply(job, read, sources);
    const out = taken.comments!.map(({ state: _state, from: _from, element: _element, ...rest }) => rest);
    // JSON has no negative nought.
    expect(out).toEqual(JSON.parse(JSON.stringify(comments)));
  });

  it.each([
    ['what is no file of ours', 'hello', /no reply to a review/],
    ['a list', '[]', /cannot be read/],
    ['one of a newer page', JSON.stringify({ ...reply(), version: 2 }), /newer review page/],
    ['one without a name', JSON.stringify(reply({ from: '' })), /cannot be read: from/],
    [
      'a place that is no number',
      JSON.stringify(reply({ comments: [{ ...comment('a', 1, 1), x: null as never }] })),
      /cannot be read: comments 0 x/,
    ],
  ])('is refused with words: %s', (_, text, says) => {
    expect(() => readReply(text)).toThrow(ReplyError);
    expect(() => readReply(text)).toThrow(says);
  });
  it('is refused by another job', () => {
    expect(() => withReply(job, reply({ job: 'other' }), sources)).toThrow(/another job/);
  });
  it('leaves out what is of a piece that is gone', () => {
    expect(withReply(job, reply({ comments: [{ ...comment('a', 1, 1), piece: 'gone' }] }), sources)).toEqual(job);
  });
});

describe('the page for a review', () => {
  const foil = job.pieces.find(({ id }) => id === 'foil-card')!;
  const sides = layPiece(job, foil, checkKit, { picture: () => undefined, ppi: 60, trimOnly: true }).map((each) =>
    sidePicture(foil, each, kit.engine),
  );
  const page = reviewPage({ ...job, name: 'Hollin </script><b>' }, [{ piece: foil, sides }]);

  it('is one file that fetches nothing, and nothing in it ends its script', () => {
    expect(page).toContain("default-src 'none'");
    expect(page.replace(/http-equiv/g, '')).not.toMatch(/https?:|src="(?!data:)|@import|url\(/);
    expect(page.match(/<\/script>/g)).toHaveLength(2);
  });
  it('has the sides without what the die cuts away, and the foil in the light', () => {
    // The corners are round: a PNG with alpha, of the side's own size.
    const { width, height } = sides[0]!;
    expect([width, height]).toEqual([Math.round((foil.width * 60) / 72), Math.round((foil.height * 60) / 72)]);
    expect(page.match(/data:image\/png;base64,/g)).toHaveLength(2);
  });
});
