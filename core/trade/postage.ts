import type { PostRules } from './data-schema';

/** What a rule set says of a card or letter of that size: whether it is taken, and at which rate. */
export interface PostVerdict {
  /** The rate that it goes at, in words. */
  postage: string;
  /** What is in the way of the best rate; empty where nothing is. */
  against: readonly {
    what: 'size' | 'ratio' | 'thickness' | 'corner' | 'fold';
    measured: number;
    wanted: number;
    says: string;
  }[];
}

const HAIR = 0.001;

/** A piece as it is posted. Lengths in points, the width being the side that the address is parallel to. */
export interface Posted {
  width: number;
  height: number;
  /** The radius of its corners; square where it is left out. */
  corner?: number | undefined;
  /** Whether it is folded and goes without an envelope. */
  folded?: boolean;
}

/** `thickness` is that of the stock where it is known; points. */
export function postVerdict(rules: PostRules, size: Posted, thickness: number | undefined): PostVerdict {
  const [long, short] = [Math.max(size.width, size.height), Math.min(size.width, size.height)];
  const fits = rules.sizes.find(({ most }) => long <= most[0] + HAIR && short <= most[1] + HAIR);
  const first = rules.sizes[0]!;
  const against: PostVerdict['against'][number][] = [];
  if (long < first.least[0] - HAIR)
    against.push({ what: 'size', measured: long, wanted: first.least[0], says: `too short: ${rules.tooSmall}` });
  if (short < first.least[1] - HAIR)
    against.push({ what: 'size', measured: short, wanted: first.least[1], says: `too low: ${rules.tooSmall}` });
  if (fits !== first) {
    const postage = fits?.postage ?? rules.tooLarge;
    const past = long > first.most[0] + HAIR ? 0 : 1;
    against.push({
      what: 'size',
      measured: past === 0 ? long : short,
      wanted: first.most[past],
      says: `larger than a ${first.name}: it goes at ${postage}`,
    });
  }
  // Of an upright address the side along it is the shorter one: the ratio is below 1, and no machine takes it (DMM 201.1.1).
  const ratio = size.width / size.height;
  if (ratio < rules.ratio.least - 1e-6 || ratio > rules.ratio.most + 1e-6)
    against.push({
      what: 'ratio',
      measured: ratio,
      wanted: ratio < rules.ratio.least ? rules.ratio.least : rules.ratio.most,
      says: `its sides are ${ratio.toFixed(2)} to 1: ${rules.ratio.otherwise}`,
    });
  const { corner, folded } = rules;
  if (corner && size.corner !== undefined && size.corner > corner.most + HAIR)
    against.push({
      what: 'corner',
      measured: size.corner,
      wanted: corner.most,
      says: `its corners are too round: ${corner.otherwise}`,
    });
  if (folded && size.folded) against.push({ what: 'fold', measured: 1, wanted: 0, says: folded });
  const class_ = fits ?? first;
  if (thickness !== undefined) {
    const { thickerAbove } = class_;
    const isLarge = thickerAbove && (long > thickerAbove.size[0] + HAIR || short > thickerAbove.size[1] + HAIR);
    const least = isLarge ? thickerAbove.thickness : class_.thickness[0];
    if (thickness < least - 1e-6)
      against.push({
        what: 'thickness',
        measured: thickness,
        wanted: least,
        says: `too thin for a ${class_.name} of its size`,
      });
    if (thickness > class_.thickness[1] + 1e-6)
      against.push({
        what: 'thickness',
        measured: thickness,
        wanted: class_.thickness[1],
        says: `too thick for a ${class_.name}`,
      });
  }
  return { postage: fits?.postage ?? rules.tooLarge, against };
}
