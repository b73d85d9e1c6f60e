import { describe, expect, it } from 'vitest';
import { checkPiece } from '../../../core/checks/check-piece';
import { inkBounds } from '../../../core/devices/bounds';
import { platesDevice } from '../../../core/devices/plates/device';
import { setLettersStroke } from '../../../core/job/edits/elements';
import { scaleElements } from '../../../core/job/edits/groups';
import { makeWords } from '../../../core/job/make';
import type { LettersStroke, Words } from '../../../core/job/schema';
import { drawElement } from '../../../core/scene/face';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, checkKit, kit, mm } from '../../kit';

const stroke = (place: LettersStroke['place'], weight = 1): LettersStroke => ({
  paint: { ink: 'copper', tint: 1 },
  weight,
  place,
});
const words = (more: Partial<Words> = {}): Words =>
  ({ ...makeWords({ id: 'w', text: 'Hollin', x: mm(10), y: mm(15), lettering: { size: 36 } }), ...more }) as Words;
const job = cardWith([words()]);
const sources = sourcesOf(job, kit.fonts);

/** How many square points each plate lays, solid. */
function laid(element: Words): Map<string, number> {
  const device = platesDevice({
    box: { x: 0, y: 0, width: mm(85), height: mm(55) },
    ppi: 300,
    picture: () => undefined,
  });
  drawElement(element, sources, device);
  const cell = (72 / 300) ** 2;
  return new Map([...device.grid().plates].map(([plate, cells]) => [plate, cells.reduce((a, b) => a + b, 0) * cell]));
}

describe('a line along letters', () => {
  const bare = inkBounds(words(), sources)!;
  it.each([
    ['outside', 1],
    ['centred', 0.5],
    ['inside', 0],
  ] as const)('%s makes them larger by %d of its weight at each side', (place, share) => {
    const box = inkBounds(words({ stroke: stroke(place, 2) }), sources)!;
    expect(box.width - bare.width).toBeCloseTo(2 * 2 * share, 0);
    expect(box.height - bare.height).toBeCloseTo(2 * 2 * share, 0);
  });

  it('leaves the letters whole outside, and takes from them inside: letters and line together are as large as the letters', () => {
    const [plain, outside, inside] = [
      words(),
      words({ stroke: stroke('outside') }),
      words({ stroke: stroke('inside') }),
    ].map(laid);
    const letters = plain!.get('Black')!;
    expect(outside!.get('Black')!).toBeCloseTo(letters, 0);
    expect(outside!.get('Copper')!).toBeGreaterThan(letters * 0.3);
    // Cells that an edge runs through count for both.
    const both = inside!.get('Black')! + inside!.get('Copper')!;
    expect(both / letters).toBeGreaterThan(0.99);
    expect(both / letters).toBeLessThan(1.05);
    expect(inside!.get('Black')!).toBeLessThan(letters * 0.8);
  });

  it('is what is left of letters without a fill', () => {
    const hollow = laid(words({ stroke: stroke('centred'), fill: { kind: 'none' } }));
    expect([...hollow.keys()]).toEqual(['Copper']);
  });

  it('is told where it is too thin, and made as thick as a press holds', () => {
    const thin = cardWith([words({ stroke: stroke('outside', 0.1) })]);
    const found = checkPiece(thin, thin.pieces[0]!, checkKit).find(({ check }) => check === 'thin-lines')!;
    const after = found.fix!.apply(thin);
    expect(checkPiece(after, after.pieces[0]!, checkKit).some(({ check }) => check === 'thin-lines')).toBe(false);
  });

  it('is scaled with its letters, and comes off', () => {
    const box = (side: number) => ({ x: 0, y: 0, width: side, height: side });
    const with_ = setLettersStroke(job, 'w', stroke('outside', 2));
    const scaled = scaleElements(with_, ['w'], box(10), box(20), { type: true });
    expect((scaled.pieces[0]!.faces[0]!.elements[0] as Words).stroke!.weight).toBe(4);
    expect(setLettersStroke(with_, 'w', undefined)).toEqual(job);
  });
});
