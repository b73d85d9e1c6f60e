import { Name, type Value } from '../parsed/syntax';
import { alike, arrayOf, dictOf, nameOf, type PdfView, textOf } from '../parsed/view';
import { ALL, type Rule, type Standard, unless, X1A } from './rule';

/** Colour: only what ends up as ink, and no transparency where the standard has none. */

const distinct = (words: readonly string[]): string[] => [...new Set(words)];

/** Families of colour spaces that are an ink's amounts, or lead to them (ISO 32000-1, 8.6.3). */
const INK_FAMILIES = ['DeviceCMYK', 'DeviceGray', 'Separation', 'DeviceN', 'Indexed', 'Pattern'];
const SCREEN_FAMILIES = ['DeviceRGB', 'CalRGB', 'CalGray', 'Lab', 'ICCBased'];
/** What a press with a CMYK profile can be given besides: colours that say what they mean. */
const ALLOWED: Record<Standard, readonly string[]> = {
  'PDF/X-1a:2001': INK_FAMILIES,
  'PDF/X-1a:2003': INK_FAMILIES,
  'PDF/X-4': [...INK_FAMILIES, 'CalRGB', 'CalGray', 'Lab', 'ICCBased'],
};

/** The family of a colour space, and those of the spaces that it stands on. */
function familiesOf(view: PdfView, space: Value | undefined, deep = 0): string[] {
  const { file } = view;
  const found = file.get(space);
  if (found instanceof Name) return [found.name];
  if (!Array.isArray(found) || deep > 8) return [];
  const family = nameOf(file, found[0]);
  const base =
    family === 'Separation' || family === 'DeviceN'
      ? found[2]
      : family === 'Indexed' || family === 'Pattern'
        ? found[1]
        : undefined;
  return [...(family ? [family] : []), ...(base === undefined ? [] : familiesOf(view, base, deep + 1))];
}

/** How many channels the profile of an ICCBased space has. */
const channelsOf = ({ file }: PdfView, space: Value | undefined): Value | undefined =>
  file.get(dictOf(file, arrayOf(file, space)[1])?.get('N'));

/** Every colour space that is named in resources, images, shadings and groups. */
function spacesOf(view: PdfView): Value[] {
  const { file, dicts, contents } = view;
  const named = contents.flatMap(({ resources }) => [...(dictOf(file, resources.get('ColorSpace'))?.values() ?? [])]);
  const given = dicts.flatMap((dict) => [dict.get('ColorSpace'), dict.get('CS')].filter((each) => each !== undefined));
  // A resource dictionary's ColorSpace is a dictionary of them.
  return [...named, ...given.filter((each) => !dictOf(file, each))];
}

/** Operators that set a colour of a device family (table 74). */
const SETS: Record<string, string> = {
  rg: 'DeviceRGB',
  RG: 'DeviceRGB',
  g: 'DeviceGray',
  G: 'DeviceGray',
  k: 'DeviceCMYK',
  K: 'DeviceCMYK',
};

/** Families that operators name: by setting a colour of theirs, or by `cs` with the name of a family. */
const operatorFamilies = ({ contents }: PdfView): string[] =>
  contents.flatMap(({ operations }) =>
    operations.flatMap(({ word, given }) => {
      const set = SETS[word];
      const name = (word === 'cs' || word === 'CS') && given[0] instanceof Name ? given[0].name : undefined;
      return set ? [set] : name && [...INK_FAMILIES, ...SCREEN_FAMILIES].includes(name) ? [name] : [];
    }),
  );

/** Every Separation and DeviceN space of a file. */
const inkSpaces = (view: PdfView): (readonly Value[])[] => {
  const { file } = view;
  const inArrays = (value: Value | undefined): (readonly Value[])[] => {
    const list = arrayOf(file, value);
    const family = nameOf(file, list[0]);
    if (family === 'Separation' || family === 'DeviceN') return [list];
    return family === 'Indexed' || family === 'Pattern' ? inArrays(list[1]) : [];
  };
  const colorants = view.dicts.flatMap((dict) => [...(dictOf(file, dict.get('Colorants'))?.values() ?? [])]);
  return [...spacesOf(view), ...colorants].flatMap(inArrays);
};

