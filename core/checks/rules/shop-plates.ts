import { isFinish } from '../../colour/finishes';
import { isProcessPlate } from '../../colour/ink';
import type { Check, CheckContext, Finding } from '../check';
import { found } from '../found';
import { platesUsed } from '../piece-facts';

/** Kept by the face's identity: every face asks for those of its whole piece. */
function spotsOf({ piece, sources }: CheckContext): string[] {
  const all = piece.faces.flatMap(({ elements }) => elements.flatMap((e) => platesUsed(e, sources)));
  return [...new Set(all.filter((plate) => !isProcessPlate(plate) && !isFinish(plate)))];
}

export const shopPlates: Check = {
  id: 'shop-plates',
  name: 'Plates the shop does not print',
  protects: 'An ink that the shop has not got is printed as something else, or the job is sent back.',
  source: { kind: 'common practice' },
  severity: 'stop',
  limits: ['plates'],
  run: (context) => {
    const { face, shop, sources } = context;
    const { process, spots } = shop.plates;
    const used = spotsOf(context);
    // Those above the number that is allowed: the last ones that the piece came to use.
    const extra = new Set(used.slice(spots));
    const allows = (plate: string): boolean =>
      isProcessPlate(plate) ? process === 'four' || (process === 'black' && plate === 'Black') : !extra.has(plate);
    // A press without process inks mixes its black like any other ink.
    const isMixedBlack = (plate: string): boolean => process === 'none' && plate === 'Black' && used.length < spots;
    return face.elements.flatMap((element): Finding[] => {
      const strays = [...new Set(platesUsed(element, sources))].filter((p) => !allows(p) && !isMixedBlack(p));
      if (strays.length === 0) return [];
      return [
        found(shopPlates, element, context, {
          of: strays.join(', '),
          problem: `${shop.name} does not print ${strays.join(', ')}`,
          measured: { value: strays.length, kind: 'count' },
        }),
      ];
    });
  },
};
