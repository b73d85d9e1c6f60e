import { describe, expect, it } from 'vitest';
import type { Finding } from '../../../core/checks/check';
import { layPiece, platesFound, withFixes } from '../../../core/checks/on-plates';
import type { Ink } from '../../../core/colour/ink';
import { readJob } from '../../../core/files/read-job';
import { addFinish, newFinish, setFinish } from '../../../core/job/edits/finishing';
import { addInk } from '../../../core/job/edits/inks';
import { keepLogo, placeLogo } from '../../../core/job/edits/logos';
import { setOrder } from '../../../core/job/edits/pieces';
import { makeShape, makeWords } from '../../../core/job/make';
import { NO_ORDER } from '../../../core/job/order';
import type { Element, Job, Paint } from '../../../core/job/schema';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, checkKit, kit, mm } from '../../kit';

const ink = (id: string, tint = 1): Paint => ({ ink: id, tint });
const area = (id: string, x: number, y: number, width: number, height: number, paint: Paint): Element =>
  makeShape({ id, x: mm(x), y: mm(y), width: mm(width), height: mm(height), paint });
const white = ink('paper');

/** A card with a logo of these parts, 20 mm × 10 mm, on a ground; nothing where there is no paint for it. */
function logoOn(ground: Paint | undefined, parts: readonly Element[]): Job {
  const navy: Ink = { id: 'navy', name: 'Navy', kind: 'process', cmyk: [1, 0.9, 0.3, 0.4] };
  const card = addInk(cardWith(ground ? [area('ground', -3, -3, 91, 61, ground)] : []), navy);
  const kept = keepLogo(card, parts, { x: 0, y: 0, width: mm(20), height: mm(10) }, { id: 'logo', name: 'Fern' });
  let n = 0;
  return placeLogo(kept, 'card-1', 'logo', { x: mm(30), y: mm(20), width: mm(20) }, () => `n${++n}`);
}

const found = (job: Job): Finding[] =>
  layPiece(job, job.pieces[0]!, checkKit, { ppi: 150, trimOnly: true, picture: () => undefined })
    .flatMap(platesFound)
    .filter(({ check }) => check === 'faint-logo');