const MOST_COLORANTS: Record<Standard, number> = { 'PDF/X-1a:2001': 8, 'PDF/X-1a:2003': 8, 'PDF/X-4': 32 };

const graphicsStates = ({ file, contents }: PdfView) =>
  contents.flatMap(({ resources }) =>
    [...(dictOf(file, resources.get('ExtGState'))?.values() ?? [])].flatMap((each) => dictOf(file, each) ?? []),
  );

/** Inks whose screens have no curve of their own. */
const PROCESS = ['Cyan', 'Magenta', 'Yellow', 'Black', 'Default'];
/** What is wrong with a halftone dictionary, and with those of its inks (ISO 15930-7, ISO 32000-1, 10.5.5; from memory). */
function screenFaults({ file }: PdfView, halftone: Value | undefined): string[] {
  const screen = dictOf(file, halftone);
  if (!screen) return unless(halftone === undefined || nameOf(file, halftone) === 'Default', 'a screen that is none');
  const isForInks = file.get(screen.get('HalftoneType')) === 5;
  const inks = [...screen].flatMap(([ink, value]) => {
    const own = isForInks ? dictOf(file, value) : undefined;
    return own ? [{ ink, own, kind: 1 }] : [];
  });
  return [{ ink: '', own: screen, kind: isForInks ? 5 : 1 }, ...inks].flatMap(({ ink, own, kind }) => [
    ...unless(
      file.get(own.get('HalftoneType')) === kind,
      `a screen of type ${String(file.get(own.get('HalftoneType')))}`,
    ),
    ...unless(!own.has('HalftoneName'), 'a screen by name'),
    ...unless(
      !own.has('TransferFunction') || !['', ...PROCESS].includes(ink),
      `a curve in the screen of ${ink || 'all inks'}`,
    ),
  ]);
}

const isNone = (view: PdfView, value: Value | undefined): boolean =>
  value === undefined || nameOf(view.file, value) === 'None';

