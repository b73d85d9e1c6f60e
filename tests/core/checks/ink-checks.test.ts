import { describe, expect, it } from 'vitest';
import { type Finding, trimOf } from '../../../core/checks/check';
import { checkPiece } from '../../../core/checks/check-piece';
import { layPiece, PLATE_CHECKS, platesFound, withFixes } from '../../../core/checks/on-plates';
import { unusedInks } from '../../../core/checks/rules/unused-ink';
import { type Cmyk, type Ink, PROCESS_PLATES } from '../../../core/colour/ink';
import { addInk, changeInk, setPrintedWith } from '../../../core/job/edits/inks';
import { setOrder } from '../../../core/job/edits/pieces';
import { makePicture, makeRule, makeShape, makeWords } from '../../../core/job/make';
import { NO_ORDER } from '../../../core/job/order';
import type { Element, Job, Paint } from '../../../core/job/schema';
import { sourcesOf } from '../../../core/scene/sources';
import { cardWith, checkKit, kit, makePng, mm, withPicture } from '../../kit';

const process = (id: string, cmyk: Cmyk): Ink => ({ id, name: id, kind: 'process', cmyk });
const ink = (id: string, tint = 1): Paint => ({ ink: id, tint });
const panel = (id: string, paint: Paint, w = 20, h = 10): Element =>
  makeShape({ id, x: mm(10), y: mm(10), width: mm(w), height: mm(h), paint });
const found = (job: Job, check: string): Finding[] =>
  checkPiece(job, job.pieces[0]!, checkKit).filter((f) => f.check === check);
const mended = (job: Job, check: string): Job => {
  const [finding] = found(job, check);
  expect(finding?.fix, `a fix for ${check}`).toBeDefined();
  const after = finding!.fix!.apply(job);
  expect(found(after, check)).toEqual([]);
  return after;
};
const elementOf = (job: Job, id: string) => job.pieces[0]!.faces[0]!.elements.find((e) => e.id === id)!;

describe('plates the piece is not printed from', () => {
  const two = (elements: Element[]): Job =>
    setPrintedWith(cardWith(elements), 'card', { plates: 'two inks', inks: ['copper', 'black'] });
  it('are named, and go to the nearest of its own inks', () => {
    const job = two([panel('p', ink('green')), panel('ok', ink('copper', 0.3))]);
    const [finding, ...others] = found(job, 'stray-plates');
    expect(others).toEqual([]);
    expect(finding!.problem).toMatch(/Cyan, Magenta, Yellow/);
    const after = mended(job, 'stray-plates');
    expect((elementOf(after, 'p') as { paint: Paint }).paint.ink).toBe('black');
  });
  it('of a picture are mended by printing it in the piece’s inks', () => {
    const { job, hash } = withPicture(
      two([]),
      makePng(40, 30, () => [9, 9, 9]),
    );
    const face = job.pieces[0]!.faces[0]!;
    const picture = makePicture({ id: 'pic', x: 0, y: 0, width: 90, height: 60, asset: hash });
    const withIt = { ...job, pieces: [{ ...job.pieces[0]!, faces: [{ ...face, elements: [picture] }] }] };
    expect(elementOf(mended(withIt, 'stray-plates'), 'pic')).toMatchObject({
      inks: [{ ink: 'black' }, { ink: 'copper' }],
    });
  });
  it('are nothing where all are allowed, and a spot is one on a four-colour piece', () => {
    expect(found(cardWith([panel('p', ink('copper'))]), 'stray-plates')).toEqual([]);
    const four = setPrintedWith(cardWith([panel('p', ink('copper'))]), 'card', { plates: 'four-colour' });
    expect(found(four, 'stray-plates')).toHaveLength(1);
  });
});