describe('a logo that hardly shows', () => {
  const plain = [area('m', 0, 0, 20, 10, ink('navy'))];
  const badge = [...plain, area('letters', 4, 3, 12, 4, white)];
  const wordmark = [...plain, area('dot', 18, 0, 2, 2, white)];
  it.each([
    ['a dark one on bare paper', undefined, plain, false],
    ['a dark one on a dark ground', ink('black'), plain, true],
    ['one in the ink it lies on', ink('navy'), plain, true],
    ['one in the ink it lies on, a light tint below', ink('navy', 0.3), plain, false],
    ['a pale one on bare paper', undefined, [area('m', 0, 0, 20, 10, ink('navy', 0.08))], true],
    ['a white one on bare paper', undefined, [area('m', 0, 0, 20, 10, white)], true],
    ['a white one on a dark ground', ink('black'), [area('m', 0, 0, 20, 10, white)], false],
    ['a dark badge whose letters are white, on a dark ground', ink('black'), badge, false],
    ['a dark badge whose letters are white, on bare paper', undefined, badge, false],
    [
      'a badge whose letters are as the ground',
      ink('black', 0.1),
      [...plain, area('letters', 3, 2, 14, 6, ink('black', 0.1))],
      false,
    ],
    ['a dark one of which only a dot is white, on a dark ground', ink('black'), wordmark, true],
    ['a copper one on a green of its lightness', ink('green'), [area('m', 0, 0, 20, 10, ink('copper'))], true],
  ] as const)('%s', (_says, ground, parts, isFaint) => {
    expect(found(logoOn(ground, parts))).toHaveLength(isFaint ? 1 : 0);
  });

  it('is told of once, with how far it stands out, at the logo as a whole', () => {
    const [finding, ...others] = found(logoOn(ink('black'), wordmark));
    expect(others).toEqual([]);
    expect(finding).toMatchObject({ severity: 'warn', wanted: { value: 15, kind: 'lightness' } });
    expect(finding!.problem).toContain('Fern');
    expect(finding!.measured.value).toBeLessThan(15);
    expect(finding!.place.width).toBeCloseTo(mm(20), 3);
  });

  it('is told of where half of it is lost, not where a tip is', () => {
    const half = (width: number): Job => {
      const job = logoOn(undefined, plain);
      const face = job.pieces[0]!.faces[0]!;
      const dark = area('dark', -3, -3, 33 + width, 61, ink('black'));
      return { ...job, pieces: [{ ...job.pieces[0]!, faces: [{ ...face, elements: [dark, ...face.elements] }] }] };
    };
    expect(found(half(10))).toHaveLength(1);
    expect(found(half(6))).toHaveLength(1);
    expect(found(half(4))).toEqual([]);
  });

  it('is measured on what lies under it, not on what was put there later', () => {
    const job = logoOn(undefined, plain);
    const face = job.pieces[0]!.faces[0]!;
    const later = area('later', 0, 0, 85, 55, ink('black'));
    const covered = { ...face, elements: [...face.elements, later] };
    expect(found({ ...job, pieces: [{ ...job.pieces[0]!, faces: [covered] }] })).toEqual([]);
  });

  it('is mended by the version of the house for such a ground, in its place and no higher', () => {
    const reversed = [area('r', 0, 0, 10, 5, white)];
    const box = { x: 0, y: 0, width: mm(10), height: mm(5) };
    const on = (ground: Paint, parts: readonly Element[], use: 'one ink' | 'reversed'): Job => {
      const job = keepLogo(logoOn(ground, parts), use === 'reversed' ? reversed : plain, box, {
        id: 'other',
        name: 'F',
        use,
      });
      const face = job.pieces[0]!.faces[0]!;
      const line = area('line', 5, 50, 10, 1, white);
      return { ...job, pieces: [{ ...job.pieces[0]!, faces: [{ ...face, elements: [...face.elements, line] }] }] };
    };
    const job = on(ink('black'), plain, 'reversed');
    const [finding] = withFixes(found(job), job.pieces[0]!, {
      sources: sourcesOf(job, kit.fonts),
      press: checkKit.press,
    });
    const after = finding!.fix!.apply(job);
    expect(found(after)).toEqual([]);
    const [face] = after.pieces[0]!.faces;
    expect(face!.elements.map((e) => e.kind === 'shape' && [e.x, e.width].map((v) => Math.round(v / mm(1))))).toEqual([
      [-3, 91],
      [30, 20],
      [5, 10],
    ]);
    expect(face!.groups).toEqual([expect.objectContaining({ logo: 'other' })]);
    expect(() => readJob(JSON.parse(JSON.stringify(after)))).not.toThrow();
    // Where the house has none for that ground, it is left to a person.
    const none = on(ink('black'), plain, 'one ink');
    expect(found(none)[0]!.of).toBeUndefined();
  });

  it('goes by the colour of the stock', () => {
    const dark = { ...NO_ORDER, colour: '#262626' };
    expect(found(setOrder(logoOn(undefined, plain), 'card', dark))).toHaveLength(1);
  });

  it('is nothing that is not printed: a logo in foil', () => {
    const job = logoOn(ink('black'), plain);
    const finish = newFinish(job, job.pieces[0]!, 'foil');
    const [mark] = job.pieces[0]!.faces[0]!.elements.filter(({ id }) => id !== 'ground');
    expect(found(setFinish(addFinish(job, 'card', finish), [mark!.id], finish.id))).toEqual([]);
  });

  it('is no other thing than a logo of the house', () => {
    const name = makeWords({
      id: 'w',
      text: 'Fern',
      x: mm(30),
      y: mm(20),
      lettering: { size: 20, paint: ink('green') },
    });
    expect(found(cardWith([area('ground', -3, -3, 91, 61, ink('black')), name]))).toEqual([]);
  });
});
