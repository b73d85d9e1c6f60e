import { describe, expect, it } from 'vitest';
import { pastable, pasteElements } from '../../../core/job/edits/copies';
import { markElements, moveElements, removeElements } from '../../../core/job/edits/elements';
import {
  addGuides,
  clearGuides,
  guidesAround,
  guidesAtCentres,
  guidesForColumns,
  moveGuide,
  removeGuide,
} from '../../../core/job/edits/guides';
import { goOn } from '../../../core/job/edits/words';
import { findElement } from '../../../core/job/find';
import { makeShape, makeWords } from '../../../core/job/make';
import type { Words } from '../../../core/job/schema';
import { jobSchema } from '../../../core/job/whole';
import { printedFaces, shownFaces } from '../../../core/scene/shown-faces';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, kit } from '../../kit';

const panel = makeShape({ id: 'panel', x: 10, y: 10, width: 50, height: 20, paint: { ink: 'green', tint: 1 } });
const title = makeWords({ id: 'title', text: 'Head gardener', x: 20, y: 60 });
const onPanel: Words = {
  ...makeWords({ id: 'round', text: 'round', x: 0, y: 0 }),
  path: { along: { kind: 'element', id: 'panel' }, start: 0, side: 'outside', backwards: false, lift: 0 },
};
const job = cardWith([panel, title, onPanel], { faces: 2 });
const ids = new Map([
  ['panel', 'panel-2'],
  ['title', 'title-2'],
  ['round', 'round-2'],
]);

describe('copies', () => {
  it('land in their order, moved, under new ids, following their own copies', () => {
    const pasted = pasteElements(job, 'card-2', [panel, title, onPanel], ids, { x: 5, y: 0 });
    expect(pasted.pieces[0]!.faces[1]!.elements.map((e) => [e.id, e.x])).toEqual([
      ['panel-2', 15],
      ['title-2', 25],
      ['round-2', 5],
    ]);
    expect((findElement(pasted, 'round-2')!.element as Words).path!.along).toEqual({ kind: 'element', id: 'panel-2' });
    expect(() => jobSchema.parse(pasted)).not.toThrow();
  });
  it('follow the original on the same face, and nothing on another', () => {
    const alone = new Map([['round', 'round-2']]);
    const here = pasteElements(job, 'card-1', [onPanel], alone, { x: 5, y: 0 });
    expect((findElement(here, 'round-2')!.element as Words).path!.along).toEqual({ kind: 'element', id: 'panel' });
    const there = pasteElements(job, 'card-2', [onPanel], alone, { x: 0, y: 0 });
    expect((findElement(there, 'round-2')!.element as Words).path).toBeUndefined();
    expect(() => jobSchema.parse(there)).not.toThrow();
  });
  it('do not go on in their original’s next frame', () => {
    const letter = goOn(job, 'title', 'card-2', 'more');
    const original = findElement(letter, 'title')!.element;
    const pasted = pasteElements(letter, 'card-1', [original], ids, { x: 9, y: 9 });
    expect((findElement(pasted, 'title-2')!.element as Words).next).toBeUndefined();
    expect(() => jobSchema.parse(pasted)).not.toThrow();
  });
  it('leave behind what the job has no ink or picture for', () => {
    const foreign = { ...panel, paint: { ink: 'nobody', tint: 1 } };
    expect(pastable(job, [panel, foreign, title])).toEqual([panel, title]);
  });
});

describe('several at once', () => {
  it('move each by its own distance, and are deleted together', () => {
    const moved = moveElements(
      job,
      new Map([
        ['panel', { x: 1, y: 2 }],
        ['title', { x: -3, y: 0 }],
      ]),
    );
    expect([findElement(moved, 'panel')!.element.y, findElement(moved, 'title')!.element.x]).toEqual([12, 17]);
    const left = removeElements(job, ['panel', 'title']);
    expect(left.pieces[0]!.faces[0]!.elements.map((e) => e.id)).toEqual(['round']);
    expect(() => jobSchema.parse(left)).not.toThrow();
  });
  it('hidden and sample elements are not printed; samples are still shown', () => {
    const sources = sourcesOf(job, kit.fonts);
    const marked = markElements(markElements(job, ['panel'], 'hidden', true), ['title'], 'sample', true);
    const [piece] = marked.pieces;
    expect(printedFaces(piece!, sources)[0]!.elements.map((e) => e.id)).toEqual(['round']);
    expect(shownFaces(piece!, sources)[0]!.elements).toHaveLength(3);
    expect(markElements(marked, ['panel', 'title'], 'hidden', false)).not.toEqual(marked);
    expect(findElement(markElements(marked, ['panel'], 'hidden', false), 'panel')!.element).toEqual(panel);
  });
});

describe('guides', () => {
  const face = { face: 'card-1' };
  it('are set around a face, at its centres and as columns with a gutter', () => {
    expect(guidesAround(240, 150, 12).map(({ at }) => at)).toEqual([12, 228, 12, 138]);
    expect(guidesAtCentres(240, 150).map(({ at }) => at)).toEqual([120, 75]);
    expect(guidesForColumns(240, 12, 3, 6).map(({ at }) => at)).toEqual([12, 80, 86, 154, 160, 228]);
  });
  it('are added once, moved, taken away, and leave no trace', () => {
    const two = addGuides(addGuides(job, face, guidesAtCentres(240, 150)), face, guidesAtCentres(240, 150));
    expect(two.pieces[0]!.faces[0]!.guides).toHaveLength(2);
    expect(moveGuide(two, face, 0, 99).pieces[0]!.faces[0]!.guides![0]!.at).toBe(99);
    expect(removeGuide(removeGuide(two, face, 0), face, 0)).toEqual(job);
    expect(clearGuides(two, face)).toEqual(job);
  });
  it('of the piece belong to all its faces', () => {
    const all = addGuides(job, { piece: 'card' }, [{ axis: 'x', at: 40 }]);
    expect(all.pieces[0]!.guides).toEqual([{ axis: 'x', at: 40 }]);
    expect(() => jobSchema.parse(all)).not.toThrow();
  });
});
