import { distancesTo, moveInto, outset } from '../../geometry/box';
import { moveElement } from '../../job/edits/elements';
import { elementFrame } from '../../scene/face';
import { type Check, type Finding, HAIR, trimOf } from '../check';
import { found } from '../found';

export const codeAtEdge: Check = {
  id: 'code-at-edge',
  name: 'A code near the trim',
  protects: 'A cut that drifts takes the quiet zone off a code, or a part of it, and nothing reads it.',
  source: { kind: 'common practice' },
  severity: 'warn',
  limits: ['tolerance'],
  run: (context) => {
    const { face, piece, shop, sources } = context;
    const near = Math.max(shop.tolerance.x, shop.tolerance.y);
    const zone = outset(trimOf(piece), -near);
    return face.elements.flatMap((element): Finding[] => {
      if (element.kind !== 'code') return [];
      const frame = elementFrame(element, sources);
      const inside = distancesTo(frame, trimOf(piece));
      const least = Math.min(inside.top, inside.right, inside.bottom, inside.left);
      if (least >= near - HAIR) return [];
      const by = moveInto(zone, frame);
      return [
        found(codeAtEdge, element, context, {
          problem: 'A cut that drifts reaches into it',
          measured: { value: least, kind: 'length' },
          wanted: { value: near, kind: 'length' },
          fix: { label: 'Move it inside', apply: (job) => moveElement(job, element.id, by) },
        }),
      ];
    });
  },
};
