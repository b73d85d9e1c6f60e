import { describe, expect, it } from 'vitest';
import { setRow } from '../../../core/job/edits/words';
import { findElement } from '../../../core/job/find';
import { makeWords } from '../../../core/job/make';
import type { Words } from '../../../core/job/schema';
import { sourcesOf } from '../../../core/scene/sources';
import { wordsSet } from '../../../core/scene/words';
import { SEPARATOR_SIGNS } from '../../../core/type/separators';
import type { SetRun } from '../../../core/type/set-run';
import { cardWith, kit } from '../../kit';

const DETAILS = '01632 960 118\niris@hollinandfen.example\nFen Lane';
const sources = sourcesOf(cardWith([]), kit.fonts);

/** The left and right ink edges of every inked glyph of a line. */
function inkEdges(runs: readonly SetRun[]): { character: string; left: number; right: number }[] {
  return runs.flatMap(({ font, lettering, text, glyphs, x }) => {
    const scale = lettering.size / font.upem;
    let pen = x;
    return glyphs.flatMap(({ id, cluster, advance, dx }) => {
      const ink = font.ink(id);
      const left = pen + (dx + (ink?.x ?? 0)) * scale;
      pen += advance * scale;
      return ink ? [{ character: text[cluster]!, left, right: left + ink.width * scale }] : [];
    });
  });
}

describe('a row of details', () => {
  const words = (frame = {}): Words => makeWords({ id: 'w', text: DETAILS, x: 0, y: 0, frame });

  it.each(SEPARATOR_SIGNS)('joined with %s has equal white on both sides of each', (row) => {
    const { lines } = wordsSet({ ...words(), row }, sources);
    expect(lines.map((line) => line.text)).toEqual([DETAILS.split('\n').join(`\u00a0${row} `)]);
    const edges = inkEdges(lines[0]!.runs);
    const signs = edges.flatMap(({ character }, i) => (character === row ? [i] : [])).filter((i) => i > 0);
    const gaps = signs.map((i) => [edges[i]!.left - edges[i - 1]!.right, edges[i + 1]!.left - edges[i]!.right]);
    expect(gaps.length).toBeGreaterThanOrEqual(2);
    for (const [before, after] of gaps) {
      expect(before).toBeCloseTo(after!, 6);
      expect(before).toBeGreaterThan(0);
    }
  });
  it('moves nothing but the separators', () => {
    const advances = (row: Words['row']): number =>
      wordsSet({ ...words(), ...(row ? { row } : {}) }, sources).lines[0]!.width;
    const typed = makeWords({ id: 'w', text: DETAILS.split('\n').join('\u00a0· '), x: 0, y: 0 });
    expect(advances('·')).toBeCloseTo(wordsSet(typed, sources).lines[0]!.width, 9);
  });
  it('breaks between details, and leaves out the separator there', () => {
    const { lines } = wordsSet({ ...words({ behaviour: 'fixed width', width: 120 }), row: '·' }, sources);
    expect(lines.map((line) => line.text)).toEqual(DETAILS.split('\n'));
  });
  it('skips empty lines, and comes apart again', () => {
    const gappy = { ...makeWords({ id: 'w', text: 'a\n\nb', x: 0, y: 0 }), row: '|' as const };
    expect(wordsSet(gappy, sources).lines[0]!.text).toBe('a\u00a0| b');
    const apart = findElement(setRow(cardWith([gappy]), 'w', undefined), 'w')!.element as Words;
    expect(wordsSet(apart, sources).lines.map((line) => line.text)).toEqual(['a', '', 'b']);
  });
});
