import { describe, expect, it } from 'vitest';
import { openReviewer } from '../../../cli/review';
import { asOnePlate, proposeInks, withInks } from '../../../core/client/fewer-inks';
import { readJob } from '../../../core/files/read-job';
import { pieceOf } from '../../../core/job/find';
import { makeShape, makeWords } from '../../../core/job/make';
import type { Job, Picture } from '../../../core/job/schema';
import { cardWith, kit, openDemo } from '../../kit';

const { job: demo, assets } = openDemo();
const press = kit.press('general-coated');
const reviewer = openReviewer(kit, assets);
const ids = () => {
  let n = 0;
  return () => `fewer-${++n}`;
};

const fewer = (job: Job, id: string, count: 1 | 2) => {
  const newId = ids();
  const { inks } = proposeInks(job, pieceOf(job, id)!, count, press, newId)!;
  return { inks, ...withInks(job, id, inks, press, newId) };
};

describe('a piece in fewer inks', () => {
  const green = { ink: 'green', tint: 1 };
  const job = cardWith([
    makeShape({ id: 'ground', x: 0, y: 0, width: 100, height: 50, paint: green }),
    makeShape({ id: 'bar', x: 0, y: 60, width: 100, height: 10, paint: { ink: 'copper', tint: 1 } }),
    makeWords({ id: 'text', x: 5, y: 80, text: 'Small', lettering: { size: 8, paint: { ink: 'black', tint: 1 } } }),
  ]);

  it('keeps the two that change least, a process colour as a spot of its own name', () => {
    const { inks, changes } = fewer(job, 'card', 2);
    expect(inks.map(({ kind, name }) => [kind, name])).toEqual([
      ['process', 'Black'],
      ['spot', 'Green spot'],
    ]);
    expect(inks).toHaveLength(2);
    expect(changes.every(({ deltaE }) => deltaE >= 0)).toBe(true);
  });

  it('prints from those plates alone, and small text solid', () => {
    for (const count of [1, 2] as const) {
      const { job: made, inks } = fewer(job, 'card', count);
      const piece = pieceOf(made, 'card')!;
      expect(piece.printedWith).toEqual({
        plates: count === 1 ? 'one ink' : 'two inks',
        inks: inks.map(({ id }) => id),
      });
      const text = piece.faces[0]!.elements.find(({ id }) => id === 'text')!;
      expect(text.kind === 'words' && text.lettering.paint?.tint).toBe(1);
      const { open } = reviewer.review(made, piece);
      expect(open.filter(({ check }) => ['stray-plates', 'screened-words', 'tint-light'].includes(check))).toEqual([]);
    }
  });

  it('leaves a single plate as it is, and makes others a spot that no plate is called', () => {
    const [black, , moss] = job.inks;
    expect(asOnePlate(black!, job.inks, ids())).toBe(black);
    const spot = asOnePlate(moss!, job.inks, ids());
    expect([spot.kind, spot.cmyk]).toEqual(['spot', moss!.cmyk]);
    expect(job.inks.map(({ name }) => name)).not.toContain(spot.name);
  });

  it.each(demo.pieces.map(({ id, name }) => [name, id]))(
    'of the demo, %s: two plates at most, pictures included',
    (_, id) => {
      const { job: made, inks } = fewer(demo, id, 2);
      const read = readJob(JSON.parse(JSON.stringify(made)));
      const piece = pieceOf(read, id)!;
      const pictures = piece.faces.flatMap(({ elements }) =>
        elements.filter((e): e is Picture => e.kind === 'picture'),
      );
      for (const picture of pictures) expect(picture.inks?.map(({ ink }) => ink)).toEqual(inks.map((each) => each.id));
      const stray = reviewer
        .review(read, piece)
        .open.filter(({ check }) => ['stray-plates', 'logo-altered'].includes(check));
      expect(stray).toEqual([]);
      // Nothing else of the job has changed.
      expect(read.pieces.filter((each) => each.id !== id)).toEqual(demo.pieces.filter((each) => each.id !== id));
    },
  );
});