describe('inks that go wrong', () => {
  it('registration colour in art', () => {
    const job = addInk(cardWith([panel('p', ink('all'))]), process('all', [1, 1, 1, 1]));
    expect(found(job, 'registration-colour')[0]).toMatchObject({ severity: 'stop', element: 'p' });
    mended(job, 'registration-colour');
    expect(
      found(addInk(cardWith([panel('p', ink('near'))]), process('near', [0.9, 1, 1, 1])), 'registration-colour'),
    ).toEqual([]);
  });
  it('small words in rich black', () => {
    const words = (size: number) =>
      makeWords({ id: 'w', text: 'Tea', x: 40, y: 40, lettering: { size, paint: ink('rich') } });
    const job = (size: number) => addInk(cardWith([words(size)]), process('rich', [0.6, 0.4, 0.4, 1]));
    expect(found(job(12), 'rich-black-words')).toEqual([]);
    mended(job(9), 'rich-black-words');
  });
  it('black words that do not overprint', () => {
    const words = (size: number): Element => ({
      ...makeWords({ id: 'w', text: 'Tea', x: 40, y: 40, lettering: { size } }),
      overprint: 'knocks out',
    });
    expect(found(cardWith([words(14)]), 'knocked-out-black')).toEqual([]);
    mended(cardWith([words(9)]), 'knocked-out-black');
  });
  it('white set to overprint', () => {
    const white: Element = { ...panel('p', ink('paper')), overprint: 'overprints' };
    expect(found(cardWith([white]), 'white-overprint')[0]!.severity).toBe('stop');
    mended(cardWith([white]), 'white-overprint');
    expect(found(cardWith([{ ...panel('p', ink('copper')), overprint: 'overprints' }]), 'white-overprint')).toEqual([]);
  });
  it('two names for one ink', () => {
    const twin = (name: string, cmyk: Cmyk): Job =>
      addInk(cardWith([panel('p', ink('copper')), panel('q', ink('twin'))]), { id: 'twin', name, kind: 'spot', cmyk });
    const after = mended(twin('copper C', [0, 0, 0, 0.5]), 'same-ink');
    expect(after.inks.some(({ id }) => id === 'twin')).toBe(false);
    mended(twin('Bronze', [0.2, 0.6, 0.8, 0.1]), 'same-ink');
    expect(found(twin('Navy', [1, 0.8, 0, 0.5]), 'same-ink')).toEqual([]);
  });
  it('an ink with no use', () => {
    expect(unusedInks(cardWith([panel('p', ink('copper'))]))).toEqual(['green']);
  });
  it.each([
    [0.2, ink('black'), 'stop', 0.25],
    [0.25, ink('black'), undefined, 0],
    [0.3, ink('black', 0.5), 'warn', 0.5],
    [0.4, ink('paper'), 'warn', 0.5],
    [0.5, ink('paper'), undefined, 0],
    [0.2, ink('copper', 0.5), 'stop', 0.5],
  ] as const)('a rule of %f pt in %j: %s', (weight, paint, severity, wanted) => {
    const job = cardWith([makeRule({ id: 'r', x: 40, y: 40, width: 80, height: weight, paint })]);
    const [finding] = found(job, 'thin-lines');
    expect(finding?.severity).toBe(severity);
    if (!finding) return;
    expect(finding.wanted.value).toBe(wanted);
    expect(elementOf(mended(job, 'thin-lines'), 'r')).toMatchObject({ height: wanted, width: 80 });
  });
  it('black that is too plain over an area, or too rich on a small one', () => {
    const large = cardWith([panel('p', ink('black'), 40, 30), panel('c', ink('green'), 4, 4)]);
    // For a piece without other colours it would be three plates more.
    expect(found(cardWith([panel('p', ink('black'), 40, 30)]), 'black-areas')).toEqual([]);
    expect(found(cardWith([panel('p', ink('black'), 10, 10)]), 'black-areas')).toEqual([]);
    const rich = mended(large, 'black-areas');
    expect(
      rich.inks.find(({ id }) => id === (elementOf(rich, 'p') as { paint: Paint }).paint.ink)!.cmyk[0],
    ).toBeGreaterThan(0.3);
    const small = addInk(cardWith([panel('p', ink('rich'), 4, 4)]), process('rich', [0.6, 0.4, 0.4, 1]));
    expect((elementOf(mended(small, 'black-areas'), 'p') as { paint: Paint }).paint.ink).toBe('black');
  });
  it('a colour far from what was asked, and not one that is near', () => {
    const asked = (rgb: [number, number, number]): Job => {
      const { press } = checkKit;
      const made: Ink = { ...process('asked', press.separate(rgb)), lab: press.labOfScreen(rgb) };
      return addInk(cardWith([panel('p', ink('asked'))]), made);
    };
    expect(found(asked([0, 255, 0]), 'out-of-gamut')[0]).toMatchObject({ severity: 'advise', element: 'p' });
    expect(found(asked([120, 110, 100]), 'out-of-gamut')).toEqual([]);
  });
});

