import { postRulesOf } from '../../trade/post';
import { postVerdict } from '../../trade/postage';
import { sourceWords } from '../../trade/source-words';
import { type Check, type Finding, laidOut, trimOf } from '../check';

export const postSize: Check = {
  id: 'post-size',
  name: 'Size, ratio or stock against the rules of post',
  protects: 'A card that is a little too large, too square or too thin costs more to post, or comes back.',
  source: { kind: 'from memory', name: 'the rule set of the piece' },
  severity: 'warn',
  run: (context) => {
    const { face, piece } = context;
    const rules = piece.post?.face === face.id ? postRulesOf(piece.post.rules) : undefined;
    if (!rules) return [];
    const sheet = laidOut(context);
    const sizes = piece.kind === 'envelope' ? rules.sizes.filter(({ openOnly }) => !openOnly) : rules.sizes;
    return postVerdict({ ...rules, sizes }, sheet, sheet.thickness).against.map(
      ({ what, measured, wanted, says }): Finding => ({
        check: 'post-size',
        severity: 'warn',
        face: face.id,
        element: face.elements[0]?.id ?? face.id,
        place: trimOf(piece),
        of: `${face.id} ${what} ${measured < wanted ? 'below' : 'above'}`,
        problem: says.charAt(0).toUpperCase() + says.slice(1),
        measured: what === 'ratio' ? { value: measured, kind: 'ratio' } : { value: measured, kind: 'length' },
        wanted: what === 'ratio' ? { value: wanted, kind: 'ratio' } : { value: wanted, kind: 'length' },
        rule: `${rules.name}: ${sourceWords(rules.source)}`,
      }),
    );
  },
};
