import { SYMBOLOGIES } from '../../codes/symbologies';
import { moduleWidth } from '../../codes/symbols';
import { type Check, type Finding, HAIR } from '../check';
import { found } from '../found';

export const codeSmall: Check = {
  id: 'code-small',
  name: 'A code whose parts are too small or too large',
  protects:
    'A reader cannot tell parts from one another that are smaller than it was made for; a shop’s scanner takes no EAN-13 above twice its size.',
  source: { kind: 'from memory', name: 'GS1 General Specifications for EAN-13; others common practice' },
  severity: 'warn',
  run: (context) =>
    context.face.elements.flatMap((code): Finding[] => {
      if (code.kind !== 'code') return [];
      const module = moduleWidth(code.symbology, code.text, code);
      const { name, module: limits } = SYMBOLOGIES[code.symbology];
      const [least, most] = [limits.least, 'most' in limits ? limits.most : Number.POSITIVE_INFINITY];
      if (module >= least - HAIR && module <= most + HAIR) return [];
      const isSmall = module < least;
      return [
        found(codeSmall, code, context, {
          problem: isSmall
            ? `Its modules are too small for ${name}: say less in it, or make it larger`
            : `Its modules are larger than ${name} allows`,
          measured: { value: module, kind: 'length' },
          wanted: { value: isSmall ? least : most, kind: 'length' },
        }),
      ];
    }),
};