const onPlates = (job: Job, check: string): Finding[] => {
  const piece = job.pieces[0]!;
  const laid = layPiece(job, piece, checkKit, { ppi: 150, trimOnly: true, picture: () => undefined });
  const context = { sources: sourcesOf(job, kit.fonts), press: checkKit.press };
  return withFixes(laid.flatMap(platesFound), piece, context).filter((f) => f.check === check);
};

describe('total ink on the plates', () => {
  const job = (cmyk: Cmyk): Job => addInk(cardWith([panel('p', ink('wet'))]), process('wet', cmyk));
  it('a rich black of 240 % passes under a limit of 300 %', () => {
    expect(onPlates(job([0.6, 0.4, 0.4, 1]), 'total-ink')).toEqual([]);
  });
  it('and fails under one of 220 %', () => {
    const limited = { ...checkKit.press, condition: { ...checkKit.press.condition, totalInk: 2.2 } };
    const rich = job([0.6, 0.4, 0.4, 1]);
    const laid = layPiece(
      rich,
      rich.pieces[0]!,
      { ...checkKit, press: limited },
      { ppi: 150, trimOnly: true, picture: () => undefined },
    );
    const [finding] = laid.flatMap(platesFound);
    expect(finding).toMatchObject({ check: 'total-ink', severity: 'stop', measured: { kind: 'ink' } });
    expect(finding!.measured.value).toBeCloseTo(2.4, 5);
  });
  it('is brought under the limit by separating the ink again, near to what it was', () => {
    const wet = job([0.9, 0.9, 0.9, 0.9]);
    const [finding] = onPlates(wet, 'total-ink');
    expect(finding!.measured.value).toBeCloseTo(3.6, 5);
    expect(finding!.fix!.label).toMatch(/ΔE [0-4]\.\d/);
    const after = finding!.fix!.apply(wet);
    expect(onPlates(after, 'total-ink')).toEqual([]);
  });
  it('of a picture is brought under it by separating the picture again, the ΔE said first', () => {
    const { job: withAsset, hash } = withPicture(
      cardWith([]),
      makePng(40, 40, () => [0, 0, 0]),
    );
    const face = withAsset.pieces[0]!.faces[0]!;
    const picture = makePicture({ id: 'pic', x: mm(10), y: mm(10), width: mm(20), height: mm(20), asset: hash });
    const dark = { ...withAsset, pieces: [{ ...withAsset.pieces[0]!, faces: [{ ...face, elements: [picture] }] }] };
    const piece = dark.pieces[0]!;
    const full = { width: 2, height: 2, plates: PROCESS_PLATES, amounts: new Uint8Array(16).fill(255) };
    const laid = layPiece(dark, piece, checkKit, { ppi: 150, trimOnly: true, picture: () => full });
    const context = { sources: sourcesOf(dark, kit.fonts), press: checkKit.press };
    const [finding] = withFixes(laid.flatMap(platesFound), piece, context);
    expect(finding).toMatchObject({ check: 'total-ink', element: 'pic' });
    expect(finding!.measured.value).toBeCloseTo(4, 5);
    expect(finding!.fix!.label).toMatch(/^Separate it again under 300 % \(ΔE \d+\.\d where it is wettest\)$/);
    expect(elementOf(finding!.fix!.apply(dark), 'pic')).toMatchObject({ inkLimit: 3 });
  });
  it('does not count what is no ink: varnish and white are plates and wet no paper', () => {
    const spot = (name: string): Ink => ({ id: name.toLowerCase(), name, kind: 'spot', cmyk: [0, 0, 0, 0.1] });
    const wet = addInk(job([0.8, 0.7, 0.6, 0.7]), spot('Varnish'));
    const face = wet.pieces[0]!.faces[0]!;
    const over = (paint: Paint): Job => ({
      ...wet,
      pieces: [
        {
          ...wet.pieces[0]!,
          faces: [
            { ...face, elements: [...face.elements, { ...panel('v', paint), overprint: 'overprints' as const }] },
          ],
        },
      ],
    });
    expect(onPlates(over(ink('varnish')), 'total-ink')).toEqual([]);
    expect(onPlates(over(ink('copper')), 'total-ink')).toHaveLength(1);
  });
  it('is found where two inks lie on each other', () => {
    const base = addInk(cardWith([]), process('wet', [0.8, 0.8, 0.8, 0]));
    const over: Element = { ...panel('over', ink('black')), overprint: 'overprints' };
    const face = base.pieces[0]!.faces[0]!;
    const both = {
      ...base,
      pieces: [{ ...base.pieces[0]!, faces: [{ ...face, elements: [panel('p', ink('wet')), over] }] }],
    };
    expect(onPlates(both, 'total-ink')[0]).toMatchObject({ element: 'over' });
  });
});

