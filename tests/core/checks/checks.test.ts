import { describe, expect, it } from 'vitest';
import { CHECKS } from '../../../core/checks';
import { checkPiece } from '../../../core/checks/check-piece';
import { pieceFacts } from '../../../core/checks/piece-facts';
import { traceDevice } from '../../../core/devices/trace';
import { addElement } from '../../../core/job/edits/elements';
import { findElement } from '../../../core/job/find';
import { makePicture, makeRule, makeShape, makeWords } from '../../../core/job/make';
import type { Element, Job, Shape } from '../../../core/job/schema';
import { drawElement } from '../../../core/scene/face';
import { sourcesOf } from '../../../core/scene/sources';
import { formatLength, fromPoints } from '../../../core/units/length';
import { cardWith, checkKit, inch, kit, makePng, mm, openDemo, withPicture } from '../../kit';

const check = (job: Job) => checkPiece(job, job.pieces[0]!, checkKit);
const checkAll = (...elements: Element[]) => check(cardWith(elements));
const traceOf = (job: Job, id: string): string[] => {
  const device = traceDevice();
  drawElement(findElement(job, id)!.element, sourcesOf(job, kit.fonts), device);
  return device.lines;
};
const panel = (x: number, y: number, width: number, height: number) =>
  makeShape({
    id: 'panel',
    x: mm(x),
    y: mm(y),
    width: mm(width),
    height: mm(height),
    paint: { ink: 'green', tint: 1 },
  });

describe('every check', () => {
  it('says what it protects from and where it comes from', () => {
    for (const { id, name, protects, source } of CHECKS) {
      expect(id).toMatch(/^[a-z-]+$/);
      expect(name.length).toBeGreaterThan(5);
      expect(protects).toMatch(/\.$/);
      if (source.kind === 'from memory') expect(source.name).toBeTruthy();
    }
  });
  it('is silent on the demo job', () => {
    const { job } = openDemo();
    expect(job.pieces.flatMap((piece) => checkPiece(job, piece, checkKit))).toEqual([]);
  });
});

// Common practice: 3 mm of bleed on a card.
describe('art short of the bleed', () => {
  it.each([
    ['ends at the trim', panel(0, 0, 85, 55), 0, 'top, right, bottom and left'],
    ['ends a millimetre past it', panel(-1, -3, 91, 61), 1, 'left'],
    ['ends a hair inside it', panel(-3, 0.05, 91, 58), 0, 'top'],
  ])('fires where a panel %s', (_what, element, measured, sides) => {
    const [finding, ...others] = checkAll(element);
    expect(others).toEqual([]);
    expect(finding!.check).toBe('short-of-bleed');
    expect(finding!.severity).toBe('stop');
    expect(fromPoints(finding!.measured.value, 'mm')).toBeCloseTo(measured, 9);
    expect(formatLength(finding!.wanted.value, 'mm')).toBe('3 mm');
    for (const side of sides.split(' and the ')) expect(finding!.problem).toContain(side);
  });
  it.each([
    ['reaches the bleed exactly', panel(-3, -3, 91, 61)],
    ['runs past it', panel(-9, -9, 120, 90)],
    ['stays well inside', panel(10, 10, 20, 20)],
  ])('is silent where a panel %s', (_what, element) => {
    expect(checkAll(element)).toEqual([]);
  });
  it('is extended to the bleed on the short sides only, exactly, and nothing else changes', () => {
    const job = cardWith([panel(-1, 10, 40, 45), makeWords({ id: 'w', text: 'Words', x: mm(10), y: mm(20) })]);
    const [finding] = check(job);
    const mended = finding!.fix!.apply(job);
    const { element } = findElement(mended, 'panel')!;
    expect(element).toMatchObject({ x: -mm(3), y: mm(10) });
    expect((element as { width: number }).width).toBeCloseTo(mm(42), 9);
    expect((element as { height: number }).height).toBeCloseTo(mm(48), 9);
    expect(check(mended)).toEqual([]);
    expect(traceOf(mended, 'w')).toEqual(traceOf(job, 'w'));
  });
  it('extends a rule along its length', () => {
    const job = cardWith([makeRule({ id: 'r', x: 0, y: mm(20), width: mm(85), height: 0.5 })]);
    const mended = check(job)[0]!.fix!.apply(job);
    expect(findElement(mended, 'r')!.element).toMatchObject({ x: -mm(3), y: mm(20), height: 0.5 });
    expect(check(mended)).toEqual([]);
  });
  it('grows a picture without distorting it', () => {
    const { job: empty, hash } = withPicture(
      cardWith([]),
      makePng(1200, 800, () => [9, 9, 9]),
    );
    const job = addElement(
      empty,
      'card-1',
      makePicture({ id: 'p', x: 0, y: 0, width: mm(85), height: mm(55), asset: hash }),
    );
    const mended = check(job)[0]!.fix!.apply(job);
    expect(check(mended)).toEqual([]);
    const [, , drawn] = traceOf(mended, 'p');
    const [width, , , height] = JSON.parse(drawn!.slice(drawn!.indexOf('['))) as number[];
    expect(width! / height!).toBeCloseTo(1.5, 9);
  });
  it('pushes the straight edges of a drawn outline out, and offers nothing for a round form', () => {
    const slanted = { ...panel(0, 0, 40, 55), outline: 'M0 0L1 0L0.5 1L0 1Z' };
    const job = cardWith([slanted]);
    const [finding] = check(job);
    expect(finding!.fix!.label).toBe('Extend to bleed');
    const mended = finding!.fix!.apply(job);
    expect(check(mended)).toEqual([]);
    const { x, y, width, height } = mended.pieces[0]!.faces[0]!.elements[0] as Shape;
    expect([x, y, width, height].map((n) => Math.round((n / mm(1)) * 100) / 100)).toEqual([-3, -3, 43, 61]);
    const [round] = checkAll({ ...panel(0, 0, 40, 40), form: { kind: 'ellipse' } });
    expect(round!.fix).toBeUndefined();
  });
  it('has nothing to say about an envelope, which is printed without bleed', () => {
    const job = cardWith([panel(0, 0, 220, 110)], { kind: 'envelope', width: mm(220), height: mm(110) });
    expect(check(job).filter((f) => f.check === 'short-of-bleed')).toEqual([]);
  });
  it('leaves logos and words to the safe zone', () => {
    const found = checkAll({ ...panel(0, 0, 10, 10), logo: true });
    expect(found.map((f) => f.check)).toEqual(['outside-safe']);
  });
});

