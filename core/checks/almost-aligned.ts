import { inkBounds } from '../devices/bounds';
import type { Box } from '../geometry/box';
import { NEAR } from '../geometry/straighten';
import { moveElement } from '../job/edits/elements';
import { titleOf } from '../job/find';
import { lookOf } from '../job/look';
import type { Words } from '../job/schema';
import { elementFrame } from '../scene/face';
import type { SceneSources } from '../scene/sources';
import { anchorShare } from '../type/set-words';
import { type Check, type Finding, HAIR } from './check';

const at = (box: Box, share: number): number => box.x + share * box.width;

/** How far a frame's edge and its visible edge are from another's; the edge is the one that the words are aligned to. */
function offBy(words: Words, other: Words, sources: SceneSources): { frame: number; ink: number } | undefined {
  const edges = [words, other].map((w) => anchorShare(lookOf(w, sources.styles).setting.align));
  const inks = [words, other].map((w) => inkBounds(w, sources));
  if (edges[0] !== edges[1] || !inks[0] || !inks[1]) return undefined;
  const frames = [words, other].map((w) => elementFrame(w, sources));
  return {
    frame: at(frames[1]!, edges[0]!) - at(frames[0]!, edges[0]!),
    ink: at(inks[1], edges[0]!) - at(inks[0], edges[0]!),
  };
}

export const almostAligned: Check = {
  id: 'almost-aligned',
  name: 'Words that almost line up',
  protects: 'Lines that are a hair out of line look like a slip, where a clear step looks meant.',
  source: { kind: 'common practice' },
  run: ({ face, sources }) => {
    const all = face.elements.filter((e): e is Words => e.kind === 'words' && !e.path);
    return all.flatMap((element, i): Finding[] => {
      // Lined up by the frame or by what is seen of the letters is lined up.
      const near = all
        .slice(0, i)
        .map((other) => ({ other, off: offBy(element, other, sources) }))
        .filter(({ off }) => off && Math.min(Math.abs(off.frame), Math.abs(off.ink)) <= NEAR.edge);
      const isLinedUp = near.some(({ off }) => Math.abs(off!.frame) <= HAIR || Math.abs(off!.ink) <= 10 * HAIR);
      const nearest = near
        .filter(({ off }) => Math.abs(off!.frame) <= NEAR.edge)
        .sort((a, b) => Math.abs(a.off!.frame) - Math.abs(b.off!.frame))[0];
      if (isLinedUp || !nearest) return [];
      const by = nearest.off!.frame;
      return [
        {
          check: 'almost-aligned',
          severity: 'advise',
          face: face.id,
          element: element.id,
          place: elementFrame(element, sources),
          problem: `almost in line with ${titleOf(nearest.other, sources.assets)}`,
          measured: { value: Math.abs(by), kind: 'length' },
          wanted: { value: 0, kind: 'length' },
          fix: { label: 'Line them up', apply: (job) => moveElement(job, element.id, { x: by, y: 0 }) },
        },
      ];
    });
  },
};
