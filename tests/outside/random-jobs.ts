import fc from 'fast-check';
import { SYMBOLOGY_IDS } from '../../core/codes/symbologies';
import { MOTIFS } from '../../core/colour/fill';
import type { JobBundle } from '../../core/files/job-parts';
import { CORNER_FORMS } from '../../core/geometry/forms';
import { addElement } from '../../core/job/edits/elements';
import { makeCode, makePicture, makeRule, makeShape, makeWords } from '../../core/job/make';
import { type Element, RULE_ENDS } from '../../core/job/schema';
import { SEPARATOR_SIGNS } from '../../core/type/separators';
import { ALIGNMENTS } from '../../core/type/style';
import { TYPEFACES } from '../../core/type/typefaces';
import { cardWith, makePng, withPicture } from '../kit';
import { makeLineArt } from '../png';

/** Jobs of chance: every kind of element with everything that it can have, in any order and anywhere. */

const from = <T>(all: readonly T[]): fc.Arbitrary<T> => fc.constantFrom(...all);
/** Hundredths, so that tiny and enormous numbers are as rare as in real work. */
const between = (least: number, most: number): fc.Arbitrary<number> =>
  fc.integer({ min: Math.round(least * 100), max: Math.round(most * 100) }).map((n) => n / 100);
/** Something that `share` of all have. */
const some = <T>(of: fc.Arbitrary<T>, share = 0.4): fc.Arbitrary<T | undefined> =>
  fc.tuple(fc.integer({ min: 1, max: 100 }), of).map(([n, value]) => (n <= share * 100 ? value : undefined));
