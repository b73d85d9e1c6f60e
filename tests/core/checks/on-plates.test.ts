import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layPiece } from '../../../core/checks/on-plates';
import type { PlateContext } from '../../../core/checks/plate-check';
import { contrastOf } from '../../../core/checks/words-on-plates';
import { partOf, platesDevice } from '../../../core/devices/plates/device';
import { separatedPictures } from '../../../core/files/separated';
import { makeShape } from '../../../core/job/make';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Element } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { drawElement, elementBox } from '../../../core/scene/face';
import { cardWith, checkKit, kit, mm, openDemo } from '../../kit';

/** Cells an inch: few enough that every face of the demo is laid whole in a moment. */
const ppi = 60;

const demoFaces = (): PlateContext[] => {
  const { job, assets } = openDemo();
  return job.pieces.flatMap((piece) => {
    const shop = shopIn(job, piece.shop);
    const press = kit.press(pressConditionOf(job, shop));
    const picture = separatedPictures((hash) => assets[hash], kit.engine, press);
    return layPiece(job, piece, { fonts: kit.fonts, press }, { picture, ppi }, shop);
  });
};

describe('what is told of plates without laying all of them', () => {
  const faces = demoFaces();

  it('is what the whole face says of what lies under words, and of what overprints', () => {
    let told = 0;
    for (const context of faces) {
      const { face, sources, press, picture } = context;
      const device = platesDevice({ box: context.grid().box, ppi, picture });
      const mixtures = context.mixtures();
      for (const element of face.elements) {
        if (element.kind === 'words') {
          const whole = contrastOf(element, device.grid(), sources, press);
          const part = context.contrastOf(element);
          expect(part === undefined).toBe(whole === undefined);
          if (whole !== undefined) expect(part).toBeCloseTo(whole, 6);
          told++;
        }
        drawElement(element, sources, device);
        const mixture = mixtures.get(element.id);
        if (!mixture) continue;
        const whole = partOf(device.grid(), elementBox(element, sources));
        expect([mixture.width, mixture.height]).toEqual([whole.width, whole.height]);
        for (const [plate, cells] of whole.plates) {
          const part = mixture.plates.get(plate) ?? new Float32Array(cells.length);
          expect(cells.every((amount, i) => Math.abs(amount - part[i]!) < 1e-5)).toBe(true);
        }
        told++;
      }
    }
    expect(told).toBeGreaterThan(40);
  });

  it('knows how much ink there is at most on every face of the demo', () => {
    for (const context of faces) {
      const most = context.totals().reduce((a, b) => Math.max(a, b), 0);
      expect(context.mostInk()).toBeGreaterThanOrEqual(most - 1e-5);
      expect(context.mostInk()).toBeLessThanOrEqual(4);
    }
  });

  it('is never less than there is, however things lie on each other', () => {
    const amount = fc.integer({ min: 0, max: 100 }).map((percent) => percent / 100);
    const thing = fc.record({
      x: fc.integer({ min: -5, max: 60 }),
      y: fc.integer({ min: -5, max: 40 }),
      width: fc.integer({ min: 5, max: 60 }),
      height: fc.integer({ min: 5, max: 40 }),
      ink: fc.constantFrom('green', 'black', 'copper'),
      tint: amount,
      opacity: fc.constantFrom(1, 1, 0.4),
      overprints: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(thing, { minLength: 1, maxLength: 6 }), (things) => {
        const elements = things.map(
          ({ x, y, width, height, ink, tint, opacity, overprints }, i): Element => ({
            ...makeShape({
              id: `s${i}`,
              x: mm(x),
              y: mm(y),
              width: mm(width),
              height: mm(height),
              paint: { ink, tint },
            }),
            ...(opacity < 1 ? { opacity } : {}),
            ...(overprints ? { overprint: 'overprints' as const } : {}),
          }),
        );
        const job = cardWith(elements);
        const [context] = layPiece(job, job.pieces[0]!, checkKit, { ppi: 36, picture: () => undefined });
        const most = context!.totals().reduce((a, b) => Math.max(a, b), 0);
        expect(context!.mostInk()).toBeGreaterThanOrEqual(most - 1e-5);
      }),
      { numRuns: 60 },
    );
  });

  it('counts what overprints on top of what is below', () => {
    const under = makeShape({ id: 's', x: 0, y: 0, width: 50, height: 50, paint: { ink: 'green', tint: 1 } });
    const over: Element = { ...under, id: 'o', paint: { ink: 'copper', tint: 1 }, overprint: 'overprints' };
    const job = cardWith([under, over]);
    const [context] = layPiece(job, job.pieces[0]!, checkKit, { ppi: 36, picture: () => undefined });
    expect(context!.totals().reduce((a, b) => Math.max(a, b), 0)).toBeCloseTo(3, 5);
    expect(context!.mostInk()).toBeCloseTo(3, 5);
  });

  it('is just what there is where one thing lies on paper', () => {
    const job = cardWith([makeShape({ id: 's', x: 0, y: 0, width: 50, height: 50, paint: { ink: 'green', tint: 1 } })]);
    const [context] = layPiece(job, job.pieces[0]!, checkKit, { ppi: 36, picture: () => undefined });
    expect(context!.mostInk()).toBeCloseTo(
      context!.totals().reduce((a, b) => Math.max(a, b), 0),
      5,
    );
  });
});
