import { postedOf } from '../../job/posted';
import { postRulesOf } from '../../trade/post';
import { type PostVerdict, postVerdict } from '../../trade/postage';
import { sourceWords } from '../../trade/source-words';
import { type Check, type Finding, type Measure, trimOf, wholePiece } from '../check';

/** What is measured of each. */
const KINDS: Readonly<Record<PostVerdict['against'][number]['what'], Measure['kind']>> = {
  size: 'length',
  ratio: 'ratio',
  thickness: 'length',
  corner: 'length',
  fold: 'count',
  'fold side': 'count',
  weight: 'weight',
};

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
    const sizes = piece.kind === 'envelope' ? rules.sizes.filter(({ openOnly }) => !openOnly) : rules.sizes;
    return postVerdict({ ...rules, sizes }, postedOf(wholePiece(context), face), piece.thickness).against.map(
      ({ what, measured, wanted, says }): Finding => ({
        check: 'post-size',
        severity: 'warn',
        face: face.id,
        element: face.elements[0]?.id ?? face.id,
        place: trimOf(piece),
        of: `${face.id} ${what} ${measured < wanted ? 'below' : 'above'}`,
        problem: says.charAt(0).toUpperCase() + says.slice(1),
        measured: { value: measured, kind: KINDS[what] },
        wanted: { value: wanted, kind: KINDS[what] },
        rule: `${rules.name}: ${sourceWords(rules.source)}`,
      }),
    );
  },
};
