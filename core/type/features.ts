import type { Face } from 'harfbuzzjs';

/** Features that a person chooses, under the names the OpenType standard registers; the rest are the shaper's business. */
const CHOOSABLE: Record<string, string> = {
  smcp: 'Small capitals',
  c2sc: 'Small capitals from capitals',
  onum: 'Oldstyle figures',
  lnum: 'Lining figures',
  pnum: 'Proportional figures',
  tnum: 'Tabular figures',
  frac: 'Fractions',
  zero: 'Slashed zero',
  sups: 'Superscript',
  subs: 'Subscript',
  ordn: 'Ordinals',
  case: 'Case-sensitive forms',
  liga: 'Standard ligatures',
  dlig: 'Discretionary ligatures',
  hlig: 'Historical ligatures',
  hist: 'Historical forms',
  swsh: 'Swash',
  cswh: 'Contextual swash',
  calt: 'Contextual alternates',
  salt: 'Stylistic alternates',
  titl: 'Titling',
  init: 'Initial forms',
  fina: 'Terminal forms',
};

/** Ligatures and contextual alternates are on unless they are turned off. */
export const ON_BY_ITSELF: ReadonlySet<string> = new Set(['liga', 'calt']);

const isSet = (tag: string): boolean => /^(ss|cv)\d\d$/.test(tag);
const plainName = (tag: string): string =>
  `${tag.startsWith('ss') ? 'Stylistic set' : 'Character variant'} ${Number(tag.slice(2))}`;

/** The choosable features of a font by tag; stylistic sets under the names the font itself gives. */
export function featureNames(face: Face): Map<string, string> {
  const tags = face.getTableFeatureTags('GSUB');
  const out = new Map(Object.entries(CHOOSABLE).filter(([tag]) => tags.includes(tag)));
  const sets = [...new Set(tags.filter(isSet))].sort();
  for (const tag of sets) {
    const id = face.getFeatureNameIds('GSUB', tags.indexOf(tag))?.uiLabelNameId;
    const given = id === undefined ? '' : face.getName(id, 'en');
    out.set(tag, given || plainName(tag));
  }
  return out;
}
