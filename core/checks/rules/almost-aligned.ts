import { inkBounds } from '../../devices/bounds';
import type { Box } from '../../geometry/box';
import { NEAR } from '../../geometry/straighten';
import { moveElement } from '../../job/edits/elements';
import { titleOf } from '../../job/find';
import { lookOf } from '../../job/look';
import type { Words } from '../../job/schema';
import { elementFrame } from '../../scene/face';
import type { SceneSources } from '../../scene/sources';
import { anchorShare } from '../../type/set-words';
import { type Check, type Finding, HAIR } from '../check';

const at = (box: Box, share: number): number => box.x + share * box.width;

/** The edge that words are aligned to: which it is, and where it lies by their frame and by what is seen of them. */
interface AlignedEdge {
  words: Words;
  share: number;
  frame: number;
  ink: number;
}

function edgeOf(words: Words, sources: SceneSources): AlignedEdge[] {
  const ink = inkBounds(words, sources);
  const share = anchorShare(lookOf(words, sources.styles).setting.align);
  return ink ? [{ words, share, frame: at(elementFrame(words, sources), share), ink: at(ink, share) }] : [];
}

export const almostAligned: Check = {
  id: 'almost-aligned',
  name: 'Text that is almost aligned',
  protects: 'Lines that are a hair out of line look like a slip, where a clear step looks meant.',
  source: { kind: 'common practice' },
  severity: 'advise',
  run: ({ face, sources }) => {
    const all = face.elements.flatMap((e) => (e.kind === 'words' && !e.path ? edgeOf(e, sources) : []));
    return all.flatMap(({ words: element, share, frame, ink }, i): Finding[] => {
      // Lined up by the frame or by what is seen of the letters is lined up.
      const near = all
        .slice(0, i)
        .filter((other) => other.share === share)
        .map((other) => ({ other: other.words, frame: other.frame - frame, ink: other.ink - ink }))
        .filter((off) => Math.min(Math.abs(off.frame), Math.abs(off.ink)) <= NEAR.edge);
      const isLinedUp = near.some((off) => Math.abs(off.frame) <= HAIR || Math.abs(off.ink) <= 10 * HAIR);
      const nearest = near
        .filter((off) => Math.abs(off.frame) <= NEAR.edge)
        .sort((a, b) => Math.abs(a.frame) - Math.abs(b.frame))[0];
      if (isLinedUp || !nearest) return [];
      const by = nearest.frame;
      return [
        {
          check: 'almost-aligned',
          severity: 'advise',
          face: face.id,
          element: element.id,
          place: elementFrame(element, sources),
          of: nearest.other.id,
          problem: `Almost aligned with ${titleOf(nearest.other, sources.assets)}`,
          measured: { value: Math.abs(by), kind: 'length' },
          wanted: { value: 0, kind: 'length' },
          fix: { label: 'Align them', apply: (job) => moveElement(job, element.id, { x: by, y: 0 }) },
        },
      ];
    });
  },
};
