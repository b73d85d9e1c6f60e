import { isFlat } from '../../colour/fill';
import { type Cmyk, PROCESS_PLATES } from '../../colour/ink';
import { ALL_PLATES_ALLOWED, allowsPlate } from '../../colour/printed-with';
import { areaOf } from '../../geometry/offset';
import { addInk, repaint } from '../../job/edits/inks';
import type { Job, Shape } from '../../job/schema';
import { outlineOf } from '../../scene/outline';
import { INK_LIMITS, INK_SOURCE } from '../../trade/ink-limits';
import { fromPoints } from '../../units/length';
import { atElement } from '../at-element';
import type { Check, CheckContext, Finding } from '../check';
import { pieceFacts } from '../piece-facts';
import { isPlainBlack, isRichBlack } from './rich-black-words';

const RICH: Cmyk = [...INK_LIMITS.richBlack];

/** A job with a rich black in it, and that ink's id. */
function withRichBlack(job: Job): { job: Job; ink: string } {
  const found = job.inks.find(isRichBlack);
  if (found) return { job, ink: found.id };
  const ids = new Set(job.inks.map((ink) => ink.id));
  let id = 'rich-black';
  for (let n = 2; ids.has(id); n++) id = `rich-black-${n}`;
  return { job: addInk(job, { id, name: 'Rich black', kind: 'process', cmyk: RICH }), ink: id };
}

/** Whether a piece is printed from cyan, magenta and yellow anyway. */
function printsColour({ piece, job, shop }: CheckContext): boolean {
  const plates = PROCESS_PLATES.slice(0, 3);
  const with_ = piece.printedWith ?? ALL_PLATES_ALLOWED;
  if (shop.plates.process !== 'four' || !plates.every((plate) => allowsPlate(with_, plate, job.inks))) return false;
  const used = pieceFacts(job, piece).plates;
  return piece.printedWith?.plates === 'four-colour' || plates.some((plate) => used.includes(plate));
}

const squareMm = (points: number): number => points * fromPoints(1, 'mm') ** 2;

function look(shape: Shape, context: CheckContext): Finding[] {
  const { paint } = shape;
  const ink =
    isFlat(paint) && paint.tint > 0.999 ? context.sources.inks.find((each) => each.id === paint.ink) : undefined;
  if (!ink || (shape.opacity ?? 1) < 1) return [];
  const plain = isPlainBlack(ink);
  if (!plain && !isRichBlack(ink)) return [];
  // Rich black would be three plates more for a piece that has not got them.
  if (plain && !printsColour(context)) return [];
  const { large, small } = INK_LIMITS.blackArea;
  // No outline is larger than its frame: most shapes need no more than that.
  if (plain && squareMm(shape.width * shape.height) < large) return [];
  const area = squareMm(areaOf(outlineOf(shape)));
  if (plain ? area < large : area > small) return [];
  const fix = plain
    ? {
        label: 'Make it rich black',
        apply: (before: Job) => {
          const { job, ink: rich } = withRichBlack(before);
          return repaint(job, [shape.id], (p) => (p.ink === ink.id ? { ...p, ink: rich } : p));
        },
      }
    : {
        label: 'Make it black alone',
        apply: (job: Job) => repaint(job, [shape.id], (p) => (p.ink === ink.id ? { ...p, ink: 'black' } : p)),
      };
  return [
    {
      ...atElement('black-areas', shape, context),
      severity: 'advise',
      problem: plain ? 'A large area in black alone prints grey' : 'A small area gains nothing from rich black',
      measured: { value: area, kind: 'area' },
      wanted: { value: plain ? large : small, kind: 'area' },
      fix,
    },
  ];
}

export const blackAreas: Check = {
  id: 'black-areas',
  name: 'Black that is too plain, or too rich',
  protects: 'Black alone looks grey over an area; several inks on a small one only show where plates shift.',
  source: INK_SOURCE,
  severity: 'advise',
  run: (context) => context.face.elements.flatMap((e) => (e.kind === 'shape' ? look(e, context) : [])),
};
