import { SYMBOLOGIES } from '../../codes/symbologies';
import { moduleWidth } from '../../codes/symbols';
import { CHECK_LIMITS } from '../../trade/check-limits';
import { type Check, type Finding, HAIR } from '../check';
import { found } from '../found';

export const codeSmall: Check = {
  id: 'code-small',
  name: 'A code whose parts are too small',
  protects: 'A phone cannot tell parts from one another that are smaller than it was made for.',
  source: { kind: 'common practice' },
  severity: 'warn',
  run: (context) =>
    context.face.elements.flatMap((code): Finding[] => {
      if (code.kind !== 'code') return [];
      const module = moduleWidth(code.symbology, code.text, code);
      if (module >= CHECK_LIMITS.codePart - HAIR) return [];
      return [
        found(codeSmall, code, context, {
          problem: `its parts are small; ${SYMBOLOGIES[code.symbology].name} says less, or is made larger`,
          measured: { value: module, kind: 'length' },
          wanted: { value: CHECK_LIMITS.codePart, kind: 'length' },
        }),
      ];
    }),
};
