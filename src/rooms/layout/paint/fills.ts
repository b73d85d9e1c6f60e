import { type Fill, isFlat, mainPaint } from '../../../../core/colour/fill';
import { placeAtAngle, placeBetween } from '../../../../core/colour/gradient-ends';
import { type Box, middleOf } from '../../../../core/geometry/box';
import { setFill } from '../../../../core/job/edits/elements';
import type { Element, Paint, Rule, Shape, Words } from '../../../../core/job/schema';
import { elementFrame } from '../../../../core/scene/face';
import { type PieceUnit, roundIn } from '../../../../core/units/length';
import type { Bench } from '../../../bench/bench';
import { act } from '../../../store/session';

export type FillKind = 'flat' | 'none' | 'linear' | 'radial' | 'split' | 'pattern';
export const FILL_KINDS: readonly (readonly [FillKind, string])[] = [
  ['flat', 'One ink'],
  ['linear', 'Linear gradient'],
  ['radial', 'Radial gradient'],
  ['split', 'Two-colour split'],
  ['pattern', 'Pattern'],
  ['none', 'None'],
];

export const fillKindOf = (fill: Fill | undefined): FillKind =>
  fill === undefined || isFlat(fill) ? 'flat' : fill.kind;

/** A fill of another kind that begins with the ink there was. */
function begun(kind: FillKind, from: Paint, frame: Box, unit: PieceUnit): Fill {
  const light = { ...from, tint: from.tint > 0.5 ? 0.15 : 1 };
  switch (kind) {
    case 'flat':
      return from;
    case 'none':
      return { kind };
    case 'linear':
      return {
        kind,
        place: placeAtAngle(90, frame),
        stops: [
          { at: 0, ...from },
          { at: 1, ...light },
        ],
      };
    case 'radial': {
      const middle = middleOf(frame);
      const edge = { x: middle.x + Math.max(frame.width, frame.height) / 2, y: middle.y };
      return {
        kind,
        place: placeBetween(middle, edge, frame),
        stops: [
          { at: 0, ...light },
          { at: 1, ...from },
        ],
      };
    }
    case 'split':
      return { kind, through: { x: 0.5, y: 0.5 }, angle: 0, first: from, second: light };
    case 'pattern':
      return {
        kind,
        motif: 'stripes',
        spacing: roundIn(unit, 2, 1 / 16),
        weight: roundIn(unit, 1, 1 / 32),
        angle: 45,
        paint: from,
        ground: light,
      };
  }
}

type Filled = Shape | Rule | Words;
const isFilled = (element: Element): element is Filled =>
  element.kind === 'shape' || element.kind === 'rule' || element.kind === 'words';

/** Only a shape can do without a fill: it has an outline besides. */
export const canFill = (element: Element, kind: FillKind): boolean =>
  isFilled(element) && (kind !== 'none' || element.kind === 'shape');

/** Fills all of these that can be filled so, each beginning with the ink it has. */
export function chooseFill(
  elements: readonly Element[],
  kind: FillKind,
  sources: Bench['sources'],
  unit: PieceUnit,
): void {
  const filled = elements.filter((e): e is Filled => canFill(e, kind));
  act('Fill', (job) =>
    filled.reduce((j, element) => {
      const fill = element.kind === 'words' ? element.fill : element.paint;
      const from = (fill && mainPaint(fill)) ?? { ink: 'black', tint: 1 };
      // Words in one ink are painted as they are lettered.
      const plain = element.kind === 'words' && kind === 'flat';
      return setFill(j, element.id, plain ? undefined : begun(kind, from, elementFrame(element, sources), unit));
    }, job),
  );
}