/** What can be read on what: common practice. */
const PAIRS: readonly (readonly [words: Paint, ground: Paint, verdict: 'fine' | 'hard' | 'not'])[] = [
  [ink('black'), ink('paper'), 'fine'],
  [ink('black'), ink('darkgreen'), 'not'],
  [ink('black'), ink('navy'), 'not'],
  [ink('black'), ink('black', 0.9), 'not'],
  [ink('black'), ink('black', 0.5), 'fine'],
  [ink('black'), ink('yellow'), 'fine'],
  [ink('black'), ink('cream'), 'fine'],
  [ink('black'), ink('red'), 'fine'],
  [ink('paper'), ink('cream'), 'not'],
  [ink('paper'), ink('yellow'), 'not'],
  [ink('paper'), ink('darkgreen'), 'fine'],
  [ink('paper'), ink('black'), 'fine'],
  [ink('paper'), ink('black', 0.1), 'not'],
  [ink('paper'), ink('black', 0.25), 'hard'],
  [ink('paper'), ink('red'), 'fine'],
  [ink('yellow'), ink('paper'), 'not'],
  [ink('black', 0.1), ink('paper'), 'not'],
  [ink('black', 0.3), ink('paper'), 'hard'],
  [ink('copper'), ink('cream'), 'fine'],
  [ink('cream'), ink('darkgreen'), 'fine'],
];

describe('words on what lies under them', () => {
  const inks: Ink[] = [
    process('darkgreen', [0.85, 0.38, 0.72, 0.6]),
    process('navy', [1, 0.9, 0.3, 0.4]),
    process('yellow', [0, 0, 1, 0]),
    process('cream', [0.02, 0.04, 0.15, 0]),
    process('red', [0.1, 1, 1, 0]),
  ];
  it('is a table of twenty', () => expect(PAIRS).toHaveLength(20));
  it.each(PAIRS)('%j on %j: %s', (words, ground, verdict) => {
    const letters = makeWords({
      id: 'w',
      text: 'Readable',
      x: mm(12),
      y: mm(12),
      lettering: { size: 14, paint: words },
    });
    const job = inks.reduce(addInk, cardWith([panel('ground', ground, 60, 30), letters]));
    const [finding] = onPlates(job, 'faint-words');
    expect(finding === undefined ? 'fine' : finding.severity === 'stop' ? 'not' : 'hard').toBe(verdict);
  });
  it.each([
    ['black', '#c39a6b', 'fine'],
    ['black', '#262626', 'hard'],
    ['navy', '#24365c', 'hard'],
    ['yellow', '#c39a6b', 'not'],
    ['black', undefined, 'fine'],
  ] as const)('in %s on stock of %s: %s', (words, colour, verdict) => {
    const paint = ink(words);
    const letters = makeWords({ id: 'w', text: 'Readable', x: mm(12), y: mm(12), lettering: { size: 14, paint } });
    const plain = inks.reduce(addInk, cardWith([letters]));
    const job = setOrder(plain, 'card', { ...NO_ORDER, ...(colour ? { colour } : {}) });
    const [finding] = onPlates(job, 'faint-words');
    expect(finding === undefined ? 'fine' : finding.severity === 'stop' ? 'not' : 'hard').toBe(verdict);
  });
  it('are measured where they stand: half on a dark panel is not fine', () => {
    const letters = makeWords({ id: 'w', text: 'Readable', x: mm(50), y: mm(12), lettering: { size: 24 } });
    const job = inks.reduce(addInk, cardWith([panel('ground', ink('navy'), 50, 30), letters]));
    expect(onPlates(job, 'faint-words')).toHaveLength(1);
  });
});

it('every check of plates says what it protects from and where it comes from', () => {
  for (const { id, name, protects, source } of PLATE_CHECKS) {
    expect(id).toMatch(/^[a-z-]+$/);
    expect(name.length).toBeGreaterThan(5);
    expect(protects).toMatch(/\.$/);
    expect(source.kind).toBeTruthy();
  }
  expect(trimOf(cardWith([]).pieces[0]!).width).toBeCloseTo(mm(85), 9);
  expect(changeInk(cardWith([]), 'nobody', { name: 'x' }).inks).toEqual(cardWith([]).inks);
});
