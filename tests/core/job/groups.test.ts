import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { traceDevice } from '../../../core/devices/trace';
import { pasteElements } from '../../../core/job/edits/copies';
import * as elements from '../../../core/job/edits/elements';
import * as groups from '../../../core/job/edits/groups';
import { setOutline } from '../../../core/job/edits/outlines';
import { setCrop, setFade, setView } from '../../../core/job/edits/pictures';
import { findElement } from '../../../core/job/find';
import { membersOf, pickedWith, unitsOf } from '../../../core/job/groups';
import { redo, startHistory, step, undo } from '../../../core/job/history';
import { makePicture, makeRule, makeShape, makeWords } from '../../../core/job/make';
import type { Job, Shape, Words } from '../../../core/job/schema';
import { jobSchema } from '../../../core/job/whole';
import { drawFace } from '../../../core/scene/face';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, kit, makePng, withPicture } from '../../kit';

const start = (): Job =>
  cardWith([
    makeShape({ id: 'a', x: 10, y: 10, width: 40, height: 20, paint: { ink: 'green', tint: 1 } }),
    makeWords({ id: 'b', text: 'Fern & Fen', x: 20, y: 40 }),
    makeRule({ id: 'c', x: 20, y: 60, width: 80, height: 0.5 }),
    makeShape({ id: 'd', x: 90, y: 90, width: 20, height: 20, form: { kind: 'ellipse' }, turn: 30 }),
  ]);
const faceOf = (job: Job) => job.pieces[0]!.faces[0]!;
const drawn = (job: Job): string[] => {
  const device = traceDevice();
  drawFace(faceOf(job), sourcesOf(job, kit.fonts), device);
  return device.lines;
};
const isSound = (job: Job): void => void jobSchema.parse(job);

describe('groups', () => {
  const inner = groups.groupElements(start(), 'card-1', ['a', 'b'], 'g1');
  const outer = groups.groupElements(inner, 'card-1', ['a', 'b', 'd'], 'g2');
  it('hold what they are made of, one in another, and are picked up from the outside in', () => {
    isSound(outer);
    const face = faceOf(outer);
    expect(membersOf(face, 'g2').map((e) => e.id)).toEqual(['a', 'b', 'd']);
    expect(membersOf(face, 'g1').map((e) => e.id)).toEqual(['a', 'b']);
    const a = findElement(outer, 'a')!.element;
    expect(pickedWith(face, a)).toEqual(['a', 'b', 'd']);
    expect(pickedWith(face, a, 'g2')).toEqual(['a', 'b']);
    expect(pickedWith(face, a, 'g1')).toEqual(['a']);
    expect(unitsOf(face, face.elements).length).toBe(2);
  });
  it('leave each element where it lay when they are undone, and are gone when they are empty', () => {
    const flat = groups.ungroup(groups.ungroup(outer, 'card-1', 'g2'), 'card-1', 'g1');
    expect(faceOf(flat).groups).toBeUndefined();
    const order = (job: Job) => faceOf(job).elements.map((e) => ({ ...e, group: undefined }));
    expect(order(flat)).toEqual(order(outer));
    const emptied = elements.removeElements(outer, ['a', 'b', 'd']);
    expect(faceOf(emptied).groups).toBeUndefined();
    isSound(emptied);
  });
  it('are copied with what lies in them', () => {
    const ids = new Map(['a', 'b', 'd', 'g1', 'g2'].map((id) => [id, `${id}x`]));
    const face = faceOf(outer);
    const pasted = pasteElements(outer, 'card-1', membersOf(face, 'g2'), ids, { x: 1, y: 1 }, face.groups);
    isSound(pasted);
    expect(membersOf(faceOf(pasted), 'g2x').map((e) => e.id)).toEqual(['ax', 'bx', 'dx']);
    expect(faceOf(pasted).groups).toContainEqual({ id: 'g1x', group: 'g2x' });
  });
  it('refuse a group that is not there, and one that lies in itself', () => {
    const broken = structuredClone(outer);
    broken.pieces[0]!.faces[0]!.groups![0]!.group = 'nowhere';
    expect(jobSchema.safeParse(broken).success).toBe(false);
    broken.pieces[0]!.faces[0]!.groups![0]!.group = 'g2';
    broken.pieces[0]!.faces[0]!.groups![1]!.group = 'g1';
    expect(jobSchema.safeParse(broken).success).toBe(false);
  });
  it('grouping and ungrouping keep every glyph and point in place', () => {
    fc.assert(
      fc.property(fc.subarray(['a', 'b', 'c', 'd'], { minLength: 2 }), fc.boolean(), (ids, nested) => {
        // Members come to lie on one another, so the drawing's parts are compared whatever their order.
        const before = drawn(start()).sort();
        let job = groups.groupElements(start(), 'card-1', ids, 'g1');
        if (nested) job = groups.groupElements(job, 'card-1', ['a', 'b', 'c', 'd'], 'g2');
        expect(drawn(job).sort()).toEqual(before);
        job = groups.ungroup(groups.ungroup(job, 'card-1', 'g2'), 'card-1', 'g1');
        expect(drawn(job).sort()).toEqual(before);
      }),
    );
  });
});

