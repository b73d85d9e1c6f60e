import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { inkBounds } from '../../../core/devices/bounds';
import { walkCircle } from '../../../core/geometry/walk';
import { moveElement, removeElement } from '../../../core/job/edits/elements';
import { setWordsPath } from '../../../core/job/edits/words';
import { findElement } from '../../../core/job/find';
import { makeShape, makeWords } from '../../../core/job/make';
import type { Shape, Words, WordsPath } from '../../../core/job/schema';
import { jobSchema } from '../../../core/job/whole';
import { followFace } from '../../../core/scene/follow';
import { sourcesOf } from '../../../core/scene/sources';
import { wordsOnPath, wordsSet } from '../../../core/scene/words';
import { onPath, type PathSetting } from '../../../core/type/on-path';
import { cardWith, checkKit, kit } from '../../kit';

const sources = sourcesOf(cardWith([]), kit.fonts);
const plain = (align: 'left' | 'centre' = 'centre', text = 'HOHOHOHOH'): Words =>
  makeWords({ id: 'w', text, x: 0, y: 0, setting: { align } });
const RADIUS = 40;
const HALF = RADIUS * Math.PI;
const outside: PathSetting = { start: 0, side: 'outside', backwards: false, lift: 2 };
const inside: PathSetting = { start: HALF, side: 'inside', backwards: true, lift: 2 };
const round = (setting: PathSetting, align: 'left' | 'centre' = 'centre') =>
  onPath(wordsSet(plain(align), sources), walkCircle({ x: 0, y: 0 }, RADIUS), setting, align).glyphs;

describe('words round a circle', () => {
  it('stand every glyph’s middle on the circle, square to it', () => {
    for (const { run, index, x, y, angle } of round(outside)) {
      const half = (run.glyphs[index]!.advance * run.lettering.size) / run.font.upem / 2;
      const turn = (angle * Math.PI) / 180;
      const middle = { x: x + half * Math.cos(turn), y: y + half * Math.sin(turn) };
      expect(Math.hypot(middle.x, middle.y)).toBeCloseTo(RADIUS + 2, 2);
      expect(Math.atan2(middle.x, -middle.y)).toBeCloseTo(turn, 4);
    }
  });
  it('have their middle at the start when centred, their beginning when aligned left', () => {
    const centred = round(outside);
    expect(centred[0]!.angle).toBeCloseTo(-centred.at(-1)!.angle, 3);
    expect(round(outside, 'left')[0]!.angle).toBeGreaterThan(0);
  });
  it('run the other way inside, upright at the foot', () => {
    const glyphs = round(inside);
    const middle = glyphs[Math.floor(glyphs.length / 2)]!;
    expect(Math.abs(((middle.angle + 180) % 360) - 180)).toBeLessThan(10);
    expect(middle.y).toBeGreaterThan(0);
    expect(glyphs[0]!.x).toBeLessThan(glyphs.at(-1)!.x);
  });
  it('keep the same distance from the circle with their feet or with their heads', () => {
    const gap = (path: WordsPath): number => {
      const ink = inkBounds({ ...plain('centre', 'H'), path }, sources)!;
      // The top of the circle is at y 0: outside, ink ends above it; inside, it begins below.
      return path.side === 'outside' ? -(ink.y + ink.height) : ink.y;
    };
    const along = { kind: 'circle', radius: 400 } as const;
    for (const backwards of [true, false])
      for (const side of ['outside', 'inside'] as const)
        expect(gap({ along, start: 0, side, backwards, lift: 3 })).toBeCloseTo(3, 1);
  });
});

describe('words on an element’s outline', () => {
  const round = { radius: 10, form: 'round' } as const;
  const corners: Shape['corners'] = [round, round, round, round];
  const box = makeShape({ id: 'box', x: 20, y: 20, width: 100, height: 60, corners });
  const path: WordsPath = {
    along: { kind: 'element', id: 'box' },
    start: 40,
    side: 'outside',
    backwards: false,
    lift: 1,
  };
  const job = cardWith([box, { ...plain('centre', 'along the top'), path }]);
  const shown = (j: typeof job): Words => {
    const face = followFace(j.pieces[0]!.faces[0]!);
    return face.elements.find((e) => e.id === 'w') as Words;
  };

  it('stand on it, and go where it goes', () => {
    const ink = inkBounds(shown(job), sources)!;
    expect(ink.y + ink.height).toBeLessThanOrEqual(22);
    expect(ink.x + ink.width / 2).toBeCloseTo(20 + 10 + 40, 0);
    const moved = inkBounds(shown(moveElement(job, 'box', { x: 15, y: 30 })), sources)!;
    expect(moved.x).toBeCloseTo(ink.x + 15, 2);
    expect(moved.y).toBeCloseTo(ink.y + 30, 2);
  });
  it('are the same object as long as neither changes', () => {
    const again = moveElement(cardWith([]), 'nobody', { x: 1, y: 1 });
    expect(again).toBeDefined();
    expect(followFace(job.pieces[0]!.faces[0]!)).toBe(followFace(job.pieces[0]!.faces[0]!));
    expect(shown(job)).toBe(shown({ ...job }));
  });
  it('are straight again on request, and when it is deleted', () => {
    expect(wordsOnPath(shown(setWordsPath(job, 'w', undefined)), sources)).toBeUndefined();
    const left = findElement(removeElement(job, 'box'), 'w')!.element as Words;
    expect(left.path).toBeUndefined();
  });
  it('cannot follow what is not on their face', () => {
    const lost = cardWith([{ ...plain(), path: { ...path, along: { kind: 'element', id: 'gone' } } }]);
    expect(jobSchema.safeParse(lost).error?.message).toMatch(/stands on gone/);
  });
  it('that are longer than it are found, and made to fit', () => {
    const long = cardWith([box, { ...plain('left', 'far too many words for one small box '.repeat(3)), path }]);
    const [finding] = checkPiece(long, long.pieces[0]!, checkKit).filter((f) => f.check === 'past-line');
    expect(finding?.measured.value).toBeGreaterThan(finding!.wanted.value);
    const mended = finding!.fix!.apply(long);
    expect(checkPiece(mended, mended.pieces[0]!, checkKit).some((f) => f.check === 'past-line')).toBe(false);
  });
});