// Common practice: 4 mm safe zone on a card (the metric shop's spec).
describe('words or logo outside the safe zone', () => {
  const logo = (x: number, y: number, width = 10, height = 10) => ({
    ...panel(x, y, width, height),
    logo: true as const,
  });
  it.each([
    [logo(2.8, 20), 2.8, 'warn'],
    [logo(73, 20), 2, 'warn'],
    [logo(20, 3.9), 3.9, 'warn'],
    [logo(20, 44), 1, 'warn'],
    [logo(-2, 20), -2, 'stop'],
  ] as const)('measures the nearest side', (element, measured, severity) => {
    const [finding, ...others] = checkAll(element);
    expect(others).toEqual([]);
    expect(fromPoints(finding!.measured.value, 'mm')).toBeCloseTo(measured, 9);
    expect(formatLength(finding!.wanted.value, 'mm')).toBe('4 mm');
    expect(finding!.severity).toBe(severity);
  });
  it('is silent on the very edge of the zone, and on shapes that are no logo', () => {
    expect(checkAll(logo(4, 4))).toEqual([]);
    expect(checkAll(panel(1, 1, 10, 10))).toEqual([]);
  });
  it('moves inside by just as much as is missing, and nothing else', () => {
    const job = cardWith([logo(77, 50)]);
    const mended = check(job)[0]!.fix!.apply(job);
    const { element } = findElement(mended, 'panel')!;
    expect(fromPoints(element.x, 'mm')).toBeCloseTo(71, 9);
    expect(fromPoints(element.y, 'mm')).toBeCloseTo(41, 9);
    expect((element as { width: number }).width).toBe(mm(10));
    expect(check(mended)).toEqual([]);
  });
  // The baseline stands 0.6 pt above the zone’s edge: room for the overshoot of an o, not for the tail of a g.
  it('goes by the ink of words, so that a line with no descenders may hang lower', () => {
    const at = (text: string) => checkAll(makeWords({ id: 'w', text, x: mm(20), y: mm(55 - 4) - 9 * 0.984 - 0.6 }));
    expect(at('oooo')).toEqual([]);
    expect(at('gggg').map((f) => f.check)).toEqual(['outside-safe']);
  });
  it('offers no move for what is too large to fit', () => {
    const [finding] = checkAll(logo(2, 10, 81, 10));
    expect(finding!.problem).toMatch(/too large/i);
    expect(finding!.fix).toBeUndefined();
  });
  it('keeps to the shop’s own measure in inches', () => {
    const job = cardWith(
      [{ ...makeShape({ id: 'panel', x: inch(0.1), y: 40, width: 20, height: 20 }), logo: true as const }],
      { shop: 'inch-mail-order', unit: 'in' },
    );
    const finding = check(job).find((each) => each.check === 'outside-safe');
    expect(formatLength(finding!.wanted.value, 'in')).toBe('1/8 in');
    expect(formatLength(finding!.measured.value, 'in')).toBe('0.1 in');
  });
});

// 300 ppi is common practice; 225 and 150 from memory of the Ghent Workgroup's sheet-fed specification.
describe('picture below the wanted ppi', () => {
  const at = (pixels: number) => {
    const { job, hash } = withPicture(
      cardWith([]),
      makePng(pixels, pixels, () => [9, 9, 9]),
    );
    return check(
      addElement(
        job,
        'card-1',
        makePicture({ id: 'p', x: inch(0.5), y: inch(0.5), width: inch(1), height: inch(1), asset: hash }),
      ),
    );
  };
  it.each([
    [299, 'advise'],
    [225, 'advise'],
    [224, 'warn'],
    [150, 'warn'],
    [149, 'stop'],
  ] as const)('%d pixels on an inch: %s', (pixels, severity) => {
    const [finding] = at(pixels);
    expect(finding).toMatchObject({ check: 'low-ppi', severity, wanted: { value: 300, kind: 'ppi' } });
    expect(finding!.measured.value).toBeCloseTo(pixels, 9);
  });
  it('is silent from 300 on', () => {
    expect(at(300)).toEqual([]);
    expect(at(450)).toEqual([]);
  });
});

