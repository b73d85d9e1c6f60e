import type { ShopSpec } from '../../trade/schema';
import { asMeasured, fromPoints, type PieceUnit, toPoints } from '../../units/length';
import type { FileFinding, PageInspected } from '../pdf/inspect';
import type { RuleSeen } from '../pdf/rules';
import type { ClerkLine, OrderAsked, Verdict } from './order';

/** How a clerk takes a file: from what a reader of any PDF says of it, and from what was ordered. */

/** How a shop's counter is: one sends back what another puts right. */
export type Manner = 'strict' | 'lenient';

/** What the reader says of a file; why it could not be read, where it could not. */
export type FileSaid =
  | { problem: string }
  | {
      pages: readonly Pick<PageInspected, 'cut' | 'unit' | 'trim'>[];
      findings: readonly FileFinding[];
      rules: readonly Pick<RuleSeen, 'says' | 'faults'>[];
      unread: readonly string[];
      /** The standard that it says it goes by. */
      standard?: string | undefined;
    };

/** What a lenient counter puts right by itself, and how it says so. */
const PUT_RIGHT: Readonly<Record<string, string>> = {
  'screen-colours': 'We turn the screen colours into inks. They come out duller than on your screen.',
  'white-overprint': 'We set the white to knock out, so that it is there on paper.',
  'registration-colour': 'We print what was on every plate in black alone.',
  'total-ink': 'We bring the ink down to what our press takes. Dark places come out a little lighter.',
};

/** A finished size is right within this, millimetres. */
const CLOSE = 0.35;
const mm = (points: number): number => fromPoints(points, 'mm');
const near = (a: number, b: number): boolean => Math.abs(a - b) <= CLOSE;

/** What is not as it was ordered: sides and sizes. */
function againstOrder(
  pages: readonly Pick<PageInspected, 'cut' | 'unit' | 'trim'>[],
  { width, height, sides }: OrderAsked,
  { bleed, unit: said }: { bleed: number; unit: PieceUnit },
  manner: Manner,
): ClerkLine[] {
  const size = (...sides: number[]): string =>
    asMeasured(
      sides.map((each) => toPoints(each, 'mm')),
      said,
    );
  const lines: ClerkLine[] = [];
  if (pages.length < sides)
    lines.push({
      kind: 'wrong',
      page: 0,
      check: 'pages',
      says: `${sides} sides are ordered, and the file has ${pages.length} ${pages.length === 1 ? 'page' : 'pages'}.`,
    });
  // Pages beyond the sides are finishing, or what was not ordered.
  for (const [i, { cut, unit, trim }] of pages.slice(0, sides).entries()) {
    const [x0, y0, x1, y1] = cut;
    const [w, h] = [mm((x1 - x0) * unit), mm((y1 - y0) * unit)];
    const fits = (by: number): boolean =>
      (near(w, width + by) && near(h, height + by)) || (near(h, width + by) && near(w, height + by));
    if (fits(0)) continue;
    const page = i + 1;
    if (!trim && fits(2 * mm(bleed))) {
      const says = `The page has no trim box. We cut it to ${size(width, height)}, in the middle.`;
      lines.push({ kind: manner === 'lenient' ? 'change' : 'wrong', page, check: 'no-trim', says });
    } else
      lines.push({
        kind: 'wrong',
        page,
        check: 'size',
        says: `The page is ${size(w, h)} when it is cut; ordered is ${size(width, height)}.`,
      });
  }
  return lines;
}

const ofFinding = ({ check, severity, page, says, at }: FileFinding, manner: Manner): ClerkLine => {
  const there = at ? { at } : {};
  const change = manner === 'lenient' ? PUT_RIGHT[check] : undefined;
  if (change !== undefined) return { kind: 'change', page, check, says: change, ...there };
  return { kind: severity === 'stop' ? 'wrong' : 'note', page, check, says, ...there };
};

/** A file that goes by no standard can hold anything. */
const ofNoStandard = (standard: string, manner: Manner): ClerkLine => ({
  page: 0,
  check: 'no-standard',
  ...(manner === 'lenient'
    ? { kind: 'change', says: `We write the file anew as ${standard}: it goes by no standard.` }
    : { kind: 'wrong', says: `The file goes by no standard. Export it as ${standard}.` }),
});

/** What a counter says of a file that came for an order. */
export function verdictOn(
  said: FileSaid,
  asked: OrderAsked,
  shop: Pick<ShopSpec, 'bleed' | 'standard' | 'unit'>,
  manner: Manner,
): { verdict: Verdict; lines: ClerkLine[] } {
  if ('problem' in said)
    return { verdict: 'back', lines: [{ kind: 'wrong', page: 0, check: 'unreadable', says: said.problem }] };
  const { pages, findings, rules, unread, standard } = said;
  const broken = rules.filter(({ faults }) => faults.length > 0);
  const bleed = Math.max(...Object.values(shop.bleed));
  const lines: ClerkLine[] = [
    ...againstOrder(pages, asked, { bleed, unit: shop.unit }, manner),
    ...(standard === undefined ? [ofNoStandard(shop.standard, manner)] : []),
    // That a file claims no standard is said once, in the clerk's own words.
    ...findings
      .filter(({ check }) => check !== 'standard' || standard !== undefined)
      .map((each) => ofFinding(each, manner)),
    ...broken.map(
      ({ says, faults }): ClerkLine => ({
        kind: manner === 'lenient' ? 'change' : 'wrong',
        page: 0,
        check: 'standard',
        says:
          manner === 'lenient'
            ? `We write the file anew: “${says}” does not hold (${faults[0]}).`
            : `“${says}” does not hold: ${faults[0]}.`,
      }),
    ),
    ...unread.map(
      (what): ClerkLine => ({ kind: 'wrong', page: 0, check: 'unread', says: `We could not read all of it: ${what}.` }),
    ),
  ];
  const verdict: Verdict = lines.some(({ kind }) => kind === 'wrong')
    ? 'back'
    : lines.some(({ kind }) => kind === 'change')
      ? 'changes'
      : 'accepted';
  return { verdict, lines };
}