/** What was not chosen is left out, not there without a value. */
const given = <T extends object>(all: T): { [K in keyof T]: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as never;

const paint = fc.record({ ink: from(['black', 'green', 'copper', 'paper', 'rich']), tint: between(0, 1) });
/** White that overprints inside something see-through is a finding, and readers are of two minds about it. */
const solid = fc.record({ ink: from(['black', 'green', 'copper', 'rich']), tint: between(0.1, 1) });
const linear = fc
  .tuple(between(-1, 2), between(-1, 2), between(-1, 1), between(-1, 1))
  .map(([x, y, dx, dy]): [number, number, number, number, number, number] => [dx, dy, -dy, dx || 0.1, x, y]);
const radial = fc
  .tuple(between(0.1, 1), between(0.1, 1), between(0, 1), between(0, 1))
  .map(([rx, ry, x, y]): [number, number, number, number, number, number] => [rx, 0, 0, ry, x, y]);

const stops = fc
  .array(fc.record({ at: between(0, 1), paint, cover: some(between(0, 1)) }), { minLength: 2, maxLength: 5 })
  .map((all) =>
    all
      .sort((a, b) => a.at - b.at)
      .map(({ at, paint: { ink, tint }, cover }) => ({ at, ink, tint, ...(cover === undefined ? {} : { cover }) })),
  );
const angle = between(-359, 359);
const fill = fc.oneof(
  { weight: 3, arbitrary: paint },
  fc.record({ kind: fc.constant('linear' as const), place: linear, stops }),
  fc
    .record({
      kind: fc.constant('radial' as const),
      place: radial,
      stops,
      focus: some(fc.record({ x: between(-0.7, 0.7), y: between(-0.7, 0.7) })),
    })
    .map(given),
  fc.record({
    kind: fc.constant('split' as const),
    through: fc.record({ x: between(0, 1), y: between(0, 1) }),
    angle,
    first: paint,
    second: paint,
  }),
  fc
    .record({
      kind: fc.constant('pattern' as const),
      motif: from(MOTIFS),
      spacing: between(3, 12),
      weight: between(0.2, 4),
      angle,
      paint,
      ground: some(paint),
    })
    .map(given),
);
const stroke = fc
  .record({
    paint,
    weight: between(0.1, 6),
    dash: some(fc.array(between(0.5, 9), { minLength: 1, maxLength: 4 })),
    cap: some(from(['flat', 'round', 'square'] as const)),
    join: some(from(['mitre', 'round', 'bevel'] as const)),
  })
  .map(given);
const shadow = fc.record({
  ink: from(['black', 'green']),
  tint: between(0, 1),
  x: between(-4, 4),
  y: between(-4, 4),
  blur: between(0, 5),
});
const last = fc.record({ size: between(0.2, 2), tint: between(0, 1), angle });
const repeat = fc.oneof(
  fc
    .record({
      kind: fc.constant('grid' as const),
      across: fc.integer({ min: 1, max: 4 }),
      down: fc.integer({ min: 1, max: 3 }),
      gapAcross: between(-3, 20),
      gapDown: between(-3, 20),
      last: some(last),
    })
    .map(given),
  fc
    .record({
      kind: fc.constant('ring' as const),
      count: fc.integer({ min: 1, max: 8 }),
      radius: between(2, 40),
      sweep: between(-360, 360),
      turning: fc.boolean(),
      last: some(last),
    })
    .map(given),
);

/** What every kind of element may have. */
const common = fc
  .record({
    x: between(-9, 220),
    y: between(-9, 140),
    turn: some(angle),
    opacity: some(between(0, 1), 0.3),
    shadow: some(shadow, 0.15),
    repeat: some(repeat, 0.15),
    overprint: some(from(['overprints', 'knocks out'] as const), 0.5),
    hidden: some(fc.constant(true as const), 0.05),
    sample: some(fc.constant(true as const), 0.05),
  })
  .map(given);
const size = fc.record({ width: between(4, 150), height: between(4, 90) });
const corner = fc.record({ radius: between(0, 20), form: from(CORNER_FORMS) });
const outlined = fc
  .record({
    flip: some(from(['across', 'down', 'both'] as const), 0.3),
    outline: some(
      from([
        'M0 0 L1 0 L0.5 1 Z',
        'M0.1 0.5 C0.1 0 0.9 0 0.9 0.5 S0.1 1 0.1 0.5 Z M0.3 0.4 H0.7 V0.6 H0.3 Z',
        'M0 0 Q0.5 1 1 0 T0 1',
        'M0 0.5 A0.5 0.5 0 0 1 1 0.5 L0.5 0.2 Z',
      ]),
      0.4,
    ),
    corners: some(fc.tuple(corner, corner, corner, corner), 0.4),
    form: some(
      fc.oneof(
        fc.constant({ kind: 'ellipse' as const }),
        fc.record({ kind: fc.constant('polygon' as const), sides: fc.integer({ min: 3, max: 9 }) }),
        fc.record({
          kind: fc.constant('star' as const),
          points: fc.integer({ min: 3, max: 12 }),
          depth: between(0.1, 0.9),
        }),
        fc.record({
          kind: fc.constant('blot' as const),
          seed: fc.integer({ min: 0, max: 999 }),
          irregularity: between(0, 1),
          count: fc.integer({ min: 3, max: 20 }),
          drops: fc.integer({ min: 0, max: 8 }),
        }),
      ),
      0.7,
    ),
  })
  .map(given);

const TEXTS = [
  'Hollin & Fen',
  'Office ﬁles: “Çrème brûlée”, naïve coöperation',
  'flat affluent AVATAR To. 1/2 0123456789',
  'Ελληνικά και Кириллица',
  'Tiếng Việt: Nguyễn Thị Đặng',
  'kaixo@hollin.example · +44 20 7946 0000',
  'Two lines\nof words, of which the second is a good deal longer than its frame is wide',
  'tab\there\u00a0and no\u2011break, a soft\u00adhyphen',
  'שלום Hollin עולם',
  ' ',
];
const someLettering = fc
  .record({
    typeface: from(TYPEFACES.filter((_, i) => i % 9 === 0).map(({ id }) => id)),
    size: between(4, 40),
    paint,
    tracking: some(between(-60, 200), 0.4),
    shift: some(between(-4, 4), 0.3),
    letterCase: some(from(['capitals', 'lower case', 'small capitals'] as const), 0.5),
    underline: some(fc.boolean(), 0.3),
    features: some(fc.record({ onum: from([0, 1]), liga: from([0, 1]), frac: from([0, 1]) }), 0.3),
    spacing: some(from(['unkerned', 'even'] as const), 0.3),
  })
  .map(given);
const someSetting = fc
  .record({
    align: some(from(ALIGNMENTS)),
    leading: some(fc.oneof(fc.record({ share: between(0.8, 2) }), fc.record({ points: between(4, 30) }))),
    before: some(between(0, 9), 0.3),
    indent: some(fc.record({ left: between(0, 20), right: between(0, 20), first: between(-9, 20) }), 0.3),
    tabs: some(
      fc.constant(40).map((at) => [{ at, align: 'right' as const }]),
      0.3,
    ),
  })
  .map(given);
const frame = fc.record({
  behaviour: from(['grows', 'fixed width', 'fixed box'] as const),
  width: between(15, 180),
  height: between(8, 90),
  inset: between(0, 4),
  vertical: from(['top', 'middle', 'bottom'] as const),
});
const path = fc.record({
  along: fc.oneof(
    fc.record({ kind: fc.constant('circle' as const), radius: between(8, 60) }),
    fc.constant({ kind: 'outline' as const, outline: 'M0 20 C20 -10 60 50 120 10' }),
  ),
  start: between(-10, 60),
  side: from(['outside', 'inside'] as const),
  backwards: fc.boolean(),
  lift: between(-4, 8),
});

const words = fc
  .record({
    common,
    text: from(TEXTS),
    lettering: someLettering,
    setting: someSetting,
    frame,
    rest: fc.record({ path: some(path, 0.4), fill: some(fill, 0.4), row: some(from(SEPARATOR_SIGNS), 0.2) }).map(given),
  })
  .map(
    ({ common, rest, ...each }) =>
      (id: string): Element => ({ ...makeWords({ id, ...common, ...each }), ...common, ...rest }),
  );
const shape = fc
  .record({
    common,
    size,
    outlined,
    fill: fc.oneof({ weight: 6, arbitrary: fill }, fc.constant({ kind: 'none' as const })),
    stroke: some(stroke),
  })
  .map(
    ({ common, size, outlined, fill, stroke }) =>
      (id: string): Element =>
        makeShape({ id, ...common, ...size, ...outlined, paint: fill, ...(stroke ? { stroke } : {}) }),
  );
const rule = fc
  .record({
    common,
    length: between(2, 150),
    weight: between(0.1, 4),
    upright: fc.boolean(),
    paint: fill,
    more: fc.record({ dash: some(fc.tuple(between(0.5, 9), between(0.5, 9))), ends: some(from(RULE_ENDS)) }).map(given),
  })
  .map(
    ({ common, length, weight, upright, paint, more }) =>
      (id: string): Element =>
        makeRule({
          id,
          ...common,
          width: upright ? weight : length,
          height: upright ? length : weight,
          paint,
          ...more,
        }),
  );
/** What codes can hold that take figures or postcodes alone. */
const CODES: Partial<Record<string, string>> = {
  ean13: '4006381333931',
  imb: '01234567094987654321',
  royalmail: 'LE28HS9Z',
  kix: '2500GG30250',
  auspost: '5956439111',
  identcode: '56310243031',
  leitcode: '2134807501640',
};
const code = fc.record({ common, side: between(30, 80), symbology: from(SYMBOLOGY_IDS), paint: solid }).map(
  ({ common, side, symbology, paint }) =>
    (id: string): Element =>
      makeCode({
        id,
        ...common,
        width: symbology === 'qrcode' ? side : side * 1.6,
        height: side,
        symbology,
        text: CODES[symbology] ?? 'https://hollin.example/a?b=c',
        paint,
      }),
);
const picture = (assets: readonly string[]) =>
  fc
    .record({
      common,
      size,
      outlined,
      asset: from(assets),
      more: fc
        .record({
          view: some(
            fc.record({
              fit: from(['fill', 'whole'] as const),
              zoom: between(0.6, 3),
              at: fc.record({ x: between(0, 1), y: between(0, 1) }),
            }),
          ),
          quarter: some(from([1, 2, 3] as const), 0.3),
          fade: some(
            fc.oneof(
              fc.record({ kind: fc.constant('linear' as const), place: linear }),
              fc.record({ kind: fc.constant('radial' as const), place: radial }),
            ),
            0.4,
          ),
          inks: some(fc.array(paint, { minLength: 1, maxLength: 2 }), 0.4),
          reseparate: some(fc.constant(true as const), 0.3),
          inkLimit: some(between(1.5, 3.5), 0.3),
        })
        .map(given),
    })
    .map(
      ({ common, size, outlined, asset, more }) =>
        (id: string): Element =>
          makePicture({ id, ...common, ...size, ...outlined, asset, ...more }),
    );

/** A card of 85 × 55 mm, one or two sides, with the pictures that the elements of chance show. */
function blankCard(): { bundle: JobBundle; pictures: string[] } {
  let { job, assets }: JobBundle = { job: cardWith([], { faces: 2 }), assets: {} };
  job = { ...job, inks: [...job.inks, { id: 'rich', name: 'Rich black', kind: 'process', cmyk: [0.6, 0.4, 0.4, 1] }] };
  const pictures = [
    makePng(60, 40, (x, y) => [x * 4, 255 - y * 6, (x * y) % 200]),
    makePng(32, 32, (x, y) => [x * 8, y * 8, 90, (x * y) % 256]),
    makePng(24, 30, (x, y) => [(x * y) % 256]),
    makeLineArt(64, 48, (x, y) => (x + y) % 7 < 3),
  ].map((bytes) => {
    const made = withPicture(job, bytes);
    job = made.job;
    assets = { ...assets, ...made.assets };
    return made.hash;
  });
  return { bundle: { job, assets }, pictures };
}

/** `count` jobs, the same ones each time for one seed. */
export function randomJobs(count: number, seed: number): JobBundle[] {
  const { bundle, pictures } = blankCard();
  const element = fc.oneof(words, shape, rule, code, picture(pictures));
  const faces = fc.tuple(
    fc.array(element, { minLength: 1, maxLength: 14 }),
    fc.array(element, { minLength: 0, maxLength: 5 }),
  );
  return fc.sample(faces, { numRuns: count, seed }).map((sides) => ({
    ...bundle,
    job: sides.reduce(
      (job, elements, i) =>
        elements.reduce((all, make, n) => addElement(all, `card-${i + 1}`, make(`e${i}-${n}`)), job),
      bundle.job,
    ),
  }));
}
