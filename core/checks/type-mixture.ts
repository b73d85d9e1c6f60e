import { letteringsOf } from '../job/look';
import type { Element } from '../job/schema';
import { elementFrame } from '../scene/face';
import { TYPE_LIMITS, TYPE_SOURCE } from '../trade/type-limits';
import { familyName } from '../type/own-font';
import type { Check, CheckContext, Finding } from './check';

/** Advice about a face as a whole points at the words that brought one too many. */
function tooMany(
  { face, sources }: CheckContext,
  check: string,
  most: number,
  valuesOf: (element: Element) => (string | number)[],
  problem: (values: string) => string,
): Finding[] {
  const seen = new Set<string | number>();
  let last: Element | undefined;
  for (const element of face.elements)
    for (const value of valuesOf(element)) {
      if (!seen.has(value)) last = element;
      seen.add(value);
    }
  if (!last || seen.size <= most) return [];
  const values = [...seen].sort((a, b) => (typeof a === 'number' && typeof b === 'number' ? a - b : 0)).join(', ');
  return [
    {
      check,
      severity: 'advise',
      face: face.id,
      element: last.id,
      place: elementFrame(last, sources),
      problem: problem(values),
      measured: { value: seen.size, kind: 'count' },
      wanted: { value: most, kind: 'count' },
    },
  ];
}

export const typefaceMixture: Check = {
  id: 'typeface-mixture',
  name: 'Many typefaces on a card',
  protects: 'A card in more than two families looks like several cards.',
  source: TYPE_SOURCE,
  severity: 'advise',
  run: (context) =>
    context.piece.kind === 'card'
      ? tooMany(
          context,
          'typeface-mixture',
          TYPE_LIMITS.familiesOnCard,
          (e) =>
            e.kind === 'words'
              ? letteringsOf(e, context.sources.styles).map((l) => familyName(l.typeface, context.sources.ownFonts))
              : [],
          (values) => `Many families on one face: ${values}`,
        )
      : [],
};

export const sizeMixture: Check = {
  id: 'size-mixture',
  name: 'Many sizes on a face',
  protects: 'More than four sizes on a face look as if none had been chosen.',
  source: TYPE_SOURCE,
  severity: 'advise',
  run: (context) =>
    tooMany(
      context,
      'size-mixture',
      TYPE_LIMITS.sizesOnFace,
      (e) =>
        e.kind === 'words' ? letteringsOf(e, context.sources.styles).map((l) => Math.round(l.size * 100) / 100) : [],
      (values) => `Many sizes on one face: ${values} pt`,
    ),
};