describe('several things as one', () => {
  const from = { x: 10, y: 10, width: 100, height: 100 };
  const ids = ['a', 'b', 'c'];
  it('grow without their type and weights, or with them', () => {
    const plain = groups.scaleElements(start(), ids, from, { ...from, width: 200, height: 200 }, { type: false });
    expect(findElement(plain, 'a')!.element).toMatchObject({ x: 10, y: 10, width: 80, height: 40 });
    expect(findElement(plain, 'c')!.element).toMatchObject({ width: 160, height: 0.5 });
    expect((findElement(plain, 'b')!.element as Words).lettering.size).toBeUndefined();
    const all = groups.scaleElements(start(), ids, from, { ...from, width: 200, height: 200 }, { type: true });
    expect((findElement(all, 'b')!.element as Words).lettering.size).toBe(18);
    expect(findElement(all, 'c')!.element).toMatchObject({ width: 160, height: 1 });
  });
  it('turn about one point and come back', () => {
    const middles = new Map([
      ['a', { x: 30, y: 20 }],
      ['d', { x: 100, y: 100 }],
    ]);
    const turned = groups.turnElements(start(), middles, { x: 65, y: 60 }, 90);
    expect(findElement(turned, 'a')!.element).toMatchObject({ turn: 90 });
    const a = findElement(turned, 'a')!.element as Shape;
    expect([a.x + a.width / 2, a.y + a.height / 2].map((n) => Number(n.toFixed(9)))).toEqual([105, 25]);
    expect(findElement(turned, 'd')!.element).toMatchObject({ turn: 120 });
  });
  it('mirrored, words only change their place', () => {
    const middles = new Map([
      ['a', { x: 30, y: 20 }],
      ['b', { x: 40, y: 45 }],
    ]);
    const mirrored = groups.mirrorElements(start(), middles, { x: 100, y: 0 }, 'across');
    expect(findElement(mirrored, 'a')!.element).toMatchObject({ x: 150, flip: 'across' });
    expect(findElement(mirrored, 'b')!.element).toMatchObject({ x: 140 });
    expect(findElement(mirrored, 'b')!.element).not.toHaveProperty('flip');
  });
});

describe('any sequence of these edits', () => {
  const made = withPicture(
    start(),
    makePng(8, 8, () => [9, 99, 199]),
  );
  const whole = elements.addElement(
    made.job,
    'card-1',
    makePicture({ id: 'p', x: 5, y: 5, width: 40, height: 30, asset: made.hash }),
  );
  const id = fc.constantFrom('a', 'b', 'c', 'd', 'p', 'gone');
  const some = fc.subarray(['a', 'b', 'c', 'd', 'p'], { minLength: 2 });
  const paint = { ink: 'copper', tint: 0.5 };
  let n = 0;
  const anyEdit: fc.Arbitrary<(job: Job) => Job> = fc.oneof(
    some.map((ids) => (job: Job) => groups.groupElements(job, 'card-1', ids, `g${n++}`)),
    fc.constant((job: Job) => groups.ungroup(job, 'card-1', faceOf(job).groups?.[0]?.id ?? 'none')),
    some.map(
      (ids) => (job: Job) =>
        groups.scaleElements(
          job,
          ids,
          { x: 0, y: 0, width: 50, height: 50 },
          { x: 4, y: 4, width: 60, height: 55 },
          { type: true },
        ),
    ),
    id.map(
      (i) => (job: Job) =>
        elements.setFill(job, i, {
          kind: 'split',
          through: { x: 0.5, y: 0.5 },
          angle: 20,
          first: paint,
          second: paint,
        }),
    ),
    id.map((i) => (job: Job) => elements.setStroke(job, i, { weight: 2, paint })),
    id.map((i) => (job: Job) => elements.setShadow(job, i, { ...paint, x: 1, y: 1, blur: 2 })),
    id.map((i) => (job: Job) => elements.setOpacity(job, i, 0.5)),
    id.map(
      (i) => (job: Job) =>
        elements.setRepeat(job, i, { kind: 'ring', count: 5, radius: 20, sweep: 360, turning: true }),
    ),
    id.map((i) => (job: Job) => setOutline(job, i, [['M', 0, 0], ['L', 9, 1], ['L', 4, 8], ['Z']])),
    id.map((i) => (job: Job) => setView(job, i, { fit: 'fill', zoom: 2, at: { x: 0.1, y: 0.9 } })),
    id.map(
      (i) => (job: Job) =>
        setFade(setCrop(job, i, { form: { kind: 'ellipse' } }), i, { kind: 'linear', place: [1, 0, 0, 1, 0, 0] }),
    ),
    id.map((i) => (job: Job) => elements.removeElement(job, i)),
  );
  it('gives a job that can be kept, and all of it undone gives the first one, byte for byte', () => {
    fc.assert(
      fc.property(fc.array(anyEdit, { maxLength: 14 }), (edits) => {
        const before = JSON.stringify(whole);
        let history = edits.reduce((h, edit, i) => step(h, `edit ${i}`, edit(h.job), `s${i}`), startHistory(whole));
        isSound(history.job);
        const after = JSON.stringify(history.job);
        while (history.past.length > 0) history = undo(history);
        expect(JSON.stringify(history.job)).toBe(before);
        while (history.future.length > 0) history = redo(history);
        expect(JSON.stringify(history.job)).toBe(after);
      }),
      { numRuns: 60 },
    );
  });
});
