import type { PostRules } from './data-schema';
import { gramsSaid } from './weight';

/** What a rule set says of a card or letter of that size: whether it is taken, and at which rate. */
export interface PostVerdict {
  /** The rate that it goes at, in words. */
  postage: string;
  /** What is in the way of the best rate; empty where nothing is. */
  against: readonly {
    what: 'size' | 'ratio' | 'thickness' | 'corner' | 'fold' | 'fold side' | 'weight';
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
  /** Where it is folded and goes without an envelope: the edges of the address side that are folds. */
  folds?: readonly ('left' | 'right' | 'top' | 'bottom')[];
  /** Its open edges are closed, by tabs or glue. */
  isClosed?: boolean;
  grams?: number;
}

/** The step of a rate that something so heavy goes at: the most it takes, grams; undefined where it is too heavy. */
const stepOf = (weights: readonly number[], grams: number): number | undefined =>
  weights.find((most) => grams <= most + 1e-6);

/** `thickness` is that of the stock where it is known; points. */
export function postVerdict(rules: PostRules, size: Posted, thickness: number | undefined): PostVerdict {
  const [long, short] = [Math.max(size.width, size.height), Math.min(size.width, size.height)];
  const { grams } = size;
  const bySize = rules.sizes.filter(({ most }) => long <= most[0] + HAIR && short <= most[1] + HAIR);
  const fits = bySize.find(({ weights }) => grams === undefined || !weights || stepOf(weights, grams) !== undefined);
  const first = rules.sizes[0]!;
  const against: PostVerdict['against'][number][] = [];
  if (long < first.least[0] - HAIR)
    against.push({ what: 'size', measured: long, wanted: first.least[0], says: `too short: ${rules.tooSmall}` });
  if (short < first.least[1] - HAIR)
    against.push({ what: 'size', measured: short, wanted: first.least[1], says: `too low: ${rules.tooSmall}` });
  if (bySize[0] !== first) {
    const postage = bySize[0]?.postage ?? rules.tooLarge;
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
  if (grams !== undefined && bySize[0] && bySize[0] !== fits)
    against.push({
      what: 'weight',
      measured: grams,
      wanted: bySize[0].weights!.at(-1)!,
      says: `heavier than a ${bySize[0].name} may be: it goes at ${fits?.postage ?? rules.tooLarge}`,
    });
  const { corner, folded } = rules;
  if (corner && size.corner !== undefined && size.corner > corner.most + HAIR)
    against.push({
      what: 'corner',
      measured: size.corner,
      wanted: corner.most,
      says: `its corners are too round: ${corner.otherwise}`,
    });
  if (folded && size.folds && !size.isClosed) against.push({ what: 'fold', measured: 1, wanted: 0, says: folded });
  if (rules.closures && size.folds && !size.folds.some((edge) => edge === 'bottom' || edge === 'right'))
    against.push({
      what: 'fold side',
      measured: 1,
      wanted: 0,
      says: 'no fold lies at the foot or the right of the address side, where it goes first into a sorting machine',
    });
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
  const step = fits?.weights && grams !== undefined ? stepOf(fits.weights, grams) : undefined;
  const postage = fits?.postage ?? rules.tooLarge;
  return { postage: step === undefined ? postage : `${postage}, up to ${gramsSaid(step)}`, against };
}
