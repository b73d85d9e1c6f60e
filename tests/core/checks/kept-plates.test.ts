import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keepPlates } from '../../../core/checks/kept-plates';
import { layPiece, platesFound } from '../../../core/checks/on-plates';
import { placedLogos } from '../../../core/checks/placed-logos';
import type { PlateContext } from '../../../core/checks/plate-check';
import { separatedPictures } from '../../../core/files/separated';
import { placeLogo } from '../../../core/job/edits/logos';
import { pressConditionOf } from '../../../core/job/press-of';
import type { Element, Job } from '../../../core/job/schema';
import { shopIn } from '../../../core/job/shops-of';
import { kit, openDemo } from '../../kit';

const ppi = 50;
const { job: demo, assets } = openDemo();
let ids = 0;
/** The demo, a logo over the photograph on the card’s back. */
const job = placeLogo(demo, 'card-2', 'fern-colour', { x: 20, y: 60, width: 42 }, () => `placed-${++ids}`);
const card = job.pieces.find(({ id }) => id === 'card')!;
const shop = shopIn(job, card.shop);
const press = kit.press(pressConditionOf(job, shop));
const picture = separatedPictures((hash) => assets[hash], kit.engine, press);

const layWith = (changed: Job, how: object, from = picture): PlateContext[] =>
  layPiece(
    changed,
    changed.pieces.find(({ id }) => id === 'card')!,
    { fonts: kit.fonts, press },
    { picture: from, ppi, ...how },
  );
const withElements = (face: number, change: (elements: Element[]) => Element[]): Job => ({
  ...job,
  pieces: job.pieces.map((piece) =>
    piece !== card
      ? piece
      : {
          ...card,
          faces: card.faces.map((each, i) => (i === face ? { ...each, elements: change([...each.elements]) } : each)),
        },
  ),
});
const told = (contexts: readonly PlateContext[]) =>
  contexts.map((context) => [
    [...context.grid().plates].map(([plate, cells]) => [
      plate,
      Buffer.from(new Uint8Array(cells.buffer)).toString('base64'),
    ]),
    context.mostInk(),
    placedLogos(context).map((placed) => context.markOn(placed)),
  ]);

describe('plates that are kept from edit to edit', () => {
  it('has a logo to tell of', () => {
    expect(layWith(job, {}).flatMap(placedLogos).length).toBeGreaterThan(0);
  });
  it('are what is laid anew, cell by cell, whatever is moved, taken away or put elsewhere in the stack', () => {
    const kept = keepPlates();
    const edit = fc.record({
      face: fc.nat(1),
      at: fc.nat(30),
      what: fc.constantFrom('move', 'delete', 'send back', 'bring forward', 'nothing'),
    });
    fc.assert(
      fc.property(edit, ({ face, at, what }) => {
        const changed = withElements(face, (elements) => {
          const i = at % elements.length;
          const element = elements[i]!;
          const rest = elements.filter((_, k) => k !== i);
          if (what === 'move') return elements.map((each, k) => (k === i ? { ...each, x: each.x + 9 } : each));
          if (what === 'delete') return rest;
          return what === 'send back' ? [element, ...rest] : what === 'bring forward' ? [...rest, element] : elements;
        });
        const [again, anew] = [layWith(changed, { kept }), layWith(changed, {})];
        expect(told(again)).toEqual(told(anew));
        expect(again.flatMap(platesFound)).toEqual(anew.flatMap(platesFound));
      }),
      { numRuns: 40 },
    );
  });

  it('are laid once while nothing changes, and only those of the face that does', () => {
    const kept = keepPlates();
    const [front, back] = layWith(job, { kept });
    const [frontAgain, backAgain] = layWith({ ...job, changed: '2030-01-01T00:00:00.000Z' }, { kept });
    expect([frontAgain === front, backAgain === back]).toEqual([true, true]);
    const [changed, same] = layWith(
      withElements(0, (all) => all.slice(1)),
      { kept },
    );
    expect([changed === front, same === back]).toEqual([false, true]);
  });

  it('are laid anew when a picture comes, and when an ink changes', () => {
    const kept = keepPlates();
    const blank = told(layWith(job, { kept }, () => undefined));
    const seen = told(layWith(job, { kept }));
    expect(seen).not.toEqual(blank);
    const other = {
      ...job,
      inks: job.inks.map((ink) => (ink.id === 'green' ? { ...ink, cmyk: [0, 1, 1, 0] as const } : ink)),
    };
    expect(told(layWith(other as Job, { kept }))).toEqual(told(layWith(other as Job, {})));
  });
});
