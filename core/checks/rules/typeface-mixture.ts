import { letteringsOf } from '../../job/look';
import { TYPE_LIMITS, TYPE_SOURCE } from '../../trade/type-limits';
import { familyName } from '../../type/own-font';
import type { Check } from '../check';
import { tooMany } from '../too-many';

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
          (values) => `Many families on one side: ${values}`,
        )
      : [],
};