export const COLOUR_RULES: readonly Rule[] = [
  {
    id: 'ink-spaces',
    says: 'Every colour is an amount of ink; for PDF/X-4 also one that says by a profile what it means.',
    standards: ALL,
    faults: (view, standard) =>
      distinct([...spacesOf(view).flatMap((space) => familiesOf(view, space)), ...operatorFamilies(view)])
        .filter(
          (family) => [...INK_FAMILIES, ...SCREEN_FAMILIES].includes(family) && !ALLOWED[standard].includes(family),
        )
        .map((family) => `${family} is used`),
  },
  {
    id: 'most-inks',
    says: 'A colour names no more inks than the version of PDF takes.',
    standards: ALL,
    faults: (view, standard) =>
      inkSpaces(view).flatMap((space) => {
        const count = nameOf(view.file, space[0]) === 'DeviceN' ? arrayOf(view.file, space[1]).length : 1;
        return unless(count <= MOST_COLORANTS[standard], `one of ${count}`);
      }),
  },
  {
    id: 'one-look-an-ink',
    says: 'An ink is stood in for in the same way wherever it is named.',
    standards: ALL,
    faults: (view) => {
      const looks = new Map<string, readonly Value[]>();
      return distinct(
        inkSpaces(view).flatMap((space) => {
          const name = nameOf(view.file, space[0]) === 'Separation' ? nameOf(view.file, space[1]) : undefined;
          if (!name) return [];
          const first = looks.get(name) ?? space;
          looks.set(name, first);
          const same = alike(view.file, first[2], space[2]) && alike(view.file, first[3], space[3]);
          return unless(same, `${name} has two looks`);
        }),
      );
    },
  },
  {
    id: 'no-see-through',
    says: 'Nothing is see-through: full opacity, no blends.',
    standards: X1A,
    faults: (view) =>
      graphicsStates(view).flatMap((state) => [
        ...['ca', 'CA'].flatMap((key) => {
          const value = view.file.get(state.get(key));
          return unless(value === undefined || value === 1, `an opacity (${key}) of ${String(value)}`);
        }),
        ...unless(isNone(view, state.get('SMask')), 'a soft mask'),
        ...unless(
          state.get('BM') === undefined || ['Normal', 'Compatible'].includes(nameOf(view.file, state.get('BM')) ?? ''),
          'a blend',
        ),
      ]),
  },
  {
    id: 'no-soft-masks',
    says: 'No picture has a soft mask.',
    standards: X1A,
    faults: ({ file, streams }) =>
      streams.flatMap(({ dict }) =>
        nameOf(file, dict.get('Subtype')) === 'Image'
          ? unless(!dict.has('SMask') && !dict.has('SMaskInData'), 'a picture has one')
          : [],
      ),
  },
  {
    id: 'no-groups',
    says: 'No page or form is a transparency group.',
    standards: X1A,
    faults: ({ file, dicts }) =>
      dicts.flatMap((dict) =>
        unless(nameOf(file, dictOf(file, dict.get('Group'))?.get('S')) !== 'Transparency', 'a group'),
      ),
  },
  {
    id: 'blends-known',
    says: 'Blends are those of the standard for PDF.',
    standards: ['PDF/X-4'],
    faults: (view) =>
      graphicsStates(view).flatMap((state) => {
        const blend = nameOf(view.file, state.get('BM'));
        return unless(blend === undefined || BLENDS.includes(blend), `${blend}`);
      }),
  },
  {
    id: 'group-space',
    says: 'Groups on a page blend in the colours of a press.',
    standards: ['PDF/X-4'],
    faults: (view) =>
      view.pages.flatMap((page, i) => {
        const group = dictOf(view.file, page.get('Group'));
        const [family] = familiesOf(view, group?.get('CS'));
        const isPress = family === 'DeviceCMYK' || (family === 'ICCBased' && channelsOf(view, group?.get('CS')) === 4);
        return unless(!group || isPress, `page ${i + 1}: ${family ?? 'no space'}`);
      }),
  },
  {
    id: 'no-transfer',
    says: 'No curves or screens of its own: the shop’s are used.',
    standards: ALL,
    faults: (view) =>
      graphicsStates(view).flatMap((state) => [
        ...unless(!state.has('TR'), 'a transfer curve'),
        ...unless(
          state.get('TR2') === undefined || nameOf(view.file, state.get('TR2')) === 'Default',
          'a transfer curve',
        ),
        ...unless(!state.has('HTP'), 'an origin of screens'),
      ]),
  },
  {
    id: 'screens-plain',
    says: 'Screens that are asked for are of angles and frequencies, have no names, and no curve of their own for an ink of the press.',
    standards: ALL,
    faults: (view) => graphicsStates(view).flatMap((state) => screenFaults(view, state.get('HT'))),
  },
  {
    id: 'intents-known',
    says: 'Rendering intents are those of ICC profiles.',
    standards: ALL,
    faults: ({ file, contents, dicts }) => {
      const told = [
        ...contents.flatMap(({ operations }) =>
          operations.flatMap(({ word, given }) => (word === 'ri' && given[0] instanceof Name ? [given[0].name] : [])),
        ),
        ...dicts.flatMap((dict) => nameOf(file, dict.get('Intent') ?? dict.get('RI')) ?? []),
      ];
      return distinct(told).flatMap((name) => unless(INTENT_NAMES.includes(name), name));
    },
  },
  {
    id: 'spot-named',
    says: 'Every spot ink has a name.',
    standards: ALL,
    faults: (view) =>
      inkSpaces(view).flatMap((space) => {
        const names = nameOf(view.file, space[0]) === 'Separation' ? [space[1]] : arrayOf(view.file, space[1]);
        return unless(
          names.every((each) => Boolean(nameOf(view.file, each) ?? textOf(view.file, each))),
          'one without',
        );
      }),
  },
];

/** ISO 32000-1, tables 136 and 137. */
const BLENDS = [
  ...['Normal', 'Compatible', 'Multiply', 'Screen', 'Overlay', 'Darken', 'Lighten', 'ColorDodge', 'ColorBurn'],
  ...['HardLight', 'SoftLight', 'Difference', 'Exclusion', 'Hue', 'Saturation', 'Color', 'Luminosity'],
];
const INTENT_NAMES = ['AbsoluteColorimetric', 'RelativeColorimetric', 'Saturation', 'Perceptual'];