describe('words', () => {
  const words = (text: string, more: Partial<Parameters<typeof makeWords>[0]> = {}) =>
    makeWords({ id: 'w', text, x: mm(20), y: mm(20), ...more });
  const ids = (...elements: Element[]) => checkAll(...elements).map((f) => f.check);

  it('hidden by their box are found, and the box can be made to fit', () => {
    const job = cardWith([words('One\nTwo\nThree', { frame: { behaviour: 'fixed box', width: 80, height: 25 } })]);
    const [finding, ...others] = check(job);
    expect(others).toEqual([]);
    expect(finding).toMatchObject({ check: 'hidden-words', severity: 'stop', problem: '1 line does not fit the box' });
    expect(check(finding!.fix!.apply(job))).toEqual([]);
  });

  it('name the character a typeface lacks, and the typeface', () => {
    const [finding] = checkAll(words('Fen 日 & Hollin'));
    expect(finding).toMatchObject({ check: 'missing-glyph', severity: 'stop' });
    expect(finding!.problem).toBe('Source Sans 3 has no “日”');
    expect(ids(words('e\u0301 na\u00efve \u200b\u2028'))).toEqual([]);
  });

  it('in a typeface that is not here are found, and shown in the plain one', () => {
    expect(ids(words('Words', { lettering: { typeface: 'gone/regular' } }))).toEqual(['missing-typeface']);
  });

  // Common practice: 6 pt in one ink (5 pt the floor), 8 pt reversed out or in several inks.
  it.each([
    [6, 'black', []],
    [5.9, 'black', ['small-type']],
    [8, 'green', []],
    [7.5, 'green', ['small-type']],
    [6, 'copper', []],
  ] as const)('of %d pt in %s', (size, ink, wanted) => {
    expect(ids(words('Words', { lettering: { size, paint: { ink, tint: 1 } } }))).toEqual(wanted);
  });
  it('left out of a ground need 8 pt', () => {
    const ground = makeShape({
      id: 'ground',
      x: mm(10),
      y: mm(10),
      width: mm(50),
      height: mm(30),
      paint: { ink: 'green', tint: 1 },
    });
    const paper = (size: number) => words('Words', { lettering: { size, paint: { ink: 'paper', tint: 1 } } });
    expect(ids(ground, paper(7))).toEqual(['small-type']);
    expect(ids(ground, paper(8))).toEqual([]);
    expect(checkAll(words('Words', { lettering: { size: 4.5 } }))[0]!.severity).toBe('stop');
  });

  it('in too many families or sizes get advice, no more', () => {
    const line = (i: number, lettering: object) =>
      makeWords({ id: `w${i}`, text: 'Words', x: mm(20), y: mm(8 + 7 * i), lettering });
    const faces = ['alegreya/regular', 'bitter/regular', 'raleway/regular'].map((typeface, i) => line(i, { typeface }));
    expect(checkAll(...faces)).toMatchObject([
      { check: 'typeface-mixture', severity: 'advise', element: 'w2', measured: { value: 3 }, wanted: { value: 2 } },
    ]);
    expect(checkAll(...faces.slice(1))).toEqual([]);
    const sizes = [8, 9, 10, 11, 12].map((size, i) => line(i, { size }));
    expect(checkAll(...sizes)).toMatchObject([{ check: 'size-mixture', severity: 'advise' }]);
    expect(checkAll(...sizes.slice(1))).toEqual([]);
  });

  it.each(['New text', 'Lorem ipsum', 'Your name here', 'Phone: 000000'])(
    'left in to hold a place are found: %s',
    (text) => {
      expect(ids(words(text))).toEqual(['placeholder-words']);
    },
  );
  it('that only sound like it are left alone', () => {
    expect(ids(words('A new word for everything'))).toEqual([]);
  });
});

describe('the figures of a piece', () => {
  it('names the plates in use, process first, the lowest ppi and the smallest type', () => {
    const { job } = openDemo();
    const facts = pieceFacts(job, job.pieces[0]!);
    expect(facts.plates).toEqual(['Cyan', 'Magenta', 'Yellow', 'Black', 'Copper']);
    expect(Math.round(facts.lowestPpi!)).toBe(300);
    expect(facts.smallestType).toBe(8);
  });
  it('counts no plate for paper, and none for an empty piece', () => {
    const job = cardWith([makeShape({ id: 's', x: 0, y: 0, width: 9, height: 9, paint: { ink: 'paper', tint: 1 } })]);
    expect(pieceFacts(job, job.pieces[0]!)).toEqual({ lowestPpi: undefined, smallestType: undefined, plates: [] });
  });
});
